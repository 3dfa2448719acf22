package dev.deftchisel.extract.value;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.member.parameter.AddedParameter;
import dev.deftchisel.member.parameter.ParameterHead;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Writes the new parameter, the name in place of the value, and the value at the calls. */
final class ParameterEdits {

    private final Analysis before;
    private final AttributedFile code;
    private final SelectedExpression selected;
    private final CallerEvaluation entry;
    private final TreePath method;
    private final ExecutableElement element;
    private final TypeMirror type;
    private final String name;
    private final EditsByFile edits;
    private SymbolEffects meaning = SymbolEffects.same();
    private final List<String> notes = new ArrayList<>();

    /**
     * @param entry the value, with the method around it
     * @param name  of the parameter
     */
    ParameterEdits(Analysis before, CallerEvaluation entry, String name) {
        this.before = before;
        this.code = entry.code();
        this.selected = entry.selected();
        this.entry = entry;
        this.method = entry.method();
        this.element = (ExecutableElement) code.element(method).orElseThrow();
        this.type = code.type(selected.path()).orElseThrow();
        this.name = name;
        this.edits = new EditsByFile(before);
    }

    /**
     * The change, or why there can be none.
     *
     * @param places   the value wherever it becomes the parameter
     * @param mayCall  whether calls get the argument; otherwise they stay, and the method passes the value on to a new
     *                 one
     * @param title    of the change
     * @param more     notes besides those about the calls
     */
    Plan plan(List<TreePath> places, boolean mayCall, String title, List<String> more) {
        Optional<Reason> objection = mayCall ? passAtCalls(places) : passOn(places);
        notes.addAll(more);
        return objection.map(Plan::refused)
                .orElseGet(() -> new Plan.Ready(edits.change(title, meaning, notes), before));
    }

    /** Gives the method and all that it overrides or is overridden by the parameter, and every call the value. */
    private Optional<Reason> passAtCalls(List<TreePath> places) {
        AddedParameter added = new AddedParameter(before, edits, code, method,
                new AddedParameter.NewParameter(type, name));
        AddedParameter.Declared declaration = added.declare();
        if (declaration.objection().isPresent()) {
            return declaration.objection();
        }
        meaning = declaration.effects();
        places.forEach(place -> edits.of(code.file().path()).add(selected.named(code, place, name)));
        AddedParameter.Passed passed = added.pass((there, use, call, index) -> {
            ParameterCall handed = new ParameterCall(
                    there, call, new ParameterCall.Passed(code, selected.path(), element), edits.writer(there));
            Optional<Reason> objection = handed.objection(entry.parameters(), entry.isPure(), index);
            Optional<Edit> edit = objection.isPresent() ? Optional.empty() : handed.edit(type, index);
            return new AddedParameter.WrittenArgument(edit,
                    objection.or(() -> Optional.of(Reason.at(use.file(), use.range(),
                    "a type matters here that has no name which could be written"))));
        });
        notes.addAll(added.mentions());
        return passed.objection().isPresent() || passed.calls() > 0 ? passed.objection()
                : at("nobody calls the method, so that nobody could pass the value");
    }

    /**
     * Leaves the method as it is called, but for its body, which passes the value on to a new method with the old body.
     */
    private Optional<Reason> passOn(List<TreePath> places) {
        MethodTree tree = (MethodTree) method.getLeaf();
        Optional<String> written = edits.writer(code).write(type);
        if (written.isEmpty()) {
            return Optional.of(Reason.at(code.file().path(), code.range(selected.path().getLeaf()),
                    "its type has no name that could be written"));
        }
        Layout layout = Layout.of(code.file());
        Range body = code.range(tree.getBody());
        String indent = Layout.indentOf(code.file(), code.range(tree).start());
        String newLine = layout.lineEnd() + indent;
        Range own = before.declaration(code.key(element)).orElseThrow().range();
        ParameterHead head = new ParameterHead(code, method, own.end());
        boolean isConstructor = element.getKind() == ElementKind.CONSTRUCTOR;
        boolean isVoid = isConstructor || element.getReturnType().getKind() == TypeKind.VOID;
        NewCode call = new NewCode(code.file()).write("{" + newLine + layout.unit() + (isVoid ? "" : "return ")
                + (isConstructor ? "this" : tree.getName()) + "(");
        List<Consumer<NewCode>> arguments = new ArrayList<>();
        for (VariableElement parameter : element.getParameters()) {
            Range declared = before.declaration(code.key(parameter)).orElseThrow().range();
            arguments.add(text -> text.carry(declared));
        }
        arguments.add(head.index(), text -> text.carry(selected.range(),
                Layout.indentOf(code.file(), selected.range().start()), indent + layout.unit()));
        for (int i = 0; i < arguments.size(); i++) {
            arguments.get(i).accept(call.write(i == 0 ? "" : ", "));
        }
        NewCode copy = new NewCode(code.file()).write(newLine.substring(0, layout.lineEnd().length()) + newLine);
        head.copied(copy, newLine, written.get(), name);
        SortedMap<Range, Consumer<NewCode>> instead = new TreeMap<>();
        List<DuplicateClaim> alike = new ArrayList<>();
        for (TreePath place : places) {
            Range whole = selected.whole(code, place);
            instead.put(whole, text -> text.apartFrom(whole.start()).name(name));
            if (!selected.own(code, place).equals(selected.range())) {
                alike.add(new DuplicateClaim(whole, selected.range()));
            }
        }
        copy.write(" ").carry(body, "", "", instead);
        edits.of(code.file().path()).add(call.write(");" + newLine + "}").replacing(body).giving(alike));
        edits.of(code.file().path()).add(copy.at(Layout.after(code.file(), body.end())));
        return Optional.empty();
    }

    private Optional<Reason> at(String sentence) {
        Range range = before.declaration(code.key(element)).map(Binding::range).orElse(code.range(method.getLeaf()));
        return Optional.of(Reason.at(code.file().path(), range, sentence));
    }
}
