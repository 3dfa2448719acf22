package dev.deftchisel.declare;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.signature.DeclarationRequest;
import dev.deftchisel.declare.signature.Parameters;
import dev.deftchisel.member.CodingStyle;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.PlaceholderCode;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.member.parameter.ConstructorText;
import dev.deftchisel.operation.Question;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * Declares the constructor that a call asks for. It leaves its parameters to one that takes more, or keeps them in
 * fields: those of their name and type, or new ones.
 */
public final class DeclareConstructorOperation extends DeclareOperation {

    /** The key of the choice what becomes of the parameters: {@code use}, {@code fields} or {@code none}. */
    public static final String KEEP = "keep";

    private static final String FIELDS = "fields";
    private static final String NONE = "none";
    private static final Question KEEP_QUESTION = new Question.Choice(KEEP, "what happens to its parameters",
            List.of(new Question.Option("use", "left to a constructor that takes more, or kept in fields"),
                    new Question.Option(FIELDS, "kept in fields, new ones where there are none"),
                    new Question.Option(NONE, "nothing")),
            "use");

    @Override
    public String id() {
        return "declare-constructor";
    }

    @Override
    public String summary() {
        return "Declare the constructor that a call refers to";
    }

    @Override
    public List<Question> questions() {
        return List.of(KEEP_QUESTION, VISIBILITY_QUESTION);
    }

    @Override
    boolean isFor(UnresolvedName missing) {
        return missing.isConstructor() && missing.owner()
                .filter(type -> type.getKind() == ElementKind.CLASS || type.getKind() == ElementKind.RECORD
                        || type.getKind() == ElementKind.ENUM)
                .isPresent();
    }

    @Override
    String title(UnresolvedName missing) {
        return "declare the constructor of " + missing.name() + " for "
                + (missing.arguments().size() == 1 ? "this argument"
                : missing.arguments().isEmpty() ? "no arguments" : "these arguments");
    }

    @Override
    PlannedDeclaration declared(DeclarationRequest asked) {
        UnresolvedName missing = asked.missing();
        TargetClass owner = asked.owner();
        Parameters parameters = Parameters.of(missing.code(), missing.path(), missing.arguments(), asked.types());
        if (parameters.objection().isPresent()) {
            return new PlannedDeclaration.Impossible(parameters.objection().get());
        }
        String keep = asked.answers().single(KEEP).orElse("use");
        String visibility = owner.type().getKind() == ElementKind.ENUM ? "" : visibility(asked);
        String declared = parameters.declared(CodingStyle.of(owner).parameter());
        Optional<List<String>> handedOn = keep.equals("use") || owner.isRecord() ? handedOn(owner, parameters)
                : Optional.empty();
        if (handedOn.isPresent()) {
            return new PlannedDeclaration.Members(title(missing),
                    List.of(NewMember.added(NewMember.Kind.CONSTRUCTOR, owner.name(),
                    ConstructorText.delegating(visibility, owner.name(), declared, handedOn.get()))));
        } else if (owner.isRecord()) {
            return new PlannedDeclaration.Impossible(
                    "a constructor of a record must call another one, and none takes these arguments and more");
        }
        return new PlannedDeclaration.Members(title(missing),
                keeping(owner, parameters, keep, asked.before(), visibility, declared));
    }

    /** What another constructor gets that takes all parameters and more, the fewest first. */
    private static Optional<List<String>> handedOn(TargetClass owner, Parameters parameters) {
        List<ExecutableElement> others = owner.isRecord()
                ? ElementFilter.constructorsIn(owner.type().getEnclosedElements())
                : written(owner);
        return others.stream()
                .sorted((one, other) -> Integer.compare(one.getParameters().size(), other.getParameters().size()))
                .flatMap(other -> arguments(owner.code(), other, parameters).stream())
                .findFirst();
    }

    /** The constructors that stand in the text. */
    private static List<ExecutableElement> written(TargetClass owner) {
        return owner.constructors().stream()
                .flatMap(member -> owner.code().element(new TreePath(owner.path(), member)).stream())
                .map(constructor -> (ExecutableElement) constructor)
                .toList();
    }

    private static Optional<List<String>> arguments(AttributedFile code, ExecutableElement other,
            Parameters parameters) {
        List<String> arguments = new ArrayList<>();
        int next = 0;
        for (VariableElement parameter : other.getParameters()) {
            boolean takes = next < parameters.all().size() && code.types()
                    .isAssignable(parameters.all().get(next).type(), parameter.asType());
            arguments.add(takes ? parameters.all().get(next++).name() : PlaceholderCode.value(parameter.asType()));
        }
        boolean takesMore = other.getParameters().size() > parameters.all().size();
        return takesMore && next == parameters.all().size() ? Optional.of(arguments) : Optional.empty();
    }

    private static List<NewMember> keeping(TargetClass owner, Parameters parameters, String keep, Analysis before,
            String visibility,
            String declared) {
        AttributedFile code = owner.code();
        List<NewMember> members = new ArrayList<>();
        Map<String, String> kept = new LinkedHashMap<>();
        List<ExecutableElement> others = written(owner);
        // a class that declares none has one without parameters (JLS 8.8.9), which must stay if anybody uses it
        boolean losesImplied = others.isEmpty() && !parameters.all().isEmpty()
                && ElementFilter.constructorsIn(owner.type().getEnclosedElements()).stream()
                .anyMatch(constructor -> !before.uses(code.key(constructor)).isEmpty());
        Set<String> names = owner.parts().stream().map(StateField::name).collect(Collectors.toSet());
        List<String> handedUp = keep.equals(NONE) ? List.of() : handedUp(owner, parameters);
        for (Parameters.One one : keep.equals(NONE) || !handedUp.isEmpty()
                ? List.<Parameters.One>of() : parameters.all()) {
            if (owner.parts().stream().anyMatch(part -> part.name().equals(one.name()) && part.maySet()
                    && takes(code, part.type(), one.type()))) {
                kept.put(one.name(), one.name());
            } else if (!names.contains(one.name())) {
                String modifiers = "private " + (losesImplied || !others.isEmpty() ? "" : "final ");
                members.add(NewMember.added(NewMember.Kind.FIELD, one.name(),
                        List.of(modifiers + one.text() + " " + one.name() + ";")));
                kept.put(one.name(), one.name());
            }
        }
        owner.parts().stream().filter(part -> part.mustBeSet() && !kept.containsKey(part.name()))
                .forEach(part -> kept.put(part.name(), PlaceholderCode.value(part.type())));
        if (losesImplied) {
            members.add(NewMember.added(NewMember.Kind.CONSTRUCTOR, owner.name(),
                    ConstructorText.lines(AccessLevel.of(owner.type().getModifiers()).prefix(), owner.name(), "",
                            List.of(), Map.of())));
        }
        members.add(NewMember.added(NewMember.Kind.CONSTRUCTOR, owner.name(),
                ConstructorText.lines(visibility, owner.name(), declared, handedUp, kept)));
        return members;
    }

    /** What the superclass takes: all, where it has a constructor for just these. */
    private static List<String> handedUp(TargetClass owner, Parameters parameters) {
        if (!(owner.type().getSuperclass() instanceof DeclaredType above) || parameters.all().isEmpty()) {
            return List.of();
        }
        boolean takesAll = ElementFilter.constructorsIn(above.asElement().getEnclosedElements()).stream()
                .filter(constructor -> !constructor.getModifiers().contains(Modifier.PRIVATE)
                        && constructor.getParameters().size() == parameters.all().size())
                .anyMatch(constructor -> IntStream.range(0, parameters.all().size()).allMatch(i ->
                        takes(owner.code(), constructor.getParameters().get(i).asType(), parameters.all().get(i)
                                .type())));
        return takesAll ? parameters.all().stream().map(Parameters.One::name).toList() : List.of();
    }

    private static boolean takes(AttributedFile code, TypeMirror field, TypeMirror value) {
        return code.types().isAssignable(value, field);
    }
}
