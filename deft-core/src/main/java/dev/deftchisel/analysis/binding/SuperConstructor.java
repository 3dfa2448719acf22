package dev.deftchisel.analysis.binding;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.Trees;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;

/**
 * The constructor that is called where an object of an anonymous class is created: its own, which nobody wrote, only
 * passes the arguments on to it (JLS 15.9.5.1). The compiler puts that into the tree of the body.
 */
final class SuperConstructor {

    private SuperConstructor() {
    }

    /** Empty where the class has a name, or is below an interface. */
    static Optional<Element> of(TreePath creation, Trees trees) {
        ClassTree body = ((NewClassTree) creation.getLeaf()).getClassBody();
        if (body == null) {
            return Optional.empty();
        }
        TreePath in = new TreePath(creation, body);
        return body.getMembers().stream()
                .filter(member -> member instanceof MethodTree method && method.getName().contentEquals("<init>")
                        && method.getBody() != null && !method.getBody().getStatements().isEmpty())
                .flatMap(member -> called(in, (MethodTree) member, trees).stream())
                .filter(constructor -> !(constructor.getEnclosingElement() instanceof TypeElement type
                        && type.getQualifiedName().contentEquals("java.lang.Object")))
                .findFirst();
    }

    private static Optional<Element> called(TreePath in, MethodTree constructor, Trees trees) {
        StatementTree first = constructor.getBody().getStatements().get(0);
        if (!(first instanceof ExpressionStatementTree statement
                && statement.getExpression() instanceof MethodInvocationTree)) {
            return Optional.empty();
        }
        TreePath path = in;
        for (Tree tree : new Tree[] {constructor, constructor.getBody(), first, statement.getExpression()}) {
            path = new TreePath(path, tree);
        }
        return Optional.ofNullable(trees.getElement(path));
    }
}
