package dev.deftchisel.generate;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;

/**
 * What is to be generated.
 *
 * @param target  the type
 * @param chosen  its parts, in order
 * @param answers to whatever else is asked
 * @param writer  of types in the file
 * @param analyst for what stands elsewhere
 */
record GenerationRequest(TargetClass target, List<StateField> chosen, Answers answers, TypeWriter writer,
        Analyst analyst) {

    /** Whether the module has a declaration that does not say that it needs another module. */
    boolean needsModule(String name) {
        return analyst.snapshot().files().stream()
                .filter(file -> file.isModuleInfo() && file.root().equals(target.code().file().root()))
                .anyMatch(file -> !file.content().contains(name));
    }

    /** The text of a method of the workspace, wherever it stands. */
    Optional<String> text(ExecutableElement method) {
        SymbolKey key = target.code().key(method);
        Optional<SourceFile> file = analyst.declaring(key);
        if (file.isEmpty()) {
            return Optional.empty();
        }
        Analysis analysis = analyst.analyse(Focus.on(Set.of(file.get().path()),
                Set.of(method.getSimpleName().toString())));
        Optional<Binding> declared = analysis.declaration(key);
        return declared.flatMap(binding -> analysis.code(binding.file())
                .flatMap(code -> code.declaration(binding.range())
                .map(path -> code.text(path.getLeaf()))));
    }
}
