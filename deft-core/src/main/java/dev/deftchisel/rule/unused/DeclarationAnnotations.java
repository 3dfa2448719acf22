package dev.deftchisel.rule.unused;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import java.lang.annotation.ElementType;
import java.lang.annotation.Target;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;

/**
 * Annotations by which somebody may find what is declared; those that are only of its type do not count (JLS 9.7.4).
 */
final class DeclarationAnnotations {

    private static final Set<ElementType> OF_TYPES = Set.of(ElementType.TYPE_USE, ElementType.TYPE_PARAMETER);

    private DeclarationAnnotations() {
    }

    /** Whether a declaration has any, or one of which nobody knows what it is for. */
    static boolean are(TreePath declaration, ModifiersTree modifiers, AttributedFile code) {
        TreePath path = new TreePath(declaration, modifiers);
        return modifiers.getAnnotations().stream()
                .anyMatch(annotation -> isOfDeclaration(new TreePath(path, annotation), annotation, code));
    }

    private static boolean isOfDeclaration(TreePath path, AnnotationTree annotation, AttributedFile code) {
        Optional<Target> target = code.type(new TreePath(path, annotation.getAnnotationType()))
                .filter(type -> type instanceof DeclaredType)
                .map(type -> ((TypeElement) ((DeclaredType) type).asElement()).getAnnotation(Target.class));
        return target.isEmpty() || !OF_TYPES.containsAll(Set.of(target.get().value()));
    }
}
