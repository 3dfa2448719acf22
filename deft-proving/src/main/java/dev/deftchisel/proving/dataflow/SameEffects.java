package dev.deftchisel.proving.dataflow;

import dev.deftchisel.change.NewSignature;
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
 * change says. What names a changed method without calling it may get another form, and is not compared; nor is a class
 * in the body of a method whose object becomes a parameter, since it captures the one or the other. Where an argument
 * is computed on several paths, these move along with it, and only the calls and writes are compared, not with what.
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
        return gone.or(() -> touched.stream().filter(type -> !isBound(type, then)).flatMap(type -> type.methods.stream()
                .filter(SameEffects::isWritten)
                .map(method -> different(type, method, then, now)).flatMap(Optional::stream)).findFirst());
    }

    /** Whether a class declares or calls one of some methods: their names stand in its constants (JVMS 4.4.7). */
    private static boolean mayName(byte[] bytes, Set<Member> methods) {
        String text = new String(bytes, StandardCharsets.ISO_8859_1);
        return methods.stream().anyMatch(method -> text.contains(method.isConstructor() ? method.owner()
                : method.name()));
    }

    /** Whether a class stands in the body of a method whose object becomes a parameter, or the other way round. */
    private static boolean isBound(ClassNode type, Perspective then) {
        if (type.outerClass == null) {
            return false;
        }
        ClassNode outer = then.classes().all().get(type.outerClass);
        boolean isMoved = type.outerMethod != null && then.announced().of(new Member(type.outerClass, type.outerMethod,
                type.outerMethodDesc)).filter(change -> !(change.object() instanceof NewSignature.CalledOn.Same))
                .isPresent();
        return isMoved || outer != null && isBound(outer, then);
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
        List<String> actual = NoticedEffects.of(type.name, other.get(), then.after(now)).lines();
        Optional<String> difference = isRecord
                ? difference(withoutComponents(expected.lines()), withoutComponents(actual))
                : difference(expected.lines(), actual);
        return difference.filter(what -> !expected.isForked() || difference(withoutPaths(expected.lines()),
                withoutPaths(actual)).isPresent())
                .map(what -> own.words() + ": " + what);
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

    /** In what order paths fork and meet is left out, and with it what is told for the first time where. */
    private static List<String> withoutPaths(List<String> lines) {
        return lines.stream().filter(line -> !line.matches("(?s)(if|goto|L\\d+:).*"))
                .map(line -> line.replaceAll("#\\d+( = )?", "#").replaceAll("(?s)\\(.*", "")).toList();
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
