package dev.deftchisel.rule.statement;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.source.Range;
import java.util.Set;

/** Operators written as if they bound otherwise than they do (JLS 15.17 to 15.24). */
public final class MisleadingSpacing implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("misleading-spacing", Tag.SUSPICIOUS,
                "An expression is spaced as if it were grouped otherwise", Effect.SAME_CLASSES)
                .because("The eye groups what stands close together; the compiler does not.")
                .example("""
                        class Dues {
                            int due(int length, int rate) {
                                return length+1 * rate;
                            }
                        }
                        """, """
                        class Dues {
                            int due(int length, int rate) {
                                return length + 1 * rate;
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            int due(int length, int rate) {
                                return length + 1*rate + length+rate - (length+1) * rate;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.PLUS, Tree.Kind.MINUS, Tree.Kind.LEFT_SHIFT, Tree.Kind.RIGHT_SHIFT, Tree.Kind.AND,
                Tree.Kind.OR,
                Tree.Kind.XOR);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree tree = (BinaryTree) path.getLeaf();
        AttributedFile code = context.code();
        boolean isTight = isTight(tree, code);
        BinaryTree inner;
        if (tree.getLeftOperand() instanceof BinaryTree left && isTighter(left, tree)) {
            inner = left;
        } else if (tree.getRightOperand() instanceof BinaryTree right && isTighter(right, tree)) {
            inner = right;
        } else {
            inner = null;
        }
        if (isTight && inner != null && isLoose(inner, code) && !isEven(tree, inner, code)) {
            Range operator = operator(tree, code);
            context.report(operator, "'" + code.text(operator(inner, code)) + "' is computed before this",
                    Fix.of("put blanks around it",
                    edits -> edits.replace(operator, " " + code.text(operator) + " ")));
        }
    }

    /**
     * Whether the eye is not misled: both sides are spaced alike, the inner one has parts of its own, or only numbers
     * stand close together.
     */
    private static boolean isEven(BinaryTree tree, BinaryTree inner, AttributedFile code) {
        ExpressionTree other = inner == tree.getLeftOperand() ? tree.getRightOperand() : tree.getLeftOperand();
        ExpressionTree near = inner == tree.getLeftOperand() ? inner.getRightOperand() : inner.getLeftOperand();
        return other instanceof BinaryTree also && isLoose(also, code) || inner.getLeftOperand() instanceof BinaryTree
                || inner.getRightOperand() instanceof BinaryTree || near instanceof LiteralTree
                && other instanceof LiteralTree;
    }

    private static boolean isTighter(BinaryTree inner, BinaryTree outer) {
        return Precedence.isLooser(outer.getKind(), inner.getKind());
    }

    private static Range operator(BinaryTree tree, AttributedFile code) {
        return code.tokens().range(code.tokens().code(code.tokens().at(code.range(tree.getLeftOperand()).end())));
    }

    private static boolean isTight(BinaryTree tree, AttributedFile code) {
        Range operator = operator(tree, code);
        return operator.start() == code.range(tree.getLeftOperand()).end()
                && operator.end() == code.range(tree.getRightOperand()).start();
    }

    private static boolean isLoose(BinaryTree tree, AttributedFile code) {
        Range operator = operator(tree, code);
        return operator.start() > code.range(tree.getLeftOperand()).end()
                && operator.end() < code.range(tree.getRightOperand()).start();
    }
}
