package dev.deftchisel.proving.dataflow;

import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.oracle.CodeOracle;
import dev.deftchisel.proving.oracle.Rename;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.ClassNode;
import org.objectweb.asm.tree.MethodNode;

/**
 * Every method does the same in the same order with the same values, but that changed methods are passed what the
 * change says. What names a changed method without calling it may get another form, and is not compared.
 */
public final class SameEffects implements CodeOracle {

    @Override
    public String name() {
        return "the same calls with the same values";
    }

    @Override
    public Optional<String> objection(CompiledCode before, CompiledCode after, List<Rename> renames) {
        CompiledClasses old = CompiledClasses.of(before);
        CompiledClasses now = CompiledClasses.of(after);
        Perspective then = Perspective.before(old, Announced.of(renames, old));
        // all calls of the code before are seen before those after are looked up
        List<ClassNode> touched = old.all().values().stream().filter(type -> {
            byte[] bytes = before.classes().get(type.name.replace('/', '.'));
            return !Arrays.equals(bytes, after.classes().get(type.name.replace('/', '.')))
                    || mayName(bytes, then.announced().methods());
        }).toList();
        Optional<String> gone = touched.stream().map(type -> type.name).filter(name -> !now.all().containsKey(name))
                .map(name -> name + " is gone").findFirst();
        return gone.or(() -> touched.stream().flatMap(type -> type.methods.stream().filter(SameEffects::isWritten)
                .map(method -> different(type, method, then, now)).flatMap(Optional::stream)).findFirst());
    }

    /** Whether a class declares or calls one of some methods: their names stand in its constants (JVMS 4.4.7). */
    private static boolean mayName(byte[] bytes, Set<Member> methods) {
        String text = new String(bytes, StandardCharsets.ISO_8859_1);
        return methods.stream().anyMatch(method -> text.contains(method.isConstructor() ? method.owner()
                : method.name()));
    }

    /** Whether the source has it: what the compiler makes follows from that. */
    private static boolean isWritten(MethodNode method) {
        return (method.access & (Opcodes.ACC_SYNTHETIC | Opcodes.ACC_BRIDGE)) == 0;
    }

    private static Optional<String> different(ClassNode type, MethodNode method, Perspective then,
            CompiledClasses now) {
        NoticedEffects.Told expected = NoticedEffects.of(type.name, method, then);
        Member own = then.method(new Member(type.name, method.name, method.desc)).shown();
        Optional<MethodNode> other = now.method(own);
        if (other.isEmpty()) {
            return isOfComponent(type, method, then) ? Optional.empty() : Optional.of(own.words() + " is gone");
        } else if (expected.isOpen()) {
            return Optional.empty();
        }
        boolean isRecord = CompiledClasses.isRecord(type) && method.name.equals("<init>");
        List<String> lines = isRecord ? withoutComponents(expected.lines()) : expected.lines();
        List<String> actual = NoticedEffects.of(type.name, other.get(), then.after(now)).lines();
        return difference(lines, isRecord ? withoutComponents(actual) : actual)
                .map(difference -> own.words() + ": " + difference);
    }

    /** A record whose components change has other accessors. */
    private static boolean isOfComponent(ClassNode type, MethodNode method, Perspective then) {
        return CompiledClasses.isRecord(type) && method.desc.startsWith("()") && then.announced().methods().stream()
                .anyMatch(changed -> changed.owner().equals(type.name) && changed.isConstructor());
    }

    /** What a record does with its components by itself may stand in another order. */
    private static List<String> withoutComponents(List<String> lines) {
        return lines.stream().filter(line -> !line.startsWith("putfield ")).toList();
    }

    private static Optional<String> difference(List<String> expected, List<String> actual) {
        for (int i = 0; i < Math.max(expected.size(), actual.size()); i++) {
            String one = i < expected.size() ? expected.get(i) : "nothing";
            String other = i < actual.size() ? actual.get(i) : "nothing";
            if (!Objects.equals(one, other)) {
                return Optional.of("'" + one + "' became '" + other + "'");
            }
        }
        return Optional.empty();
    }
}
