package dev.deftchisel.proving.dataflow;

import dev.deftchisel.change.NewSignature;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;
import org.objectweb.asm.tree.JumpInsnNode;
import org.objectweb.asm.tree.LabelNode;
import org.objectweb.asm.tree.LookupSwitchInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;
import org.objectweb.asm.tree.MethodNode;
import org.objectweb.asm.tree.TableSwitchInsnNode;
import org.objectweb.asm.tree.TryCatchBlockNode;
import org.objectweb.asm.tree.analysis.Frame;
import org.objectweb.asm.util.Printer;

/**
 * Tells line by line what a method does that can be noticed: calls, writes, jumps and what it returns or throws, in
 * order; what is computed is told where it is used first, and numbered.
 */
final class NoticedEffects {

    /** What a parameter is called that was not there before the change. */
    static final String ADDED = "added";

    private static final int LAMBDA_FLAGS = Opcodes.ACC_PRIVATE | Opcodes.ACC_SYNTHETIC;

    private final Perspective perspective;
    private final Map<SymbolicValue, Integer> numbers = new IdentityHashMap<>();
    private final Map<SymbolicValue, List<SymbolicValue>> elements = new IdentityHashMap<>();
    private final List<String> lines = new ArrayList<>();
    private boolean isOpen;
    private boolean isForked;

    private NoticedEffects(Perspective perspective) {
        this.perspective = perspective;
    }

    /**
     * What a method does.
     *
     * @param lines  one for each effect
     * @param isOpen whether it names a changed method without calling it, so that another form may stand there
     * @param isForked whether what it passes to a changed method is computed on several paths, which move along
     */
    record Told(List<String> lines, boolean isOpen, boolean isForked) {
    }

    static Told of(String owner, MethodNode method, Perspective perspective) {
        NoticedEffects effects = new NoticedEffects(perspective);
        List<String> names = perspective.parameters(new Member(owner, method.name, method.desc));
        List<SymbolicValue> parameters = new ArrayList<>();
        // what becomes the object, or was it, is called so on both sides
        if ((method.access & Opcodes.ACC_STATIC) == 0) {
            parameters.add(new SymbolicValue(1, "this", List.of()));
        }
        Type[] types = Type.getArgumentTypes(method.desc);
        for (int i = 0; i < types.length; i++) {
            parameters.add(new SymbolicValue(types[i].getSize(), names.get(i), List.of()));
        }
        if (method.instructions.size() > 0) {
            effects.body(owner, method, parameters);
        }
        return new Told(effects.lines, effects.isOpen, effects.isForked);
    }

    private void body(String owner, MethodNode method, List<SymbolicValue> parameters) {
        MethodFlow flow = MethodFlow.of(method, parameters);
        Map<LabelNode, Integer> labels = labels(method);
        for (int i = 0; i < method.instructions.size(); i++) {
            AbstractInsnNode instruction = method.instructions.get(i);
            if (instruction instanceof LabelNode label && labels.containsKey(label)) {
                lines.add("L" + labels.get(label) + ":");
                method.tryCatchBlocks.stream().filter(block -> block.handler == label).forEach(block -> lines
                        .add("catches " + block.type + " from L" + labels.get(block.start) + " to L"
                                + labels.get(block.end)));
            }
            Frame<SymbolicValue> frame = flow.before().get(i);
            if (frame != null && instruction.getOpcode() >= 0) {
                effect(owner, instruction, frame, flow.interpreter(), labels);
            }
        }
    }

    private static Map<LabelNode, Integer> labels(MethodNode method) {
        Map<LabelNode, Boolean> targets = new LinkedHashMap<>();
        for (AbstractInsnNode instruction : method.instructions) {
            if (instruction instanceof JumpInsnNode jump) {
                targets.put(jump.label, true);
            } else if (instruction instanceof TableSwitchInsnNode table) {
                table.labels.forEach(label -> targets.put(label, true));
                targets.put(table.dflt, true);
            } else if (instruction instanceof LookupSwitchInsnNode lookup) {
                lookup.labels.forEach(label -> targets.put(label, true));
                targets.put(lookup.dflt, true);
            }
        }
        for (TryCatchBlockNode block : method.tryCatchBlocks) {
            targets.put(block.start, true);
            targets.put(block.end, true);
            targets.put(block.handler, true);
        }
        Map<LabelNode, Integer> numbers = new LinkedHashMap<>();
        for (AbstractInsnNode instruction : method.instructions) {
            if (instruction instanceof LabelNode label && targets.containsKey(label)) {
                numbers.put(label, numbers.size());
            }
        }
        return numbers;
    }

    private void effect(String owner, AbstractInsnNode instruction, Frame<SymbolicValue> frame,
            SymbolicInterpreter interpreter, Map<LabelNode, Integer> labels) {
        int opcode = instruction.getOpcode();
        String word = Printer.OPCODES[opcode].toLowerCase(Locale.ROOT);
        if (isQuiet(instruction) || isText(instruction) || isFunction(instruction) || element(instruction, frame)) {
            return;
        }
        if (instruction instanceof MethodInsnNode call) {
            int count = Type.getArgumentTypes(call.desc).length + (opcode == Opcodes.INVOKESTATIC ? 0 : 1);
            lines.add(text(owner, interpreter.naryOperation(call, top(frame, count))));
        } else if (instruction instanceof InvokeDynamicInsnNode dynamic) {
            int count = Type.getArgumentTypes(dynamic.desc).length;
            lines.add(text(owner, interpreter.naryOperation(dynamic, top(frame, count))));
        } else if (opcode == Opcodes.PUTFIELD || opcode == Opcodes.PUTSTATIC) {
            Member field = Member.of((FieldInsnNode) instruction);
            lines.add(word + " " + perspective.field(field) + texts(owner, top(frame, opcode == Opcodes.PUTFIELD
                    ? 2 : 1)));
        } else if (opcode >= Opcodes.IASTORE && opcode <= Opcodes.SASTORE) {
            lines.add(word + texts(owner, top(frame, 3)));
        } else if (instruction instanceof JumpInsnNode jump) {
            int count = opcode == Opcodes.GOTO ? 0 : opcode >= Opcodes.IF_ICMPEQ && opcode <= Opcodes.IF_ACMPNE ? 2 : 1;
            lines.add(word + texts(owner, top(frame, count)) + " to L" + labels.get(jump.label));
        } else if (instruction instanceof TableSwitchInsnNode table) {
            lines.add(word + texts(owner, top(frame, 1)) + " from " + table.min + " to " + table.labels.stream()
                    .map(labels::get).toList() + " else L" + labels.get(table.dflt));
        } else if (instruction instanceof LookupSwitchInsnNode lookup) {
            lines.add(word + texts(owner, top(frame, 1)) + " " + lookup.keys + " to " + lookup.labels.stream()
                    .map(labels::get).toList() + " else L" + labels.get(lookup.dflt));
        } else if (opcode >= Opcodes.IRETURN && opcode <= Opcodes.ARETURN || opcode == Opcodes.ATHROW
                || opcode == Opcodes.MONITORENTER || opcode == Opcodes.MONITOREXIT) {
            lines.add(word + texts(owner, top(frame, 1)));
        } else if (opcode == Opcodes.RETURN) {
            lines.add(word);
        }
    }

    /** Whether nobody notices when it is called, but by what it returns. */
    private static boolean isQuiet(AbstractInsnNode instruction) {
        return instruction instanceof MethodInsnNode call && (call.owner.equals("java/lang/String")
                && call.getOpcode() == Opcodes.INVOKEVIRTUAL || call.name.equals("valueOf")
                && call.owner.matches("java/lang/(Boolean|Byte|Character|Short|Integer|Long|Float|Double)")
                || call.name.equals("of") && call.owner.equals("java/util/List")
                // what the compiler asks of an object that a reference is bound to (JLS 15.13.3)
                || call.name.equals("requireNonNull") && call.owner.equals("java/util/Objects"));
    }

    /** Whether texts and numbers are put together, which asks no object for its text (JLS 15.18.1). */
    private static boolean isText(AbstractInsnNode instruction) {
        return instruction instanceof InvokeDynamicInsnNode dynamic
                && dynamic.bsm.getOwner().equals("java/lang/invoke/StringConcatFactory")
                && Arrays.stream(Type.getArgumentTypes(dynamic.desc)).allMatch(type -> type.getSort() < Type.ARRAY
                        || type.getClassName().equals("java.lang.String"));
    }

    /** Whether a function is made, which nobody notices before it is used (JLS 15.27.4). */
    private static boolean isFunction(AbstractInsnNode instruction) {
        return instruction instanceof InvokeDynamicInsnNode dynamic
                && dynamic.bsm.getOwner().equals("java/lang/invoke/LambdaMetafactory");
    }

    /** What goes into an array right when it is made is told with the array (JLS 10.6): nobody else has that yet. */
    private boolean element(AbstractInsnNode instruction, Frame<SymbolicValue> frame) {
        boolean isStore = instruction.getOpcode() >= Opcodes.IASTORE && instruction.getOpcode() <= Opcodes.SASTORE;
        int size = frame.getStackSize();
        if (!isStore || size < 4 || frame.getStack(size - 4) != frame.getStack(size - 3)
                || frame.getStack(size - 3).instruction().filter(made -> made.getOpcode() == Opcodes.NEWARRAY
                        || made.getOpcode() == Opcodes.ANEWARRAY).isEmpty()) {
            return false;
        }
        elements.computeIfAbsent(frame.getStack(size - 3), array -> new ArrayList<>())
                .add(frame.getStack(size - 1));
        return true;
    }

    private static List<SymbolicValue> top(Frame<SymbolicValue> frame, int count) {
        return IntStream.range(frame.getStackSize() - count, frame.getStackSize()).mapToObj(frame::getStack).toList();
    }

    private String texts(String owner, List<SymbolicValue> values) {
        return values.stream().map(value -> text(owner, value)).collect(Collectors.joining(", ", " (", ")"));
    }

    private String text(String owner, SymbolicValue value) {
        Integer known = numbers.get(value);
        if (known != null) {
            return "#" + known;
        }
        if (value.isChoice()) {
            List<SymbolicValue> others = value.operands().stream().filter(one -> one != value).distinct().toList();
            if (others.size() == 1) {
                return text(owner, others.get(0));
            }
        } else if (value.isTold()) {
            return value.operator();
        }
        int number = numbers.size();
        numbers.put(value, number);
        AbstractInsnNode from = value.instruction().orElse(null);
        String what;
        if (from instanceof MethodInsnNode call) {
            what = call(owner, call, value.operands());
        } else if (from instanceof InvokeDynamicInsnNode dynamic) {
            what = dynamic(owner, dynamic, value.operands());
        } else if (from instanceof FieldInsnNode field) {
            what = "field " + perspective.field(Member.of(field)) + texts(owner, value.operands());
        } else {
            List<SymbolicValue> inside = elements.getOrDefault(value, List.of());
            what = value.operator() + texts(owner, value.operands()) + (inside.isEmpty() ? "" : texts(owner, inside));
        }
        return "#" + number + " = " + what;
    }

    private String call(String owner, MethodInsnNode call, List<SymbolicValue> operands) {
        Member called = Member.of(call);
        Perspective.Shown method = perspective.method(called);
        boolean isCapturing = called.isConstructor() && CompiledClasses.isLocal(called.owner()) && !method.changed();
        if (isCapturing) {
            // which object around is captured depends on whether there is one
            return text(owner, operands.get(0)) + " . " + called.owner() + ".<init>" + operands.stream().skip(1)
                    .map(operand -> text(owner, operand)).filter(operand -> !operand.equals("this")
                            && !operand.startsWith(ADDED)).collect(Collectors.joining(", ", " (", ")"));
        }
        int first = call.getOpcode() == Opcodes.INVOKESTATIC ? 0 : 1;
        List<SymbolicValue> passed = operands.subList(first, operands.size());
        isForked |= method.changed() && passed.stream().anyMatch(SymbolicValue::isForked);
        String receiver = method.object() instanceof NewSignature.CalledOn.Parameter parameter && first == 0
                ? text(owner, passed.get(parameter.index()))
                : first == 0 || method.object() instanceof NewSignature.CalledOn.Nothing ? "static"
                        : text(owner, operands.get(0));
        return receiver + " . " + method.shown().words() + method.order().stream().map(index -> index
                == NewSignature.ADDED ? ADDED : index == NewSignature.OBJECT ? text(owner, operands.get(0))
                        : text(owner, method.changed() ? passed.get(index).beforeWidening()
                        : passed.get(index))).collect(Collectors.joining(", ", " (", ")"));
    }

    /** A function is told by what it does, another call that is linked late by what it is linked with. */
    private String dynamic(String owner, InvokeDynamicInsnNode dynamic, List<SymbolicValue> operands) {
        if (dynamic.bsm.getOwner().equals("java/lang/runtime/ObjectMethods")) {
            return "of the components " + dynamic.name + texts(owner, operands);
        }
        if (!isFunction(dynamic)) {
            return dynamic.name + " " + dynamic.desc + " " + List.of(dynamic.bsmArgs) + texts(owner, operands);
        }
        Type type = Type.getReturnType(dynamic.desc);
        Perspective.Shown function = perspective.method(new Member(type.getInternalName(), dynamic.name,
                ((Type) dynamic.bsmArgs[0]).getDescriptor()));
        Handle handle = (Handle) dynamic.bsmArgs[1];
        Member member = Member.of(handle);
        MethodNode body = perspective.classes().method(member).filter(method -> (method.access & LAMBDA_FLAGS)
                == LAMBDA_FLAGS && method.name.startsWith("lambda$")).orElse(null);
        String kind = "function " + type.getInternalName() + "." + function.shown().name();
        if (body == null) {
            Perspective.Shown meant = perspective.method(member);
            isOpen |= meant.changed() || function.changed();
            return kind + " is " + handle.getTag() + " " + meant.shown().words() + texts(owner, operands);
        }
        List<SymbolicValue> parameters = new ArrayList<>(operands);
        List<String> names = perspective.parameters(new Member(type.getInternalName(), dynamic.name,
                ((Type) dynamic.bsmArgs[0]).getDescriptor()));
        Type[] types = Type.getArgumentTypes(body.desc);
        boolean isStatic = (body.access & Opcodes.ACC_STATIC) != 0;
        int captured = operands.size() - (isStatic ? 0 : 1);
        for (int i = captured; i < types.length; i++) {
            parameters.add(new SymbolicValue(types[i].getSize(), "given " + names.get(i - captured), List.of()));
        }
        int start = lines.size();
        body(owner, body, parameters);
        List<String> inner = List.copyOf(lines.subList(start, lines.size()));
        lines.subList(start, lines.size()).clear();
        return kind + inner.stream().collect(Collectors.joining("; ", " { ", " }"));
    }
}
