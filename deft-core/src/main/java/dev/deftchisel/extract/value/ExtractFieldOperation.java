package dev.deftchisel.extract.value;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.extract.ExpressionChoice;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.extract.Visibility;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.place.InsertionPoint;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Gives a value a name in the object: a field. */
public final class ExtractFieldOperation implements Operation {

    /** The key of the name. */
    public static final String NAME = "name";
    /** The key of the choice which places get the field: {@code here} or {@code all} of the class. */
    public static final String PLACES = "places";
    /** The key of the choice where the field gets its value: {@code here}, {@code field} or {@code constructors}. */
    public static final String VALUE = "value";

    private static final String HERE = "here";
    private static final String CONSTRUCTORS = "constructors";
    private static final Question VALUE_QUESTION = new Question.Choice(
            VALUE,
            "where the field gets its value",
            List.of(new Question.Option(HERE, "here, each time this is reached"),
                    new Question.Option("field", "where it is declared, once for each object"),
                    new Question.Option(CONSTRUCTORS, "at the end of each constructor")),
            HERE);
    private static final Question PLACES_QUESTION = new Question.Choice(
            PLACES,
            "where the field is used, when it gets its value once",
            List.of(new Question.Option(HERE, "only in this place"),
                    new Question.Option("all", "wherever the class says the same")),
            HERE);
    private static final Question VISIBILITY_QUESTION = Visibility.question("who may use the field");

    @Override
    public String id() {
        return "extract-field";
    }

    @Override
    public String summary() {
        return "Extract an expression into a field";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Proposed(NAME, "the name of the field", List.of()), ExpressionChoice.anywhere(),
                VALUE_QUESTION,
                PLACES_QUESTION, VISIBILITY_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return resolved.analysis().code(resolved.file().path()).flatMap(code -> {
            List<SelectedExpression> candidates = SelectedExpression.computed(code, resolved.place().selection());
            return candidates.stream().findFirst()
                    .filter(first -> FieldEdits.obstacle(code, first).isEmpty())
                    .filter(first -> !(FieldEdits.home(code, first) instanceof InsertionPoint.Nowhere)
                            || FieldEdits.onceObjection(code, first).isEmpty())
                    .map(first -> offer(code, candidates));
        });
    }

    private Offer offer(AttributedFile code, List<SelectedExpression> candidates) {
        SelectedExpression first = candidates.get(0);
        List<Question> questions = new ArrayList<>();
        ExpressionChoice.among(candidates.stream().map(one -> code.shown(one.range(), 50)).toList())
                .ifPresent(questions::add);
        questions.add(new Question.Proposed(NAME, "the name of the field", new NameProposals(code).of(first.path())));
        questions.addAll(List.of(VALUE_QUESTION, PLACES_QUESTION, VISIBILITY_QUESTION));
        return new Offer(id(), "extract '" + code.shown(first.range(), 50) + "' to a field", Offer.Kind.EXTRACT,
                first.range(), questions);
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Path file = resolved.file().path();
        boolean isOnce = !answers.single(VALUE).orElse(HERE).equals(HERE);
        // what runs while an object is made, and other places, may be in any body
        Analysis before = analyst.analyse(isOnce ? Focus.whole(Set.of(file)).deeply() : new Focus(Set.of(file),
                answers.single(NAME).map(Set::of).orElse(Set.of()), Set.of(),
                Map.of(file, List.of(resolved.place().selection())), true));
        AttributedFile code = before.code(file).orElseThrow();
        List<SelectedExpression> candidates = SelectedExpression.computed(code, resolved.place().selection());
        Optional<SelectedExpression> picked = ExpressionChoice.of(answers, candidates);
        if (picked.isEmpty()) {
            return Plan.refused(resolved, candidates.isEmpty()
                    ? "there is no expression here whose value a field could hold;"
                    + " select one, or put the caret in it" : ExpressionChoice.refusal(answers, candidates));
        }
        SelectedExpression selected = picked.get();
        String name = answers.single(NAME).orElseGet(() -> new NameProposals(code).of(selected.path()).get(0));
        Optional<String> objection = new NewName(name, SymbolKind.FIELD, resolved.file().module().level()).objection();
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        Optional<Reason> obstacle = FieldEdits.obstacle(code, selected)
                .or(() -> Visibility.objection(answers, before, name, file));
        if (obstacle.isPresent()) {
            return Plan.refused(obstacle.get());
        }
        FieldEdits edits = new FieldEdits(before, code, selected, name, Visibility.level(answers).prefix());
        boolean all = answers.single(PLACES).filter("all"::equals).isPresent();
        Optional<Reason> inTheWay = !isOnce ? edits.setHere()
                : edits.setOnce(answers.single(VALUE).filter(CONSTRUCTORS::equals).isPresent(), all);
        return inTheWay.map(Plan::refused).orElseGet(() -> new Plan.Ready(edits.change(), before));
    }
}
