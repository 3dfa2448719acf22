package dev.deftchisel.inline;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Focus;
import dev.deftchisel.analysis.Role;
import dev.deftchisel.analysis.Symbol;
import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.Meaning;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.Spot;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Puts the value of a local variable where its name stands. */
public final class InlineOperation implements Operation {

    /** The key of the choice which uses give way: {@code all}, and the declaration goes, or only the one {@code here}. */
    public static final String PLACES = "places";

    private static final Question PLACES_QUESTION = new Question.Choice(
            PLACES,
            "where the name gives way",
            List.of(new Question.Option("all", "everywhere, and the declaration goes"),
                    new Question.Option("here", "only in this place")),
            "all");

    @Override
    public String id() {
        return "inline";
    }

    @Override
    public String summary() {
        return "Put the value of a local variable where its name stands";
    }

    @Override
    public List<Question> questions() {
        return List.of(PLACES_QUESTION);
    }

    @Override
    public Optional<Offer> offer(Spot spot) {
        Optional<Symbol> target = spot.symbol().filter(symbol -> symbol.kind() == SymbolKind.LOCAL_VARIABLE);
        return target.flatMap(symbol -> spot.analysis().code(spot.file().path()).flatMap(code -> {
            Range name = spot.bindings().get(0).range();
            return Inlined.of(spot.analysis(), code, symbol.key()) instanceof Inlined.Yes found
                    ? Optional.of(new Offer(id(), "inline the variable " + symbol.name() + ", used in "
                            + places(found.variable().uses().size()), Offer.Kind.REFACTORING, name, questions()))
                    : Optional.empty();
        }));
    }

    private static String places(int count) {
        return count == 1 ? "1 place" : count + " places";
    }

    @Override
    public Plan plan(Spot spot, Answers answers, Analyst analyst) {
        Optional<Symbol> target = spot.symbol();
        if (target.isEmpty()) {
            return Plan.refused(spot, "there is no name here that could be inlined");
        } else if (target.get().kind() != SymbolKind.LOCAL_VARIABLE) {
            return Plan.refused(spot, "only local variables can be inlined, and this is the " + target.get().describe());
        }
        Analysis before = analyst.analyse(Focus.around(spot.file().path(), spot.place().selection()).deeply());
        Code code = before.code(spot.file().path()).orElseThrow();
        Inlined.Found found = Inlined.of(before, code, target.get().key());
        if (found instanceof Inlined.No no) {
            return Plan.refused(no.reason());
        }
        Inlined inlined = ((Inlined.Yes) found).variable();
        boolean onlyHere = answers.single(PLACES).filter("here"::equals).isPresent();
        boolean isUse = spot.bindings().stream().anyMatch(binding -> binding.role() != Role.DECLARATION);
        if (onlyHere && !isUse) {
            return Plan.refused(spot, "this is the declaration; put the caret on the use that is to give way");
        }
        List<TreePath> places = onlyHere
                ? inlined.uses().stream().filter(use -> code.range(use.getLeaf()).touches(spot.place().caret())).toList()
                : inlined.uses();
        return plan(before, inlined, places, target.get().name());
    }

    private Plan plan(Analysis before, Inlined inlined, List<TreePath> places, String name) {
        Code code = inlined.code();
        TypeWriter writer = new TypeWriter(code);
        Written written = new Written(inlined, writer);
        Optional<Reason> objection = new SameInPlace(before, inlined, written.conversion()).objection(places);
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        List<Edit> edits = new ArrayList<>();
        for (TreePath place : places) {
            Optional<Edit> edit = written.in(place);
            if (edit.isEmpty()) {
                return Plan.refused(Reason.at(code.file().path(), code.range(place.getLeaf()),
                        "the type of the variable matters here and has no name that could be written"));
            }
            edits.add(edit.get());
        }
        if (places.size() == inlined.uses().size()) {
            edits.add(Edit.of(Layout.removed(code.file(), code.range(inlined.tree())), "", Edit.Kind.CODE));
        }
        edits.addAll(writer.imports());
        Change change = new Change("inline the variable " + name,
                List.of(new FileChange(code.file().path(), Optional.empty(), code.file().text(), edits)),
                Meaning.same(), List.of());
        return new Plan.Ready(change, before);
    }
}
