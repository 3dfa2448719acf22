package dev.deftchisel.generate.method;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.generate.GenerateOperation;
import dev.deftchisel.member.CodingStyle;
import dev.deftchisel.member.InheritedMethodText;
import dev.deftchisel.member.InheritedMethods;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;

/** Writes methods that a type inherits, those that it must have first (JLS 8.4.8, 8.1.1.1). */
public final class ImplementMethodsOperation implements Operation {

    /** The key of the methods, written as {@code name(Type, Type)}. */
    public static final String MEMBERS = "members";
    /** The key of the choice what they do: {@code throw}, {@code value} or {@code super}. */
    public static final String BODY = "body";

    private static final String THROW = "throw";
    private static final Question BODY_QUESTION = new Question.Choice(BODY, "what they do until they are written",
            List.of(new Question.Option("kind", "fail, or what they do above where that is something"),
                    new Question.Option(THROW, "fail"),
                    new Question.Option("value", "return nothing, zero or null"),
                    new Question.Option("super", "what they do above")),
            "kind");

    @Override
    public String id() {
        return "implement-methods";
    }

    @Override
    public String summary() {
        return "Implement or override inherited methods, missing ones first";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Members(MEMBERS, "the methods; all that it must have by default",
                List.of(), List.of()),
                BODY_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        int caret = resolved.place().caret();
        return target(resolved.analysis(), resolved).filter(target -> target.isAmongMembers(caret))
                .flatMap(target -> {
                    Map<String, ExecutableElement> all = InheritedMethods.by(target).methods();
                    List<String> due = due(all);
                    String title = due.isEmpty() ? "override methods in " : "implement " + due.size()
                            + (due.size() == 1 ? " method in " : " methods in ");
                    return all.isEmpty() ? Optional.empty() : Optional
                            .of(new Offer(id(), title + target.shown(), Offer.Kind.GENERATE,
                            target.code().range(target.tree()),
                            List.of(new Question.Members(MEMBERS, "the methods", List.copyOf(all.keySet()), due),
                                    BODY_QUESTION)));
                });
    }

    private static Optional<TargetClass> target(Analysis analysis, ResolvedPlace resolved) {
        return GenerateOperation.target(analysis, resolved)
                .filter(target -> target.type().getKind() != ElementKind.ANNOTATION_TYPE);
    }

    /** Those that it must have. */
    private static List<String> due(Map<String, ExecutableElement> all) {
        return all.entrySet().stream().filter(entry -> entry.getValue().getModifiers().contains(Modifier.ABSTRACT))
                .map(Map.Entry::getKey).toList();
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Analysis first = analyst.analyse(Focus.around(resolved.file().path(), resolved.place().selection()).deeply());
        Optional<TargetClass> found = target(first, resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no class here that could implement a method");
        }
        TargetClass target = found.get();
        Map<String, ExecutableElement> all = InheritedMethods.by(target).methods();
        List<String> wanted = answers.several(MEMBERS).orElse(due(all));
        if (wanted.isEmpty()) {
            return Plan.refused(resolved, target.shown()
                    + " has all methods that it must have; say which others it is to override");
        }
        EditsByFile edits = new EditsByFile(first);
        InheritedMethodText text = new InheritedMethodText(InheritedMethods.by(target), edits.writer(target.code()),
                CodingStyle.of(target).parameter());
        String body = answers.single(BODY).orElse("kind");
        return new ChosenMethods(target, all, "to implement in " + target.shown()).plan(resolved, wanted,
                (name, method) -> text.lines(method, body), edits,
                "implement " + String.join(", ", wanted) + " in " + target.shown(), false, analyst);
    }
}
