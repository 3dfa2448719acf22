package dev.deftchisel.signature.call;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.signature.plan.CallerChain;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.VariableElement;

/** What is passed at one place for a parameter that was not there: what the header says, or a variable in reach. */
final class NewArgument {

    private final TypedCode typed;
    private final SignatureChange change;
    private final AttributedFile code;
    private final TreePath place;

    /**
     * @param typed what is written in the file of the place
     * @param place the call, or where one will stand
     */
    NewArgument(TypedCode typed, TreePath place) {
        this.typed = typed;
        this.change = typed.change();
        this.code = typed.code();
        this.place = place;
    }

    /** Whether nothing need be passed: the parameter is of any number. */
    boolean isOptional(int index) {
        return change.types().method().isVarArgs() && index == change.origins().size() - 1;
    }

    /**
     * The code of the value; empty when there is none.
     *
     * @param index of the typed parameter
     */
    Optional<String> value(int index) {
        Optional<Range> said = change.typed().parameters().get(index).value();
        Optional<ExecutableElement> caller = CallerChain.around(code, place);
        boolean isPassedOn = caller.map(code::key).filter(change.callers()::contains).isPresent();
        Optional<String> here = change.passed(code, place, index);
        if (here.isPresent()) {
            return here;
        } else if (isPassedOn || copiesRecord()) {
            return Optional.of(change.name(index));
        } else if (change.isChosenAtCalls(index)) {
            return Optional.of(change.mark(index));
        }
        return said.isPresent() ? said.map(typed::value) : inReach(index);
    }

    /** Whether a record makes another of itself there, which has the new component in common with it. */
    private boolean copiesRecord() {
        boolean isRecord = change.own().isOfRecord() && place.getLeaf() instanceof NewClassTree
                && code.enclosingType(place).map(code::key)
                .filter(code.key(change.own().element().getEnclosingElement())::equals).isPresent();
        TreePath member = place;
        while (member != null && !(member.getLeaf() instanceof MethodTree)) {
            member = member.getParentPath();
        }
        Optional<Element> around = Optional.ofNullable(member).flatMap(code::element);
        return isRecord && around.filter(method -> method.getKind() == ElementKind.METHOD
                        && !method.getModifiers().contains(Modifier.STATIC)).isPresent()
                && Calls.arguments(place.getLeaf()).stream().map(argument -> new TreePath(place, argument))
                .anyMatch(this::isOwnComponent);
    }

    /** {@code depth}, {@code this.depth}, {@code depth()}. */
    private boolean isOwnComponent(TreePath argument) {
        Tree tree = argument.getLeaf() instanceof MethodInvocationTree call ? call.getMethodSelect()
                : argument.getLeaf();
        boolean isOfThis = tree instanceof IdentifierTree
                || tree instanceof MemberSelectTree select && select.getExpression().toString().equals("this");
        Optional<Element> element = code.element(argument);
        return isOfThis && element.filter(one -> change.own().header().known().stream()
                .anyMatch(component -> one.getSimpleName().contentEquals(component.name()))
                && one.getEnclosingElement().getKind() == ElementKind.RECORD
                && (one.getKind().isField() || one instanceof ExecutableElement method
                        && method.getParameters().isEmpty())).isPresent();
    }

    /** Why there is no value, and what helps. */
    Reason objection(int index) {
        // a constant of an enum that passes nothing is no more than its name
        Range range = code.find(place.getLeaf()).orElseGet(() -> code.range(place.getParentPath().getLeaf()));
        return Reason.at(code.file().path(), range, "nothing here is a '" + change.name(index)
                + "' that this call could pass; type what calls pass: '"
                + change.typed().at(change.typed().parameters().get(index).type()) + " " + change.name(index)
                + " = ...'");
    }

    /** The variable of the name and type of the parameter, else the only one of its type; the innermost kind first. */
    private Optional<String> inReach(int index) {
        String type = change.types().code().descriptor(change.type(index));
        List<VariableElement> fitting = code.visible(place).stream()
                .filter(element -> element instanceof VariableElement && !element.getSimpleName().contentEquals("this")
                        && !element.getSimpleName().contentEquals("super")
                        && code.descriptor(element.asType()).equals(type))
                .map(element -> (VariableElement) element).toList();
        Optional<VariableElement> named = fitting.stream()
                .filter(variable -> variable.getSimpleName().contentEquals(change.name(index))).findFirst();
        List<VariableElement> local = fitting.stream().filter(variable -> !variable.getKind().isField()).toList();
        List<VariableElement> nearest = local.isEmpty() ? fitting : local;
        return named.or(() -> nearest.size() == 1 ? Optional.of(nearest.get(0)) : Optional.empty())
                .map(Element::getSimpleName).map(Object::toString);
    }
}
