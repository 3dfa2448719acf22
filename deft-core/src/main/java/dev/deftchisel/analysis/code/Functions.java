package dev.deftchisel.analysis.code;

import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.IntersectionType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.WildcardType;
import javax.lang.model.util.ElementFilter;
import javax.lang.model.util.Elements;

/** Functional interfaces (JLS 9.8). */
public final class Functions {

    private Functions() {
    }

    /**
     * The one method of a functional interface that has no body, with type arguments put in; empty for every other
     * type.
     */
    public static Optional<ExecutableType> of(AttributedFile code, TypeMirror type) {
        return method(code, type).map(method -> (ExecutableType) code.types().asMemberOf(withoutWildcards(code,
                (DeclaredType) type, (TypeElement) ((DeclaredType) type).asElement()), method));
    }

    /** The same as it is declared. */
    public static Optional<ExecutableElement> method(AttributedFile code, TypeMirror type) {
        return method(code.elements(), type);
    }

    /** The same with what the compiler knows of elements. */
    public static Optional<ExecutableElement> method(Elements elements, TypeMirror type) {
        if (!(type instanceof DeclaredType declared) || declared.asElement().getKind() != ElementKind.INTERFACE) {
            return Optional.empty();
        }
        TypeElement element = (TypeElement) declared.asElement();
        List<ExecutableElement> methods = ElementFilter.methodsIn(elements.getAllMembers(element)).stream()
                .filter(method -> method.getModifiers().contains(Modifier.ABSTRACT) && !isOfObject(elements, method))
                .toList();
        return methods.size() != 1 ? Optional.empty() : Optional.of(methods.get(0));
    }

    /**
     * A lambda or reference to a method (JLS 15.13, 15.27), and the method of an interface that it implements.
     *
     * @param code     the file
     * @param path     of it
     * @param function as it is declared
     */
    public record Implementation(AttributedFile code, TreePath path, ExecutableElement function) {
    }

    /** All lambdas and references in a file whose function is known, in the order of the text. */
    public static List<Implementation> implementations(AttributedFile code) {
        return code.expressions(new TreePath(code.unit())).stream()
                .filter(path -> path.getLeaf() instanceof LambdaExpressionTree
                        || path.getLeaf() instanceof MemberReferenceTree)
                .flatMap(path -> implementation(code, path).stream())
                .toList();
    }

    /** The innermost reference around a name. */
    public static Optional<TreePath> reference(AttributedFile code, Range name) {
        return code.around(name).stream().filter(path -> path.getLeaf() instanceof MemberReferenceTree).findFirst();
    }

    /** One lambda or reference, if its function is known. */
    public static Optional<Implementation> implementation(AttributedFile code, TreePath path) {
        return code.type(path).stream().flatMap(type -> bounds(type).stream())
                .flatMap(type -> method(code, type).stream())
                .map(function -> new Implementation(code, path, function)).findFirst();
    }

    /** Of a cast to several types one has the function (JLS 9.9). */
    private static List<? extends TypeMirror> bounds(TypeMirror type) {
        return type instanceof IntersectionType all ? all.getBounds() : List.of(type);
    }

    /** Whether there may be one in a file. */
    public static boolean mayStandIn(SourceFile file) {
        return file.content().contains("->") || file.content().contains("::");
    }

    private static boolean isOfObject(Elements elements, ExecutableElement method) {
        return ElementFilter.methodsIn(elements.getTypeElement("java.lang.Object").getEnclosedElements())
                .stream()
                .anyMatch(one -> one.getModifiers().contains(Modifier.PUBLIC) && one.getSimpleName()
                        .equals(method.getSimpleName())
                        && one.getParameters().size() == method.getParameters().size());
    }

    /** The type whose function a wildcard-parameterized one has (JLS 9.9). */
    private static DeclaredType withoutWildcards(AttributedFile code, DeclaredType type, TypeElement element) {
        List<? extends TypeParameterElement> parameters = element.getTypeParameters();
        TypeMirror[] arguments = new TypeMirror[type.getTypeArguments().size()];
        for (int i = 0; i < arguments.length; i++) {
            TypeMirror argument = type.getTypeArguments().get(i);
            arguments[i] = !(argument instanceof WildcardType wildcard) ? argument
                    : wildcard.getSuperBound() != null ? wildcard.getSuperBound()
                    : wildcard.getExtendsBound() != null ? wildcard.getExtendsBound() : parameters.get(i).getBounds()
                    .get(0);
        }
        return arguments.length == 0 ? type : code.types().getDeclaredType(element, arguments);
    }
}
