package dev.deftchisel.desk.panel.list;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.desk.panel.Item;
import dev.deftchisel.desk.panel.ItemSource;
import dev.deftchisel.desk.panel.PanelHost;
import dev.deftchisel.desk.panel.Picker;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.desk.panel.preview.ChangePanel;
import dev.deftchisel.desk.panel.preview.OutcomeLines;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.header.edited.EditedHeader;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Question;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.detection.ProblemScope;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;

/** What can be done at a place: fixes of what is wrong there, then all offers, each with its preview. */
public final class OffersList {

    private final PanelHost bench;
    private final Function<String, String> keys;

    /** @param keys of an operation by its id; empty text when it has none */
    public OffersList(PanelHost bench, Function<String, String> keys) {
        this.bench = bench;
        this.keys = keys;
    }

    /** Something that can be done. */
    private sealed interface Doing {

        /** Mends a problem in one of its ways. */
        record Mend(Problem problem, int fix) implements Doing {
        }

        /** Carries a header that is typed to what calls and overrides it. */
        record Carry(EditedHeader header) implements Doing, ChangePanel.Planning {

            @Override
            public Outcome plan(Chisel chisel, Answers answers) {
                return chisel.preview(header);
            }

            @Override
            public boolean isWhole() {
                return true;
            }
        }

        /** Takes an offer. */
        record Take(Offer offer) implements Doing {
        }
    }

    /** Shows what can be done where the caret is. */
    public void open() {
        Place place = bench.place();
        String agreed = bench.agreed();
        bench.ask(TaskPurpose.OFFERS, chisel -> {
            List<Doing> all = new ArrayList<>();
            chisel.editedHeader(place, agreed).ifPresent(header -> all.add(new Doing.Carry(header)));
            problems(chisel, place).forEach(problem -> {
                for (int fix = 0; fix < problem.fixes().size(); fix++) {
                    all.add(new Doing.Mend(problem, fix));
                }
            });
            chisel.offers(place).forEach(offer -> all.add(new Doing.Take(offer)));
            return all;
        }, all -> {
            if (all.isEmpty()) {
                bench.say("nothing can be done here; select an expression or statements, or go to a name");
                return;
            }
            bench.open(Picker.of("do", ItemSource.of(all.stream().map(this::item).toList()))
                    .showing((doing, show) -> bench.ask(TaskPurpose.PREVIEW, chisel -> shown(doing, place, chisel),
                            show))
                    .then(bench::close, "take it", doing -> {
                        bench.close();
                        take(doing, place);
                    }));
        });
    }

    private static List<Problem> problems(Chisel chisel, Place place) {
        Problems problems = chisel.problems();
        return problems.in(ProblemScope.of(List.of(place.file()))).stream()
                .filter(problem -> problem.range().touches(place.caret()) || problem.range()
                        .overlaps(place.selection()))
                .map(problems::checked).toList();
    }

    private Item<Doing> item(Doing doing) {
        if (doing instanceof Doing.Mend mend) {
            String words = mend.problem().fixes().get(mend.fix());
            return new Item<>(doing, words + " " + mend.problem().rule(), Line.of("fix ", Ink.WARNING)
                    .and(words, Ink.PLAIN), "");
        }
        if (doing instanceof Doing.Carry carry) {
            return new Item<>(doing, carry.header().title(), Line.of(carry.header().title(), Ink.PLAIN), "");
        }
        Offer offer = ((Doing.Take) doing).offer();
        return new Item<>(doing, offer.title() + " " + offer.operation(), Line.of(offer.title(), Ink.PLAIN),
                keys.apply(offer.operation()));
    }

    private List<Line> shown(Doing doing, Place place, Chisel chisel) {
        if (doing instanceof Doing.Mend mend) {
            List<Line> lines = new ArrayList<>();
            lines.add(Line.of(mend.problem().sentence(), Ink.WARNING));
            lines.addAll(OutcomeLines.all(chisel.problems().fix(mend.problem(), mend.fix()), chisel,
                    chisel.workspace()::show));
            return lines;
        }
        if (doing instanceof Doing.Carry carry) {
            return OutcomeLines.all(chisel.preview(carry.header()), chisel, chisel.workspace()::show);
        }
        Offer offer = ((Doing.Take) doing).offer();
        Optional<Question.Name> name = offer.questions().stream().filter(Question.Name.class::isInstance)
                .map(Question.Name.class::cast)
                .findFirst();
        if (name.isPresent() && !name.get().current().isEmpty()) {
            List<Line> lines = new ArrayList<>(List.of(Line.of("it asks for " + name.get().label(), Ink.QUIET)));
            name.get().proposals().forEach(proposal -> lines.add(Line.of("  " + proposal, Ink.PLAIN)));
            return lines;
        }
        return OutcomeLines.all(chisel.preview(place, offer.operation(), Answers.none()), chisel,
                chisel.workspace()::show);
    }

    private void take(Doing doing, Place place) {
        if (doing instanceof Doing.Mend mend) {
            bench.open(new ChangePanel(bench, mend.problem().fixes().get(mend.fix()), List.of(), Optional.empty(),
                    (chisel, answers) -> chisel.problems().fix(mend.problem(), mend.fix())));
            bench.say(mend.problem().sentence());
        } else if (doing instanceof Doing.Carry carry) {
            bench.open(new ChangePanel(bench, carry.header().title(), List.of(), Optional.empty(), carry));
        } else {
            take(((Doing.Take) doing).offer(), place);
        }
    }

    private void take(Offer offer, Place place) {
        bench.open(new ChangePanel(bench, offer.title(), offer.questions(), Optional.of(offer.operation()),
                (chisel, answers) -> chisel.preview(place, offer.operation(), answers)));
    }

    /** Takes an operation where the caret is, or says that it is not possible there. */
    public void take(String operation) {
        Place place = bench.place();
        bench.ask(TaskPurpose.OFFERS, chisel -> chisel.offers(place).stream()
                .filter(offer -> offer.operation().equals(operation)).findFirst(),
                offer -> offer.ifPresentOrElse(one -> take(one, place),
                        () -> bench.say("'" + operation + "' is not possible here")));
    }

    /** Mends what is wrong at the caret, or else first on its line. */
    public void fix() {
        Place place = bench.place();
        bench.ask(TaskPurpose.OFFERS, chisel -> chisel.problems().fixable(place), problem -> problem.ifPresentOrElse(
                one -> take(new Doing.Mend(one, 0), place), () -> bench.say("there is nothing to fix on this line")));
    }

    /** Mends everything like what is wrong at the caret, in a scope that is asked for. */
    public void fixAlike() {
        Place place = bench.place();
        bench.ask(TaskPurpose.OFFERS, chisel -> chisel.problems().fixable(place), problem -> {
            if (problem.isEmpty()) {
                bench.say("there is nothing to fix on this line");
                return;
            }
            String rule = problem.get().rule();
            List<ListPanels.Answer> scopes = FixScope.ALL.stream().map(scope -> new ListPanels.Answer(scope.words(),
                    () -> fixAll(rule, chisel -> scope.of(chisel, place), scope.words(), found -> found.rule()
                            .equals(rule)))).toList();
            ListPanels.ask(bench, "fix all '" + rule + "' in", scopes);
        });
    }

    private void fixAll(String rule, Function<Chisel, ProblemScope> scope, String where, Predicate<Problem> wanted) {
        bench.open(new ChangePanel(bench, "fix all '" + rule + "' in " + where, List.of(), Optional.empty(),
                (chisel, answers) -> {
            var fixed = chisel.problems().fixAll(scope.apply(chisel), wanted);
            return fixed.outcome().orElseGet(() -> new Outcome.Refusal(fixed.left().isEmpty()
                    ? List.of(dev.deftchisel.operation.Reason.of("there is nothing to fix"))
                    : fixed.left(), List.of()));
        }));
    }
}
