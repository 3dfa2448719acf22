package dev.deftchisel.inline;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.Opening;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Modifier;

/** Puts what a local variable, field or method stands for where its name stands. */
public final class InlineOperation implements Operation {

    /**
     * The key of the choice which uses give way: {@code all}, and the declaration goes, all but {@code keep} it, or
     * only the one {@code here}.
     */
    public static final String PLACES = "places";

    private static final Question PLACES_QUESTION = new Question.Choice(
            PLACES,
            "which uses are inlined",
            List.of(new Question.Option("all", "everywhere, and the declaration goes"),
                    new Question.Option("keep", "everywhere, and the declaration stays"),
                    new Question.Option("here", "only in this place")),
            "all");

    /** The key of the choice whether calls in what is written give way in turn: {@code one} level or {@code all}. */
    public static final String LEVELS = "levels";

    private static final String ALL = "all";
    private static final Question LEVELS_QUESTION = new Question.Choice(
            LEVELS,
            "whether the calls in a method's body give way, too",
            List.of(new Question.Option("one", "no, they stay"),
                    new Question.Option(ALL, "yes, and those in their bodies, down to the last")),
            "one");

    /**
     * The key of the choice what becomes of members that the method uses and a caller may not: {@code keep} or
     * {@code open}.
     */
    public static final String ACCESS = "access";

    private static final String OPEN = "open";
    private static final Question ACCESS_QUESTION = new Question.Choice(
            ACCESS,
            "members that the method uses and a caller may not",
            List.of(new Question.Option("keep", "they stay as they are, and the call stays, too"),
                    new Question.Option(OPEN, "they are opened as far as is needed")),
            "keep");

    @Override
    public String id() {
        return "inline";
    }

    @Override
    public String summary() {
        return "Inline a variable, field or method: replace its uses by its value or body";
    }

    @Override
    public List<Question> questions() {
        return List.of(PLACES_QUESTION, LEVELS_QUESTION, ACCESS_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return resolved.symbol().flatMap(symbol -> switch (symbol.kind()) {
            case LOCAL_VARIABLE -> resolved.analysis().code(resolved.file().path())
                    .flatMap(code -> InlinedVariable.of(resolved.analysis(), code, symbol.key())
                            instanceof InlinedVariable.Inlinable found
                            ? Optional.of(offer(resolved, "inline the variable " + symbol.name() + ", used in "
                                    + places(found.variable().uses().size())))
                            : Optional.empty());
            case FIELD -> symbol.isSource() && (symbol.modifiers().contains(Modifier.FINAL) || symbol.isPrivate()
                    && !InlineField.mayBeAssigned(resolved, symbol))
                    ? Optional.of(offer(resolved, "inline the field " + symbol.signature()))
                    : Optional.empty();
            case METHOD -> symbol.isSource() && !symbol.modifiers().contains(Modifier.ABSTRACT)
                    ? Optional.of(offer(resolved, "inline the method " + symbol.signature()))
                    : Optional.empty();
            default -> Optional.empty();
        });
    }

    private Offer offer(ResolvedPlace resolved, String title) {
        return new Offer(id(), title, Offer.Kind.INLINE, resolved.bindings().get(0).range(),
                resolved.symbol().filter(symbol -> symbol.kind() == SymbolKind.METHOD).isPresent() ? questions()
                : List.of(PLACES_QUESTION));
    }

    private static String places(int count) {
        return count == 1 ? "1 place" : count + " places";
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Optional<Symbol> target = resolved.symbol();
        if (target.isEmpty()) {
            return Plan.refused(resolved, "there is no name here that could be inlined");
        }
        boolean onlyHere = answers.single(PLACES).filter("here"::equals).isPresent();
        boolean isUse = resolved.bindings().stream().anyMatch(binding -> binding.role() != Role.DECLARATION);
        if (onlyHere && !isUse) {
            return Plan.refused(resolved, "this is the declaration; put the caret on the use that is to give way");
        }
        boolean stays = answers.single(PLACES).filter("keep"::equals).isPresent();
        return switch (target.get().kind()) {
            case LOCAL_VARIABLE -> variable(resolved, target.get(), analyst, onlyHere, stays);
            case FIELD -> new InlineField(resolved, target.get(), analyst).plan(onlyHere, stays);
            case METHOD -> {
                boolean opens = answers.single(ACCESS).filter(OPEN::equals).isPresent();
                Plan plan = new InlineMethod(resolved, target.get(), analyst).plan(onlyHere, stays, opens);
                boolean goesOn = answers.single(LEVELS).filter(ALL::equals).isPresent();
                Plan whole = goesOn && plan instanceof Plan.Ready ready ? new DeepInlining(analyst, opens)
                        .from(ready, target.get()) : plan;
                yield whole instanceof Plan.Ready ready
                        ? new Plan.Ready(ready.change(), Opening.widened(analyst, ready.before(), ready.change()))
                        : whole;
            }
            default -> Plan.refused(resolved,
                    "only local variables, fields and methods can be inlined, and this is the " + target.get()
                    .describe());
        };
    }

    private static Plan variable(ResolvedPlace resolved, Symbol variable, Analyst analyst, boolean onlyHere,
            boolean stays) {
        Analysis before = analyst.analyse(Focus.around(resolved.file().path(), resolved.place().selection()).deeply());
        AttributedFile code = before.code(resolved.file().path()).orElseThrow();
        InlinedVariable.VariableResult found = InlinedVariable.of(before, code, variable.key());
        if (found instanceof InlinedVariable.NotInlinable no) {
            return Plan.refused(no.reason());
        }
        InlinedVariable inlined = ((InlinedVariable.Inlinable) found).variable();
        List<TreePath> places = onlyHere
                ? inlined.uses().stream().filter(use -> code.range(use.getLeaf()).touches(resolved.place().caret()))
                .toList()
                : inlined.uses();
        return new InlineVariable(before, inlined).plan(places, !stays);
    }
}
