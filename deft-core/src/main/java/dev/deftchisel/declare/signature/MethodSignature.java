package dev.deftchisel.declare.signature;

import com.sun.source.tree.CatchTree;
import com.sun.source.tree.TryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.declare.inference.CommonSupertype;
import dev.deftchisel.declare.inference.LikelyTargetTypes;
import dev.deftchisel.declare.inference.MemberUse;
import dev.deftchisel.declare.inference.TypeSubstitution;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.inference.UseTypes;
import dev.deftchisel.declare.inference.ValueType;
import dev.deftchisel.member.TargetClass;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * What a method that is called, or named as a function, takes and returns.
 *
 * @param parameters   in order
 * @param result       its type; empty when nothing tells
 * @param isStatic     whether it belongs to no object
 * @param overridden   what a subclass has already
 * @param handled      checked exceptions that are handled around the call and that nothing else there can end in
 */
public record MethodSignature(Parameters parameters, Optional<TypeMirror> result, boolean isStatic,
        Optional<ExecutableElement> overridden,
        List<TypeMirror> handled) {

    /** One for which nobody around waits for an exception. */
    MethodSignature(Parameters parameters, Optional<TypeMirror> result, boolean isStatic,
            Optional<ExecutableElement> overridden) {
        this(parameters, result, isStatic, overridden, List.of());
    }


    public static MethodSignature of(DeclarationRequest asked) {
        return asked.missing().isReference() ? ofFunction(asked) : ofCall(asked);
    }

    private static MethodSignature ofCall(DeclarationRequest asked) {
        UnresolvedName missing = asked.missing();
        UseTypes types = asked.types().ofMethod();
        List<ExecutableElement> below = asked.isStatic() ? List.of()
                : Overriders.of(asked.owner(), missing.name(), missing.arguments().size(), asked.before()).stream()
                .filter(method -> MemberUse.takesAll(asked.code(), missing.call().orElseThrow(), method)).toList();
        Optional<MethodSignature> overridden = below.stream().flatMap(method -> above(method, below, asked).stream())
                .findFirst();
        if (overridden.isPresent()) {
            return overridden.get();
        }
        Optional<TypeMirror> result = ValueType.of(asked.uses(), Map.of());
        Parameters parameters = Parameters.of(asked.uses(), types);
        List<TypeMirror> named = new ArrayList<>(parameters.all().stream().map(Parameters.One::type).toList());
        result.ifPresent(named::add);
        return new MethodSignature(parameters.as(types.plain(named), types), result, asked.isStatic(), Optional.empty(),
                handled(missing));
    }

    /** A handler of a checked exception that nothing ends in would be an error (JLS 11.2.3), so the method must. */
    private static List<TypeMirror> handled(UnresolvedName missing) {
        AttributedFile code = missing.code();
        List<TypeMirror> found = new ArrayList<>();
        for (TreePath at = missing.path(); at.getParentPath() != null
                && !TreePaths.runsApart(at.getLeaf()); at = at.getParentPath()) {
            if (at.getParentPath().getLeaf() instanceof TryTree attempt && attempt.getBlock() == at.getLeaf()) {
                TreePath around = at.getParentPath();
                List<TypeMirror> thrown = code.thrown(List.of(at));
                for (CatchTree handler : attempt.getCatches()) {
                    TreePath parameter = new TreePath(new TreePath(around, handler), handler.getParameter());
                    code.type(new TreePath(parameter, handler.getParameter().getType()))
                            .filter(type -> isChecked(type, code) && thrown.stream()
                                    .noneMatch(known -> code.isKind(known, type) || code.isKind(type, known)))
                            .ifPresent(found::add);
                }
            }
        }
        return found;
    }

    private static boolean isChecked(TypeMirror type, AttributedFile code) {
        boolean isGeneral = NamedTypes.isOneOf(type, Set.of("java.lang.Throwable", "java.lang.Exception"));
        return type instanceof DeclaredType && !isGeneral
                && code.isKind(type, code.elements().getTypeElement("java.lang.Exception").asType())
                && !code.isKind(type, code.elements().getTypeElement("java.lang.RuntimeException").asType());
    }

    /**
     * What a method must be to be overridden by some others, as one of them tells; empty when its types mean nothing
     * above.
     */
    private static Optional<MethodSignature> above(ExecutableElement method, List<ExecutableElement> all,
            DeclarationRequest asked) {
        UseTypes types = asked.types().ofMethod();
        Parameters parameters = Parameters.of(method, view(method, asked), types);
        List<TypeMirror> results = all.stream().map(one -> view(one, asked).declared(one.getReturnType())).toList();
        TypeMirror result = new CommonSupertype(asked.code()).of(results);
        List<TypeMirror> named = new ArrayList<>(parameters.all().stream().map(Parameters.One::type).toList());
        named.add(result);
        return parameters.objection().isPresent() || method.getTypeParameters().isEmpty()
                && !types.typeParameters(named).isEmpty()
                ? Optional.empty() : Optional.of(new MethodSignature(parameters, Optional.of(result), false,
                        Optional.of(method)));
    }

    private static TypeSubstitution view(ExecutableElement method, DeclarationRequest asked) {
        return TypeSubstitution.of(asked.code(), asked.owner().type(), (TypeElement) method.getEnclosingElement());
    }

    /** The function that is wanted; its first parameter can be the object that is called (JLS 15.13.1). */
    private static MethodSignature ofFunction(DeclarationRequest asked) {
        UnresolvedName missing = asked.missing();
        AttributedFile code = missing.code();
        Optional<ExecutableType> function = new LikelyTargetTypes(code).of(missing.path())
                .flatMap(type -> Functions.of(code, type));
        if (function.isEmpty()) {
            return new MethodSignature(Parameters.refused("it is not known which function " + missing.name()
                    + " is to be here"),
                    Optional.empty(), false, Optional.empty());
        }
        List<? extends TypeMirror> taken = function.get().getParameterTypes();
        boolean isObject = missing.isOfType() && !taken.isEmpty()
                && code.isKind(taken.get(0), asked.owner().type().asType());
        Parameters parameters = Parameters.named(isObject ? taken.subList(1, taken.size()) : taken, asked.types()
                .ofMethod());
        return new MethodSignature(parameters, Optional.of(function.get().getReturnType())
                .filter(type -> type.getKind() != TypeKind.TYPEVAR),
                asked.isStatic() && !isObject, Optional.empty());
    }

    /**
     * What it throws since what overrides it does (JLS 8.4.8.3), or since its interface has a type parameter for just
     * that which no other method throws, with {@code throws} before it; empty for nothing.
     */
    public String thrown(TargetClass owner, UseTypes types) {
        List<String> all = Stream.concat(Stream.concat(handled.stream(), overridden.stream()
                .flatMap(method -> method.getThrownTypes().stream())),
                        owner.type().getKind().isInterface() && !isStatic ? unthrown(owner) : Stream.empty())
                .flatMap(type -> types.member(type).stream()).distinct().toList();
        return all.isEmpty() ? "" : " throws " + String.join(", ", all);
    }

    private static Stream<TypeMirror> unthrown(TargetClass owner) {
        TypeMirror throwable = owner.code().elements().getTypeElement("java.lang.Throwable").asType();
        return owner.type().getTypeParameters().stream().<TypeMirror>map(TypeParameterElement::asType)
                .filter(type -> owner.code().types().isSubtype(type, throwable))
                .filter(type -> ElementFilter.methodsIn(owner.type().getEnclosedElements()).stream()
                        .filter(method -> method.getModifiers().contains(Modifier.ABSTRACT))
                        .noneMatch(method -> method.getThrownTypes().contains(type)));
    }

    /** The type parameters that it must declare itself, with a blank after it. */
    public String typeParameters(DeclarationRequest asked) {
        List<TypeMirror> named = new ArrayList<>(parameters.all().stream().map(Parameters.One::type).toList());
        result.ifPresent(named::add);
        return asked.types().ofMethod().typeParameters(named);
    }
}
