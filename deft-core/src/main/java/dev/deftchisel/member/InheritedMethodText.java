package dev.deftchisel.member;

import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** What a method looks like that a type has from above. */
public final class InheritedMethodText {

    private final InheritedMethods inherited;
    private final TypeWriter writer;
    private final String parameter;

    /** @param parameter what stands before the types of parameters */
    public InheritedMethodText(InheritedMethods inherited, TypeWriter writer, String parameter) {
        this.inherited = inherited;
        this.writer = writer;
        this.parameter = parameter;
    }

    /**
     * A method with its body; empty when a type has no name that could be written.
     *
     * @param body {@code throw}, {@code value}, {@code super}, or {@code kind} for what suits the method
     */
    public Optional<List<String>> lines(ExecutableElement method, String body) {
        return lines(method, (names, result) -> body(method, names, body, result));
    }

    /**
     * A method that passes its arguments on to one of an object.
     *
     * @param object    as code
     * @param overrides whether the type has it from above, too
     */
    public Optional<List<String>> delegating(ExecutableElement method, String object, boolean overrides) {
        Optional<List<String>> lines = lines(method, (names, result) ->
                List.of("    " + (result.getKind() == TypeKind.VOID ? "" : "return ")
                + (names.contains(object) ? "this." : "") + object + "." + method.getSimpleName() + "("
                + String.join(", ", names) + ");"));
        return overrides ? lines : lines.map(all -> all.subList(1, all.size()));
    }

    private Optional<List<String>> lines(ExecutableElement method,
            BiFunction<List<String>, TypeMirror, List<String>> body) {
        ExecutableType type = inherited.type(method);
        List<String> parameters = new ArrayList<>();
        List<String> names = names(method, type);
        for (int i = 0; i < names.size(); i++) {
            Optional<String> written = writer.write(type.getParameterTypes().get(i));
            if (written.isEmpty()) {
                return Optional.empty();
            }
            boolean isRest = method.isVarArgs() && i == names.size() - 1 && written.get().endsWith("[]");
            parameters.add(parameter + (isRest ? written.get().substring(0, written.get().length() - 2) + "..."
                    : written.get()) + " "
                    + names.get(i));
        }
        Optional<String> result = type.getReturnType().getKind() == TypeKind.VOID ? Optional.of("void")
                : writer.write(type.getReturnType());
        List<Optional<String>> thrown = type.getThrownTypes().stream().map(one -> writer.write((TypeMirror) one))
                .toList();
        if (result.isEmpty() || thrown.stream().anyMatch(Optional::isEmpty)) {
            return Optional.empty();
        }
        String exceptions = thrown.isEmpty() ? "" : " throws " + thrown.stream().map(Optional::get)
                .collect(Collectors.joining(", "));
        List<String> lines = new ArrayList<>(List.of("@Override", visibility(method) + typeParameters(method)
                + result.get() + " "
                + method.getSimpleName() + "(" + String.join(", ", parameters) + ")" + exceptions + " {"));
        lines.addAll(body.apply(names, type.getReturnType()));
        lines.add("}");
        return Optional.of(lines);
    }

    /** The names of class files without names of parameters are numbers; their types say more. */
    private List<String> names(ExecutableElement method, ExecutableType type) {
        Set<String> taken = new HashSet<>();
        List<String> names = new ArrayList<>();
        for (int i = 0; i < method.getParameters().size(); i++) {
            String name = method.getParameters().get(i).getSimpleName().toString();
            String wish = name.matches("arg\\d+") ? NameProposals.ofType(type.getParameterTypes().get(i)) : name;
            String free = NewName.free(taken, wish);
            taken.add(free);
            names.add(free);
        }
        return names;
    }

    private String visibility(ExecutableElement method) {
        return inherited.isOfInterface() ? "default " : AccessLevel.of(method.getModifiers()).prefix();
    }

    private String typeParameters(ExecutableElement method) {
        return method.getTypeParameters().isEmpty() ? "" : method.getTypeParameters().stream().map(this::declared)
                .collect(Collectors.joining(", ", "<", "> "));
    }

    private String declared(TypeParameterElement variable) {
        String bounds = variable.getBounds().stream().map(bound -> writer.write(bound).orElse("Object"))
                .filter(bound -> !bound.equals("Object")).collect(Collectors.joining(" & "));
        return variable.getSimpleName() + (bounds.isEmpty() ? "" : " extends " + bounds);
    }

    private List<String> body(ExecutableElement method, List<String> names, String body, TypeMirror result) {
        boolean isAbstract = method.getModifiers().contains(Modifier.ABSTRACT);
        boolean isVoid = result.getKind() == TypeKind.VOID;
        boolean callsAbove = !isAbstract && (body.equals("kind") || body.equals("super"));
        if (callsAbove) {
            TypeElement owner = (TypeElement) method.getEnclosingElement();
            // a default method is called through the interface, which must be a direct one (JLS 15.12.1)
            String above = owner.getKind().isInterface() ? writer.name(owner) + ".super" : "super";
            return List.of("    " + (isVoid ? "" : "return ") + above + "." + method.getSimpleName() + "("
                    + String.join(", ", names)
                    + ");");
        } else if (body.equals("value")) {
            return isVoid ? List.of() : List.of(PlaceholderCode.returned(result));
        }
        return List.of(PlaceholderCode.FAILURE);
    }
}
