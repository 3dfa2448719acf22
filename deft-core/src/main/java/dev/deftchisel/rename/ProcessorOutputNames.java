package dev.deftchisel.rename;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.AnalysisException;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.ProcessorOutput;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Finds what annotation processors call otherwise when they are run on the changed code. */
final class ProcessorOutputNames {

    private ProcessorOutputNames() {
    }

    /** The word by which code names something. */
    static Set<String> words(SymbolKey key) {
        if (key instanceof SymbolKey.Method method) {
            return Set.of(method.name());
        }
        if (key instanceof SymbolKey.Field field) {
            return Set.of(field.name());
        }
        return key instanceof SymbolKey.Type type ? Set.of(type.simpleName()) : Set.of();
    }

    /** The new names by what they are; none where no processors are run. */
    static Map<SymbolKey, String> of(Change change, Analyst analyst) {
        Snapshot before = analyst.snapshot();
        Map<SymbolKey, String> names = new LinkedHashMap<>();
        if (before.workspace().processedRoots().isEmpty()) {
            return names;
        }
        ProcessorOutput remade;
        try {
            remade = ProcessorOutput.of(before, analyst.remade(change.applyTo(before)));
        } catch (AnalysisException broken) {
            // the guard runs them too, and says so
            return names;
        }
        List<SourceFile> changed = remade.pairs().keySet().stream().filter(file -> !remade.renamed(file).isEmpty())
                .toList();
        if (!changed.isEmpty()) {
            Analysis analysis = analyst.analyse(Focus.whole(changed.stream().map(SourceFile::path).toList()));
            for (SourceFile file : changed) {
                Map<Range, String> renamed = remade.renamed(file);
                for (Binding binding : analysis.bindings(file.path())) {
                    boolean isMember = binding.key() instanceof SymbolKey.Type
                            || binding.key() instanceof SymbolKey.Method
                            || binding.key() instanceof SymbolKey.Field;
                    if (binding.role() == Role.DECLARATION && binding.isNamed() && isMember
                            && renamed.containsKey(binding.range())) {
                        names.put(binding.key(), renamed.get(binding.range()));
                    }
                }
            }
        }
        return names;
    }
}
