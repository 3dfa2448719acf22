package dev.deftchisel.analysis.declared;

import java.util.List;
import java.util.Map;
import javax.lang.model.element.AnnotationMirror;
import javax.lang.model.element.AnnotationValue;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.SimpleAnnotationValueVisitor14;
import org.objectweb.asm.AnnotationVisitor;
import org.objectweb.asm.Type;

/** Writes annotations with their values (JVMS 4.7.16). */
final class AnnotationWriter extends SimpleAnnotationValueVisitor14<Void, AnnotationVisitor> {

    private final TypeSignatures signatures;
    private final String name;

    /** @param name of the element whose value is written; any within an array */
    AnnotationWriter(TypeSignatures signatures, String name) {
        this.signatures = signatures;
        this.name = name;
    }

    /** Begins an annotation of the type with a descriptor. */
    interface Start {

        AnnotationVisitor begin(String descriptor);
    }

    static void write(List<? extends AnnotationMirror> annotations, TypeSignatures signatures, Start start) {
        for (AnnotationMirror annotation : annotations) {
            AnnotationVisitor visitor = start.begin(signatures.descriptor(annotation.getAnnotationType()));
            values(annotation, signatures, visitor);
        }
    }

    private static void values(AnnotationMirror annotation, TypeSignatures signatures, AnnotationVisitor visitor) {
        for (Map.Entry<? extends ExecutableElement, ? extends AnnotationValue> value
                : annotation.getElementValues().entrySet()) {
            value.getValue().accept(
                    new AnnotationWriter(signatures, value.getKey().getSimpleName().toString()), visitor);
        }
        visitor.visitEnd();
    }

    @Override
    protected Void defaultAction(Object value, AnnotationVisitor visitor) {
        visitor.visit(name, value);
        return null;
    }

    @Override
    public Void visitType(TypeMirror type, AnnotationVisitor visitor) {
        visitor.visit(name, Type.getType(signatures.descriptor(type)));
        return null;
    }

    @Override
    public Void visitEnumConstant(VariableElement constant, AnnotationVisitor visitor) {
        visitor.visitEnum(name, signatures.descriptor(constant.asType()), constant.getSimpleName().toString());
        return null;
    }

    @Override
    public Void visitAnnotation(AnnotationMirror annotation, AnnotationVisitor visitor) {
        values(annotation, signatures,
                visitor.visitAnnotation(name, signatures.descriptor(annotation.getAnnotationType())));
        return null;
    }

    @Override
    public Void visitArray(List<? extends AnnotationValue> values, AnnotationVisitor visitor) {
        AnnotationVisitor array = visitor.visitArray(name);
        values.forEach(value -> value.accept(this, array));
        array.visitEnd();
        return null;
    }
}
