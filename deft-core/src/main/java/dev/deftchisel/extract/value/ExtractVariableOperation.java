package dev.deftchisel.extract.value;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.extract.ExpressionChoice;
import dev.deftchisel.extract.SelectedExpression;
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
import dev.deftchisel.rewrite.place.InsertionPointFinder;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Gives the value of an expression a name: a local variable that is declared just before. */
public final class ExtractVariableOperation implements Operation {

    /** The key of the name. */
    public static final String NAME = "name";
    /** The key of the choice which places get the variable: {@code here} or {@code all}. */
    public static final String PLACES = "places";
    /** The key of the choice how its type is written: {@code style}, {@code explicit} or {@code var}. */
    public static final String TYPE = "type";

    private static final Question PLACES_QUESTION = new Question.Choice(
            PLACES,
            "where the variable is used",
            List.of(new Question.Option("here", "only in this place"),
                    new Question.Option("all", "wherever the value is provably the same")),
            "here");
    private static final Question TYPE_QUESTION = new Question.Choice(
            TYPE,
            "how the type is written",
            List.of(new Question.Option("style", "as the code around does it"),
                    new Question.Option("explicit", "by its name"),
                    new Question.Option("var", "as 'var'")),
            "style");

    @Override
    public String id() {
        return "extract-variable";
    }

    @Override
    public String summary() {
        return "Extract an expression into a local variable";
    }

    @Override
    public List<Question> questions() {
        return List.of(
                new Question.Proposed(NAME, "the name of the variable", List.of()),
                ExpressionChoice.anywhere(),
                PLACES_QUESTION, TYPE_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return resolved.analysis().code(resolved.file().path()).flatMap(code -> {
            List<SelectedExpression> candidates = SelectedExpression.at(code, resolved.place().selection());
            boolean isPlain = !candidates.isEmpty()
                    && !(way(resolved.analysis(), code, candidates.get(0)).home() instanceof InsertionPoint.Nowhere);
            return isPlain ? Optional.of(offer(code, candidates)) : Optional.empty();
        });
    }

    /**
     * How a value gets its variable.
     *
     * @param home  where it is declared
     * @param first what must become a variable before it
     */
    private record Placement(InsertionPoint home, List<TreePath> first) {
    }

    private static Placement way(Analysis analysis, AttributedFile code, SelectedExpression selected) {
        InsertionPointFinder finder = new InsertionPointFinder(code, code.effects(selected.path()));
        InsertionPoint home = finder.find(selected.path());
        if (!(home instanceof InsertionPoint.Nowhere)) {
            return new Placement(home, List.of());
        }
        // a value that is the same all the while may also be computed before the whole statement
        Optional<InsertionPoint> earlier = new SameValue(analysis, code, selected).doubt().isEmpty()
                ? VariablePlacement.beforeStatement(code, selected)
                : Optional.empty();
        return earlier.map(place -> new Placement(place, List.of()))
                .or(() -> finder.findHoisting(path -> path.getLeaf() instanceof ExpressionTree
                        && SelectedExpression.isValue(code, path))
                        .map(all -> new Placement(all.home(), all.first())))
                .orElse(new Placement(home, List.of()));
    }

    private Offer offer(AttributedFile code, List<SelectedExpression> candidates) {
        SelectedExpression first = candidates.get(0);
        List<Question> questions = new ArrayList<>();
        ExpressionChoice.among(candidates.stream().map(candidate -> shown(code, candidate)).toList())
                .ifPresent(questions::add);
        questions.add(new Question.Proposed(NAME, "the name of the variable", new NameProposals(code)
                .of(first.path())));
        questions.add(PLACES_QUESTION);
        questions.add(TYPE_QUESTION);
        return new Offer(id(), "extract '" + shown(code, first) + "' to a variable", Offer.Kind.EXTRACT,
                first.range(), questions);
    }

    private static String shown(AttributedFile code, SelectedExpression selected) {
        return code.shown(selected.range(), 50);
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Analysis before = analyst.analyse(Focus.around(resolved.file().path(), resolved.place().selection()).deeply());
        AttributedFile code = before.code(resolved.file().path()).orElseThrow();
        List<SelectedExpression> candidates = SelectedExpression.at(code, resolved.place().selection());
        if (candidates.isEmpty()) {
            return Plan.refused(resolved,
                    "there is no expression here whose value a variable could hold; select one, or put the caret in "
                    + "it");
        }
        Optional<SelectedExpression> picked = ExpressionChoice.of(answers, candidates);
        if (picked.isEmpty()) {
            return Plan.refused(resolved, ExpressionChoice.refusal(answers, candidates));
        }
        SelectedExpression selected = picked.get();
        String name = answers.single(NAME).orElseGet(() -> new NameProposals(code).of(selected.path()).get(0));
        Optional<String> objection =
                new NewName(name, SymbolKind.LOCAL_VARIABLE, resolved.file().module().level()).objection();
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        return plan(before, code, selected, name, answers);
    }

    private Plan plan(Analysis before, AttributedFile code, SelectedExpression selected, String name, Answers answers) {
        SameValue same = new SameValue(before, code, selected);
        Placement way = way(before, code, selected);
        if (way.home() instanceof InsertionPoint.Nowhere nowhere) {
            return Plan.refused(Reason.at(code.file().path(), nowhere.at(), nowhere.sentence()));
        }
        List<VariableDeclaration> declared = declared(code, selected, name,
                VariableForm.of(answers.single(TYPE).orElse("style")),
                way.first());
        for (VariableDeclaration one : declared) {
            if (one.type().isEmpty()) {
                return Plan.refused(Reason.at(code.file().path(), one.selected().range(),
                        "its type has no name that could be written here"));
            }
        }
        boolean wantsAll = answers.single(PLACES).filter("all"::equals).isPresent();
        Optional<String> doubt;
        if (!wantsAll) {
            doubt = Optional.empty();
        } else if (!way.first().isEmpty()) {
            doubt = Optional.of("what is evaluated before it has to stay before it");
        } else {
            doubt = same.doubt();
        }
        VariablePlacement places = wantsAll && doubt.isEmpty()
                ? VariablePlacement.all(code, selected, way.home(), same)
                : VariablePlacement.one(selected, way.home());
        List<FileChange> files = List.of(new FileChange(code.file().path(), Optional.empty(), code.file().text(),
                new ExtractEdits(code, declared).of(places)));
        String title = "extract '" + shown(code, selected) + "' to the variable " + name;
        return new Plan.Ready(new Change(title, files, SymbolEffects.same(), notes(code, declared, doubt)), before);
    }

    /** The variable, after those for what is evaluated before it. */
    private static List<VariableDeclaration> declared(
            AttributedFile code, SelectedExpression selected, String name, VariableForm form, List<TreePath> first) {
        TypeWriter writer = new TypeWriter(code);
        Set<String> names = new HashSet<>(Set.of(name));
        List<VariableDeclaration> declared = new ArrayList<>();
        for (TreePath path : first) {
            String own = new NameProposals(code, names).of(path).get(0);
            names.add(own);
            declared.add(new VariableDeclaration(code, new SelectedExpression(path, code.range(path.getLeaf())), own,
                    form, writer));
        }
        declared.add(new VariableDeclaration(code, selected, name, form, writer));
        return declared;
    }

    private static List<String> notes(AttributedFile code, List<VariableDeclaration> declared, Optional<String> doubt) {
        List<String> notes = new ArrayList<>();
        for (VariableDeclaration one : declared.subList(0, declared.size() - 1)) {
            notes.add("'" + shown(code, one.selected()) + "' becomes the variable " + one.name()
                    + ", so that it is still evaluated first");
        }
        doubt.ifPresent(why -> notes.add("only this place is changed: " + why));
        return notes;
    }
}
