package dev.deftchisel.analysis.symbol;

import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.NestingKind;
import javax.lang.model.element.PackageElement;
import javax.lang.model.element.QualifiedNameable;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;
import javax.lang.model.util.Elements;
import javax.lang.model.util.Types;

/**
 * Gives the elements of one compiler run their keys. Declarations within bodies must be
 * {@linkplain #register registered} by whoever sees their trees, since only those know the place.
 */
public final class ElementKeys {

    private final Elements elements;
    private final Types types;
    private final Map<Element, SymbolKey> known = new IdentityHashMap<>();
    private final Map<SymbolKey, Element> byKey = new LinkedHashMap<>();

    public ElementKeys(Elements elements, Types types) {
        this.elements = elements;
        this.types = types;
    }

    /** Says what key a declaration has that was seen in a tree. */
    public void register(Element element, SymbolKey key) {
        known.putIfAbsent(element, key);
        byKey.putIfAbsent(key, element);
    }

    /** The key of an element; unknown for one the compiler could not resolve. */
    public SymbolKey key(Element element) {
        SymbolKey key = known.get(element);
        if (key == null) {
            key = compute(element);
            if (!isUncertain(key)) {
                known.put(element, key);
                byKey.putIfAbsent(key, element);
            }
        }
        return key;
    }

    /** Whether the key may still change, once the place of a declaration within a body is known. */
    private static boolean isUncertain(SymbolKey key) {
        return key instanceof SymbolKey.Unknown
                || key instanceof SymbolKey.Field field && isUncertain(field.owner())
                || key instanceof SymbolKey.Method method && isUncertain(method.owner());
    }

    /** The element that was given this key in this run. */
    public Optional<Element> element(SymbolKey key) {
        return Optional.ofNullable(byKey.get(key));
    }

    private SymbolKey compute(Element element) {
        // the initialiser of a field is a method without a type, in which a lambda may declare variables
        if (element.asType() == null || element.asType().getKind() == TypeKind.ERROR || isStandIn(element)) {
            return new SymbolKey.Unknown(element.getSimpleName().toString());
        }
        return switch (element.getKind()) {
            case MODULE -> new SymbolKey.Module(((QualifiedNameable) element).getQualifiedName().toString());
            case PACKAGE -> new SymbolKey.Package(((PackageElement) element).getQualifiedName().toString());
            case CLASS, INTERFACE, ENUM, ANNOTATION_TYPE, RECORD -> type((TypeElement) element);
            case FIELD, ENUM_CONSTANT, RECORD_COMPONENT ->
                new SymbolKey.Field(owner(element), element.getSimpleName().toString());
            case METHOD, CONSTRUCTOR -> method((ExecutableElement) element);
            case TYPE_PARAMETER -> typeParameter((TypeParameterElement) element);
            case PARAMETER -> libraryParameter((VariableElement) element);
            default -> new SymbolKey.Unknown(element.getSimpleName().toString());
        };
    }

    /**
     * Whether it is what the compiler takes for a name that it gave up on: a class {@code <any?>} for the label of a
     * switch, a method without a name for a method reference.
     */
    private static boolean isStandIn(Element element) {
        return element.getKind() == ElementKind.CLASS && element.getSimpleName().toString().startsWith("<")
                || element.getKind() == ElementKind.METHOD && element.getSimpleName().length() == 0;
    }

    /**
     * Within a lambda the compiler may attribute an anonymous class twice, and let a call to its method refer to the
     * class that it dropped. Such a method is known by the one it overrides.
     */
    private SymbolKey method(ExecutableElement method) {
        SymbolKey owner = owner(method);
        if (owner instanceof SymbolKey.Unknown && method.getEnclosingElement() instanceof TypeElement dropped) {
            for (TypeMirror supertype : types.directSupertypes(dropped.asType())) {
                for (ExecutableElement other : ElementFilter.methodsIn(
                        elements.getAllMembers((TypeElement) types.asElement(supertype)))) {
                    if (elements.overrides(method, other, dropped)) {
                        return key(other);
                    }
                }
            }
        }
        return new SymbolKey.Method(owner, method.getSimpleName().toString(), descriptor(method));
    }

    private SymbolKey owner(Element member) {
        Element owner = member.getEnclosingElement();
        // the length of an array is a field of no declared type (JLS 10.7)
        return owner == null || owner.asType().getKind() == TypeKind.NONE && !(owner instanceof TypeElement)
                ? new SymbolKey.Type("[]")
                : key(owner);
    }

    private SymbolKey type(TypeElement type) {
        if (type.getNestingKind() == NestingKind.LOCAL || type.getNestingKind() == NestingKind.ANONYMOUS) {
            return new SymbolKey.Unknown(type.getSimpleName().toString());
        }
        if (type.getEnclosingElement() instanceof TypeElement outer
                && key(outer) instanceof SymbolKey.LocalType) {
            // registered before its members are met; reaching this means it was not seen as a tree
            return new SymbolKey.Unknown(type.getSimpleName().toString());
        }
        return new SymbolKey.Type(elements.getBinaryName(type).toString());
    }

    private SymbolKey typeParameter(TypeParameterElement parameter) {
        Element generic = parameter.getGenericElement();
        List<? extends TypeParameterElement> all = generic instanceof TypeElement type
                ? type.getTypeParameters()
                : ((ExecutableElement) generic).getTypeParameters();
        return new SymbolKey.TypeParameter(key(generic), all.indexOf(parameter));
    }

    /** A parameter met outside the file that declares it, as the documentation of a record may. */
    private SymbolKey libraryParameter(VariableElement parameter) {
        return new SymbolKey.Unknown(parameter.getSimpleName().toString());
    }

    /** The erased descriptor of a method. */
    public String descriptor(ExecutableElement method) {
        return method.getParameters().stream()
                .map(parameter -> descriptor(parameter.asType()))
                .collect(Collectors.joining("", "(", ")")) + descriptor(method.getReturnType());
    }

    /** The descriptor of a type after erasure (JLS 4.6). */
    public String descriptor(TypeMirror type) {
        return switch (type.getKind()) {
            case BOOLEAN -> "Z";
            case BYTE -> "B";
            case SHORT -> "S";
            case INT -> "I";
            case LONG -> "J";
            case CHAR -> "C";
            case FLOAT -> "F";
            case DOUBLE -> "D";
            case VOID -> "V";
            case NULL -> "N";
            case ARRAY -> "[" + descriptor(((ArrayType) type).getComponentType());
            case DECLARED -> "L" + typeName(key(((DeclaredType) type).asElement())) + ";";
            case TYPEVAR, WILDCARD, INTERSECTION, UNION -> {
                TypeMirror erased = types.erasure(type);
                yield erased.getKind() == type.getKind() ? "?" : descriptor(erased);
            }
            default -> "?";
        };
    }

    private static String typeName(SymbolKey key) {
        if (key instanceof SymbolKey.Type type) {
            return type.binaryName();
        }
        return key instanceof SymbolKey.LocalType ? "@" : "?";
    }

    static boolean isType(Element element) {
        ElementKind kind = element.getKind();
        return kind.isClass() || kind.isInterface();
    }
}
