package dev.deftchisel.cli;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.change.Change;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.console.Keyboard;
import dev.deftchisel.cli.console.Palette;
import dev.deftchisel.cli.option.ChiselCommand;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.preview.OrderedChoice;
import dev.deftchisel.cli.preview.OtherAnswers;
import dev.deftchisel.cli.preview.PreviewLoop;
import dev.deftchisel.cli.preview.ProblemLoop;
import dev.deftchisel.journal.JournalException;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.PlaceException;
import dev.deftchisel.operation.Question;
import dev.deftchisel.source.Position;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** The keyboard loop at one place: see it, take an offer, preview, apply, see where you are now, go on. */
@Command(name = "at", description = AtCommand.WHAT)
final class AtCommand extends ChiselCommand {

    static final String WHAT = "Work at a place by single keys: see it, apply an offer, go on.";

    /** The one question about several that is asked before there is anything to see. */
    private static final String MEMBERS = "members";
    /** Keys that no operation can take, since they are no letters. */
    private static final char NEXT_PROBLEM = '.';
    private static final char FIX = ',';
    private static final char OTHER_FIX = ';';
    private static final int LINES_AROUND = 5;
    private static final int MOST_TARGETS = 9;

    @Parameters(index = "0", paramLabel = "PLACE", description = "where; see 'deft --help'")
    private String start;

    AtCommand(Console console) {
        super(console);
    }

    @Override
    protected int run(Chisel chisel, Console console, CommonOptions options) {
        Place place = chisel.place(start);
        if (!console.isTerminal()) {
            show(chisel, console, place);
            console.say("deft: 'deft at' asks for keys, so it needs a terminal");
            return ExitCode.USAGE;
        }
        try (Keyboard keyboard = new Keyboard()) {
            return loop(chisel, console, keyboard, place);
        }
    }

    static int loop(Chisel chisel, Console console, Keyboard keyboard, Place first) {
        Place place = first;
        List<Place> written = List.of();
        while (true) {
            show(chisel, console, place);
            Map<Character, Offer> offers = keys(chisel.offers(place));
            List<Keyboard.Key> keys = new ArrayList<>();
            offers.forEach((key, offer) -> keys.add(new Keyboard.Key(key, offer.title())));
            if (offers.isEmpty()) {
                console.out().println(console.palette().quiet("nothing to offer here"));
            }
            List<Place> targets = targets(chisel, place, written);
            keys.add(new Keyboard.Key(NEXT_PROBLEM, "next problem"));
            keys.add(new Keyboard.Key(FIX, "fix it"));
            keys.add(new Keyboard.Key(OTHER_FIX, "another way"));
            keys.add(new Keyboard.Key('g', "go to"));
            if (!targets.isEmpty()) {
                keys.add(new Keyboard.Key('j', "jump to "
                        + (targets.size() == 1 ? name(targets.get(0)) : "what belongs to it")));
            }
            keys.add(new Keyboard.Key('u', "undo"));
            keys.add(new Keyboard.Key('q', "leave"));
            char key = keyboard.ask(console, keys, 'q');
            if (key == 'q') {
                return ExitCode.DONE;
            }
            // files may have been edited in another window meanwhile
            chisel.refresh();
            place = within(chisel, place);
            switch (key) {
                case 'g' -> place = go(chisel, console, keyboard, place);
                case 'j' -> place = jump(chisel, console, keyboard, place, targets(chisel, place, written));
                case 'u' -> undo(chisel, console);
                case NEXT_PROBLEM -> place = new ProblemLoop(chisel, console).next(place);
                case FIX -> place = after(chisel, console, place, new ProblemLoop(chisel, console).fix(keyboard, place))
                        .place();
                case OTHER_FIX -> place = after(chisel, console, place, new ProblemLoop(chisel, console)
                        .choose(keyboard, place)).place();
                default -> {
                    NextStep taken = take(chisel, console, keyboard, place, offers.get(key));
                    place = taken.place();
                    written = taken.change().map(Chisel::writtenPlaces).orElse(written);
                }
            }
            place = within(chisel, place);
        }
    }

    /** What was written last, elsewhere, and the tests of what is here or what is tested here. */
    private static List<Place> targets(Chisel chisel, Place here, List<Place> written) {
        return Stream.concat(written.stream(), chisel.counterparts(here).stream())
                .filter(place -> !place.file().equals(here.file()) && chisel.snapshot().file(place.file())
                        .filter(file -> place.caret() <= file.content().length()).isPresent())
                .distinct().limit(MOST_TARGETS).toList();
    }

    private static String name(Place place) {
        return place.file().getFileName().toString();
    }

    private static Place jump(Chisel chisel, Console console, Keyboard keyboard, Place here, List<Place> targets) {
        if (targets.size() == 1) {
            return targets.get(0);
        }
        OptionalInt number = OtherAnswers.number(console, keyboard, targets.stream()
                .map(place -> CounterpartCommand.shown(chisel, place))
                .toList());
        return number.isEmpty() ? here : targets.get(number.getAsInt());
    }

    /** The first letter that is still free of what each operation is about: {@code v} for {@code extract-variable}. */
    private static Map<Character, Offer> keys(List<Offer> offers) {
        Map<Character, Offer> keys = new LinkedHashMap<>();
        Set<Character> taken = new HashSet<>(Set.of('g', 'j', 'u', 'q'));
        for (Offer offer : offers) {
            String about = offer.operation().substring(offer.operation().lastIndexOf('-') + 1);
            for (char c : (about + offer.operation() + "abcdefghijklmnopqrstuvwxyz").toCharArray()) {
                if (Character.isLetter(c) && taken.add(c)) {
                    keys.put(c, offer);
                    break;
                }
            }
        }
        return keys;
    }

    private static Place go(Chisel chisel, Console console, Keyboard keyboard, Place from) {
        String given = keyboard.line("place", "");
        if (given.isEmpty()) {
            return from;
        }
        try {
            return chisel.place(given);
        } catch (PlaceException nowhere) {
            console.out().println(nowhere.getMessage());
            return from;
        }
    }

    private static void undo(Chisel chisel, Console console) {
        try {
            console.out().println("taken back: " + chisel.undo().title());
        } catch (JournalException nothing) {
            console.out().println(nothing.getMessage());
        }
    }

    /** Where it goes on, and what was applied. */
    private record NextStep(Place place, Optional<Change> change) {
    }

    private static NextStep take(Chisel chisel, Console console, Keyboard keyboard, Place place, Offer offer) {
        Answers answers = Answers.none();
        boolean isDefault = true;
        for (Question question : offer.questions()) {
            if (question instanceof Question.Proposed && !isDefault) {
                // what is proposed is for the standard choice; the preview shows the name and lets it be changed
                continue;
            }
            if (question instanceof Question.Members members) {
                answers = members.key().equals(MEMBERS) && members.candidates().size() > 1
                        ? answers.and(MEMBERS, new OrderedChoice(console)
                                .ask(keyboard, members, members.defaultAnswer()))
                        : answers;
                continue;
            }
            Optional<String> answer = ask(console, keyboard, offer, question);
            if (answer.filter(String::isEmpty).isPresent()) {
                return new NextStep(place, Optional.empty());
            }
            answers = answer.isPresent() ? answers.and(question.key(), answer.get()) : answers;
            isDefault &= !(question instanceof Question.Choice choice) || answer.orElse(choice.defaultAnswer())
                    .equals(choice.defaultAnswer());
        }
        Outcome outcome = chisel.preview(place, offer.operation(), answers);
        PreviewLoop.End end = new PreviewLoop(chisel, console, place, offer.operation(), questions(offer))
                .run(keyboard, answers, outcome);
        return after(chisel, console, place, end);
    }

    private static NextStep after(Chisel chisel, Console console, Place place, PreviewLoop.End end) {
        return new NextStep(end.applied().map(change -> moved(chisel, console, place, change)).orElse(place),
                end.applied());
    }

    /** What the operation may ask, as this place knows it. */
    private static List<Question> questions(Offer offer) {
        List<Question> all = new ArrayList<>(offer.questions());
        Chisel.operation(offer.operation()).questions().stream()
                .filter(question -> offer.questions().stream().noneMatch(known -> known.key().equals(question.key())))
                .forEach(all::add);
        return all;
    }

    /** An answer; empty text when the user leaves, nothing when the standard will do. */
    private static Optional<String> ask(Console console, Keyboard keyboard, Offer offer, Question question) {
        if (question instanceof Question.Name name) {
            proposed(console, name.proposals());
            return Optional.of(keyboard.line(name.label(), name.current()));
        } else if (question instanceof Question.Proposed name) {
            proposed(console, name.proposals().subList(Math.min(1, name.proposals().size()), name.proposals().size()));
            return Optional.of(keyboard.line(name.label(), name.proposals().isEmpty() ? "" : name.proposals().get(0)));
        } else if (question instanceof Question.Flag flag && offer.kind() == Offer.Kind.REFACTORING) {
            char yes = keyboard.ask(console, List.of(
                    new Keyboard.Key('y', flag.label()), new Keyboard.Key('n', "no")), 'n');
            return Optional.of(String.valueOf(yes == 'y'));
        } else if (question instanceof Question.Choice choice && isOfPlace(offer, choice)) {
            return Optional.of(OtherAnswers.pick(console, keyboard, choice));
        }
        return Optional.empty();
    }

    private static void proposed(Console console, List<String> names) {
        if (!names.isEmpty()) {
            console.out().println(console.palette().quiet("or " + String.join(", ", names)));
        }
    }

    /** Whether only this place knows what there is to choose from; what is always the same is left at its standard. */
    private static boolean isOfPlace(Offer offer, Question.Choice choice) {
        return choice.options().size() > 1 && Chisel.operation(offer.operation()).questions().stream()
                .noneMatch(known -> known instanceof Question.Choice && known.key().equals(choice.key()));
    }

    /** Where the caret is after a change. */
    private static Place moved(Chisel chisel, Console console, Place place, Change change) {
        int linked = Chisel.linkedPlaces(change).size();
        if (linked > 0) {
            console.out().println(console.palette().quiet(
                    linked + (linked == 1 ? " linked place carries" : " linked places carry") + " the new name"));
        }
        Range caret = new Range(place.caret(), place.caret());
        Range now = change.mapping().name(place.file(), caret).orElse(caret);
        return within(chisel, new Place(change.mapping().file(place.file()), new Range(now.start(), now.start())));
    }

    /** The nearest place that exists: a file may be gone or shorter after a change was taken back. */
    private static Place within(Chisel chisel, Place place) {
        return chisel.snapshot().file(place.file())
                .map(file -> {
                    int caret = Math.min(place.caret(), file.content().length());
                    return new Place(file.path(), new Range(caret, caret));
                })
                .orElseGet(() -> new Place(chisel.snapshot().files().iterator().next().path(), new Range(0, 0)));
    }

    private static void show(Chisel chisel, Console console, Place place) {
        SourceFile file = chisel.snapshot().source(place.file());
        Position position = file.position(place.caret());
        Palette palette = console.palette();
        console.out().println();
        console.out().println(palette.place(chisel.workspace().show(file.path()) + ":" + position)
                + chisel.symbol(place).map(symbol -> "  " + palette.strong(symbol.describe())).orElse(""));
        int last = Math.min(file.lines().count(), position.line() + LINES_AROUND);
        for (int line = Math.max(1, position.line() - LINES_AROUND); line <= last; line++) {
            boolean isHere = line == position.line();
            String number = "%5d ".formatted(line);
            String text = file.lines().text(line).replace("\t", "    ");
            console.out().println(isHere
                    ? palette.strong(number + "| " + text)
                    : palette.quiet(number) + "| " + text);
            if (isHere) {
                String before = file.lines().text(line).substring(0, place.caret() - file.lines().rangeOf(line)
                        .start());
                console.out().println("      | " + " ".repeat(before.replace("\t", "    ").length())
                        + palette.key("^"));
            }
        }
        console.out().println();
    }
}
