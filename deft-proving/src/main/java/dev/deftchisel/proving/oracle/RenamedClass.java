package dev.deftchisel.proving.oracle;

import java.util.Arrays;
import org.objectweb.asm.AnnotationVisitor;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.Handle;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.commons.AnnotationRemapper;
import org.objectweb.asm.commons.ClassRemapper;
import org.objectweb.asm.commons.MethodRemapper;
import org.objectweb.asm.commons.Remapper;

/**
 * Writes a class as it must be after a rename. Beyond names in the constant pool, the compiler leaves a name in a few
 * strings: that of an enum constant in its constructor call (JLS 8.9.3), those of record components in the bootstrap of
 * the generated methods, and that of the method a lambda implements in its call site.
 */
final class RenamedClass extends ClassRemapper {

    private final NewNames names;

    RenamedClass(ClassVisitor next, NewNames names) {
        super(Opcodes.ASM9, next, names);
        this.names = names;
    }

    @Override
    protected MethodVisitor createMethodRemapper(MethodVisitor next) {
        return new RenamedMethod(next, names, className);
    }

    @Override
    protected AnnotationVisitor createAnnotationRemapper(String descriptor, AnnotationVisitor next) {
        return new RenamedAnnotation(descriptor, next, names);
    }

    private static final class RenamedMethod extends MethodRemapper {

        private final NewNames names;
        private final String className;
        private String made = "";
        private int opcode;

        RenamedMethod(MethodVisitor next, NewNames names, String className) {
            super(Opcodes.ASM9, next, names);
            this.names = names;
            this.className = className;
        }

        @Override
        public void visitParameter(String name, int access) {
            // the canonical constructor of a record tells the names of its components
            super.visitParameter(name == null ? null : names.mapRecordComponentName(className, name, ""), access);
        }

        @Override
        public void visitTypeInsn(int opcode, String type) {
            made = opcode == Opcodes.NEW ? type : "";
            super.visitTypeInsn(opcode, type);
        }

        @Override
        public void visitInsn(int opcode) {
            this.opcode = opcode;
            super.visitInsn(opcode);
        }

        @Override
        public void visitLdcInsn(Object value) {
            boolean isConstantsName = value instanceof String && opcode == Opcodes.DUP
                    && (made.equals(className) || made.startsWith(className + "$"));
            super.visitLdcInsn(isConstantsName ? names.constant(className, (String) value).orElse((String) value)
                    : value);
            made = "";
        }

        @Override
        public void visitInvokeDynamicInsn(String name, String descriptor, Handle bootstrap, Object... arguments) {
            Object[] mapped = Arrays.stream(arguments).map(names::mapValue).toArray();
            String newName = name;
            if (bootstrap.getOwner().equals("java/lang/invoke/LambdaMetafactory")) {
                newName = names.mapMethodName(Type.getReturnType(descriptor).getInternalName(), name,
                        ((Type) arguments[0]).getDescriptor());
            } else if (bootstrap.getOwner().equals("java/lang/runtime/ObjectMethods")) {
                mapped[1] = componentNames(((Type) arguments[0]).getInternalName(), (String) arguments[1]);
            } else if (bootstrap.getOwner().equals("java/lang/runtime/SwitchBootstraps")) {
                String owner = Type.getArgumentTypes(descriptor)[0].getInternalName();
                mapped = Arrays.stream(mapped)
                        .map(value -> value instanceof String text ? names.constant(owner, text).orElse(text) : value)
                        .toArray();
            }
            mv.visitInvokeDynamicInsn(newName, names.mapMethodDesc(descriptor), (Handle) names.mapValue(bootstrap),
                    mapped);
        }

        private String componentNames(String owner, String joined) {
            return String.join(";", Arrays.stream(joined.split(";"))
                    .map(component -> names.mapRecordComponentName(owner, component, ""))
                    .toList());
        }

        @Override
        protected AnnotationVisitor createAnnotationRemapper(String descriptor, AnnotationVisitor next) {
            return new RenamedAnnotation(descriptor, next, names);
        }
    }

    private static final class RenamedAnnotation extends AnnotationRemapper {

        RenamedAnnotation(String descriptor, AnnotationVisitor next, Remapper names) {
            super(Opcodes.ASM9, descriptor, next, names);
        }

        @Override
        public void visitEnum(String name, String descriptor, String value) {
            super.visitEnum(name, descriptor,
                    remapper.mapFieldName(Type.getType(descriptor).getInternalName(), value, descriptor));
        }

        @Override
        protected AnnotationVisitor createAnnotationRemapper(String descriptor, AnnotationVisitor next) {
            return new RenamedAnnotation(descriptor, next, remapper);
        }
    }
}
