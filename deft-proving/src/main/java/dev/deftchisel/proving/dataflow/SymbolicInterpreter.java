package dev.deftchisel.proving.dataflow;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.IincInsnNode;
import org.objectweb.asm.tree.IntInsnNode;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;
import org.objectweb.asm.tree.LdcInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;
import org.objectweb.asm.tree.MultiANewArrayInsnNode;
import org.objectweb.asm.tree.TypeInsnNode;
import org.objectweb.asm.tree.analysis.Interpreter;
import org.objectweb.asm.util.Printer;

/** Gives what an instruction computes; the same instruction with the same operands gives the same object. */
final class SymbolicInterpreter extends Interpreter<SymbolicValue> {

    private final Map<List<Object>, SymbolicValue> known = new HashMap<>();

    SymbolicInterpreter() {
        super(Opcodes.ASM9);
    }

    /** What an instruction computes of its operands. */
    SymbolicValue value(AbstractInsnNode instruction, int size, String operator,
            List<? extends SymbolicValue> operands) {
        return known.computeIfAbsent(List.of(instruction, operator, operands.stream().map(System::identityHashCode)
                .toList()), key -> new SymbolicValue(size, operator, List.copyOf(operands), Optional.of(instruction)));
    }

    private SymbolicValue value(AbstractInsnNode instruction, Type type, String more, List<SymbolicValue> operands) {
        return value(instruction, Math.max(1, type.getSize()), Printer.OPCODES[instruction.getOpcode()]
                .toLowerCase(Locale.ROOT) + more, operands);
    }

    @Override
    public SymbolicValue newValue(Type type) {
        return type == Type.VOID_TYPE ? null : SymbolicValue.none(type == null ? 1 : type.getSize());
    }

    @Override
    public SymbolicValue newOperation(AbstractInsnNode instruction) {
        int opcode = instruction.getOpcode();
        if (instruction instanceof LdcInsnNode constant) {
            Object what = constant.cst;
            boolean isWide = what instanceof Long || what instanceof Double;
            return value(instruction, isWide ? 2 : 1, what.getClass().getSimpleName() + " " + what, List.of());
        } else if (instruction instanceof IntInsnNode number) {
            return value(instruction, 1, "Integer " + number.operand, List.of());
        } else if (instruction instanceof FieldInsnNode field) {
            return value(instruction, Type.getType(field.desc), " " + Member.of(field).words(), List.of());
        } else if (instruction instanceof TypeInsnNode type) {
            return value(instruction, Type.INT_TYPE, " " + type.desc, List.of());
        } else if (opcode >= Opcodes.ICONST_M1 && opcode <= Opcodes.ICONST_5) {
            return value(instruction, 1, "Integer " + (opcode - Opcodes.ICONST_0), List.of());
        }
        boolean isWide = opcode == Opcodes.LCONST_0 || opcode == Opcodes.LCONST_1 || opcode == Opcodes.DCONST_0
                || opcode == Opcodes.DCONST_1;
        return value(instruction, isWide ? Type.LONG_TYPE : Type.INT_TYPE, "", List.of());
    }

    @Override
    public SymbolicValue copyOperation(AbstractInsnNode instruction, SymbolicValue value) {
        return value;
    }

    @Override
    public SymbolicValue unaryOperation(AbstractInsnNode instruction, SymbolicValue operand) {
        if (instruction instanceof FieldInsnNode field) {
            return field.getOpcode() == Opcodes.PUTSTATIC ? null
                    : value(instruction, Type.getType(field.desc), " " + Member.of(field).words(), List.of(operand));
        } else if (instruction instanceof TypeInsnNode type) {
            return value(instruction, Type.INT_TYPE, " " + type.desc, List.of(operand));
        } else if (instruction instanceof IntInsnNode array) {
            return value(instruction, Type.INT_TYPE, " " + array.operand, List.of(operand));
        } else if (instruction instanceof IincInsnNode increment) {
            return value(instruction, Type.INT_TYPE, " " + increment.incr, List.of(operand));
        }
        boolean isWide = switch (instruction.getOpcode()) {
            case Opcodes.LNEG, Opcodes.DNEG, Opcodes.I2L, Opcodes.I2D, Opcodes.L2D, Opcodes.F2L, Opcodes.F2D,
                    Opcodes.D2L -> true;
            default -> false;
        };
        return value(instruction, isWide ? Type.LONG_TYPE : Type.INT_TYPE, "", List.of(operand));
    }

    @Override
    public SymbolicValue binaryOperation(AbstractInsnNode instruction, SymbolicValue one, SymbolicValue other) {
        int opcode = instruction.getOpcode();
        boolean isNarrow = opcode == Opcodes.LCMP || opcode == Opcodes.DCMPL || opcode == Opcodes.DCMPG;
        boolean isElement = opcode >= Opcodes.IALOAD && opcode <= Opcodes.SALOAD;
        boolean isWide = isElement ? opcode == Opcodes.LALOAD || opcode == Opcodes.DALOAD
                : one.getSize() == 2 && !isNarrow;
        return value(instruction, isWide ? Type.LONG_TYPE : Type.INT_TYPE, "", List.of(one, other));
    }

    @Override
    public SymbolicValue ternaryOperation(AbstractInsnNode instruction, SymbolicValue array, SymbolicValue index,
            SymbolicValue element) {
        return null;
    }

    @Override
    public SymbolicValue naryOperation(AbstractInsnNode instruction, List<? extends SymbolicValue> operands) {
        List<SymbolicValue> all = List.copyOf(operands);
        if (instruction instanceof MethodInsnNode call) {
            return value(instruction, Type.getReturnType(call.desc), " " + Member.of(call).words(), all);
        } else if (instruction instanceof InvokeDynamicInsnNode dynamic) {
            return value(instruction, Type.getReturnType(dynamic.desc), " " + dynamic.name, all);
        }
        return value(instruction, Type.INT_TYPE, " " + ((MultiANewArrayInsnNode) instruction).desc, all);
    }

    @Override
    public void returnOperation(AbstractInsnNode instruction, SymbolicValue value, SymbolicValue expected) {
        // what is returned is told by the effects
    }

    @Override
    public SymbolicValue merge(SymbolicValue one, SymbolicValue other) {
        throw new UnsupportedOperationException("paths meet in " + MethodFlow.class);
    }
}
