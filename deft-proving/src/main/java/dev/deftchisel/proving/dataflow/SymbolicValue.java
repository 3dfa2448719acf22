package dev.deftchisel.proving.dataflow;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;
import org.objectweb.asm.tree.LabelNode;
import org.objectweb.asm.tree.MethodInsnNode;
import org.objectweb.asm.tree.analysis.Value;

/**
 * How a value was computed. Values are compared by identity: each computation is one object.
 */
final class SymbolicValue implements Value {

    private static final String OF_VARIABLE = "one of";
    private static final String OF_EXPRESSION = "either";

    private final int size;
    private final String operator;
    private final List<SymbolicValue> operands;
    private final Optional<AbstractInsnNode> instruction;

    /**
     * @param size     in slots: 1, or 2 for {@code long} and {@code double} (JVMS 2.6.1)
     * @param operator what computes it
     * @param operands of what
     */
    SymbolicValue(int size, String operator, List<SymbolicValue> operands) {
        this(size, operator, operands, Optional.empty());
    }

    /** @param instruction that computes it */
    SymbolicValue(int size, String operator, List<SymbolicValue> operands, Optional<AbstractInsnNode> instruction) {
        this.size = size;
        this.operator = operator;
        this.operands = new ArrayList<>(operands);
        this.instruction = instruction;
    }

    Optional<AbstractInsnNode> instruction() {
        return instruction;
    }

    /** Whether its operator says all: a constant or a parameter, and not an object that is new each time. */
    boolean isTold() {
        return operands.isEmpty() && !isChoice() && instruction.filter(one -> one.getOpcode() == Opcodes.NEW
                || one instanceof MethodInsnNode || one instanceof FieldInsnNode
                || one instanceof InvokeDynamicInsnNode || one instanceof LabelNode).isEmpty();
    }

    /** What was never written. */
    static SymbolicValue none(int size) {
        return new SymbolicValue(size, "none", List.of());
    }

    boolean isNone() {
        return operator.equals("none");
    }

    @Override
    public int getSize() {
        return size;
    }

    String operator() {
        return operator;
    }

    List<SymbolicValue> operands() {
        return operands;
    }

    /**
     * Where paths meet (the phi of SSA form): one of its operands, which become known one after the other.
     *
     * @param isOfExpression whether it is on the stack, and not in a variable
     */
    static SymbolicValue choice(int size, boolean isOfExpression) {
        return new SymbolicValue(size, isOfExpression ? OF_EXPRESSION : OF_VARIABLE, List.of());
    }

    boolean isChoice() {
        return operator.equals(OF_VARIABLE) || operator.equals(OF_EXPRESSION);
    }

    /** Whether an expression is computed on several paths, as a whole or in part; the value of a variable is not. */
    boolean isForked() {
        return isForked(Collections.newSetFromMap(new IdentityHashMap<>()));
    }

    private boolean isForked(Set<SymbolicValue> seen) {
        return operator.equals(OF_EXPRESSION) || !operator.equals(OF_VARIABLE) && seen.add(this)
                && operands.stream().anyMatch(operand -> operand.isForked(seen));
    }

    /** Makes it one of some more. */
    void orOneOf(Stream<SymbolicValue> more) {
        more.filter(one -> one != this && !operands.contains(one)).forEach(operands::add);
    }

    /** Without the conversion that a wider type needs (JLS 5.1.2). */
    SymbolicValue beforeWidening() {
        return operator.matches("[ilf]2[lfd]") ? operands.get(0).beforeWidening() : this;
    }
}
