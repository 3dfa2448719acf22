package dev.deftchisel.generate;

import com.sun.source.tree.MethodTree;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeMirror;

/**
 * Writes {@code equals} and {@code hashCode} over chosen parts, so that the contract of {@link Object#equals} holds.
 */
public final class GenerateEqualityOperation extends GenerateOperation {

    /** The key of the choice which objects can be equal at all. */
    public static final String AMONG = "among";

    private static final String INSTANCES = "instances";
    private static final String ASKED = "asked";
    private static final Question.Choice AMONG_QUESTION = new Question.Choice(
            AMONG,
            "which objects can be equal",
            List.of(new Question.Option(INSTANCES, "all instances, also of subclasses, which leave this as it is"),
                    new Question.Option("sealed", "the same, and no subclass can change that"),
                    new Question.Option("class", "only those of the very same class"),
                    new Question.Option(ASKED, "instances that both sides agree to compare, so that a subclass may "
                            + "add to it")),
            INSTANCES);

    @Override
    public String id() {
        return "generate-equality";
    }

    @Override
    public String summary() {
        return "Generate equals and hashCode over chosen fields";
    }

    @Override
    List<Question> choices() {
        return List.of(AMONG_QUESTION, existing());
    }

    @Override
    String membersLabel() {
        return "what equal objects have in common";
    }

    @Override
    boolean isFor(TargetClass target) {
        return (target.type().getKind() == ElementKind.CLASS || target.isRecord()) && !target.name().isEmpty()
                && !target.parts().isEmpty();
    }

    @Override
    List<StateField> candidates(TargetClass target) {
        return target.parts();
    }

    @Override
    List<StateField> defaultMembers(TargetClass target, int offset) {
        return target.parts().stream().filter(part -> !part.element().getModifiers().contains(Modifier.TRANSIENT))
                .toList();
    }

    @Override
    String title(TargetClass target) {
        return "generate the equality of " + target.name();
    }

    @Override
    GenerationResult generate(GenerationRequest request) {
        TargetClass target = request.target();
        List<StateField> chosen = request.chosen();
        Answers answers = request.answers();
        TypeWriter writer = request.writer();
        List<TypeMirror> ofObject = List.of(target.named("java.lang.Object"));
        Optional<MethodTree> equality = target.declared("equals", ofObject);
        Optional<MethodTree> hash = target.declared("hashCode", List.of());
        boolean isExtended = target.inheritsImplementation("equals", ofObject);
        if (chosen.isEmpty() && !isExtended) {
            return GenerationResult.refused("equal objects must have something in common; choose at least one field");
        }
        // imports are only wanted for what is written, not for what is compared with what is there
        Optional<String> before = equality.isEmpty() || hash.isEmpty() ? Optional.empty() : AMONG_QUESTION.options()
                .stream()
                .map(Question.Option::key)
                .filter(one -> new EqualityText(target, new TypeWriter(target.code()), one, isExtended)
                .isGenerated(equality.get(), hash.get()))
                .findFirst();
        boolean isOurs = before.isPresent();
        Optional<String> above = isExtended ? amongAbove(request, ofObject) : Optional.empty();
        if (isExtended && above.isEmpty() && !chosen.isEmpty()) {
            return GenerationResult.refused("the superclass takes objects for equal without asking which class they "
                    + "have, or cannot be looked into;"
                    + " an equality that asks for more here would not be symmetric. Let the superclass compare "
                    + "classes first (among: class)");
        }
        EqualityText text = new EqualityText(target, writer, answers.single(AMONG).or(() -> before).or(() -> above)
                .orElse(INSTANCES),
                isExtended);
        if ((equality.isPresent() || hash.isPresent()) && !isOurs && !replaces(answers)) {
            return new GenerationResult.Refused(Reason.at(target.code().file().path(), target.code()
                    .range(equality.or(() -> hash).get()),
                    target.name() + " has an equality that was written by hand; it can be replaced on request"));
        }
        return GenerationResult.members(title(target), text.members(chosen, equality, hash));
    }

    /**
     * Among which objects the superclass compares; empty when it takes those of its subclasses for equal, or is not to
     * be seen. A subclass that adds to what equal objects have in common stays symmetric only when objects of the
     * superclass are not equal to its own (J. Bloch, Effective Java, item 10).
     */
    private static Optional<String> amongAbove(GenerationRequest request, List<TypeMirror> ofObject) {
        return request.target().inherited("equals", ofObject).flatMap(request::text)
                .flatMap(text -> text.contains("getClass") ? Optional.of("class")
                        : text.contains("canEqual") ? Optional.of(ASKED) : Optional.empty());
    }
}
