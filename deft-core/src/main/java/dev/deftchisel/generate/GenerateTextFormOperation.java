package dev.deftchisel.generate;

import com.sun.source.tree.MethodTree;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;

/** Writes {@code toString} over chosen parts. */
public final class GenerateTextFormOperation extends GenerateOperation {

    /** The key of the choice how the text is put together. */
    public static final String SHAPE = "shape";

    private static final String SUM = "sum";
    private static final String FORMAT = "format";
    private static final String JOINER = "joiner";
    private static final String BUILDER = "builder";
    private static final Question.Choice SHAPE_QUESTION = new Question.Choice(
            SHAPE,
            "how the text is put together",
            List.of(new Question.Option(SUM, "with +"),
                    new Question.Option(FORMAT, "with a format"),
                    new Question.Option(JOINER, "with a StringJoiner"),
                    new Question.Option(BUILDER, "with a StringBuilder")),
            SUM);
    private static final int FORMATTED = 15;
    private static final int WIDEST = 110;

    @Override
    public String id() {
        return "generate-text-form";
    }

    @Override
    public String summary() {
        return "Generate toString over chosen fields";
    }

    @Override
    List<Question> choices() {
        return List.of(SHAPE_QUESTION, existing());
    }

    @Override
    String membersLabel() {
        return "the fields in the text";
    }

    @Override
    boolean isFor(TargetClass target) {
        boolean isEnum = target.type().getKind() == ElementKind.ENUM;
        return !target.type().getKind().isInterface() && !(isEnum && target.parts().isEmpty());
    }

    @Override
    List<StateField> candidates(TargetClass target) {
        return target.parts();
    }

    @Override
    String title(TargetClass target) {
        return "generate the text form of " + target.shown();
    }

    @Override
    GenerationResult generate(GenerationRequest request) {
        TargetClass target = request.target();
        List<StateField> chosen = request.chosen();
        Answers answers = request.answers();
        TypeWriter writer = request.writer();
        Optional<MethodTree> there = target.declared("toString", List.of());
        Optional<String> before = there.flatMap(member -> SHAPE_QUESTION.options().stream().map(Question.Option::key)
                .filter(any -> isSame(target.code(), member,
                        lines(target, EqualityText.mentioned(target, member), any, new TypeWriter(target.code()))))
                .findFirst());
        boolean isOurs = before.isPresent();
        String shape = answers.single(SHAPE).or(() -> before).orElse(SUM);
        if (there.isPresent() && !isOurs && !replaces(answers)) {
            return new GenerationResult.Refused(Reason.at(target.code().file().path(), target.code().range(there.get()),
                    target.shown() + " has a toString that was written by hand; it can be replaced on request"));
        }
        return GenerationResult.members(title(target), List.of(
                NewMember.added(NewMember.Kind.METHOD, "toString", lines(target, chosen, shape, writer))
                .insteadOf(there)));
    }

    private static List<String> lines(TargetClass target, List<StateField> parts, String shape, TypeWriter writer) {
        List<String> lines = new ArrayList<>(List.of("@Override", "public String toString() {"));
        lines.addAll(switch (parts.isEmpty() ? SUM : shape) {
            case FORMAT -> format(target, parts, writer);
            case JOINER -> joiner(target, parts, writer);
            case BUILDER -> builder(target, parts, writer);
            default -> sum(target, parts, writer);
        });
        lines.add("}");
        return lines;
    }

    /** The beginning of the text as code: the name of the class, or of the constant. */
    private static String start(TargetClass target, String bracket) {
        return target.type().getKind() == ElementKind.ENUM ? "name() + \"" + bracket : "\"" + target.name() + bracket;
    }

    private static List<String> sum(TargetClass target, List<StateField> parts, TypeWriter writer) {
        if (parts.isEmpty()) {
            return List.of("    return " + start(target, "[]") + "\";");
        }
        List<String> pieces = new ArrayList<>();
        String start = start(target, "[");
        for (StateField part : parts) {
            pieces.add(start + part.name() + "=\" + " + value(target, part, writer));
            start = "\", ";
        }
        String whole = "    return " + String.join(" + ", pieces) + " + \"]\";";
        if (whole.length() <= WIDEST) {
            return List.of(whole);
        }
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            lines.add((i == 0 ? "    return " : "            + ") + pieces.get(i));
        }
        lines.add("            + \"]\";");
        return lines;
    }

    private static List<String> format(TargetClass target, List<StateField> parts, TypeWriter writer) {
        boolean isEnum = target.type().getKind() == ElementKind.ENUM;
        String pattern = "\"" + (isEnum ? "%s[" : target.name() + "[") + parts.stream().map(part -> part.name() + "=%s")
                .collect(Collectors.joining(", ")) + "]\"";
        String values = (isEnum ? "name(), " : "") + parts.stream().map(part -> value(target, part, writer))
                .collect(Collectors.joining(", "));
        // an array alone would be taken for all the arguments, but its text is no array
        return List.of(target.code().file().module().level() >= FORMATTED
                ? "    return " + pattern + ".formatted(" + values + ");"
                : "    return String.format(" + pattern + ", " + values + ");");
    }

    private static List<String> joiner(TargetClass target, List<StateField> parts, TypeWriter writer) {
        String type = writer.name(target.code().elements().getTypeElement("java.util.StringJoiner"));
        List<String> lines = new ArrayList<>(List.of("    return new " + type + "(\", \", " + start(target, "[")
                + "\", \"]\")"));
        parts.forEach(part -> lines.add("            .add(\"" + part.name() + "=\" + " + value(target, part, writer)
                + ")"));
        lines.add("            .toString();");
        return lines;
    }

    private static List<String> builder(TargetClass target, List<StateField> parts, TypeWriter writer) {
        String name = NewName.free(target.memberNames(), "text");
        List<String> lines = new ArrayList<>(List.of("    StringBuilder " + name + " = new StringBuilder("
                + start(target, "[") + "\");"));
        String separator = "";
        for (StateField part : parts) {
            lines.add("    " + name + ".append(\"" + separator + part.name() + "=\").append("
                    + value(target, part, writer) + ");");
            separator = ", ";
        }
        lines.add("    return " + name + ".append(']').toString();");
        return lines;
    }

    /** Arrays are told by what is in them. */
    private static String value(TargetClass target, StateField part, TypeWriter writer) {
        String arrays = part.isArray() ? writer.name(target.code().elements().getTypeElement("java.util.Arrays")) : "";
        if (!part.isArray()) {
            return part.name();
        }
        return arrays + (part.isArrayOfArrays() ? ".deepToString(" : ".toString(") + part.name() + ")";
    }
}
