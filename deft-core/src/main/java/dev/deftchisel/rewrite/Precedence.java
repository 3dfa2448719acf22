package dev.deftchisel.rewrite;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.UnaryTree;

/** How tightly expressions bind (JLS 15, from 15.26 up), and where one needs parentheses in the place of another. */
public final class Precedence {

    private static final int LAMBDA = 0;
    private static final int ASSIGNMENT = 1;
    private static final int CONDITIONAL = 2;
    private static final int OR = 3;
    private static final int AND = 4;
    private static final int BIT_OR = 5;
    private static final int BIT_XOR = 6;
    private static final int BIT_AND = 7;
    private static final int EQUALITY = 8;
    private static final int RELATIONAL = 9;
    private static final int SHIFT = 10;
    private static final int ADDITIVE = 11;
    private static final int MULTIPLICATIVE = 12;
    private static final int UNARY = 13;
    private static final int POSTFIX = 14;
    private static final int PRIMARY = 15;

    private Precedence() {
    }

    /**
     * Whether an expression must be put in parentheses to stand where another stands now.
     *
     * @param moved  the expression
     * @param place  the expression whose place it takes
     * @param parent the tree around the place
     */
    public static boolean needsParentheses(ExpressionTree moved, Tree place, Tree parent) {
        return needsParentheses(of(moved), moved, place, parent);
    }

    /** The same for a cast that is written before the expression. */
    public static boolean castNeedsParentheses(ExpressionTree moved, Tree place, Tree parent) {
        return needsParentheses(UNARY, moved, place, parent);
    }

    /** Whether an expression must be put in parentheses after a cast. */
    public static boolean needsParenthesesInCast(ExpressionTree moved) {
        return of(moved) < UNARY && !(moved instanceof LambdaExpressionTree)
                || isSigned(moved);
    }

    /** Whether an expression must be put in parentheses before a dot. */
    public static boolean needsParenthesesBeforeDot(ExpressionTree moved) {
        return of(moved) < PRIMARY;
    }

    /** Whether a conditional expression must be put in parentheses to stand where another expression stands now. */
    public static boolean conditionalNeedsParentheses(Tree place, Tree parent) {
        return needsParentheses(CONDITIONAL, null, place, parent);
    }

    /** Whether an expression must be put in parentheses to be the condition of a conditional one. */
    public static boolean conditionNeedsParentheses(ExpressionTree moved) {
        return of(moved) <= CONDITIONAL;
    }

    private static boolean needsParentheses(int own, ExpressionTree moved, Tree place, Tree parent) {
        if (parent instanceof BinaryTree binary) {
            int around = of(binary);
            // an operator of the same level on the right would be grouped otherwise (JLS 15.7.3)
            return binary.getRightOperand() == place ? own <= around : own < around;
        }
        if (parent instanceof UnaryTree || parent instanceof TypeCastTree) {
            return own < UNARY || parent instanceof UnaryTree unary && grows(unary, moved)
                    || parent instanceof TypeCastTree && isSigned(moved);
        }
        if (parent instanceof ConditionalExpressionTree conditional) {
            return conditional.getCondition() == place ? own <= CONDITIONAL
                    : own < CONDITIONAL && !(conditional.getFalseExpression() == place && own == LAMBDA);
        }
        if (parent instanceof InstanceOfTree) {
            return own < RELATIONAL;
        }
        boolean isObject = parent instanceof MemberSelectTree || parent instanceof MemberReferenceTree
                || parent instanceof ArrayAccessTree access && access.getExpression() == place;
        return isObject && (own < PRIMARY || parent instanceof ArrayAccessTree && moved instanceof NewArrayTree);
    }

    /** Two signs in a row would be read as one operator: {@code - -1}. */
    private static boolean grows(UnaryTree around, ExpressionTree moved) {
        return isSign(around) && isSigned(moved);
    }

    /** Also of a negative number, which the compiler reads as one literal. */
    private static boolean isSigned(ExpressionTree moved) {
        return moved instanceof UnaryTree signed && isSign(signed)
                || moved instanceof LiteralTree literal && literal.getValue() instanceof Number number
                && number.doubleValue() < 0;
    }

    private static boolean isSign(UnaryTree tree) {
        return switch (tree.getKind()) {
            case UNARY_MINUS, UNARY_PLUS, PREFIX_DECREMENT, PREFIX_INCREMENT -> true;
            default -> false;
        };
    }

    /** Whether an expression of some kind must be put in parentheses to stand where another expression stands now. */
    public static boolean needsParentheses(Tree.Kind kind, Tree place, Tree parent) {
        return needsParentheses(of(kind), null, place, parent);
    }

    /** Whether an expression of one kind binds less tightly than one of another. */
    public static boolean isLooser(Tree.Kind kind, Tree.Kind other) {
        return of(kind) < of(other);
    }

    private static int of(ExpressionTree tree) {
        return of(tree.getKind());
    }

    private static int of(Tree.Kind kind) {
        return switch (kind) {
            case LAMBDA_EXPRESSION -> LAMBDA;
            case ASSIGNMENT, MULTIPLY_ASSIGNMENT, DIVIDE_ASSIGNMENT, REMAINDER_ASSIGNMENT, PLUS_ASSIGNMENT,
                MINUS_ASSIGNMENT, LEFT_SHIFT_ASSIGNMENT, RIGHT_SHIFT_ASSIGNMENT, UNSIGNED_RIGHT_SHIFT_ASSIGNMENT,
                AND_ASSIGNMENT, XOR_ASSIGNMENT, OR_ASSIGNMENT -> ASSIGNMENT;
            case CONDITIONAL_EXPRESSION -> CONDITIONAL;
            case CONDITIONAL_OR -> OR;
            case CONDITIONAL_AND -> AND;
            case OR -> BIT_OR;
            case XOR -> BIT_XOR;
            case AND -> BIT_AND;
            case EQUAL_TO, NOT_EQUAL_TO -> EQUALITY;
            case LESS_THAN, GREATER_THAN, LESS_THAN_EQUAL, GREATER_THAN_EQUAL, INSTANCE_OF -> RELATIONAL;
            case LEFT_SHIFT, RIGHT_SHIFT, UNSIGNED_RIGHT_SHIFT -> SHIFT;
            case PLUS, MINUS -> ADDITIVE;
            case MULTIPLY, DIVIDE, REMAINDER -> MULTIPLICATIVE;
            case UNARY_PLUS, UNARY_MINUS, BITWISE_COMPLEMENT, LOGICAL_COMPLEMENT, PREFIX_INCREMENT, PREFIX_DECREMENT,
                TYPE_CAST, SWITCH_EXPRESSION -> UNARY;
            case POSTFIX_INCREMENT, POSTFIX_DECREMENT -> POSTFIX;
            default -> PRIMARY;
        };
    }
}
