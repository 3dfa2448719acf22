package dev.deftchisel.member;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import javax.lang.model.type.TypeKind;

/** How accessors are called: after JavaBeans (8.3), or plainly as what they access. */
public enum AccessorNames {
    BEANS, PLAIN;

    /** What the type does already; JavaBeans when it has neither, but for records. */
    public static AccessorNames of(TargetClass target) {
        long beans = target.members().stream().filter(member -> reads(target, member, BEANS)).count();
        long plain = target.members().stream().filter(member -> reads(target, member, PLAIN)).count();
        return plain > beans || target.isRecord() ? PLAIN : BEANS;
    }

    private static boolean reads(TargetClass target, Tree member, AccessorNames names) {
        return member instanceof MethodTree method && method.getParameters().isEmpty()
                && target.parts().stream().anyMatch(part -> method.getName().contentEquals(names.reader(part)));
    }

    /** The name of the method that tells the value. */
    public String reader(StateField part) {
        boolean isCondition = part.type().getKind() == TypeKind.BOOLEAN;
        boolean isQuestion = isCondition && part.name().matches("is\\p{Lu}.*");
        if (this == PLAIN || isQuestion) {
            return part.name();
        }
        return (isCondition ? "is" : "get") + part.capitalized();
    }

    /** The name of the method that sets the value. */
    public String writer(StateField part) {
        boolean isQuestion = part.type().getKind() == TypeKind.BOOLEAN && part.name().matches("is\\p{Lu}.*");
        if (this == PLAIN) {
            return part.name();
        }
        return "set" + (isQuestion ? part.name().substring(2) : part.capitalized());
    }

    /** Whether a method is called as one that accesses a part. */
    public static boolean isAccessor(String name, StateField part) {
        return name.equals(BEANS.reader(part)) || name.equals(BEANS.writer(part)) || name.equals(part.name());
    }
}
