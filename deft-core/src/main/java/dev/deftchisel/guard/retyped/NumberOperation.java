package dev.deftchisel.guard.retyped;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;

/**
 * What is computed with a number that gets a wider type (JLS 5.1.2). Whole numbers stay what they are in all operations
 * but shifts, as long as nothing overflows; as a floating-point number one is divided, rounded and written otherwise,
 * and a character is written as its number.
 */
final class NumberOperation {

    private static final String FLOATING = "FD";

    private final AttributedFile code;
    private final TreePath around;
    private final TreePath value;

    /** @param value an operand */
    NumberOperation(AttributedFile code, TreePath value) {
        this.code = code;
        this.around = TreePaths.outer(value);
        this.value = value;
    }

    /**
     * Whether the result would be another one.
     *
     * @param from the primitive type of the operand before, as in descriptors (JVMS 4.3.2)
     * @param to   and afterwards
     */
    boolean isOther(char from, char to) {
        boolean becomesFloating = FLOATING.indexOf(to) >= 0;
        Tree tree = around.getLeaf();
        if (tree instanceof CompoundAssignmentTree assignment) {
            boolean isShifted = isShift(assignment.getKind()) && TreePaths.inner(assignment.getVariable()) == value
                    .getLeaf();
            return becomesFloating || isShifted || isText(assignment.getVariable()) && from == 'C';
        } else if (!(tree instanceof BinaryTree)) {
            return false;
        }
        BinaryTree operation = (BinaryTree) tree;
        Tree other = TreePaths.otherOperand(operation, value.getLeaf());
        if (operation.getKind() == Tree.Kind.PLUS && isText(other)) {
            return from == 'C' || becomesFloating;
        }
        return switch (operation.getKind()) {
            case LEFT_SHIFT, RIGHT_SHIFT, UNSIGNED_RIGHT_SHIFT -> other != TreePaths.inner(operation.getLeftOperand());
            case EQUAL_TO, NOT_EQUAL_TO, LESS_THAN, LESS_THAN_EQUAL, GREATER_THAN, GREATER_THAN_EQUAL ->
                    becomesFloating && !isExact(from, to);
            case PLUS, MINUS, MULTIPLY, DIVIDE, REMAINDER -> becomesFloating && !(isFloating(other)
                    && (to == 'D' || isExact(from, to)));
            default -> false;
        };
    }

    /** Whether each value is kept (JLS 5.1.2). */
    private static boolean isExact(char from, char to) {
        return to == 'D' && from != 'J' || to == 'F' && "BSC".indexOf(from) >= 0;
    }

    /** Whether it is computed with such a number already, of the widest type. */
    private boolean isFloating(Tree other) {
        return code.type(new TreePath(around, other)).filter(type -> code.descriptor(type).equals("D")).isPresent();
    }

    private boolean isText(Tree operand) {
        return code.type(new TreePath(around, operand)).filter(type -> NamedTypes.is(type, "java.lang.String"))
                .isPresent();
    }

    private static boolean isShift(Tree.Kind kind) {
        return kind == Tree.Kind.LEFT_SHIFT_ASSIGNMENT || kind == Tree.Kind.RIGHT_SHIFT_ASSIGNMENT
                || kind == Tree.Kind.UNSIGNED_RIGHT_SHIFT_ASSIGNMENT;
    }
}
