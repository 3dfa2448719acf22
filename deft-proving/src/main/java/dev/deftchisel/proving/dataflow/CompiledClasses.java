package dev.deftchisel.proving.dataflow;

import dev.deftchisel.proving.compiled.CompiledCode;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.ClassNode;
import org.objectweb.asm.tree.MethodNode;

/**
 * Class files that were read.
 *
 * @param all by internal name
 */
record CompiledClasses(Map<String, ClassNode> all) {

    static CompiledClasses of(CompiledCode code) {
        Map<String, ClassNode> all = new TreeMap<>();
        code.classes().forEach((name, bytes) -> {
            ClassNode node = new ClassNode();
            new ClassReader(bytes).accept(node, ClassReader.SKIP_DEBUG | ClassReader.SKIP_FRAMES);
            all.put(node.name, node);
        });
        return new CompiledClasses(all);
    }

    /** The declaration that a call of a method means: the first on the way up (JVMS 5.4.3.3). */
    Optional<Member> resolve(Member method) {
        return line(method.owner()).stream().map(method::at).filter(one -> method(one).isPresent()).findFirst();
    }

    Optional<MethodNode> method(Member method) {
        return Optional.ofNullable(all.get(method.owner())).flatMap(type -> type.methods.stream()
                .filter(one -> one.name.equals(method.name()) && one.desc.equals(method.descriptor())).findFirst());
    }

    /** A class and all known ones above it, nearest first. */
    Set<String> line(String owner) {
        Set<String> seen = new LinkedHashSet<>();
        Stream<String> open = Stream.of(owner);
        while (true) {
            Set<String> next = new LinkedHashSet<>(open.filter(all::containsKey).toList());
            next.removeAll(seen);
            if (next.isEmpty()) {
                return seen;
            }
            seen.addAll(next);
            open = next.stream().map(all::get).flatMap(type -> Stream.concat(Stream.ofNullable(type.superName),
                    type.interfaces.stream()));
        }
    }

    /** Whether a class stands in a body, so that the compiler numbers it. */
    static boolean isLocal(String type) {
        return type.matches(".*\\$\\d[^$]*(\\$.*)?");
    }

    static boolean isRecord(ClassNode type) {
        return (type.access & Opcodes.ACC_RECORD) != 0;
    }
}
