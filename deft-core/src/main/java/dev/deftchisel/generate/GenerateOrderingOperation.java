package dev.deftchisel.generate;

import com.sun.source.tree.VariableTree;
import dev.deftchisel.member.CodingStyle;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Question;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.type.PrimitiveType;

/** Writes a constant that orders objects by chosen parts, one after the other. */
public final class GenerateOrderingOperation extends GenerateOperation {

    /** The key of the name of the constant. */
    public static final String NAME = "name";
    /** The key of the parts by which what is greater comes first. */
    public static final String DESCENDING = "descending";
    /** The key of the choice where {@code null} comes: {@code fail}, {@code first} or {@code last}. */
    public static final String NULLS = "nulls";

    /** The key of the choice what it is: a {@code constant}, or the {@code natural} order of the objects as well. */
    public static final String AS = "as";

    private static final int WIDEST = 110;
    private static final String FAIL = "fail";
    private static final Question NULLS_QUESTION = new Question.Choice(NULLS, "where null comes",
            List.of(new Question.Option(FAIL, "nowhere, it is an error"),
                    new Question.Option("first", "first"),
                    new Question.Option("last", "last")),
            FAIL);
    private static final String NATURAL = "natural";
    private static final Question AS_QUESTION = new Question.Choice(AS, "what it is",
            List.of(new Question.Option("constant", "a comparator"),
                    new Question.Option(NATURAL, "a comparator, and the natural order of the objects (Comparable)")),
            "constant");

    @Override
    public String id() {
        return "generate-ordering";
    }

    @Override
    public String summary() {
        return "Generate a comparator over chosen fields, as a constant";
    }

    @Override
    List<Question> choices() {
        return List.of(new Question.Proposed(NAME, "the name of the constant", List.of()),
                new Question.Members(DESCENDING, "the fields in descending order", List.of(), List.of()),
                NULLS_QUESTION, AS_QUESTION, VISIBILITY.question());
    }

    @Override
    List<Question> choices(TargetClass target) {
        List<String> names = candidates(target).stream().map(StateField::name).toList();
        return List.of(new Question.Members(DESCENDING, "the fields in descending order", names, List.of()),
                NULLS_QUESTION, AS_QUESTION, VISIBILITY.question());
    }

    @Override
    String membersLabel() {
        return "the fields to compare, the most important first";
    }

    @Override
    boolean isFor(TargetClass target) {
        return (target.type().getKind() == ElementKind.CLASS || target.isRecord()) && !target.name().isEmpty()
                && !candidates(target).isEmpty();
    }

    @Override
    List<StateField> candidates(TargetClass target) {
        return target.parts().stream().filter(part -> part.isPrimitive()
                || target.isKindOf(part.type(), "java.lang.Comparable")).toList();
    }

    /** At a field by that one, otherwise by the first. */
    @Override
    List<StateField> defaultMembers(TargetClass target, int offset) {
        return target.partAt(offset).filter(candidates(target)::contains).map(List::of)
                .orElseGet(() -> candidates(target).subList(0, 1));
    }

    @Override
    String title(TargetClass target) {
        return "generate an ordering of " + target.name();
    }

    @Override
    GenerationResult generate(GenerationRequest request) {
        TargetClass target = request.target();
        List<StateField> chosen = request.chosen();
        Answers answers = request.answers();
        if (chosen.isEmpty()) {
            return GenerationResult.refused("an order must go by something; choose at least one field");
        }
        List<String> descending = answers.several(DESCENDING).orElse(List.of());
        for (String name : descending) {
            if (chosen.stream().noneMatch(part -> part.name().equals(name))) {
                return GenerationResult.refused("'" + name + "' is to be descending, but the order does not go by it");
            }
        }
        Optional<String> said = answers.single(NAME);
        // the same order is known again by whatever name, since another one may have taken the usual
        Optional<VariableTree> known = target.members().stream().filter(VariableTree.class::isInstance)
                .map(VariableTree.class::cast)
                .filter(field -> said.filter(name -> !field.getName().contentEquals(name)).isEmpty()
                        && isSame(target.code(), field, lines(request, field.getName().toString(), descending)))
                .findFirst();
        String name = known.map(field -> field.getName().toString()).or(() -> said)
                .orElseGet(() -> NewName.free(target.memberNames(), constant(chosen)));
        if (known.isEmpty() && target.memberNames().contains(name)) {
            return GenerationResult.refused(target.name() + " has a member " + name + " already; choose another name");
        }
        NewMember constant = NewMember.added(NewMember.Kind.CONSTANT, name, lines(request, name, descending))
                .insteadOf(known);
        return answers.single(AS).filter(NATURAL::equals).isEmpty()
                ? GenerationResult.members(title(target), List.of(constant))
                : natural(request, name, constant);
    }

    /** The constant, and what makes it the natural order (the contract of {@code Comparable}). */
    private GenerationResult natural(GenerationRequest request, String name, NewMember constant) {
        TargetClass target = request.target();
        boolean isComparable = target.isKindOf(target.type().asType(), "java.lang.Comparable");
        if (isComparable) {
            return GenerationResult.refused(target.name() + " has a natural order already");
        }
        String type = request.writer().write(target.type().asType()).orElse(target.name());
        NewMember method = NewMember.added(NewMember.Kind.METHOD, "compareTo", List.of("@Override",
                "public int compareTo(" + CodingStyle.of(target).parameter() + type + " other) {",
                "    return " + name + ".compare(this, other);", "}"));
        return new GenerationResult.Members(title(target), List.of(constant, method), List.of(),
                List.of("Comparable<" + type + ">"));
    }

    private static List<String> lines(GenerationRequest request, String name, List<String> descending) {
        TargetClass target = request.target();
        Answers answers = request.answers();
        String type = target.wildcardType();
        String object = NewName.free(target.memberNames(), Character.toLowerCase(target.name().charAt(0))
                + target.name().substring(1));
        String comparator = request.writer().name(target.code().elements().getTypeElement("java.util.Comparator"));
        List<String> lines = new ArrayList<>();
        lines.add(VISIBILITY.level(answers).prefix() + "static final " + comparator + "<" + type + "> " + name + " = "
                + comparator);
        for (StateField part : request.chosen()) {
            boolean isFirst = lines.size() == 1;
            String key = (isFirst ? "(" + type + " " + object + ")" : object) + " -> " + object + "." + part.name();
            lines.add("        ." + method(part, isFirst, key, descending.contains(part.name()), answers.single(NULLS)
                    .orElse(FAIL), comparator));
        }
        lines.set(lines.size() - 1, lines.get(lines.size() - 1) + ";");
        String whole = lines.get(0) + lines.get(1).strip();
        return request.chosen().size() == 1 && whole.length() <= WIDEST ? List.of(whole) : lines;
    }

    private static String constant(List<StateField> parts) {
        return "BY_" + parts.stream().map(part -> NameProposals.inCapitals(part.name()))
                .collect(Collectors.joining("_AND_"));
    }

    private static String method(StateField part, boolean isFirst, String key, boolean isDescending, String nulls,
            String comparator) {
        String verb = isFirst ? "comparing" : "thenComparing";
        boolean isPlain = !isDescending && part.type() instanceof PrimitiveType;
        String kind = !isPlain ? "" : switch (part.type().getKind()) {
            case BYTE, SHORT, CHAR, INT -> "Int";
            case LONG -> "Long";
            case FLOAT, DOUBLE -> "Double";
            default -> "";
        };
        boolean mayBeNull = !part.isPrimitive() && !part.isNeverNull() && !nulls.equals(FAIL);
        String natural = comparator + (isDescending ? ".reverseOrder()" : ".naturalOrder()");
        String order;
        if (mayBeNull) {
            order = comparator + (nulls.equals("first") ? ".nullsFirst(" : ".nullsLast(") + natural + ")";
        } else if (isDescending) {
            order = natural;
        } else {
            order = "";
        }
        return verb + kind + "(" + key + (order.isEmpty() ? "" : ", " + order) + ")";
    }
}
