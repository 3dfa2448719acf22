package dev.deftchisel.declare;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.member.PlaceholderCode;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.member.parameter.AddedParameter;
import dev.deftchisel.member.parameter.KeptParameters;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.CallArguments;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Tokens;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.lang.model.type.TypeMirror;

/**
 * Gives a method, a constructor or a record one more parameter at its end.
 *
 * @param before in which every file that mentions it was looked at
 * @param code   the file that declares it
 * @param key    of the method or constructor
 * @param value  what other calls pass; empty for a stand-in
 * @param isKept whether a constructor keeps it in a field
 */
record ParameterPlan(Analysis before, AttributedFile code, SymbolKey key, TypeMirror type, String name, String value,
        boolean isKept) {

    Plan plan(ResolvedPlace resolved, String title) {
        Optional<Binding> declared = before.declaration(key);
        Optional<TreePath> method = declared.flatMap(binding -> code.declaration(binding.range()))
                .filter(path -> path.getLeaf() instanceof MethodTree);
        EditsByFile edits = new EditsByFile(before);
        Optional<TargetClass> target = target(method);
        if (target.filter(TargetClass::isRecord).isPresent() && ((SymbolKey.Method) key).name().equals("<init>")) {
            return method.isPresent() && !isCompact()
                    ? Plan.refused(Reason.at(code.file().path(), declared.orElseThrow().range(),
                    "the record writes its constructor itself; add the component there"))
                    : component(target.orElseThrow(), edits, title);
        }
        if (method.isEmpty()) {
            return Plan.refused(resolved, "the class has no constructor that is written; declare one");
        }
        AddedParameter added = new AddedParameter(
                before, edits, code, method.get(), new AddedParameter.NewParameter(type, name));
        AddedParameter.Declared declaration = added.declare();
        Optional<Reason> objection = declaration.objection().or(() -> added.pass((there, use, call, index) ->
                new AddedParameter.WrittenArgument(Optional.of(new CallArguments(there, call)
                        .with(index, text -> text.write(handed()))),
                        Optional.empty())).objection());
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        if (isKept && target.isPresent()) {
            KeptParameters kept = new KeptParameters(target.get(), method.get());
            if (kept.canKeep(name, type)) {
                edits.of(code.file().path()).addAll(kept.keep(Map.of(name, type), edits.writer(code)));
            }
        }
        return new Plan.Ready(edits.change(title, declaration.effects(), added.mentions()), before);
    }

    private Optional<TargetClass> target(Optional<TreePath> method) {
        SymbolKey owner = ((SymbolKey.Method) key).owner();
        return method.map(path -> code.range(path.getLeaf()).start())
                .or(() -> before.declaration(owner).map(type -> type.range().start()))
                .flatMap(offset -> TargetClass.at(code, offset));
    }

    private boolean isCompact() {
        Tokens tokens = code.tokens();
        int name = tokens.at(before.declaration(key).orElseThrow().range().start());
        return !tokens.is(tokens.code(name + 1), '(');
    }

    private String handed() {
        return value.isEmpty() ? PlaceholderCode.value(type) : value;
    }

    /** A record gets a component, and every call of its canonical constructor a value (JLS 8.10.4). */
    private Plan component(TargetClass target, EditsByFile edits, String title) {
        Optional<String> written = edits.writer(code).write(type);
        if (written.isEmpty()) {
            return Plan.refused(Reason.at(code.file().path(), code.range(target.tree()),
                    "the type of the component has no name that could be written"));
        }
        List<StateField> parts = target.parts();
        Optional<Tree> last = target.tree().getMembers().stream().map(member -> (Tree) member)
                .filter(member -> member instanceof VariableTree variable && !parts.isEmpty()
                        && variable.getName().contentEquals(parts.get(parts.size() - 1).name()))
                .findFirst();
        Tokens tokens = code.tokens();
        int opening = tokens.at(before.declaration(((SymbolKey.Method) key).owner()).orElseThrow().range().start());
        while (!tokens.is(opening, '(')) {
            opening = tokens.code(opening + 1);
        }
        int at = last.map(member -> code.range(member).end()).orElse(tokens.end(opening));
        edits.of(code.file().path()).add(new NewCode(code.file())
                .write((last.isPresent() ? ", " : "") + written.get() + " ").name(name)
                .at(at));
        for (Binding use : before.uses(key)) {
            boolean isCall = use.role() != Role.DECLARATION && use.role() != Role.DOC;
            Optional<CallArguments> call = isCall ? before.code(use.file())
                    .flatMap(there -> there.call(use).map(path -> new CallArguments(there, path))) : Optional.empty();
            if (call.isPresent()) {
                CallArguments arguments = call.get();
                edits.of(use.file()).add(arguments.with(arguments.all().size(), text -> text.write(handed())));
            }
        }
        String descriptor = AddedParameter.withParameter(((SymbolKey.Method) key).descriptor(), parts.size(),
                code.descriptor(type));
        return new Plan.Ready(edits.change(title, SymbolEffects.descriptors(Map.of(key, descriptor)), List.of()),
                before);
    }
}
