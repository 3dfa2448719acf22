package dev.deftchisel.rule.condition;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Negation;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.type.TypeKind;

/** {@code if (condition) return true; else return false;} (JLS 14.9). */
public final class BooleanReturn implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("boolean-return", Tag.REDUNDANT, "An if only returns true or false",
                Effect.SAME_BEHAVIOUR)
                .because("The condition is the result.")
                .example("""
                        class Berth {
                            boolean isFree(Object vessel) {
                                if (vessel == null) {
                                    return true;
                                } else {
                                    return false;
                                }
                            }

                            boolean isDeep(int depth) {
                                if (depth < 3)
                                    return false;
                                return true;
                            }
                        }
                        """, """
                        class Berth {
                            boolean isFree(Object vessel) {
                                return vessel == null;
                            }

                            boolean isDeep(int depth) {
                                return depth >= 3;
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            boolean isInside(double level, double low, double high) {
                                if (level < low || level > high) {
                                    return false;
                                }
                                return true;
                            }

                            boolean isFree(Object vessel, int depth) {
                                if (vessel == null) {
                                    return true;
                                }
                                if (depth < 3) {
                                    return true;
                                }
                                return false;
                            }
                        }
                        """)
                .weighing(Severity.HINT);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.IF);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        IfTree tree = (IfTree) path.getLeaf();
        Optional<Boolean> then = result(tree.getThenStatement());
        StatementTree next = next(path);
        Optional<Boolean> other;
        if (tree.getElseStatement() != null) {
            other = result(tree.getElseStatement());
        } else if (next != null && !followsAnother(path)) {
            other = result(next);
        } else {
            other = Optional.empty();
        }
        if (then.isEmpty() || other.isEmpty() || then.equals(other)) {
            return;
        }
        AttributedFile code = context.code();
        TreePath condition = TreePaths.inner(new TreePath(path, tree.getCondition()));
        if (code.type(condition).filter(type -> type.getKind() == TypeKind.BOOLEAN).isEmpty()) {
            return;
        }
        if (!then.get() && !isEasilyNegated(code, condition) || code.text(condition.getLeaf()).contains("\n")) {
            return;
        }
        Range whole = tree.getElseStatement() != null ? code.range(tree)
                : new Range(code.range(tree).start(), code.range(next).end());
        context.report(new Range(whole.start(), whole.start() + 2), "the condition is the result",
                Fix.of("return the condition", edits -> edits.replace(whole, to -> {
                    to.write("return ");
                    if (then.get()) {
                        to.carry(code.range(condition.getLeaf()));
                    } else {
                        new Negation(code, (text, range) -> text.carry(range), any -> false).write(to, condition);
                    }
                    to.write(";");
                })));
    }

    /**
     * Whether the opposite reads as well: it is one comparison, call or name, and not one of numbers that may be none
     * (JLS 15.20.1).
     */
    private static boolean isEasilyNegated(AttributedFile code, TreePath condition) {
        return switch (condition.getLeaf().getKind()) {
            case CONDITIONAL_AND, CONDITIONAL_OR, AND, OR, XOR, INSTANCE_OF, ASSIGNMENT,
                    CONDITIONAL_EXPRESSION -> false;
            case LESS_THAN, LESS_THAN_EQUAL, GREATER_THAN, GREATER_THAN_EQUAL -> {
                BinaryTree compared = (BinaryTree) condition.getLeaf();
                yield Stream.of(compared.getLeftOperand(), compared.getRightOperand())
                        .allMatch(operand -> code.type(new TreePath(condition, operand))
                                .filter(type -> type.getKind().isPrimitive() && type.getKind() != TypeKind.DOUBLE
                                        && type.getKind() != TypeKind.FLOAT).isPresent());
            }
            default -> true;
        };
    }

    /** In a row of such questions, the last is better left as it is. */
    private static boolean followsAnother(TreePath path) {
        List<? extends StatementTree> all = TreePaths.statements(path.getParentPath().getLeaf());
        int at = all.indexOf(path.getLeaf());
        return at > 0 && all.get(at - 1) instanceof IfTree before && result(before.getThenStatement()).isPresent();
    }

    private static StatementTree next(TreePath path) {
        List<? extends StatementTree> all = TreePaths.statements(path.getParentPath().getLeaf());
        int at = all.indexOf(path.getLeaf());
        return at >= 0 && at + 1 < all.size() ? all.get(at + 1) : null;
    }

    private static Optional<Boolean> result(StatementTree statement) {
        if (statement instanceof BlockTree block) {
            return block.getStatements().size() == 1 ? result(block.getStatements().get(0)) : Optional.empty();
        }
        return statement instanceof ReturnTree result && result.getExpression() instanceof LiteralTree literal
                && literal.getValue() instanceof Boolean value ? Optional.of(value) : Optional.empty();
    }
}
