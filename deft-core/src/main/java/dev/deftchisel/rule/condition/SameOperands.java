package dev.deftchisel.rule.condition;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;
import javax.lang.model.type.TypeKind;

/** The same on both sides of an operator for which that makes no sense (JLS 15.17 to 15.24). */
public final class SameOperands implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("same-operands", Tag.SUSPICIOUS, "The same stands on both sides of an operator",
                Effect.SAME_BEHAVIOUR)
                .because("The result is known or the second side adds nothing; one of them was meant to be something "
                        + "else.")
                .example("""
                        class Dues {
                            boolean isFree(int length, int depth, boolean isOpen) {
                                return isOpen && isOpen || length < length;
                            }
                        }
                        """, """
                        class Dues {
                            boolean isFree(int length, int depth, boolean isOpen) {
                                return isOpen || length < length;
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            int next() {
                                return 3;
                            }

                            boolean isFree(int length, double depth) {
                                return length + length > 3 || length * length == 9 || depth != depth || next() == next() || 1 - 1 == 0;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.CONDITIONAL_AND, Tree.Kind.CONDITIONAL_OR, Tree.Kind.AND, Tree.Kind.OR, Tree.Kind.XOR,
                Tree.Kind.EQUAL_TO, Tree.Kind.NOT_EQUAL_TO, Tree.Kind.LESS_THAN, Tree.Kind.LESS_THAN_EQUAL,
                Tree.Kind.GREATER_THAN,
                Tree.Kind.GREATER_THAN_EQUAL, Tree.Kind.MINUS, Tree.Kind.DIVIDE, Tree.Kind.REMAINDER);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree tree = (BinaryTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath left = new TreePath(path, tree.getLeftOperand());
        boolean isLogical = tree.getKind() == Tree.Kind.CONDITIONAL_AND || tree.getKind() == Tree.Kind.CONDITIONAL_OR;
        if (!code.readsSame(TreePaths.inner(tree.getLeftOperand()), TreePaths.inner(tree.getRightOperand()))
                || isNumber(left, code)
                || isFloating(left, code)) {
            return;
        }
        Effects effects = code.effects(left);
        if (!effects.isVisible() && !effects.isFresh()) {
            context.report(tree, "both sides of '" + operator(path, code) + "' are the same", isLogical
                    ? new Fix[] {Fix.of("keep one of them", edits -> edits.keep(path, tree.getLeftOperand()))}
                    : new Fix[0]);
        }
    }

    private static String operator(TreePath path, AttributedFile code) {
        BinaryTree tree = (BinaryTree) path.getLeaf();
        return code.tokens().text(code.tokens().code(code.tokens().at(code.range(tree.getLeftOperand()).end())));
    }

    private static boolean isNumber(TreePath operand, AttributedFile code) {
        return Constants.value(code, operand).isPresent();
    }

    /** A value that is no number is not equal to itself (JLS 15.21.1). */
    private static boolean isFloating(TreePath operand, AttributedFile code) {
        return code.type(operand).filter(type -> type.getKind() == TypeKind.DOUBLE || type.getKind() == TypeKind.FLOAT)
                .isPresent();
    }
}
