package dev.deftchisel.proving.dataflow;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;

/**
 * A field or method as class files name it (JVMS 4.4.2).
 *
 * @param owner      internal name of a class
 * @param descriptor that of a field is its type
 */
record Member(String owner, String name, String descriptor) {

    static Member of(FieldInsnNode field) {
        return new Member(field.owner, field.name, field.desc);
    }

    static Member of(MethodInsnNode call) {
        return new Member(call.owner, call.name, call.desc);
    }

    static Member of(Handle handle) {
        return new Member(handle.getOwner(), handle.getName(), handle.getDesc());
    }

    boolean isConstructor() {
        return name.equals("<init>");
    }

    List<String> parameters() {
        return new ArrayList<>(Arrays.stream(Type.getArgumentTypes(descriptor)).map(Type::getDescriptor).toList());
    }

    Member at(String other) {
        return new Member(other, name, descriptor);
    }

    /** What tells it from others of its class. */
    String words() {
        return owner + "." + name + " " + descriptor;
    }
}
