package dev.deftchisel.rule.idiom;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Set;
import java.util.function.Predicate;

/** A variable that gets itself with something more (JLS 15.26.2). */
public final class RepeatedTarget implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("repeated-target", Tag.IDIOM, "A variable is written twice to change it",
                Effect.SAME_BEHAVIOUR)
                .because("A compound assignment names it once.")
                .example("""
                        class Dues {
                            int due(int length) {
                                int due = 3;
                                due = due + length * 2;
                                due = due - 1;
                                return due;
                            }
                        }
                        """, """
                        class Dues {
                            int due(int length) {
                                int due = 3;
                                due += length * 2;
                                due -= 1;
                                return due;
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            int[] all = new int[3];

                            int due(int length) {
                                int due = 3;
                                due = due + length + 1;
                                due = length + due;
                                byte small = 1;
                                small = (byte) (small + 1);
                                all[next()] = all[next()] + 1;
                                return due;
                            }

                            int next() {
                                return 1;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.ASSIGNMENT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AssignmentTree assignment = (AssignmentTree) path.getLeaf();
        AttributedFile code = context.code();
        if (!(assignment.getExpression() instanceof BinaryTree value) || !isCompound(value.getKind())
                || !NAMES.test(assignment.getVariable())) {
            return;
        }
        boolean isSame = code.readsSame(assignment.getVariable(), value.getLeftOperand())
                && code.type(new TreePath(path, assignment.getVariable()))
                .filter(own -> code.type(new TreePath(path, value))
                        .filter(other -> code.types().isSameType(own, other)).isPresent()).isPresent();
        if (isSame) {
            int sign = code.tokens().code(code.tokens().at(code.range(assignment.getVariable()).end()));
            Range operator = code.tokens().range(code.tokens()
                    .code(code.tokens().at(code.range(value.getLeftOperand()).end())));
            String compound = code.text(operator) + "=";
            context.report(assignment, "'" + compound + "' says this",
                    Fix.of("write '" + compound + "'", edits -> edits.replace(
                    new Range(code.tokens().start(sign), code.range(value).end()),
                    to -> to.write(compound + " ").carry(code.range(TreePaths.inner(value.getRightOperand()))))));
        }
    }

    /** Names of variables, perhaps of this object: what means the same twice. */
    private static final Predicate<ExpressionTree> NAMES = tree -> tree instanceof IdentifierTree
            || tree instanceof MemberSelectTree select && select.getExpression().toString().equals("this");

    private static boolean isCompound(Tree.Kind kind) {
        return switch (kind) {
            case PLUS, MINUS, MULTIPLY, DIVIDE, REMAINDER, AND, OR, XOR, LEFT_SHIFT, RIGHT_SHIFT,
                    UNSIGNED_RIGHT_SHIFT -> true;
            default -> false;
        };
    }
}
