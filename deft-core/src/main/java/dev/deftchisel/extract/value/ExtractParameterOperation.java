package dev.deftchisel.extract.value;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.extract.ExpressionChoice;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.member.parameter.AddedParameter;
import dev.deftchisel.member.parameter.FamilyBodies;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;

/** Makes a value that a method computes a parameter of it, which every caller passes. */
public final class ExtractParameterOperation implements Operation {

    /** The key of the name. */
    public static final String NAME = "name";
    /** The key of the choice which places become the parameter: {@code here} or {@code all} of the method. */
    public static final String PLACES = "places";
    /**
     * The key of the choice whether calls {@code change}, or {@code stay} as they are with a method that hands the
     * value on.
     */
    public static final String CALLS = "calls";

    private static final Question PLACES_QUESTION = new Question.Choice(
            PLACES,
            "where the parameter is used",
            List.of(new Question.Option("here", "only in this place"),
                    new Question.Option("all", "wherever in the method the value is provably the same")),
            "here");
    private static final Question CALLS_QUESTION = new Question.Choice(
            CALLS,
            "whether the calls change",
            List.of(new Question.Option("change", "each passes the value"),
                    new Question.Option("stay", "they stay, and the method they call passes it on to a new one")),
            "change");

    @Override
    public String id() {
        return "extract-parameter";
    }

    @Override
    public String summary() {
        return "Extract an expression into a parameter, and pass it at every call";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Proposed(NAME, "the name of the parameter", List.of()), ExpressionChoice.anywhere(),
                PLACES_QUESTION,
                CALLS_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return resolved.analysis().code(resolved.file().path()).flatMap(code -> {
            List<SelectedExpression> candidates = SelectedExpression.computed(code, resolved.place().selection());
            return candidates.stream().findFirst()
                    .filter(first -> !first.isPartOfChain(code))
                    .filter(first -> method(code, first).filter(method ->
                            new CallerEvaluation(resolved.analysis(), code, first, method).objection().isEmpty())
                                    .isPresent())
                    .map(first -> offer(code, candidates));
        });
    }

    private Offer offer(AttributedFile code, List<SelectedExpression> candidates) {
        SelectedExpression first = candidates.get(0);
        List<Question> questions = new ArrayList<>();
        ExpressionChoice.among(candidates.stream().map(one -> code.shown(one.range(), 50)).toList())
                .ifPresent(questions::add);
        questions.add(new Question.Proposed(NAME, "the name of the parameter", new NameProposals(code)
                .of(first.path())));
        questions.add(PLACES_QUESTION);
        questions.add(CALLS_QUESTION);
        return new Offer(id(), "extract '" + code.shown(first.range(), 50) + "' to a parameter", Offer.Kind.EXTRACT,
                first.range(), questions);
    }

    /** The method or constructor in whose body a value stands, with its parameters written. */
    private static Optional<TreePath> method(AttributedFile code, SelectedExpression selected) {
        for (TreePath at = selected.path(); at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof MethodTree tree) {
                boolean isInBody = tree.getBody() != null && code.range(tree.getBody()).encloses(selected.range());
                return isInBody && !isOfComponents(code, at) ? Optional.of(at) : Optional.empty();
            } else if (at.getLeaf() instanceof ClassTree) {
                return Optional.empty();
            }
        }
        return Optional.empty();
    }

    /** Whether it is the constructor of a record whose parameters are the components (JLS 8.10.4). */
    private static boolean isOfComponents(AttributedFile code, TreePath method) {
        return code.element(method).filter(element -> element.getKind() == ElementKind.CONSTRUCTOR
                && element.getEnclosingElement().getKind() == ElementKind.RECORD).isPresent();
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Path file = resolved.file().path();
        Analysis around = analyst.analyse(Focus.around(file, resolved.place().selection()).deeply());
        AttributedFile near = around.code(file).orElseThrow();
        List<SelectedExpression> candidates = SelectedExpression.computed(near, resolved.place().selection());
        Optional<SelectedExpression> picked = ExpressionChoice.of(answers, candidates);
        if (picked.isEmpty()) {
            return Plan.refused(resolved, candidates.isEmpty()
                    ? "there is no expression here whose value could be passed;"
                    + " select one, or put the caret in it" : ExpressionChoice.refusal(answers, candidates));
        }
        Optional<TreePath> method = method(near, picked.get());
        if (method.isEmpty()) {
            return Plan.refused(resolved, "this is not in the body of a method that could get another parameter");
        }
        String name = answers.single(NAME).orElseGet(() -> new NameProposals(near).of(picked.get().path()).get(0));
        Optional<String> objection = new NewName(name, SymbolKind.PARAMETER, resolved.file().module().level())
                .objection();
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        Element element = near.element(method.get()).orElseThrow();
        Analysis before = FamilyBodies.with(analyst, analyst.analyse(AddedParameter.focus(analyst, element,
                List.of(file), Set.of(), Map.of(file, List.of(resolved.place().selection())))), near.key(element));
        AttributedFile code = before.code(file).orElseThrow();
        SelectedExpression selected = SelectedExpression.computed(code, resolved.place().selection())
                .get(candidates.indexOf(picked.get()));
        return plan(before, code, selected, name, answers);
    }

    private Plan plan(Analysis before, AttributedFile code, SelectedExpression selected, String name, Answers answers) {
        TreePath method = method(code, selected).orElseThrow();
        if (selected.isPartOfChain(code)) {
            return Plan.refused(Reason.at(code.file().path(), selected.range(),
                    "this is only a part of a longer expression; select one or all of its operands"));
        }
        CallerEvaluation entry = new CallerEvaluation(before, code, selected, method);
        Optional<Reason> objection = entry.objection();
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        SameValue same = new SameValue(before, code, selected);
        boolean wantsAll = answers.single(PLACES).filter("all"::equals).isPresent();
        Optional<String> doubt = wantsAll ? same.doubt() : Optional.empty();
        List<TreePath> places = wantsAll && doubt.isEmpty() ? same.within(method) : List.of(selected.path());
        List<String> notes = doubt.map(why -> "only this place is changed: " + why).stream().toList();
        boolean mayCall = answers.single(CALLS).filter("stay"::equals).isEmpty();
        String title = "extract '" + code.shown(selected.range(), 50) + "' to the parameter " + name;
        return new ParameterEdits(before, entry, name).plan(places, mayCall, title, notes);
    }
}
