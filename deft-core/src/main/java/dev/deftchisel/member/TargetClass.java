package dev.deftchisel.member;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;
import javax.lang.model.util.Elements;

/**
 * The type that gets new members.
 *
 * @param code of its file
 * @param path of its declaration
 * @param type itself
 */
public record TargetClass(AttributedFile code, TreePath path, TypeElement type) {

    /** The innermost type around an offset; empty outside of all. */
    public static Optional<TargetClass> at(AttributedFile code, int offset) {
        return code.around(new Range(offset, offset)).stream()
                .filter(path -> path.getLeaf() instanceof ClassTree)
                .flatMap(path -> code.element(path).filter(element -> element instanceof TypeElement)
                        .map(element -> new TargetClass(code, path, (TypeElement) element)).stream())
                .findFirst();
    }

    /** Whether an offset is among the members of the type, not in the body of one. */
    public boolean isAmongMembers(int offset) {
        return code.around(new Range(offset, offset)).stream()
                .takeWhile(path -> path.getLeaf() != path().getLeaf())
                .noneMatch(path -> path.getLeaf() instanceof BlockTree
                        || path.getLeaf() instanceof LambdaExpressionTree);
    }

    public ClassTree tree() {
        return (ClassTree) path.getLeaf();
    }

    /** Its name; for an anonymous class that of what it extends. */
    public String name() {
        return type.getSimpleName().toString();
    }

    /** Its name for people. */
    public String shown() {
        return name().isEmpty() ? "the anonymous class" : name();
    }

    /** Its type as code, with wildcards for what type parameters it has. */
    public String wildcardType() {
        return name() + (type.getTypeParameters().isEmpty() ? ""
                : type.getTypeParameters().stream().map(parameter -> "?").collect(Collectors.joining(", ", "<", ">")));
    }

    /** Whether its objects belong to one of the class around it (JLS 8.1.3). */
    public boolean isInner() {
        return type.getNestingKind().isNested() && type.getKind() == ElementKind.CLASS && !type.getModifiers()
                .contains(Modifier.STATIC)
                && !(type.getEnclosingElement() instanceof TypeElement around && around.getKind().isInterface());
    }

    /** Whether it is a record. */
    public boolean isRecord() {
        return type.getKind() == ElementKind.RECORD;
    }

    /** The members that stand in the text. */
    public List<Tree> members() {
        return tree().getMembers().stream().filter(member -> code.find(member).isPresent()).map(member -> (Tree) member)
                .toList();
    }

    /** The constructors that stand in the text, a compact one among them (JLS 8.10.4.2). */
    public List<MethodTree> constructors() {
        return members().stream().filter(TargetClass::isConstructor).map(member -> (MethodTree) member).toList();
    }

    /** Whether a member is a constructor, which has no type of its own. */
    static boolean isConstructor(Tree member) {
        return member instanceof MethodTree method && method.getReturnType() == null;
    }

    /** What stands between its braces. */
    public TypeBody body() {
        return new TypeBody(code, path);
    }

    /** The state of an object, in the order of declaration. */
    public List<StateField> parts() {
        List<StateField> parts = new ArrayList<>();
        for (Tree member : tree().getMembers()) {
            if (member instanceof VariableTree variable && code.element(new TreePath(path, member))
                    .orElse(null) instanceof VariableElement field
                            && field.getKind() == ElementKind.FIELD && !field.getModifiers()
                            .contains(Modifier.STATIC)) {
                parts.add(new StateField(field, variable.getInitializer() != null));
            }
        }
        return List.copyOf(parts);
    }

    /** The part whose declaration is around an offset. */
    public Optional<StateField> partAt(int offset) {
        return members().stream().filter(member -> member instanceof VariableTree && code.range(member)
                .encloses(new Range(offset, offset)))
                .flatMap(member -> code.element(new TreePath(path, member)).stream())
                .flatMap(field -> parts().stream().filter(part -> part.element().equals(field)))
                .findFirst();
    }

    /** Names that its members have. */
    public Set<String> memberNames() {
        return type.getEnclosedElements().stream().map(member -> member.getSimpleName().toString())
                .collect(Collectors.toSet());
    }

    /**
     * The method or constructor that it declares itself in the text.
     *
     * @param name       {@code <init>} for a constructor
     * @param parameters their types
     */
    public Optional<MethodTree> declared(String name, List<? extends TypeMirror> parameters) {
        return members().stream().filter(member -> member instanceof MethodTree)
                .filter(member -> code.element(new TreePath(path, member)).filter(element ->
                        element instanceof ExecutableElement method && method.getSimpleName().contentEquals(name)
                                && takes(method, parameters)).isPresent())
                .map(member -> (MethodTree) member)
                .findFirst();
    }

    /** Whether it has a method that does not stand in the text, since an annotation adds it. */
    public boolean isAdded(String name, List<? extends TypeMirror> parameters) {
        return declared(name, parameters).isEmpty() && ElementFilter.methodsIn(type.getEnclosedElements()).stream()
                .anyMatch(method -> method.getSimpleName().contentEquals(name) && takes(method, parameters)
                        && code.elements().getOrigin(method) == Elements.Origin.EXPLICIT);
    }

    /** A method that it has from above with a body, other than from {@code Object}. */
    public Optional<ExecutableElement> inherited(String name, List<? extends TypeMirror> parameters) {
        // not what the compiler calls inherited: that leaves out what the type itself overrides by now
        return Supertypes.of(type, code.types()).stream()
                .filter(above -> !isObject(above))
                // what a class has wins over what an interface asks for or has (JLS 8.4.8)
                .sorted(Comparator.comparing(above -> above.getKind().isInterface()))
                .flatMap(above -> ElementFilter.methodsIn(above.getEnclosedElements()).stream())
                .filter(method -> method.getSimpleName().contentEquals(name) && takes(method, parameters)
                        && !method.getModifiers().contains(Modifier.PRIVATE))
                .findFirst();
    }

    private static boolean isObject(TypeElement type) {
        return type.getQualifiedName().contentEquals("java.lang.Object");
    }

    /** Whether what is above has an equality, hash or the like of its own. */
    public boolean inheritsImplementation(String name, List<? extends TypeMirror> parameters) {
        return inherited(name, parameters).filter(method -> !method.getModifiers().contains(Modifier.ABSTRACT)
                && method.getEnclosingElement().getKind() == ElementKind.CLASS).isPresent();
    }

    private boolean takes(ExecutableElement method, List<? extends TypeMirror> parameters) {
        if (method.getParameters().size() != parameters.size()) {
            return false;
        }
        for (int i = 0; i < parameters.size(); i++) {
            if (!code.types().isSameType(code.types().erasure(method.getParameters().get(i).asType()),
                    code.types().erasure(parameters.get(i)))) {
                return false;
            }
        }
        return true;
    }

    /** The type of a class of the platform or the class path, without type arguments. */
    public DeclaredType named(String qualified) {
        return code.types().getDeclaredType(code.elements().getTypeElement(qualified));
    }

    /** Whether a type is some kind of another, type arguments aside. */
    public boolean isKindOf(TypeMirror type, String qualified) {
        return code.types().isAssignable(code.types().erasure(type), code.types().erasure(named(qualified)));
    }
}
