package dev.deftchisel.signature;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.MethodTree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ElementKind;
import javax.lang.model.type.TypeKind;

/**
 * Leaves the header and all calls as they are: the method passes what it gets, and the values of new parameters, on to
 * a new method of the typed header, which has the old body.
 */
final class KeptOverload {

    private final SignatureChange change;
    private final DeclaredHeader own;
    private final AttributedFile code;
    private final MethodTree tree;
    private final EditsByFile edits;
    private final TypedCode typedCode;

    KeptOverload(Analysis before, SignatureChange change) {
        this.change = change;
        this.own = change.own();
        this.code = own.code();
        this.tree = (MethodTree) own.path().getLeaf();
        this.edits = new EditsByFile(before);
        this.typedCode = new TypedCode(before, change, code, edits.writer(code));
    }

    /** The change, or what is in its way. */
    Plan plan() {
        Optional<Reason> objection = objection();
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        Layout layout = Layout.of(code.file());
        Range body = code.range(tree.getBody());
        String indent = Layout.indentOf(code.file(), code.range(tree).start());
        String newLine = layout.lineEnd() + indent;
        boolean isConstructor = own.element().getKind() == ElementKind.CONSTRUCTOR;
        boolean isVoid = isConstructor || own.element().getReturnType().getKind() == TypeKind.VOID;
        NewCode call = new NewCode(code.file()).write("{" + newLine + layout.unit() + (isVoid ? "" : "return ")
                + (isConstructor ? "this" : change.typed().at(change.typed().name())) + "(");
        for (int i = 0; i < change.origins().size(); i++) {
            call.write(i == 0 ? "" : ", ");
            if (change.isAdded(i)) {
                call.write(typedCode.value(change.typed().parameters().get(i).value().orElseThrow()));
            } else {
                call.carry(name(change.origins().get(i)));
            }
        }
        NewCode copy = new NewCode(code.file()).write(layout.lineEnd() + newLine);
        header(copy, newLine);
        copy.write(" ").carry(body);
        edits.of(code.file().path()).add(call.write(");" + newLine + "}").replacing(body));
        edits.of(code.file().path()).add(copy.at(Layout.after(code.file(), body.end())));
        return new Plan.Ready(edits.change("pass '" + own.header().core() + "' on to '" + change.typed().core()
                + "'", SymbolEffects.same(), List.of()), typedCode.before());
    }

    private Range name(int parameter) {
        return own.place(own.header().parameters().get(parameter).name());
    }

    private Optional<Reason> objection() {
        if (tree.getBody() == null) {
            return at("the method has no body that could pass anything on");
        }
        for (int i = 0; i < change.origins().size(); i++) {
            if (change.isAdded(i) && change.typed().parameters().get(i).value().isEmpty()) {
                return at("type what is passed on for '" + change.name(i) + "': '"
                        + change.typed().at(change.typed().parameters().get(i).type()) + " " + change.name(i)
                        + " = ...'");
            } else if (!change.isAdded(i) && !change.name(i).equals(change.oldName(change.origins().get(i)))) {
                return at("where the calls stay, parameters keep their names; rename '"
                        + change.oldName(change.origins().get(i)) + "' first");
            }
        }
        return change.keepsPositions() && !change.rewritesParameters() && change.newMethodName().isEmpty()
                ? at("nobody could tell the two methods apart; type other parameters") : Optional.empty();
    }

    private Optional<Reason> at(String sentence) {
        return Optional.of(Reason.at(code.file().path(), own.name(), sentence));
    }

    private void header(NewCode text, String newLine) {
        for (AnnotationTree annotation : tree.getModifiers().getAnnotations()) {
            String written = code.text(annotation);
            // others say that somebody looks for the method by them
            text.write(written.matches("(?s)@(java\\.lang\\.)?(SuppressWarnings|SafeVarargs)\\b.*") ? written + newLine
                    : "");
        }
        tree.getModifiers().getFlags().forEach(flag -> text.write(flag + " "));
        own.header().head().typeParameters().ifPresent(all -> text.carry(own.place(all)).write(" "));
        own.header().head().result().ifPresent(result -> {
            if (change.changesResult()) {
                text.write(typedCode.type(change.typed().at(change.typed().head().result().orElseThrow())));
            } else {
                text.carry(own.place(result));
            }
            text.write(" ");
        });
        text.write(change.typed().at(change.typed().name()) + "(");
        for (int i = 0; i < change.origins().size(); i++) {
            parameter(text.write(i == 0 ? "" : ", "), i);
        }
        text.write(")");
        Optional<Range> thrown = change.typed().thrown();
        if (thrown.isPresent()) {
            text.write(thrown.get().length() == 0 ? "" : " throws " + typedCode.type(change.typed().at(thrown.get())));
        } else {
            own.header().thrown().ifPresent(old -> text.write(" throws ").carry(own.place(old)));
        }
    }

    private void parameter(NewCode text, int index) {
        TypedHeader.TypedParameter typed = change.typed().parameters().get(index);
        if (change.isAdded(index)) {
            text.write(change.typed().at(typed.modifiers())).write(typed.modifiers().length() > 0 ? " " : "")
                    .write(typedCode.type(change.typed().at(typed.type())) + " ").name(change.name(index));
            return;
        }
        TypedHeader.TypedParameter old = own.header().parameters().get(change.origins().get(index));
        if (change.isRetyped(index)) {
            text.carry(own.place(old.modifiers())).write(old.modifiers().length() > 0 ? " " : "")
                    .write(typedCode.type(change.typed().at(typed.type())) + " ").carry(own.place(old.name()));
        } else {
            text.carry(own.place(new Range(old.modifiers().start(), old.name().end())));
        }
    }
}
