package dev.deftchisel.extract.method;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.extract.ExpressionChoice;
import dev.deftchisel.extract.Visibility;
import dev.deftchisel.extract.flow.AnalysedFragment;
import dev.deftchisel.extract.flow.Duplicates;
import dev.deftchisel.extract.flow.Flow;
import dev.deftchisel.extract.flow.Fragment;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Makes statements, or an expression, the body of a method that is called in their place. */
public final class ExtractMethodOperation implements Operation {

    /** The key of the name. */
    public static final String NAME = "name";

    /**
     * The key of the choice what to do with duplicates: {@code leave}, {@code replace} or {@code package}.
     */
    public static final String DUPLICATES = DuplicateScope.KEY;

    /**
     * The key of the choice whether several values that are needed afterwards come out as a {@code record}, or only
     * {@code one}.
     */
    public static final String RESULTS = "results";

    private static final String RECORD = "record";
    private static final Question RESULTS_QUESTION = new Question.Choice(
            RESULTS,
            "how several results are returned",
            List.of(new Question.Option("one", "not at all: a method returns one value"),
                    new Question.Option(RECORD, "as a record that is made for them")),
            "one");
    /**
     * The key of the parameters: names of variables in order, each with a new name after a colon if it is to have one.
     */
    public static final String PARAMETERS = "parameters";
    /** The key of the choice in which class the method is declared: {@code here} or the one {@code around}. */
    public static final String WHERE = "where";

    private static final Question PARAMETERS_QUESTION = new Question.Text(
            PARAMETERS, "the parameters in order, each as 'old:new' if it is to have another name", "");
    private static final String AROUND = "around";
    private static final Question WHERE_QUESTION = new Question.Choice(
            WHERE,
            "in which class the method is declared",
            List.of(new Question.Option("here", "in that of the code"),
                    new Question.Option(AROUND, "in the one around it")),
            "here");
    private static final int LEVEL_OF_PRIVATE_IN_INTERFACE = 9;
    private static final Question VISIBILITY_QUESTION = Visibility.question("who may call the method");

    @Override
    public String id() {
        return "extract-method";
    }

    @Override
    public String summary() {
        return "Extract statements or an expression into a method";
    }

    @Override
    public List<Question> questions() {
        return List.of(
                new Question.Proposed(NAME, "the name of the method", List.of()),
                ExpressionChoice.anywhere(), PARAMETERS_QUESTION, DuplicateScope.question(), RESULTS_QUESTION,
                WHERE_QUESTION,
                VISIBILITY_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return resolved.analysis().code(resolved.file().path()).flatMap(code -> {
            List<Fragment> candidates = Fragment.at(code, resolved.place().selection());
            return candidates.stream().findFirst()
                    .map(first -> AnalysedFragment.of(code, first))
                    .filter(body -> body.obstacle(true).isEmpty())
                    .map(body -> offer(code, candidates, body.flow()));
        });
    }

    private Offer offer(AttributedFile code, List<Fragment> candidates, Flow flow) {
        Fragment first = candidates.get(0);
        List<Question> questions = new ArrayList<>();
        ExpressionChoice.among(candidates.stream().map(candidate -> code.shown(candidate.range(), 50)).toList())
                .ifPresent(questions::add);
        questions.add(new Question.Proposed(NAME, "the name of the method",
                new MethodNames(code).of(first, flow)));
        if (flow.inputs().size() > 1) {
            questions.add(PARAMETERS_QUESTION);
        }
        questions.add(DuplicateScope.question());
        if (flow.outputs().size() > 1) {
            questions.add(RESULTS_QUESTION);
        }
        if (MethodHome.outer(first).isPresent() && MethodHome.objection(code, first).isEmpty()) {
            questions.add(WHERE_QUESTION);
        }
        questions.add(VISIBILITY_QUESTION);
        return new Offer(id(), "extract " + first.shown(code) + " to a method", Offer.Kind.EXTRACT, first.range(),
                questions);
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Path file = resolved.file().path();
        Optional<String> given = answers.single(NAME);
        // the names of methods in the whole file decide what a call of the new one means
        Set<String> names = given.map(Set::of).orElse(Set.of());
        DuplicateScope scope = DuplicateScope.of(answers);
        Analysis before = analyst.analyse(scope != DuplicateScope.NONE
                ? Focus.whole(scope.files(analyst.snapshot(), resolved.file(), resolved.place().selection())).deeply()
                : new Focus(Set.of(file), names, Set.of(),
                Map.of(file, List.of(resolved.place().selection())), true));
        AttributedFile code = before.code(file).orElseThrow();
        List<Fragment> candidates = Fragment.at(code, resolved.place().selection());
        if (candidates.isEmpty()) {
            return Plan.refused(resolved,
                    "there are no whole statements and no expression here; select some, or put the caret in an "
                    + "expression");
        }
        Optional<Fragment> picked = ExpressionChoice.of(answers, candidates);
        if (picked.isEmpty()) {
            return Plan.refused(resolved, ExpressionChoice.refusal(answers, candidates));
        }
        Fragment fragment = picked.get();
        AnalysedFragment body = AnalysedFragment.of(code, fragment);
        String name = given.orElseGet(() -> new MethodNames(code).of(fragment, body.flow()).get(0));
        Optional<String> objection = new NewName(name, SymbolKind.METHOD, resolved.file().module().level()).objection();
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        boolean mayBeRecord = answers.single(RESULTS).filter(RECORD::equals).isPresent();
        Optional<Reason> obstacle = body.obstacle(mayBeRecord);
        if (obstacle.isPresent()) {
            return Plan.refused(obstacle.get());
        }
        boolean isAround = answers.single(WHERE).filter(AROUND::equals).isPresent();
        Optional<MethodHome> home = isAround ? MethodHome.outer(fragment) : Optional.of(MethodHome.here(fragment));
        if (home.isEmpty()) {
            return Plan.refused(resolved, "there is no class around this one");
        }
        boolean isInterface = code.element(home.get().owner()).filter(owner -> owner.getKind().isInterface())
                .isPresent();
        if (isInterface && resolved.file().module().level() < LEVEL_OF_PRIVATE_IN_INTERFACE
                && Visibility.level(answers) == AccessLevel.PRIVATE) {
            return Plan.refused(Reason.at(file, fragment.range(), "private methods of interfaces came with Java "
                    + LEVEL_OF_PRIVATE_IN_INTERFACE + "; let everyone call the method"));
        }
        return Visibility.objection(answers, before, name, file)
                .or(() -> isAround ? MethodHome.objection(code, fragment) : Optional.empty())
                .map(Plan::refused)
                .orElseGet(() -> new MethodPlan(before, body, home.get(), name)
                        .plan(Visibility.level(answers), scope, answers.single(PARAMETERS).orElse("")));
    }

    /** A place that turns out to mean something else is left alone. */
    @Override
    public Optional<Change> mend(Change change, List<Difference> differences, Analysis before) {
        List<Edit> wrong = change.files().stream()
                .flatMap(file -> file.takenEdits().stream())
                .filter(edit -> edit.alike().stream().anyMatch(DuplicateClaim::isRenamed)
                        && differences.stream().anyMatch(one -> edit.range().touches(one.range().start())))
                .toList();
        if (wrong.isEmpty()) {
            return Optional.empty();
        }
        List<String> notes = change.notes();
        for (FileChange file : change.files()) {
            SourceFile source = before.snapshot().source(file.path());
            for (Edit edit : file.edits()) {
                notes = wrong.contains(edit)
                        ? Duplicates.without(notes, before.snapshot().workspace(), source, edit.alike().get(0).gone()
                                .start()) : notes;
            }
        }
        Change fewer = change.choose((file, edit) -> edit.isTaken() && !wrong.contains(edit));
        return Optional.of(new Change(fewer.title(), fewer.files(), fewer.meaning(), notes));
    }
}
