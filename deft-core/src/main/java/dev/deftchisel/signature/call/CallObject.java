package dev.deftchisel.signature.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.rewrite.place.NeverNull;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.TypeElement;

/** What one call is called on, where that becomes an argument, or an argument becomes that. */
public final class CallObject {

    private static final String THIS = "this";

    private final TypedCode typed;
    private final SignatureChange change;
    private final AttributedFile code;
    private final TreePath call;
    private final NestedEdits edits;
    private final TypeElement type;
    private final Optional<TreePath> receiver;

    public CallObject(TypedCode typed, TreePath call, NestedEdits edits) {
        this.typed = typed;
        this.change = typed.change();
        this.code = typed.code();
        this.call = call;
        this.edits = edits;
        this.type = (TypeElement) change.own().element().getEnclosingElement();
        this.receiver = Calls.receiver(call);
    }

    private boolean hasParameter() {
        return change.receivingParameter().isPresent();
    }

    /** Whether the call stands in the body of the method itself. */
    private boolean isWithin() {
        return code.file().path().equals(change.own().code().file().path())
                && change.own().code().range(change.own().path().getLeaf()).encloses(code.range(call.getLeaf()));
    }

    private Optional<ExpressionTree> said() {
        return change.becomesStatic() ? receiver.map(path -> (ExpressionTree) path.getLeaf())
                : change.objectParameter().map(index -> Calls.arguments(call.getLeaf()).get(index));
    }

    /** What is in the way. */
    public Optional<Reason> objection() {
        if (change.becomesStatic()) {
            boolean isLost = !hasParameter() && receiver.isPresent() && !isSuper()
                    && !code.effects(receiver.get()).isPure();
            boolean hasNone = hasParameter() && object().isEmpty();
            return isLost ? at("the object is computed here, which would be left out; put it in a variable first")
                    : hasNone ? at("the object that this is called on has no name here") : Optional.empty();
        }
        boolean isOfType = receiver.isEmpty() || code.element(receiver.get()).filter(TypeElement.class::isInstance)
                .isPresent();
        boolean isNull = said().filter(argument -> argument instanceof LiteralTree).isPresent();
        return !isOfType ? at("a static method is called on an object here; call it by its class first")
                : isNull ? at("null is passed here, which nothing can be called on") : Optional.empty();
    }

    /** Whether nobody can tell that there is an object, which the call found out, or finds out then. */
    public boolean mayBeNull() {
        if (said().isEmpty() || isSuper() || said().get() instanceof NewClassTree || TreePaths.isThis(said().get())) {
            return false;
        }
        TreePath path = change.becomesStatic() ? receiver.orElseThrow() : new TreePath(call, said().get());
        return !new NeverNull(typed.before(), code).isSure(path);
    }

    private boolean isSuper() {
        return receiver.filter(path -> path.getLeaf() instanceof IdentifierTree name
                && name.getName().contentEquals("super")).isPresent();
    }

    /** Whether finding the object can be noticed, so that it must come before all arguments. */
    boolean isComputed() {
        return change.becomesStatic() && receiver.isPresent() && !isSuper()
                && !code.effects(receiver.get()).isPure();
    }

    private Optional<Reason> at(String sentence) {
        return Optional.of(Reason.at(code.file().path(), code.range(call.getLeaf()), sentence));
    }

    /** The object where no code says it, or {@code this} does: {@code this}, or the parameter in the method's body. */
    private Optional<String> object() {
        boolean isSaid = receiver.isPresent() && !isSuper();
        boolean isCarried = isSaid && !(isWithin() && TreePaths.isThis(receiver.get().getLeaf()));
        if (isCarried) {
            return Optional.of("");
        }
        List<Analysis.Enclosing> around = typed.before().enclosing(code.file().path(), code.range(call.getLeaf())
                .start());
        for (int depth = 0; depth < around.size(); depth++) {
            Analysis.Enclosing one = around.get(depth);
            boolean isIts = receiver.isPresent() && !isSuper() ? isNamed(one, depth) : typed.before()
                    .isSubtype(one.element(), code.key(code.element(call).orElseThrow().getEnclosingElement()));
            if (isIts) {
                boolean isOwn = isWithin() && one.key().equals(code.key(type));
                if (isOwn || isSaid) {
                    return Optional.of(isOwn ? change.name(0) : "");
                }
                return depth == 0 ? Optional.of(THIS) : Optional.of(one.name() + "." + THIS)
                        .filter(name -> !one.name().isEmpty());
            }
        }
        return Optional.empty();
    }

    /** Whether {@code this} or {@code Outer.this} before the dot is the object of a class around. */
    private boolean isNamed(Analysis.Enclosing one, int depth) {
        return receiver.get().getLeaf() instanceof MemberSelectTree select
                ? select.getExpression().toString().endsWith(one.name()) && !one.name().isEmpty() : depth == 0;
    }

    /** Writes the object as an argument. */
    void argument(NewCode text) {
        String object = object().orElseThrow();
        if (object.isEmpty()) {
            edits.carry(text, code.range(TreePaths.inner(receiver.orElseThrow()).getLeaf()));
        } else {
            text.write(object);
        }
    }

    /** Writes what the call is called on then. */
    void write() {
        Range method = code.range(((MethodInvocationTree) call.getLeaf()).getMethodSelect());
        if (change.becomesStatic()) {
            receiver.ifPresent(path -> {
                Range gone = code.range(path.getLeaf());
                boolean isLost = !hasParameter() && !isSuper();
                edits.replace(gone, isLost ? List.of(gone) : List.of(), text -> text.write(typeName()));
            });
            return;
        }
        receiver.ifPresentOrElse(path -> edits.replace(code.range(path.getLeaf()), List.of(), this::called),
                () -> edits.replace(new Range(method.start(), method.start()), List.of(), text -> {
                    called(text);
                    text.write(".");
                }));
    }

    private String typeName() {
        TypeElement known = code.elements().getTypeElement(type.getQualifiedName());
        return known == null ? type.getSimpleName().toString() : typed.writer().name(known);
    }

    private void called(NewCode text) {
        int index = change.objectParameter().orElseThrow();
        ExpressionTree argument = Calls.arguments(call.getLeaf()).get(index);
        boolean isParameter = isWithin() && argument instanceof IdentifierTree
                && code.element(new TreePath(call, argument))
                .filter(change.own().element().getParameters().get(index)::equals).isPresent();
        if (isParameter) {
            boolean isInner = code.enclosingType(call).filter(type::equals).isEmpty();
            text.write(isInner ? type.getSimpleName() + "." + THIS : THIS);
            return;
        }
        boolean needsParentheses = Precedence.needsParenthesesBeforeDot(argument);
        text.write(needsParentheses ? "(" : "");
        edits.carry(text, code.range(argument));
        text.write(needsParentheses ? ")" : "");
    }
}
