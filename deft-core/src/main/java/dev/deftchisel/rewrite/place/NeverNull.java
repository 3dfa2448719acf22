package dev.deftchisel.rewrite.place;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.TreePaths;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.VariableElement;

/** Whether an object that is called on cannot be {@code null} there, as far as the code around shows. */
public final class NeverNull {

    private final Analysis analysis;
    private final AttributedFile code;

    public NeverNull(Analysis analysis, AttributedFile code) {
        this.analysis = analysis;
        this.code = code;
    }

    /**
     * A variable that always holds the object it was declared with, or of which something was used before on every way.
     *
     * @param object the expression that is called on
     */
    public boolean isSure(TreePath object) {
        Optional<Element> variable = object.getLeaf() instanceof IdentifierTree ? code.element(object)
                .filter(element -> element instanceof VariableElement && !element.getKind().isField()
                        && !analysis.isAssigned(code.key(element))) : Optional.empty();
        return variable.filter(element -> isMade(element) || isUsedBefore(element, object)).isPresent();
    }

    private boolean isMade(Element variable) {
        return analysis.declaration(code.key(variable)).stream()
                .flatMap(binding -> code.declaration(binding.range()).stream())
                .anyMatch(path -> path.getLeaf() instanceof VariableTree tree
                        && tree.getInitializer() instanceof NewClassTree);
    }

    /** Whether a statement before, in the same list or one around, cannot go well without the object. */
    private boolean isUsedBefore(Element variable, TreePath object) {
        for (TreePath at = object; at.getParentPath() != null && !isBody(at.getLeaf()); at = at.getParentPath()) {
            TreePath list = at.getParentPath();
            for (StatementTree statement : TreePaths.statements(list.getLeaf())) {
                if (code.range(statement).start() >= code.range(at.getLeaf()).start()) {
                    break;
                }
                if (uses(variable, new TreePath(list, statement), list.getLeaf())) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean isBody(Tree tree) {
        return tree instanceof MethodTree || tree instanceof LambdaExpressionTree || tree instanceof ClassTree;
    }

    /** Whether a statement uses a member of the object in any case. */
    private boolean uses(Element variable, TreePath statement, Tree list) {
        return code.expressions(statement).stream()
                .filter(path -> path.getLeaf() instanceof IdentifierTree
                        && path.getParentPath().getLeaf() instanceof MemberSelectTree
                        && code.element(path).filter(variable::equals).isPresent())
                .map(path -> new InsertionPointFinder(code, Effects.NULL).find(path))
                .anyMatch(home -> home instanceof InsertionPoint.Before before && before.list() == list);
    }
}
