package dev.deftchisel.rule.condition;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Calls;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.problem.About;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.Survey;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Precedence;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Modifier;

/** What is dereferenced just where it is known to be {@code null} (JLS 15.11, 15.12.4.4). */
public final class CertainNull implements Rule {

    @Override
    public About about() {
        return About.of("certain-null", Tag.SUSPICIOUS, "Something is used where it is null", Effect.OTHER)
                .because("This cannot end but in a NullPointerException; the other operator was meant.")
                .example("""
                        class Log {
                            boolean isEmpty(String line) {
                                return line == null && line.isEmpty() || line != null || line.length() > 3;
                            }
                        }
                        """, """
                        class Log {
                            boolean isEmpty(String line) {
                                return line == null || line.isEmpty() || line != null || line.length() > 3;
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            boolean isEmpty(String line, String other) {
                                return line == null || line.isEmpty() || other == null && line.isEmpty();
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.CONDITIONAL_AND, Tree.Kind.CONDITIONAL_OR);
    }

    @Override
    public void look(TreePath path, Survey survey) {
        BinaryTree tree = (BinaryTree) path.getLeaf();
        boolean isAnd = tree.getKind() == Tree.Kind.CONDITIONAL_AND;
        Code code = survey.code();
        Optional<ExpressionTree> tested = NullTest.of(tree.getLeftOperand(), isAnd ? Tree.Kind.EQUAL_TO : Tree.Kind.NOT_EQUAL_TO)
                .filter(NullTest::isName);
        if (tested.isEmpty() || !isUsedFirst(tested.get(), new TreePath(path, tree.getRightOperand()), code)) {
            return;
        }
        int operator = code.tokens().code(code.tokens().at(code.range(tree.getLeftOperand()).end()));
        String other = isAnd ? "||" : "&&";
        boolean isLooser = Precedence.needsParentheses(isAnd ? Tree.Kind.CONDITIONAL_OR : Tree.Kind.CONDITIONAL_AND, tree,
                path.getParentPath().getLeaf());
        survey.report(code.tokens().range(operator), "'" + code.text(tested.get()) + "' is null where it is used behind '"
                + code.tokens().text(operator) + "'", isLooser && isAnd && !isOr(path) ? new Fix[0] : new Fix[] {
                Fix.of("write '" + other + "'", edits -> edits.replace(code.tokens().range(operator), other))});
    }

    private static boolean isOr(TreePath path) {
        return path.getParentPath().getLeaf().getKind() == Tree.Kind.CONDITIONAL_OR;
    }

    /** Whether evaluating a condition begins with selecting from what is null. */
    private static boolean isUsedFirst(ExpressionTree tested, TreePath condition, Code code) {
        TreePath at = Code.inner(condition);
        while (true) {
            Tree leaf = at.getLeaf();
            if (leaf instanceof BinaryTree binary) {
                at = Code.inner(new TreePath(at, binary.getLeftOperand()));
            } else if (leaf instanceof UnaryTree unary) {
                at = Code.inner(new TreePath(at, unary.getExpression()));
            } else if (leaf instanceof MethodInvocationTree call && call.getMethodSelect() instanceof MemberSelectTree select) {
                boolean isStatic = Calls.method(code, at)
                        .filter(method -> !method.getModifiers().contains(Modifier.STATIC)).isEmpty();
                if (isStatic) {
                    return false;
                }
                if (code.readsSame(select.getExpression(), tested)) {
                    return true;
                }
                at = Code.inner(new TreePath(new TreePath(at, select), select.getExpression()));
            } else {
                return false;
            }
        }
    }
}
