package dev.deftchisel.declare;

import dev.deftchisel.analysis.Code;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * What a method that is called, or named as a function, takes and hands back.
 *
 * @param parameters   in order
 * @param result       its type; empty when nothing tells
 * @param isStatic     whether it belongs to no object
 * @param overridden   what a subclass has already
 */
record Shape(Parameters parameters, Optional<TypeMirror> result, boolean isStatic, Optional<ExecutableElement> overridden) {

    static Shape of(Asked asked) {
        return asked.missing().isReference() ? ofFunction(asked) : ofCall(asked);
    }

    private static Shape ofCall(Asked asked) {
        Missing missing = asked.missing();
        Types types = asked.types().ofMethod();
        Optional<ExecutableElement> below = asked.isStatic() ? Optional.empty()
                : Overriders.of(asked.owner(), missing.name(), missing.arguments().size(), asked.before());
        Optional<Parameters> overridden = below.map(method -> Parameters.of(method, types)).filter(one -> one.objection().isEmpty());
        if (overridden.isPresent()) {
            return new Shape(overridden.get(), Optional.of(below.get().getReturnType()), false, below);
        }
        Optional<TypeMirror> result = ValueType.of(asked.uses(), List.of());
        Parameters parameters = Parameters.of(asked.uses(), types);
        List<TypeMirror> named = new ArrayList<>(parameters.all().stream().map(Parameters.One::type).toList());
        result.ifPresent(named::add);
        return new Shape(parameters.as(types.plain(named), types), result, asked.isStatic(), Optional.empty());
    }

    /** The function that is wanted; its first parameter can be the object that is called (JLS 15.13.1). */
    private static Shape ofFunction(Asked asked) {
        Missing missing = asked.missing();
        Code code = missing.code();
        Optional<ExecutableType> function = new Wanted(code).of(missing.path()).flatMap(type -> Functions.of(code, type));
        if (function.isEmpty()) {
            return new Shape(Parameters.refused("it is not known which function " + missing.name() + " is to be here"),
                    Optional.empty(), false, Optional.empty());
        }
        List<? extends TypeMirror> taken = function.get().getParameterTypes();
        boolean isObject = missing.isOfType() && !taken.isEmpty() && code.isKind(taken.get(0), asked.owner().type().asType());
        Parameters parameters = Parameters.named(isObject ? taken.subList(1, taken.size()) : taken, asked.types().ofMethod());
        return new Shape(parameters, Optional.of(function.get().getReturnType()).filter(type -> type.getKind() != TypeKind.TYPEVAR),
                asked.isStatic() && !isObject, Optional.empty());
    }

    /** What it throws since what overrides it does (JLS 8.4.8.3), with {@code throws} before it; empty for nothing. */
    String thrown(Types types) {
        List<String> all = overridden.stream().flatMap(method -> method.getThrownTypes().stream())
                .flatMap(type -> types.member(type).stream()).toList();
        return all.isEmpty() ? "" : " throws " + String.join(", ", all);
    }

    /** The type parameters that it must declare itself, with a blank behind. */
    String typeParameters(Asked asked) {
        List<TypeMirror> named = new ArrayList<>(parameters.all().stream().map(Parameters.One::type).toList());
        result.ifPresent(named::add);
        return asked.types().ofMethod().typeParameters(named);
    }
}
