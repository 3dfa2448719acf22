package dev.deftchisel.repair;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.problem.ErrorSite;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** The type that the place of an expression asks for, and where that is said (JLS 5.2, 5.3). */
public final class WantedType {

    private final TypeMirror type;
    private final Optional<TreePath> said;

    private WantedType(TypeMirror type, Optional<TreePath> said) {
        this.type = type;
        this.said = said;
    }

    public TypeMirror type() {
        return type;
    }

    /** The type as it is written where the variable or method is declared, when that is in the same file. */
    public Optional<TreePath> said() {
        return said;
    }

    public static Optional<WantedType> at(TreePath value, ErrorSite site) {
        TreePath path = value;
        while (path.getParentPath().getLeaf() instanceof ParenthesizedTree
                || path.getParentPath().getLeaf() instanceof ConditionalExpressionTree choice && choice.getCondition() != path.getLeaf()) {
            path = path.getParentPath();
        }
        AttributedFile code = site.code();
        TreePath parent = path.getParentPath();
        Tree tree = parent.getLeaf();
        if (tree instanceof VariableTree variable) {
            return code.saysType(variable) ? of(new TreePath(parent, variable.getType()), code) : Optional.empty();
        } else if (tree instanceof AssignmentTree assignment && assignment.getExpression() == path.getLeaf()) {
            Optional<TreePath> declared = site.declaration(new TreePath(parent, assignment.getVariable()))
                    .filter(found -> found.getLeaf() instanceof VariableTree)
                    .map(found -> new TreePath(found, ((VariableTree) found.getLeaf()).getType()));
            return code.type(new TreePath(parent, assignment.getVariable())).map(type -> new WantedType(type, declared));
        } else if (tree instanceof ReturnTree) {
            return code.result(parent).flatMap(type -> of(type, code));
        } else if (tree instanceof IfTree || tree instanceof WhileLoopTree || tree instanceof DoWhileLoopTree
                || tree instanceof ConditionalExpressionTree) {
            return Optional.of(new WantedType(code.types().getPrimitiveType(TypeKind.BOOLEAN), Optional.empty()));
        } else if (tree instanceof MethodInvocationTree || tree instanceof NewClassTree) {
            return argument(parent, path, code);
        }
        return Optional.empty();
    }

    /** What the only method of the name and number of parameters takes. */
    private static Optional<WantedType> argument(TreePath call, TreePath value, AttributedFile code) {
        int index = Calls.arguments(call.getLeaf()).indexOf(value.getLeaf());
        List<ExecutableElement> all = Callable.of(call, code).stream()
                .filter(method -> method.getParameters().size() == Calls.arguments(call.getLeaf()).size()).toList();
        return index < 0 || all.size() != 1 ? Optional.empty() : Callable.wanted(call, all.get(0), index, code.ownType(value), code)
                .map(type -> new WantedType(type, Optional.empty()));
    }

    private static Optional<WantedType> of(TreePath type, AttributedFile code) {
        return code.type(type).map(known -> new WantedType(known, Optional.of(type)));
    }
}
