package dev.deftchisel.analysis.declared;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.RecordComponentElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;
import javax.lang.model.util.Elements;
import javax.lang.model.util.Types;
import org.objectweb.asm.AnnotationVisitor;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.FieldVisitor;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.RecordComponentVisitor;

/**
 * Writes what a type declares as a class file (JVMS 4): all that a compiler reads of it, and no code, so that no
 * virtual machine would load it. What is private is written as well, since types of one file see it. Annotations of
 * types (JLS 9.7.4) are left out.
 */
public final class ClassFileWriter {

    /** The oldest that knows records and sealed types, which every compiler reads that runs us. */
    private static final int VERSION = Opcodes.V17;
    private static final Map<Modifier, Integer> FLAGS = Map.ofEntries(
            Map.entry(Modifier.PUBLIC, Opcodes.ACC_PUBLIC),
            Map.entry(Modifier.PROTECTED, Opcodes.ACC_PROTECTED),
            Map.entry(Modifier.PRIVATE, Opcodes.ACC_PRIVATE),
            Map.entry(Modifier.ABSTRACT, Opcodes.ACC_ABSTRACT),
            Map.entry(Modifier.STATIC, Opcodes.ACC_STATIC),
            Map.entry(Modifier.FINAL, Opcodes.ACC_FINAL),
            Map.entry(Modifier.TRANSIENT, Opcodes.ACC_TRANSIENT),
            Map.entry(Modifier.VOLATILE, Opcodes.ACC_VOLATILE),
            Map.entry(Modifier.SYNCHRONIZED, Opcodes.ACC_SYNCHRONIZED),
            Map.entry(Modifier.NATIVE, Opcodes.ACC_NATIVE),
            Map.entry(Modifier.STRICTFP, Opcodes.ACC_STRICT));
    private static final int OF_NESTED_ONLY = Opcodes.ACC_PRIVATE | Opcodes.ACC_PROTECTED | Opcodes.ACC_STATIC;

    private final Elements elements;
    private final TypeElement type;
    private final TypeSignatures signatures;
    private final ClassWriter writer = new ClassWriter(0);

    private ClassFileWriter(TypeElement type, Elements elements, Types types) {
        this.type = type;
        this.elements = elements;
        this.signatures = new TypeSignatures(elements, types);
    }

    /**
     * The class files of a type and of those nested in it.
     *
     * @param classes of all of them
     * @param outer   qualified names of the top-level types whose nested types they name
     */
    public record Written(List<DeclaredClass> classes, Set<String> outer) {

        /** Copies both. */
        public Written {
            classes = List.copyOf(classes);
            outer = Set.copyOf(outer);
        }
    }

    /** Writes a type and those nested in it; empty when something that they name was not found. */
    public static Optional<Written> write(TypeElement topLevel, Elements elements, Types types) {
        List<DeclaredClass> written = new ArrayList<>();
        Set<String> outer = new HashSet<>();
        for (TypeElement type : withNested(topLevel).toList()) {
            ClassFileWriter writer = new ClassFileWriter(type, elements, types);
            byte[] bytes = writer.write();
            if (!writer.signatures.isComplete()) {
                return Optional.empty();
            }
            written.add(new DeclaredClass(elements.getBinaryName(type).toString(), bytes));
            writer.signatures.nested().forEach(nested -> outer.add(topLevel(nested)));
        }
        return Optional.of(new Written(written, outer));
    }

    private static String topLevel(TypeElement type) {
        return type.getEnclosingElement() instanceof TypeElement outer ? topLevel(outer)
                : type.getQualifiedName().toString();
    }

    private static Stream<TypeElement> withNested(TypeElement type) {
        return Stream.concat(Stream.of(type), ElementFilter.typesIn(type.getEnclosedElements()).stream()
                .flatMap(ClassFileWriter::withNested));
    }

    private byte[] write() {
        TypeMirror superclass = type.getSuperclass().getKind() == TypeKind.NONE
                ? elements.getTypeElement("java.lang.Object").asType()
                : type.getSuperclass();
        int flags = flags(type);
        int visible = (flags & Opcodes.ACC_PROTECTED) != 0 ? flags | Opcodes.ACC_PUBLIC : flags;
        writer.visit(VERSION, visible & ~OF_NESTED_ONLY | record(), signatures.internalName(type),
                signatures.signature(type, superclass), name(superclass),
                type.getInterfaces().stream().map(this::name).toArray(String[]::new));
        AnnotationWriter.write(type.getAnnotationMirrors(), signatures, name -> writer.visitAnnotation(name, true));
        type.getPermittedSubclasses().forEach(permitted -> writer.visitPermittedSubclass(name(permitted)));
        type.getRecordComponents().forEach(this::component);
        for (Element member : type.getEnclosedElements()) {
            if (member instanceof ExecutableElement method && isCalled(method)) {
                method(method);
            } else if (member.getKind().isField()) {
                field((VariableElement) member);
            } else if (member instanceof TypeElement nested) {
                signatures.internalName(nested);
            }
        }
        for (TypeElement nested : signatures.nested()) {
            writer.visitInnerClass(signatures.internalName(nested),
                    signatures.internalName((TypeElement) nested.getEnclosingElement()),
                    nested.getSimpleName().toString(), flags(nested));
        }
        writer.visitEnd();
        return writer.toByteArray();
    }

    private static boolean isCalled(ExecutableElement method) {
        return method.getKind() == ElementKind.METHOD || method.getKind() == ElementKind.CONSTRUCTOR;
    }

    private String name(TypeMirror type) {
        String descriptor = signatures.descriptor(type);
        return descriptor.substring(1, Math.max(1, descriptor.length() - 1));
    }

    private int record() {
        return type.getKind() == ElementKind.RECORD ? Opcodes.ACC_RECORD : 0;
    }

    private int flags(TypeElement of) {
        int kind = switch (of.getKind()) {
            case INTERFACE -> Opcodes.ACC_INTERFACE;
            case ANNOTATION_TYPE -> Opcodes.ACC_INTERFACE | Opcodes.ACC_ANNOTATION;
            case ENUM -> Opcodes.ACC_ENUM;
            default -> 0;
        };
        return modifiers(of.getModifiers()) | kind | deprecated(of);
    }

    private static int modifiers(Set<Modifier> modifiers) {
        return modifiers.stream().mapToInt(modifier -> FLAGS.getOrDefault(modifier, 0)).sum();
    }

    private int deprecated(Element element) {
        return elements.isDeprecated(element) ? Opcodes.ACC_DEPRECATED : 0;
    }

    /** The compiler reads members that it adds itself with the flag of parameters that are. */
    private int origin(Element element) {
        return elements.getOrigin(element) == Elements.Origin.MANDATED ? Opcodes.ACC_MANDATED : 0;
    }

    private void component(RecordComponentElement component) {
        RecordComponentVisitor visitor = writer.visitRecordComponent(component.getSimpleName().toString(),
                signatures.descriptor(component.asType()), signatures.signature(component.asType()));
        AnnotationWriter.write(component.getAnnotationMirrors(), signatures,
                name -> visitor.visitAnnotation(name, true));
        visitor.visitEnd();
    }

    private void field(VariableElement field) {
        int constant = field.getKind() == ElementKind.ENUM_CONSTANT ? Opcodes.ACC_ENUM : 0;
        FieldVisitor visitor = writer.visitField(modifiers(field.getModifiers()) | constant | deprecated(field),
                field.getSimpleName().toString(), signatures.descriptor(field.asType()),
                signatures.signature(field.asType()), stored(field.getConstantValue()));
        AnnotationWriter.write(field.getAnnotationMirrors(), signatures, name -> visitor.visitAnnotation(name, true));
        visitor.visitEnd();
    }

    /** What is narrower than an int is kept as one (JVMS 4.7.2); null, as the writer wants it, for no constant. */
    private static Object stored(Object constant) {
        if (constant instanceof Boolean truth) {
            return truth ? 1 : 0;
        } else if (constant instanceof Character character) {
            return (int) character;
        }
        return constant instanceof Byte || constant instanceof Short ? ((Number) constant).intValue() : constant;
    }

    private void method(ExecutableElement method) {
        int flags = modifiers(method.getModifiers()) | deprecated(method) | origin(method)
                | (method.isVarArgs() ? Opcodes.ACC_VARARGS : 0);
        MethodVisitor visitor = writer.visitMethod(flags, method.getSimpleName().toString(),
                outer(method) + signatures.descriptor(method).substring(outer(method).isEmpty() ? 0 : 1),
                signatures.signature(method), method.getThrownTypes().stream().map(this::name).toArray(String[]::new));
        for (int i = 0; i < method.getParameters().size(); i++) {
            VariableElement parameter = method.getParameters().get(i);
            int index = i;
            visitor.visitParameter(parameter.getSimpleName().toString(), modifiers(parameter.getModifiers()));
            AnnotationWriter.write(parameter.getAnnotationMirrors(), signatures,
                    name -> visitor.visitParameterAnnotation(index, name, true));
        }
        AnnotationWriter.write(method.getAnnotationMirrors(), signatures, name -> visitor.visitAnnotation(name, true));
        if (method.getDefaultValue() != null) {
            AnnotationVisitor value = visitor.visitAnnotationDefault();
            method.getDefaultValue().accept(new AnnotationWriter(signatures, "value"), value);
            value.visitEnd();
        }
        visitor.visitEnd();
    }

    /** The constructor of an inner class takes the outer object first (JVMS 4.7.24, JLS 8.8.9). */
    private String outer(ExecutableElement method) {
        boolean isInner = method.getKind() == ElementKind.CONSTRUCTOR && type.getKind() == ElementKind.CLASS
                && !type.getModifiers().contains(Modifier.STATIC)
                && type.getEnclosingElement() instanceof TypeElement;
        return isInner ? "(" + signatures.descriptor(((DeclaredType) type.asType()).getEnclosingType()) : "";
    }
}
