package dev.deftchisel.generate;

import com.sun.source.tree.MethodTree;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.member.CodingStyle;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.member.TypeText;
import dev.deftchisel.member.parameter.ConstructorText;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * Writes a constructor that takes the values of chosen fields; of a record the canonical one, which has all components,
 * or its compact form (JLS 8.8, 8.10.4).
 */
public final class GenerateConstructorOperation extends GenerateOperation {

    /** The key of the choice which constructor of the superclass is called. */
    public static final String SUPER = "super";
    /** The key of the flag whether references must not be {@code null}. */
    public static final String CHECKS = "checks";
    /** The key of the flag whether the parameters are described. */
    public static final String DOCUMENTED = "documented";
    /** The key of the choice of the form that the constructor of a record has: {@code compact} or {@code canonical}. */
    public static final String FORM = "form";

    private static final String LEAST = "least";
    private static final Question CHECKS_QUESTION = new Question.Flag(CHECKS, "null values are rejected",
            false);
    private static final Question DOCUMENTED_QUESTION = new Question.Flag(DOCUMENTED, "the parameters are described",
            false);
    private static final Question FORM_QUESTION = new Question.Choice(FORM, "the form in a record",
            List.of(new Question.Option("compact", "without parameters and assignments"),
                    new Question.Option("canonical", "with all of them")),
            "compact");

    @Override
    public String id() {
        return "generate-constructor";
    }

    @Override
    public String summary() {
        return "Generate a constructor that takes the values of chosen fields";
    }

    @Override
    List<Question> choices() {
        return List.of(new Question.Text(SUPER, "parameter types of the superclass constructor to call", LEAST),
                CHECKS_QUESTION,
                DOCUMENTED_QUESTION, FORM_QUESTION, VISIBILITY.question());
    }

    @Override
    List<Question> choices(TargetClass target) {
        List<Question> questions = new ArrayList<>();
        List<ExecutableElement> above = above(target);
        if (above.size() > 1) {
            questions.add(new Question.Choice(SUPER, "the constructor of " + superclass(target)
                    .getSimpleName() + " to call",
                    above.stream().map(one -> new Question.Option(types(one), superclass(target)
                            .getSimpleName() + "(" + types(one)
                            + ")")).toList(),
                    types(above.get(0))));
        }
        questions.addAll(target.isRecord() ? List.of(CHECKS_QUESTION, DOCUMENTED_QUESTION, FORM_QUESTION)
                : List.of(CHECKS_QUESTION, DOCUMENTED_QUESTION, VISIBILITY.question()));
        return questions;
    }

    @Override
    String membersLabel() {
        return "the fields that get their values, in order";
    }

    @Override
    boolean isFor(TargetClass target) {
        ElementKind kind = target.type().getKind();
        return (kind == ElementKind.CLASS || kind == ElementKind.ENUM || target.isRecord()) && !target.name().isEmpty();
    }

    @Override
    List<StateField> candidates(TargetClass target) {
        return target.parts().stream().filter(StateField::maySet).toList();
    }

    /** Fields with a value of their own rather keep it. */
    @Override
    List<StateField> defaultMembers(TargetClass target, int offset) {
        return candidates(target).stream().filter(part -> !part.hasValue()).toList();
    }

    @Override
    String title(TargetClass target) {
        return "generate a constructor of " + target.name();
    }

    private static TypeElement superclass(TargetClass target) {
        return (TypeElement) ((DeclaredType) target.type().getSuperclass()).asElement();
    }

    /** The constructors of the superclass that can be called, those with fewer parameters first. */
    private static List<ExecutableElement> above(TargetClass target) {
        if (target.type().getKind() != ElementKind.CLASS || !(target.type().getSuperclass() instanceof DeclaredType)) {
            return List.of();
        }
        TypeElement above = superclass(target);
        boolean isNear = target.code().elements().getPackageOf(above)
                .equals(target.code().elements().getPackageOf(target.type()));
        return ElementFilter.constructorsIn(above.getEnclosedElements()).stream()
                .filter(one -> one.getModifiers().contains(Modifier.PUBLIC) || one.getModifiers()
                        .contains(Modifier.PROTECTED)
                        || isNear && !one.getModifiers().contains(Modifier.PRIVATE))
                .sorted((one, other) -> one.getParameters().size() - other.getParameters().size())
                .toList();
    }

    private static String types(ExecutableElement constructor) {
        return constructor.getParameters().stream()
                .map(parameter -> TypeText.bare(parameter.asType()))
                .collect(Collectors.joining(", "));
    }

    @Override
    GenerationResult generate(GenerationRequest request) {
        TargetClass target = request.target();
        List<StateField> chosen = request.chosen();
        Answers answers = request.answers();
        TypeWriter writer = request.writer();
        if (target.isRecord()) {
            return ofRecord(target, answers, writer);
        }
        List<ExecutableElement> above = above(target);
        Optional<String> wanted = answers.single(SUPER).filter(types -> !types.equals(LEAST))
                .map(types -> types.replaceAll("\\s+", ""));
        Optional<ExecutableElement> called = above.stream()
                .filter(one -> wanted.isEmpty() || types(one).replaceAll("\\s+", "").equals(wanted.get())).findFirst();
        if (wanted.isPresent() && called.isEmpty()) {
            return GenerationResult.refused(above.isEmpty() ? "no constructor of the superclass can be called"
                    : "the superclass has no constructor for '" + wanted.get() + "'; it has those for "
                            + above.stream().map(one -> "'" + types(one) + "'").collect(Collectors.joining(", ")));
        }
        Set<StateField> parts = new LinkedHashSet<>(chosen);
        target.parts().stream().filter(StateField::mustBeSet).forEach(parts::add);
        return written(target, List.copyOf(parts), called, answers, writer);
    }

    private GenerationResult written(TargetClass target, List<StateField> parts, Optional<ExecutableElement> called,
            Answers answers, TypeWriter writer) {
        Map<String, TypeMirror> handedOn = handedOn(target, parts, called);
        List<TypeMirror> types = new ArrayList<>(handedOn.values());
        parts.forEach(part -> types.add(part.type()));
        Optional<MethodTree> there = target.declared("<init>", types);
        if (there.isPresent()) {
            return new GenerationResult.Refused(Reason.at(target.code().file().path(), target.code().range(there.get()),
                    target.name() + " has a constructor with these parameters"));
        }
        String parameter = CodingStyle.of(target).parameter();
        List<String> parameters = new ArrayList<>();
        handedOn.forEach((name, type) -> parameters.add(parameter + writer.write(type).orElse(NamedTypes.shown(type))
                + " " + name));
        parts.forEach(part -> parameters.add(parameter + TypeText.of(part, writer) + " " + part.name()));
        List<String> lines = new ArrayList<>();
        List<String> names = new ArrayList<>(handedOn.keySet());
        parts.forEach(part -> names.add(part.name()));
        document(names, answers, lines);
        boolean isEnum = target.type().getKind() == ElementKind.ENUM;
        Map<String, String> kept = new LinkedHashMap<>();
        parts.forEach(part -> kept.put(part.name(), value(target, part, answers, writer)));
        lines.addAll(ConstructorText.lines(isEnum ? "" : VISIBILITY.level(answers).prefix(), target.name(),
                String.join(", ", parameters),
                List.copyOf(handedOn.keySet()), kept));
        return GenerationResult.members(title(target),
                List.of(NewMember.added(NewMember.Kind.CONSTRUCTOR, target.name(), lines)));
    }

    /** What the constructor of the superclass takes, by names that are free, with type arguments put in. */
    private static Map<String, TypeMirror> handedOn(TargetClass target, List<StateField> parts,
            Optional<ExecutableElement> called) {
        Map<String, TypeMirror> handedOn = new LinkedHashMap<>();
        Set<String> taken = parts.stream().map(StateField::name).collect(Collectors.toCollection(HashSet::new));
        called.ifPresent(constructor -> {
            ExecutableType type = (ExecutableType) target.code().types()
                    .asMemberOf((DeclaredType) target.type().getSuperclass(), constructor);
            for (int i = 0; i < constructor.getParameters().size(); i++) {
                VariableElement parameter = constructor.getParameters().get(i);
                String own = parameter.getSimpleName().toString();
                String name = NewName.free(taken, taken.contains(own) ? qualified(superclass(target), own) : own);
                taken.add(name);
                handedOn.put(name, type.getParameterTypes().get(i));
            }
        });
        return handedOn;
    }

    /** A name that says of what it is: {@code placeName}. */
    private static String qualified(TypeElement of, String name) {
        String type = of.getSimpleName().toString();
        return Character.toLowerCase(type.charAt(0)) + type.substring(1) + Character.toUpperCase(name.charAt(0))
                + name.substring(1);
    }

    private static void document(List<String> names, Answers answers, List<String> lines) {
        if (answers.flag(DOCUMENTED) && !names.isEmpty()) {
            lines.add("/**");
            names.forEach(name -> lines.add(" * @param " + name + " the "
                    + name.replaceAll("(?<=[\\p{Ll}\\p{N}])(?=\\p{Lu})", " ")
                    .toLowerCase(Locale.ROOT)));
            lines.add(" */");
        }
    }

    private static String value(TargetClass target, StateField part, Answers answers, TypeWriter writer) {
        boolean isChecked = answers.flag(CHECKS) && !part.isPrimitive();
        return isChecked ? writer.name(target.code().elements().getTypeElement("java.util.Objects"))
                + ".requireNonNull(" + part.name() + ", \"" + part.name() + "\")" : part.name();
    }

    private GenerationResult ofRecord(TargetClass target, Answers answers, TypeWriter writer) {
        List<StateField> parts = target.parts();
        Optional<MethodTree> there = target.declared("<init>", parts.stream().map(StateField::type).toList());
        if (there.isPresent()) {
            return new GenerationResult.Refused(Reason.at(target.code().file().path(), target.code().range(there.get()),
                    target.name() + " has its canonical constructor already"));
        }
        boolean isCompact = !answers.single(FORM).filter("canonical"::equals).isPresent();
        List<String> lines = new ArrayList<>();
        document(parts.stream().map(StateField::name).toList(), answers, lines);
        // it can be as near as the record, and not nearer (JLS 8.10.4)
        String visibility = AccessLevel.of(target.type().getModifiers()).prefix();
        lines.add(visibility + target.name() + (isCompact ? " {" : "(" + parts.stream()
                .map(part -> TypeText.of(part, writer) + " " + part.name()).collect(Collectors.joining(", ")) + ") {"));
        for (StateField part : parts) {
            boolean isChecked = answers.flag(CHECKS) && !part.isPrimitive();
            if (!isCompact) {
                lines.add("    this." + part.name() + " = " + value(target, part, answers, writer) + ";");
            } else if (isChecked) {
                lines.add("    " + value(target, part, answers, writer) + ";");
            }
        }
        lines.add("}");
        return GenerationResult.members(title(target),
                List.of(NewMember.added(NewMember.Kind.CONSTRUCTOR, target.name(), lines)));
    }
}
