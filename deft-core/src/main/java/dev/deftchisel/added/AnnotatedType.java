package dev.deftchisel.added;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.ImportTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.SourcePositions;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.lang.model.element.Modifier;

/**
 * A type as its text says it, before anything is resolved.
 *
 * @param file      in which it stands
 * @param unit      the tree of the file
 * @param tree      of the type
 * @param positions of all trees in the file
 * @param nestedName names from the top-level type on, joined by dots
 */
public record AnnotatedType(SourceFile file, CompilationUnitTree unit, ClassTree tree, SourcePositions positions,
        String nestedName) {

    private static final String CONSTRUCTOR = "<init>";

    /** The simple name. */
    public String name() {
        return tree.getSimpleName().toString();
    }

    /** Where a tree stands. */
    public Range range(Tree part) {
        return new Range((int) positions.getStartPosition(unit, part), (int) positions.getEndPosition(unit, part));
    }

    /** Fields and enum constants, in order. */
    public List<VariableTree> variables() {
        return tree.getMembers().stream().filter(VariableTree.class::isInstance).map(VariableTree.class::cast).toList();
    }

    /** Fields of instances: of a record its components. */
    public List<VariableTree> instanceFields() {
        return variables().stream()
                .filter(field -> !field.getModifiers().getFlags().contains(Modifier.STATIC) && !isEnumConstant(field))
                .toList();
    }

    /** Whether a variable is a constant of an enum: the only ones whose type does not stand before their name. */
    public boolean isEnumConstant(VariableTree variable) {
        return tree.getKind() == Tree.Kind.ENUM && positions.getStartPosition(unit, variable.getType()) < 0
                || tree.getKind() == Tree.Kind.ENUM && variable.getType().toString().equals(name())
                && variable.getModifiers().getFlags().contains(Modifier.STATIC) && variable.getInitializer() != null
                && range(variable).start() == positions.getStartPosition(unit, variable.getInitializer());
    }

    /** Methods that stand in the text, without constructors. */
    public List<MethodTree> methods() {
        return tree.getMembers().stream().filter(MethodTree.class::isInstance).map(MethodTree.class::cast)
                .filter(method -> !method.getName().contentEquals(CONSTRUCTOR)).toList();
    }

    /** Constructors that stand in the text. */
    public List<MethodTree> constructors() {
        return tree.getMembers().stream().filter(MethodTree.class::isInstance).map(MethodTree.class::cast)
                .filter(method -> method.getName().contentEquals(CONSTRUCTOR)).toList();
    }

    /** Types directly in it. */
    public Optional<ClassTree> nested(String simpleName) {
        return tree.getMembers().stream().filter(ClassTree.class::isInstance).map(ClassTree.class::cast)
                .filter(type -> type.getSimpleName().contentEquals(simpleName)).findFirst();
    }

    /** Whether there is a method of this name, whatever its parameters and in whatever case. */
    public boolean hasMethod(String wanted) {
        return methods().stream().anyMatch(method -> method.getName().toString().equalsIgnoreCase(wanted));
    }

    /** {@code <T extends Comparable<T>>}, or nothing. */
    public String typeParameters() {
        return tree.getTypeParameters().isEmpty() ? "" : tree.getTypeParameters().stream().map(Object::toString)
                .collect(Collectors.joining(", ", "<", ">"));
    }

    /** {@code Berth<T>}: the type as its own members name it. */
    public String self() {
        return name() + typeArguments();
    }

    /** {@code <T>}, or nothing. */
    public String typeArguments() {
        return tree.getTypeParameters().isEmpty() ? "" : tree.getTypeParameters().stream()
                .map(parameter -> parameter.getName().toString())
                .collect(Collectors.joining(", ", "<", ">"));
    }

    /**
     * An annotation.
     *
     * @param qualifiedName as its import or its use says it
     */
    public Optional<AnnotationTree> annotation(ModifiersTree modifiers, String qualifiedName) {
        return modifiers.getAnnotations().stream()
                .filter(annotation -> isNamed(annotation.getAnnotationType().toString(), qualifiedName)).findFirst()
                .map(AnnotationTree.class::cast);
    }

    private boolean isNamed(String written, String qualifiedName) {
        int dot = qualifiedName.lastIndexOf('.');
        return written.equals(qualifiedName) || written.equals(qualifiedName.substring(dot + 1)) && unit.getImports()
                .stream()
                .map(ImportTree::getQualifiedIdentifier).map(Object::toString)
                .anyMatch(imported -> imported.equals(qualifiedName)
                        || imported.equals(qualifiedName.substring(0, dot) + ".*"));
    }

    /** The value that an annotation gives to one of its elements. */
    public static Optional<ExpressionTree> value(AnnotationTree annotation, String element) {
        for (ExpressionTree argument : annotation.getArguments()) {
            if (argument instanceof AssignmentTree assignment && assignment.getVariable().toString().equals(element)) {
                return Optional.of(assignment.getExpression());
            } else if (!(argument instanceof AssignmentTree) && element.equals("value")) {
                return Optional.of(argument);
            }
        }
        return Optional.empty();
    }

    /** The same as text, without quotes. */
    public static Optional<String> text(AnnotationTree annotation, String element) {
        return value(annotation, element).map(Object::toString).map(text -> text.replaceAll("^\"|\"$", ""));
    }
}
