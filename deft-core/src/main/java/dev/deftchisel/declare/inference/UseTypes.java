package dev.deftchisel.declare.inference;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.IntersectionType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.type.WildcardType;

/** Types of values at a use, as they are written where something is declared for it. */
public final class UseTypes {

    private final TypeWriter here;
    private final TypeWriter there;
    private final AttributedFile code;
    private final Optional<TypeElement> around;
    private final boolean isMethod;

    private UseTypes(TypeWriter here, TypeWriter there, AttributedFile code, Optional<TypeElement> around,
            boolean isMethod) {
        this.here = here;
        this.there = there;
        this.code = code;
        this.around = around;
        this.isMethod = isMethod;
    }

    /**
     * Types of what comes to a type.
     *
     * @param here   writes types in the file of the use
     * @param there  writes them in the file of the declaration
     * @param code   the file of the use
     * @param around the type that gets it, where its type parameters are known at the use, and mean the same in what is
     *               declared
     */
    public static UseTypes of(TypeWriter here, TypeWriter there, AttributedFile code, Optional<TypeElement> around) {
        return new UseTypes(here, there, code, around, false);
    }

    /** Types that are not written. */
    public static UseTypes ofNothing(AttributedFile code) {
        TypeWriter writer = new TypeWriter(code);
        return of(writer, writer, code, Optional.empty());
    }

    /** The same for a method, which can declare type parameters of its own. */
    public UseTypes ofMethod() {
        return new UseTypes(here, there, code, around, true);
    }

    /** The same for what belongs to no object, and does not know the type parameters of its class (JLS 8.1.2). */
    public UseTypes ofStatic() {
        return new UseTypes(here, there, code, Optional.empty(), isMethod);
    }

    /**
     * The type of an argument or assigned value; empty for a function that does not tell itself which it is (JLS
     * 15.27.3).
     */
    public Optional<TypeMirror> of(TreePath value) {
        return of(code, value);
    }

    /** The same in another file. */
    public Optional<TypeMirror> of(AttributedFile code, TreePath value) {
        Optional<TypeMirror> type = FunctionInference.isFunction(value.getLeaf()) ? FunctionInference.type(code, value)
                : code.type(value);
        return type.flatMap(found -> switch (found.getKind()) {
            case ERROR, NONE, VOID, OTHER, EXECUTABLE, PACKAGE -> Optional.empty();
            case NULL -> Optional.of(code.object());
            default -> Optional.of(CapturedTypes.released(code, found));
        });
    }

    /**
     * A type in a declaration. Type parameters that are not known there are left open, but in a method, which declares
     * them.
     */
    public Optional<String> member(TypeMirror type) {
        if (type.getKind() == TypeKind.VOID) {
            return Optional.of("void");
        }
        return there.write(isMethod ? type : closed(type));
    }

    /**
     * The type of a field, without type arguments where these name what is not known: others could not be assigned to
     * those that do.
     */
    public Optional<String> field(TypeMirror type) {
        return there.write(isOpen(type) ? code.types().erasure(type) : type);
    }

    /** A type at the use. */
    public Optional<String> local(TypeMirror type) {
        return here.write(type);
    }

    /**
     * The type parameters that a method must declare for types that it names, with a blank after it; empty when there
     * are none.
     */
    public String typeParameters(List<TypeMirror> named) {
        Map<String, TypeVariable> variables = new LinkedHashMap<>();
        named.forEach(type -> collect(type, variables));
        return variables.isEmpty() ? "" : variables.values().stream().map(this::declared)
                .collect(Collectors.joining(", ", "<", "> "));
    }

    /**
     * The same types, where a type parameter that is named once, and by itself, gives way to what it may be at most.
     */
    public List<TypeMirror> plain(List<TypeMirror> types) {
        List<TypeMirror> plain = new ArrayList<>();
        for (TypeMirror type : types) {
            long naming = types.stream().filter(other -> names(other, type)).count();
            boolean isLone = type instanceof TypeVariable variable && !TypeWriter.isCaptured(variable)
                    && !isKnown(variable) && naming == 1;
            plain.add(isLone ? code.types().erasure(type) : type);
        }
        return plain;
    }

    private boolean names(TypeMirror type, TypeMirror variable) {
        Map<String, TypeVariable> variables = new LinkedHashMap<>();
        collect(type, variables);
        return variable instanceof TypeVariable wanted && variables.values().stream()
                .anyMatch(known -> known.asElement().equals(wanted.asElement()));
    }

    private String declared(TypeVariable variable) {
        TypeMirror bound = variable.getUpperBound();
        List<? extends TypeMirror> bounds = bound instanceof IntersectionType several ? several.getBounds()
                : List.of(bound);
        String written = bounds.stream().flatMap(one -> there.write(one).stream()).filter(one -> !one.equals("Object"))
                .collect(Collectors.joining(" & "));
        return variable.asElement().getSimpleName() + (written.isEmpty() ? "" : " extends " + written);
    }

    private void collect(TypeMirror type, Map<String, TypeVariable> variables) {
        if (type instanceof TypeVariable variable) {
            boolean isNamed = variable.asElement() instanceof TypeParameterElement && !TypeWriter.isCaptured(variable);
            if (isNamed && !isKnown(variable) && variables.putIfAbsent(variable.asElement().getSimpleName()
                    .toString(), variable) == null || !isNamed) {
                collect(variable.getUpperBound(), variables);
            }
        } else if (type instanceof ArrayType array) {
            collect(array.getComponentType(), variables);
        } else if (type instanceof IntersectionType intersection) {
            intersection.getBounds().forEach(bound -> collect(bound, variables));
        } else if (type instanceof WildcardType wildcard) {
            Optional.ofNullable(wildcard.getExtendsBound()).ifPresent(bound -> collect(bound, variables));
            Optional.ofNullable(wildcard.getSuperBound()).ifPresent(bound -> collect(bound, variables));
        } else if (type instanceof DeclaredType declared) {
            declared.getTypeArguments().forEach(argument -> collect(argument, variables));
        }
    }

    /** Whether a type parameter is that of the type around, or of one that it is within. */
    private boolean isKnown(TypeVariable variable) {
        Element owner = ((TypeParameterElement) variable.asElement()).getGenericElement();
        return around.filter(type -> isWithin(type, owner)).isPresent();
    }

    /** The same type without type parameters that are not known. */
    private TypeMirror closed(TypeMirror type) {
        if (type instanceof TypeVariable variable && variable.asElement() instanceof TypeParameterElement
                && !isKnown(variable)) {
            return code.types().erasure(type);
        }
        return opened(code, type, this::isOpen);
    }

    /** A type with wildcards for those of its arguments that nobody can write. */
    public static TypeMirror opened(AttributedFile code, TypeMirror type, Predicate<TypeMirror> isOpen) {
        if (!(type instanceof DeclaredType declared) || declared.getTypeArguments().stream().noneMatch(isOpen)) {
            return type;
        }
        return code.types().getDeclaredType((TypeElement) declared.asElement(), declared.getTypeArguments().stream()
                .map(argument -> isOpen.test(argument) ? code.types().getWildcardType(null, null) : argument)
                .toArray(TypeMirror[]::new));
    }

    private boolean isOpen(TypeMirror type) {
        Map<String, TypeVariable> variables = new LinkedHashMap<>();
        collect(type, variables);
        return !variables.isEmpty();
    }

    /** Whether a type names one of some type variables, or one that has no name. */
    public static boolean namesVariable(TypeMirror type, Predicate<TypeVariable> isMeant) {
        return mentions(type, part -> part instanceof TypeVariable variable && isMeant.test(variable)
                || part instanceof IntersectionType);
    }

    /** Whether a type is such a one, or has one in its components, arguments, or their bounds. */
    static boolean mentions(TypeMirror type, Predicate<TypeMirror> isMeant) {
        return isMeant.test(type)
                || type instanceof ArrayType array && mentions(array.getComponentType(), isMeant)
                || type instanceof WildcardType wildcard && TypeInference.bound(wildcard)
                .filter(bound -> mentions(bound, isMeant)).isPresent()
                || type instanceof DeclaredType declared
                        && declared.getTypeArguments().stream().anyMatch(argument -> mentions(argument, isMeant));
    }

    /** Whether an element is within another one, or the same. */
    static boolean isWithin(Element element, Element around) {
        return Stream.iterate(element, Objects::nonNull, Element::getEnclosingElement).anyMatch(around::equals);
    }
}
