package dev.deftchisel.proving.dataflow;

import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.oracle.ClassIndex;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.ClassNode;
import org.objectweb.asm.tree.MethodNode;

/**
 * Class files that were read.
 *
 * @param all   by internal name
 * @param index of what they declare and inherit
 */
record CompiledClasses(Map<String, ClassNode> all, ClassIndex index) {

    static CompiledClasses of(CompiledCode code) {
        Map<String, ClassNode> all = new TreeMap<>();
        code.classes().forEach((name, bytes) -> {
            ClassNode node = new ClassNode();
            new ClassReader(bytes).accept(node, ClassReader.SKIP_DEBUG | ClassReader.SKIP_FRAMES);
            all.put(node.name, node);
        });
        return new CompiledClasses(all, ClassIndex.of(code.classes().values()));
    }

    /** The declaration that a call of a method means: the first on the way up (JVMS 5.4.3.3). */
    Optional<Member> resolve(Member method) {
        return index.resolve(new ClassIndex.Member(method.owner(), method.name(), method.descriptor()))
                .map(found -> method.at(found.owner()));
    }

    Optional<MethodNode> method(Member method) {
        return Optional.ofNullable(all.get(method.owner())).flatMap(type -> type.methods.stream()
                .filter(one -> one.name.equals(method.name()) && one.desc.equals(method.descriptor())).findFirst());
    }

    /** Which of the variables around a local class a field of it holds: the compiler names it after that variable. */
    Optional<Integer> captured(Member field) {
        return Optional.ofNullable(all.get(field.owner())).filter(type -> field.name().startsWith("val$"))
                .map(type -> type.fields.stream().filter(one -> (one.access & Opcodes.ACC_SYNTHETIC) != 0
                        && one.name.startsWith("val$")).map(one -> one.name).toList().indexOf(field.name()))
                .filter(index -> index >= 0);
    }

    /** A class and all known ones above it, nearest first. */
    Set<String> line(String owner) {
        return index.line(owner);
    }

    /** Whether a class stands in a body, so that the compiler numbers it. */
    static boolean isLocal(String type) {
        return type.matches(".*\\$\\d[^$]*(\\$.*)?");
    }

    static boolean isRecord(ClassNode type) {
        return (type.access & Opcodes.ACC_RECORD) != 0;
    }
}
