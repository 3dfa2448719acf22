package dev.deftchisel.cli.preview;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.DiffWriter;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.console.Keyboard;
import dev.deftchisel.cli.text.DiffText;
import dev.deftchisel.cli.text.OutcomeText;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Question;
import dev.deftchisel.source.LineMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The conversation about one change: look, leave out, name again, apply. One key each. */
public final class PreviewLoop {

    private static final String NAME = "name";

    private final Chisel chisel;
    private final Console console;
    private final Place place;
    private final Optional<String> operation;
    private final OutcomeText text;
    private final OtherAnswers choices;

    /** @param questions what can be answered otherwise */
    public PreviewLoop(Chisel chisel, Console console, Place place, String operation, List<Question> questions) {
        this(chisel, console, place, Optional.of(operation), questions);
    }

    /** About a fix, of which nothing can be chosen otherwise. */
    PreviewLoop(Chisel chisel, Console console, Place place) {
        this(chisel, console, place, Optional.empty(), List.of());
    }

    private PreviewLoop(Chisel chisel, Console console, Place place, Optional<String> operation,
            List<Question> questions) {
        this.chisel = chisel;
        this.console = console;
        this.place = place;
        this.operation = operation;
        this.text = new OutcomeText(chisel, console.palette());
        this.choices = new OtherAnswers(console, questions);
    }

    /**
     * How the conversation ended.
     *
     * @param applied  the change that was written
     * @param exitCode for the process
     */
    public record End(Optional<Change> applied, int exitCode) {
    }

    public End run(Answers answers, Outcome first) {
        try (Keyboard keyboard = new Keyboard()) {
            return run(keyboard, answers, first);
        }
    }

    public End run(Keyboard keyboard, Answers answers, Outcome first) {
        Answers said = answers;
        Outcome outcome = first;
        show(outcome, true);
        while (true) {
            boolean isPreview = outcome instanceof Outcome.Preview;
            char key = keyboard.ask(console, keys(isPreview), 's');
            switch (key) {
                case 'a' -> {
                    Outcome.Preview preview = (Outcome.Preview) outcome;
                    chisel.apply(preview);
                    text.preview(preview, true).forEach(console.out()::println);
                    return new End(Optional.of(preview.change()), ExitCode.DONE);
                }
                case 'f' -> file(keyboard, (Outcome.Preview) outcome);
                case 'o' -> {
                    outcome = omit(keyboard, (Outcome.Preview) outcome);
                    show(outcome, false);
                }
                case 'n' -> {
                    String name = keyboard.line("new name", said.single(NAME).orElse(""));
                    if (!name.isEmpty()) {
                        said = said.and(NAME, name);
                        outcome = chisel.preview(place, operation.orElseThrow(), said);
                        show(outcome, true);
                    }
                }
                case 'c' -> {
                    Answers chosen = choices.ask(keyboard, said);
                    if (!chosen.equals(said)) {
                        said = chosen;
                        outcome = chisel.preview(place, operation.orElseThrow(), said);
                        show(outcome, true);
                    }
                }
                default -> {
                    console.out().println("nothing was changed");
                    return new End(Optional.empty(), isPreview ? ExitCode.DONE : ExitCode.REFUSED);
                }
            }
        }
    }

    private List<Keyboard.Key> keys(boolean isPreview) {
        List<Keyboard.Key> keys = new ArrayList<>();
        if (isPreview) {
            keys.add(new Keyboard.Key('a', "apply"));
            keys.add(new Keyboard.Key('f', "one file"));
            keys.add(new Keyboard.Key('o', "omit"));
        }
        boolean hasName = operation.stream().flatMap(id -> Chisel.operation(id).questions().stream())
                .anyMatch(question -> question.key().equals(NAME));
        if (hasName) {
            keys.add(new Keyboard.Key('n', "other name"));
        }
        if (!choices.isEmpty()) {
            keys.add(new Keyboard.Key('c', "choose"));
        }
        keys.add(new Keyboard.Key('s', "stop"));
        return keys;
    }

    private void show(Outcome outcome, boolean withDiff) {
        if (outcome instanceof Outcome.Refusal refusal) {
            text.refusal(refusal).forEach(console.out()::println);
            return;
        }
        Outcome.Preview preview = (Outcome.Preview) outcome;
        if (withDiff) {
            new DiffText(console.palette()).lines(new DiffWriter(chisel.workspace()).write(preview.change()))
                    .forEach(console.out()::println);
            console.out().println();
        }
        text.preview(preview, false).forEach(console.out()::println);
    }

    private void file(Keyboard keyboard, Outcome.Preview preview) {
        List<FileChange> files = preview.change().effective();
        for (int i = 0; i < files.size(); i++) {
            console.out().printf("%3d  %s, %d edits%n", i + 1, chisel.workspace().show(files.get(i).path()),
                    files.get(i).takenEdits().size());
        }
        number(keyboard.line("which file", ""), files.size()).ifPresent(index ->
                new DiffText(console.palette()).lines(new DiffWriter(chisel.workspace()).write(files.get(index)))
                        .forEach(console.out()::println));
    }

    /** Lists every edit that can be switched and lets the guard judge what is left. */
    private Outcome omit(Keyboard keyboard, Outcome.Preview preview) {
        record Line(FileChange file, Edit edit) {
        }

        List<Line> lines = new ArrayList<>();
        for (FileChange file : preview.change().files()) {
            LineMap map = LineMap.of(file.before().content());
            for (Edit edit : file.edits()) {
                lines.add(new Line(file, edit));
                int line = map.line(edit.range().start());
                console.out().printf("%3d %s %s  %s  %s%n", lines.size(), edit.isTaken() ? "[x]" : "[ ]",
                        console.palette().place(chisel.workspace().show(file.path()) + ":" + line),
                        console.palette().quiet(edit.kind().words()), map.text(line).strip());
            }
        }
        String given = keyboard.line("switch which (numbers, or a part of a path)", "");
        if (given.isEmpty()) {
            return preview;
        }
        List<Edit> switched = new ArrayList<>();
        List<FileChange> where = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            int index = i;
            boolean byNumber = List.of(given.split("[\\s,]+")).contains(String.valueOf(index + 1));
            boolean byPath = !given.matches("[\\d\\s,]+")
                    && chisel.workspace().show(lines.get(i).file().path()).contains(given);
            if (byNumber || byPath) {
                switched.add(lines.get(i).edit());
                where.add(lines.get(i).file());
            }
        }
        Outcome chosen = chisel.choose(preview, (file, edit) -> {
            boolean isSwitched = false;
            for (int i = 0; i < switched.size(); i++) {
                isSwitched |= switched.get(i) == edit && where.get(i) == file;
            }
            return edit.isTaken() != isSwitched;
        });
        if (chosen instanceof Outcome.Refusal refusal) {
            console.out().println("that cannot be left out:");
            text.reasons(refusal).forEach(console.out()::println);
            console.out().println();
            return preview;
        }
        return chosen;
    }

    private static Optional<Integer> number(String given, int count) {
        if (!given.matches("\\d{1,6}")) {
            return Optional.empty();
        }
        int number = Integer.parseInt(given);
        return number >= 1 && number <= count ? Optional.of(number - 1) : Optional.empty();
    }
}
