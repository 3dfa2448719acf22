package dev.deftchisel.rewrite;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.source.Range;
import java.util.function.BiConsumer;
import java.util.function.Predicate;

/**
 * Writes the opposite of a condition as plainly as it can be: comparisons are turned round, {@code !} goes where one
 * would come before another, and it moves into {@code &&} and {@code ||} (De Morgan). Comparisons of floating point
 * numbers are left as they are: both {@code <} and {@code >=} are false for a value that is no number (JLS 15.20.1).
 */
public final class Negation {

    private final AttributedFile code;
    private final BiConsumer<NewCode, Range> carrying;
    private final Predicate<TreePath> isLoose;

    /**
     * @param code     the file of the condition
     * @param carrying writes a part of it
     * @param isLoose  whether something is written in place of a name that may bind less tightly
     */
    public Negation(AttributedFile code, BiConsumer<NewCode, Range> carrying, Predicate<TreePath> isLoose) {
        this.code = code;
        this.carrying = carrying;
        this.isLoose = isLoose;
    }

    /** Whether the opposite reads as plainly as the condition. */
    public boolean isPlain(TreePath condition) {
        ExpressionTree tree = (ExpressionTree) condition.getLeaf();
        return switch (tree.getKind()) {
            case PARENTHESIZED -> isPlain(inner(condition));
            case LOGICAL_COMPLEMENT, EQUAL_TO, NOT_EQUAL_TO, BOOLEAN_LITERAL -> true;
            case LESS_THAN, GREATER_THAN, LESS_THAN_EQUAL, GREATER_THAN_EQUAL -> areWhole(condition);
            case CONDITIONAL_AND, CONDITIONAL_OR -> isPlain(left(condition)) && isPlain(right(condition));
            default -> false;
        };
    }

    /** What kind of expression the opposite is. */
    public Tree.Kind kind(TreePath condition) {
        ExpressionTree tree = (ExpressionTree) condition.getLeaf();
        return switch (tree.getKind()) {
            case PARENTHESIZED -> kind(inner(condition));
            case LOGICAL_COMPLEMENT -> withoutComplement(condition).getLeaf().getKind();
            case EQUAL_TO, NOT_EQUAL_TO -> Tree.Kind.EQUAL_TO;
            case BOOLEAN_LITERAL -> Tree.Kind.BOOLEAN_LITERAL;
            case LESS_THAN, GREATER_THAN, LESS_THAN_EQUAL, GREATER_THAN_EQUAL ->
                areWhole(condition) ? tree.getKind() : Tree.Kind.LOGICAL_COMPLEMENT;
            case CONDITIONAL_AND -> Tree.Kind.CONDITIONAL_OR;
            case CONDITIONAL_OR -> Tree.Kind.CONDITIONAL_AND;
            default -> Tree.Kind.LOGICAL_COMPLEMENT;
        };
    }

    /** Writes it. */
    public void write(NewCode to, TreePath condition) {
        ExpressionTree tree = (ExpressionTree) condition.getLeaf();
        switch (tree.getKind()) {
            case PARENTHESIZED -> write(to, inner(condition));
            case LOGICAL_COMPLEMENT -> carrying.accept(to, code.range(withoutComplement(condition).getLeaf()));
            case BOOLEAN_LITERAL -> to.write(code.text(tree).equals("true") ? "false" : "true");
            case EQUAL_TO -> compared(to, condition, "!=");
            case NOT_EQUAL_TO -> compared(to, condition, "==");
            case LESS_THAN, GREATER_THAN, LESS_THAN_EQUAL, GREATER_THAN_EQUAL -> {
                if (areWhole(condition)) {
                    compared(to, condition, opposite(tree.getKind()));
                } else {
                    complement(to, condition);
                }
            }
            case CONDITIONAL_AND -> joined(to, condition, "||", Tree.Kind.CONDITIONAL_OR);
            case CONDITIONAL_OR -> joined(to, condition, "&&", Tree.Kind.CONDITIONAL_AND);
            default -> complement(to, condition);
        }
    }

    private static String opposite(Tree.Kind kind) {
        return switch (kind) {
            case LESS_THAN -> ">=";
            case GREATER_THAN -> "<=";
            case LESS_THAN_EQUAL -> ">";
            default -> "<";
        };
    }

    private void complement(NewCode to, TreePath condition) {
        boolean isGrouped = isLoose.test(condition)
                || Precedence.isLooser(condition.getLeaf().getKind(), Tree.Kind.LOGICAL_COMPLEMENT);
        to.write(isGrouped ? "!(" : "!");
        carrying.accept(to, code.range(condition.getLeaf()));
        to.write(isGrouped ? ")" : "");
    }

    private void compared(NewCode to, TreePath condition, String operator) {
        carrying.accept(to, code.range(left(condition).getLeaf()));
        to.write(" " + operator + " ");
        carrying.accept(to, code.range(right(condition).getLeaf()));
    }

    private void joined(NewCode to, TreePath condition, String operator, Tree.Kind kind) {
        part(to, left(condition), kind);
        to.write(" " + operator + " ");
        part(to, right(condition), kind);
    }

    private void part(NewCode to, TreePath condition, Tree.Kind around) {
        boolean isGrouped = Precedence.isLooser(kind(condition), around);
        to.write(isGrouped ? "(" : "");
        write(to, condition);
        to.write(isGrouped ? ")" : "");
    }

    /** Whether both sides of a comparison are whole numbers. */
    private boolean areWhole(TreePath comparison) {
        return isWhole(left(comparison)) && isWhole(right(comparison));
    }

    private boolean isWhole(TreePath path) {
        return code.type(path).filter(type -> switch (type.getKind()) {
            case BYTE, SHORT, CHAR, INT, LONG -> true;
            default -> false;
        }).isPresent();
    }

    private static TreePath left(TreePath path) {
        return new TreePath(path, ((BinaryTree) path.getLeaf()).getLeftOperand());
    }

    private static TreePath right(TreePath path) {
        return new TreePath(path, ((BinaryTree) path.getLeaf()).getRightOperand());
    }

    private static TreePath operand(TreePath path) {
        return new TreePath(path, ((UnaryTree) path.getLeaf()).getExpression());
    }

    private static TreePath inner(TreePath path) {
        return new TreePath(path, ((ParenthesizedTree) path.getLeaf()).getExpression());
    }

    /** What stands after {@code !}, without the parentheses that it no longer needs. */
    private TreePath withoutComplement(TreePath condition) {
        TreePath at = operand(condition);
        while (at.getLeaf() instanceof ParenthesizedTree && !isLoose.test(inner(at))) {
            at = inner(at);
        }
        return at;
    }
}
