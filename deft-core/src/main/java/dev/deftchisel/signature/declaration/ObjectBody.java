package dev.deftchisel.signature.declaration;

import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.ObjectUses;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.signature.plan.MovedObject;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.written.NestedEdits;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;

/** Says in the body of a method the parameter for the object that it was called on, or the object for the parameter. */
public final class ObjectBody {

    private final Analysis before;
    private final SignatureChange change;
    private final AttributedFile code;
    private final NestedEdits edits;

    /** @param edits of the file of the method */
    public ObjectBody(Analysis before, SignatureChange change, NestedEdits edits) {
        this.before = before;
        this.change = change;
        this.code = change.own().code();
        this.edits = edits;
    }

    /** Writes it. */
    public void write() {
        if (change.becomesStatic()) {
            new MovedObject(before, change).uses().stream().filter(use -> !isOfSameMethod(use))
                    .forEach(this::parameter);
        } else {
            Element parameter = change.own().element().getParameters().get(change.objectParameter().orElseThrow());
            before.uses(code.key(parameter)).stream().filter(use -> use.role() != Role.DECLARATION
                    && use.role() != Role.DOC).forEach(this::object);
        }
    }

    private void parameter(ObjectUses.Use use) {
        boolean isSaid = use.form() == ObjectUses.Form.SAID;
        edits.say(use.range(), change.name(0) + (isSaid ? "" : "."), !isSaid);
    }

    /** Whether a call of the method itself stands there, which is written as all calls are. */
    private boolean isOfSameMethod(ObjectUses.Use use) {
        TreePath at = use.path();
        while (at != null && !(at.getLeaf() instanceof MethodInvocationTree)) {
            at = at.getParentPath();
        }
        return Optional.ofNullable(at).filter(call -> Calls.method(code, call)
                .filter(change.own().element()::equals).isPresent())
                .filter(call -> ((MethodInvocationTree) call.getLeaf()).getMethodSelect().equals(use.path().getLeaf())
                        || use.form() == ObjectUses.Form.SAID && Calls.receiver(call).map(TreePath::getLeaf)
                        .filter(use.path().getLeaf()::equals).isPresent()).isPresent();
    }

    private void object(Binding use) {
        List<TreePath> around = code.around(use.range());
        boolean isCalledOn = around.stream().skip(1).findFirst().filter(call -> call.getLeaf()
                instanceof MethodInvocationTree && Calls.method(code, call).filter(change.own().element()::equals)
                .isPresent() && code.range(Calls.arguments(call.getLeaf()).get(change.objectParameter().orElseThrow()))
                .equals(use.range())).isPresent();
        if (!isCalledOn) {
            TypeElement type = (TypeElement) change.own().element().getEnclosingElement();
            boolean isInner = code.enclosingType(around.get(0)).filter(type::equals).isEmpty();
            edits.say(use.range(), (isInner ? type.getSimpleName() + "." : "") + "this", false);
        }
    }
}
