package dev.deftchisel.proving.dataflow;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.JumpInsnNode;
import org.objectweb.asm.tree.LabelNode;
import org.objectweb.asm.tree.LookupSwitchInsnNode;
import org.objectweb.asm.tree.MethodNode;
import org.objectweb.asm.tree.TableSwitchInsnNode;
import org.objectweb.asm.tree.TryCatchBlockNode;
import org.objectweb.asm.tree.analysis.AnalyzerException;
import org.objectweb.asm.tree.analysis.Frame;

/**
 * What local variables and the stack hold before each instruction of a method (JVMS 2.6), until nothing changes any
 * more: where paths bring different values, a choice of them stands, and stays.
 */
final class MethodFlow {

    private final MethodNode method;
    private final SymbolicInterpreter interpreter = new SymbolicInterpreter();
    /** What each instruction is reached with, by the instruction from which. */
    private final Map<Integer, Map<Integer, Frame<SymbolicValue>>> incoming = new HashMap<>();
    private final Map<List<Integer>, SymbolicValue> choices = new HashMap<>();
    private final Map<Integer, Frame<SymbolicValue>> before = new LinkedHashMap<>();
    private final TreeSet<Integer> open = new TreeSet<>();

    private MethodFlow(MethodNode method) {
        this.method = method;
    }

    /**
     * Follows a method.
     *
     * @param parameters what the object and the parameters are, in order
     */
    static MethodFlow of(MethodNode method, List<SymbolicValue> parameters) {
        MethodFlow flow = new MethodFlow(method);
        Frame<SymbolicValue> start = new Frame<>(method.maxLocals, method.maxStack);
        int local = 0;
        for (SymbolicValue parameter : parameters) {
            start.setLocal(local++, parameter);
            if (parameter.getSize() == 2) {
                start.setLocal(local++, SymbolicValue.none(1));
            }
        }
        while (local < method.maxLocals) {
            start.setLocal(local++, SymbolicValue.none(1));
        }
        flow.reach(-1, 0, start);
        while (!flow.open.isEmpty()) {
            flow.step(flow.open.pollFirst());
        }
        return flow;
    }

    /** By the index of the instruction; what cannot be reached has none. */
    Map<Integer, Frame<SymbolicValue>> before() {
        return before;
    }

    SymbolicInterpreter interpreter() {
        return interpreter;
    }

    private void reach(int from, int to, Frame<SymbolicValue> with) {
        incoming.computeIfAbsent(to, key -> new LinkedHashMap<>()).put(from, with);
        Frame<SymbolicValue> met = meet(to);
        Frame<SymbolicValue> old = before.put(to, met);
        if (old == null || !isSame(old, met)) {
            open.add(to);
        }
    }

    private static boolean isSame(Frame<SymbolicValue> one, Frame<SymbolicValue> other) {
        for (int i = 0; i < one.getLocals() + one.getStackSize(); i++) {
            if (at(one, i) != at(other, i) && !(at(one, i).isNone() && at(other, i).isNone())) {
                return false;
            }
        }
        return true;
    }

    private static SymbolicValue at(Frame<SymbolicValue> frame, int index) {
        return index < frame.getLocals() ? frame.getLocal(index) : frame.getStack(index - frame.getLocals());
    }

    private Frame<SymbolicValue> meet(int at) {
        List<Frame<SymbolicValue>> all = List.copyOf(incoming.get(at).values());
        Frame<SymbolicValue> met = new Frame<>(all.get(0));
        for (int i = 0; i < met.getLocals() + met.getStackSize(); i++) {
            int index = i;
            List<SymbolicValue> values = all.stream().map(frame -> at(frame, index)).distinct().toList();
            SymbolicValue known = choices.get(List.of(at, i));
            if (values.stream().anyMatch(SymbolicValue::isNone)) {
                set(met, i, SymbolicValue.none(1));
            } else if (known != null || values.size() > 1) {
                SymbolicValue choice = choices.computeIfAbsent(List.of(at, i),
                        key -> SymbolicValue.choice(values.get(0).getSize(), index >= met.getLocals()));
                choice.orOneOf(values.stream());
                set(met, i, choice);
            }
        }
        return met;
    }

    private static void set(Frame<SymbolicValue> frame, int index, SymbolicValue value) {
        if (index < frame.getLocals()) {
            frame.setLocal(index, value);
        } else {
            frame.setStack(index - frame.getLocals(), value);
        }
    }

    private void step(int at) {
        AbstractInsnNode instruction = method.instructions.get(at);
        Frame<SymbolicValue> entry = before.get(at);
        Frame<SymbolicValue> after = new Frame<>(entry);
        if (instruction.getOpcode() >= 0) {
            try {
                after.execute(instruction, interpreter);
            } catch (AnalyzerException impossible) {
                throw new IllegalStateException("the compiler wrote what cannot be run", impossible);
            }
        }
        for (TryCatchBlockNode block : method.tryCatchBlocks) {
            if (index(block.start) <= at && at < index(block.end)) {
                caught(at, block, entry);
            }
        }
        next(instruction).forEach(to -> reach(at, to, after));
    }

    private void caught(int at, TryCatchBlockNode block, Frame<SymbolicValue> entry) {
        Frame<SymbolicValue> handler = new Frame<>(entry);
        handler.clearStack();
        handler.push(interpreter.value(block.handler, 1, "caught " + Optional.ofNullable(block.type).orElse("any"),
                List.of()));
        reach(at, index(block.handler), handler);
    }

    private int index(LabelNode label) {
        return method.instructions.indexOf(label);
    }

    /** Where it goes on. */
    private List<Integer> next(AbstractInsnNode instruction) {
        List<Integer> found = new ArrayList<>();
        if (instruction instanceof JumpInsnNode jump) {
            found.add(index(jump.label));
        } else if (instruction instanceof TableSwitchInsnNode table) {
            table.labels.forEach(label -> found.add(index(label)));
            found.add(index(table.dflt));
        } else if (instruction instanceof LookupSwitchInsnNode lookup) {
            lookup.labels.forEach(label -> found.add(index(label)));
            found.add(index(lookup.dflt));
        }
        int opcode = instruction.getOpcode();
        boolean isEnd = opcode == Opcodes.GOTO || opcode == Opcodes.ATHROW || opcode == Opcodes.TABLESWITCH
                || opcode == Opcodes.LOOKUPSWITCH || opcode >= Opcodes.IRETURN && opcode <= Opcodes.RETURN;
        if (!isEnd) {
            found.add(method.instructions.indexOf(instruction) + 1);
        }
        return found;
    }
}
