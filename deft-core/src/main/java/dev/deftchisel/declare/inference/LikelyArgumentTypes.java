package dev.deftchisel.declare.inference;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.rewrite.CallArguments;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;

/**
 * The methods and constructors that a call may mean while one of its arguments has no type, which lets the compiler
 * take any.
 */
final class LikelyArgumentTypes {

    private final AttributedFile code;
    private final TreePath call;
    private final CallCandidates candidates;
    private final List<? extends ExpressionTree> arguments;
    /** The type of each argument that has one. */
    private final List<Optional<TypeMirror>> known;

    /** @param call a call, or the creation of an object */
    LikelyArgumentTypes(AttributedFile code, TreePath call) {
        this.code = code;
        this.call = call;
        this.candidates = new CallCandidates(code, call);
        this.arguments = new CallArguments(code, call).all();
        this.known = arguments.stream()
                .map(argument -> LikelyTargetTypes.known(code.type(new TreePath(call, argument)))).toList();
    }

    /**
     * What may be taken for an argument, the most likely first. Where several methods can be meant, the other arguments
     * tell: the one that takes just these, or takes the value for the same as one of them. Then comes what is plain: no
     * function where none is written, a primitive before its box, a text before all else. Before all comes a type after
     * which the value is named.
     */
    List<TypeMirror> taken(Tree value) {
        int index = arguments.indexOf(value);
        List<ExecutableElement> meant = candidates().stream()
                .filter(method -> others(index).allMatch(other -> takes(method, other, argument(other))))
                .toList();
        List<ExecutableElement> plainValues = meant.stream()
                .filter(method -> Functions.of(code, parameter(method, index)).isEmpty()).toList();
        List<ExecutableElement> values = plainValues.isEmpty() ? meant : plainValues;
        List<ExecutableElement> exact = values.stream()
                .filter(method -> others(index).findAny().isPresent() && others(index)
                        .allMatch(other -> isExactly(method, other, argument(other))))
                .toList();
        String name = value.toString().toLowerCase(Locale.ROOT);
        List<TypeMirror> all = new ArrayList<>(types(meant, index).stream().filter(type -> isNamedAfter(name, type))
                .toList());
        (meant.size() == 1 ? meant : values.size() == 1 ? values : exact.size() == 1 ? exact
                : List.<ExecutableElement>of())
                .forEach(method -> all.addAll(types(List.of(method), index)));
        sameAsOther(index, values).ifPresent(all::add);
        List<TypeMirror> plain = new ArrayList<>(types(values, index));
        plain.sort(Comparator.comparing((TypeMirror type) -> !type.getKind().isPrimitive())
                .thenComparing(type -> !NamedTypes.is(type, "java.lang.String")));
        all.addAll(plain);
        return all;
    }

    private boolean isNamedAfter(String name, TypeMirror type) {
        return type instanceof DeclaredType declared
                && name.endsWith(declared.asElement().getSimpleName().toString().toLowerCase(Locale.ROOT));
    }

    /** What all that can be meant return; empty when they differ. */
    Optional<TypeMirror> result() {
        List<TypeMirror> results = candidates().stream().<TypeMirror>map(ExecutableElement::getReturnType).toList();
        return results.stream().findFirst().filter(first -> results.stream()
                .allMatch(other -> code.types().isSameType(first, other)));
    }

    /** Whether a method can be meant to which any object may be passed. */
    boolean takesAnything(Tree value) {
        int index = arguments.indexOf(value);
        return candidates().stream().map(method -> parameter(method, index))
                .anyMatch(type -> type.getKind() == TypeKind.TYPEVAR || NamedTypes.is(type, "java.lang.Object"));
    }

    /** What the other arguments, and the place of the call, tell about type parameters. */
    private TypeInference inferred(ExecutableElement method, int index) {
        TypeInference inference = new TypeInference(code);
        result(method).ifPresent(result -> new LikelyTargetTypes(code).of(call)
                .ifPresent(wanted -> inference.expect(result, wanted)));
        others(index).filter(other -> !DiamondArguments.isMade(new TreePath(call, arguments.get(other))))
                .forEach(other -> inference.tell(parameter(method, other), argument(other)));
        return inference;
    }

    /** What a generic method returns, or an object that is made with a diamond. */
    private Optional<TypeMirror> result(ExecutableElement method) {
        return method.getKind() == ElementKind.CONSTRUCTOR
                ? Optional.of(method.getEnclosingElement().asType()).filter(type -> DiamondArguments.isMade(call))
                : Optional.of(method.getReturnType()).filter(type -> !method.getTypeParameters().isEmpty());
    }

    private List<TypeMirror> types(List<ExecutableElement> methods, int index) {
        return methods.stream().flatMap(method -> formals(method, index).map(inferred(method, index)::fill))
                .flatMap(type -> LikelyTargetTypes.known(Optional.of(type)).stream())
                .filter(type -> !(type instanceof TypeVariable variable) || isInScope(variable))
                .filter(type -> !NamedTypes.is(type, "java.lang.Object"))
                .map(this::withoutVariables)
                .toList();
    }

    /**
     * What a method takes at an index; of any number of arguments the last one can be all of these, too (JLS
     * 15.12.2.4).
     */
    private Stream<TypeMirror> formals(ExecutableElement method, int index) {
        int last = method.getParameters().size() - 1;
        return method.isVarArgs() && index == last && arguments.size() == last + 1
                && !NamedTypes.is(parameter(method, index), "java.lang.Object")
                ? Stream.of(parameter(method, index), formal(method, last)) : Stream.of(parameter(method, index));
    }

    /** The type of a parameter with the type arguments of the object that is called. */
    private TypeMirror parameter(ExecutableElement method, int argument) {
        int last = method.getParameters().size() - 1;
        int index = Math.min(argument, last);
        TypeMirror type = formal(method, index);
        boolean isPacked = method.isVarArgs() && argument >= last && type instanceof ArrayType;
        return isPacked ? ((ArrayType) type).getComponentType() : type;
    }

    private TypeMirror formal(ExecutableElement method, int index) {
        boolean isGeneric = !method.getModifiers().contains(Modifier.STATIC) && !DiamondArguments.isMade(call);
        return isGeneric ? candidates.formals(method).get(index) : method.getParameters().get(index).asType();
    }

    /** The arguments besides one that have a type. */
    private Stream<Integer> others(int index) {
        return IntStream.range(0, arguments.size()).boxed()
                .filter(other -> other != index && known.get(other).isPresent());
    }

    private TypeMirror argument(int index) {
        return known.get(index).orElseThrow();
    }

    private boolean takes(ExecutableElement method, int index, TypeMirror argument) {
        return code.types().isAssignable(code.types().erasure(argument),
                code.types().erasure(parameter(method, index)));
    }

    private boolean isExactly(ExecutableElement method, int index, TypeMirror argument) {
        return code.types().isSameType(code.types().erasure(argument), code.types().erasure(parameter(method, index)));
    }

    /** Where any object is taken besides another, as by an assertion, the value is what the other one is. */
    private Optional<TypeMirror> sameAsOther(int index, List<ExecutableElement> meant) {
        return others(index)
                .filter(other -> meant.stream().anyMatch(method -> code.types().isSameType(
                        parameter(method, index), parameter(method, other))))
                .map(this::argument)
                .findFirst();
    }

    /**
     * Type variables of the method that is called mean nothing elsewhere; those that are declared around the call do.
     */
    private TypeMirror withoutVariables(TypeMirror type) {
        return UseTypes.opened(code, type, one -> UseTypes.namesVariable(one, variable -> !isInScope(variable)));
    }

    private boolean isInScope(TypeVariable variable) {
        return variable.asElement() instanceof TypeParameterElement declared
                && Stream.iterate(call, Objects::nonNull, TreePath::getParentPath)
                        .filter(at -> at.getLeaf() instanceof ClassTree || at.getLeaf() instanceof MethodTree)
                        .anyMatch(at -> code.element(at).filter(declared.getGenericElement()::equals).isPresent());
    }

    /** Those that take as many arguments; a call with an argument of no type is bound to none. */
    private List<ExecutableElement> candidates() {
        return candidates.all().stream().filter(method -> CallCandidates.takes(method, arguments.size())).toList();
    }
}
