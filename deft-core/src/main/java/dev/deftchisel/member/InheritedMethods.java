package dev.deftchisel.member;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Supertypes;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** The methods that a type has from above and may write itself. */
public final class InheritedMethods {

    private static final Set<String> OF_OBJECT = Set.of("equals", "hashCode", "toString", "clone");

    private final AttributedFile code;
    private final DeclaredType type;
    private final boolean isWritten;

    private InheritedMethods(AttributedFile code, DeclaredType type, boolean isWritten) {
        this.code = code;
        this.type = type;
        this.isWritten = isWritten;
    }

    /** What a type has from above. */
    public static InheritedMethods by(TargetClass target) {
        return new InheritedMethods(target.code(), (DeclaredType) target.type().asType(), true);
    }

    /**
     * What a class has from above that is to be written yet.
     *
     * @param code  where it is made
     * @param above the one type that it extends or implements
     */
    public static InheritedMethods from(AttributedFile code, DeclaredType above) {
        return new InheritedMethods(code, above, false);
    }

    /** The method above that one of a type overrides, the nearest; empty when it overrides none. */
    public static Optional<ExecutableElement> overridden(TargetClass target, ExecutableElement method) {
        AttributedFile code = target.code();
        return Supertypes.of(target.type(), code.types()).stream()
                .filter(type -> !type.equals(target.type()))
                .flatMap(type -> ElementFilter.methodsIn(type.getEnclosedElements()).stream())
                .filter(other -> code.elements().overrides(method, other, target.type()))
                .findFirst();
    }

    private TypeElement element() {
        return (TypeElement) type.asElement();
    }

    /** Whether the type that has them is an interface itself, whose methods have bodies by default only (JLS 9.4). */
    boolean isOfInterface() {
        return isWritten && element().getKind().isInterface();
    }

    AttributedFile code() {
        return code;
    }

    /** By their signatures, those that it must have first. */
    public Map<String, ExecutableElement> methods() {
        // the compiler tells members in no order that one could rely on
        List<TypeElement> above = Supertypes.of(element(), code.types());
        List<ExecutableElement> found = ElementFilter.methodsIn(code.elements().getAllMembers(element())).stream()
                .filter(method -> !isWritten || !method.getEnclosingElement().equals(element()))
                .filter(method -> method.getModifiers().stream()
                .noneMatch(Set.of(Modifier.FINAL, Modifier.STATIC, Modifier.PRIVATE)::contains))
                .filter(this::isSeen)
                .filter(method -> !isHadFromObject(method))
                .sorted(Comparator.comparing((ExecutableElement method) -> !method.getModifiers()
                        .contains(Modifier.ABSTRACT))
                        .thenComparing(method -> above.indexOf(method.getEnclosingElement()))
                        .thenComparing(method -> method.getEnclosingElement().getEnclosedElements().indexOf(method)))
                .toList();
        Map<String, ExecutableElement> methods = new LinkedHashMap<>();
        // several interfaces may ask for the same one
        found.stream().filter(method -> found.stream().noneMatch(other -> other != method && code.elements()
                .overrides(other, method, element())))
                .forEach(method -> methods.putIfAbsent(signature(method), method));
        return methods;
    }

    private boolean isSeen(ExecutableElement method) {
        TypeElement owner = (TypeElement) method.getEnclosingElement();
        boolean isOfObject = owner.getQualifiedName().contentEquals("java.lang.Object");
        boolean isInterface = isOfInterface();
        boolean isOpen = method.getModifiers().contains(Modifier.PUBLIC) || method.getModifiers()
                .contains(Modifier.PROTECTED)
                || code.elements().getPackageOf(owner).equals(code.elements().getPackageOf(element()));
        return isOpen && (!isOfObject || !isInterface && OF_OBJECT.contains(method.getSimpleName().toString()))
                && !(isInterface && owner.getKind() == ElementKind.CLASS);
    }

    /** Whether an interface asks for what every class has (JLS 9.2). */
    private boolean isHadFromObject(ExecutableElement method) {
        return method.getModifiers().contains(Modifier.ABSTRACT) && method.getEnclosingElement().getKind().isInterface()
                && ElementFilter.methodsIn(code.elements().getTypeElement("java.lang.Object").getEnclosedElements())
                .stream()
                .anyMatch(one -> one.getModifiers().contains(Modifier.PUBLIC) && one.getSimpleName()
                        .equals(method.getSimpleName())
                        && code.types().isSubsignature((ExecutableType) method.asType(),
                                (ExecutableType) one.asType()));
    }

    /** For instance {@code moor(Vessel, int)}. */
    private String signature(ExecutableElement method) {
        return method.getSimpleName() + "(" + type(method).getParameterTypes().stream().map(TypeText::bare)
                .collect(Collectors.joining(", ")) + ")";
    }

    /** Those without a body. */
    public List<ExecutableElement> due() {
        return methods().values().stream().filter(method -> method.getModifiers().contains(Modifier.ABSTRACT)).toList();
    }

    /** The types of its parameters, with type arguments put in. */
    public List<? extends TypeMirror> parameters(ExecutableElement method) {
        return type(method).getParameterTypes();
    }

    /** Its type as the target has it, with type arguments put in. */
    ExecutableType type(ExecutableElement method) {
        return (ExecutableType) code.types().asMemberOf(type, method);
    }
}
