package dev.deftchisel.desk.panel.preview;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.desk.key.Command;
import dev.deftchisel.desk.key.KeyContext;
import dev.deftchisel.desk.panel.Panel;
import dev.deftchisel.desk.panel.PanelHost;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.desk.picture.Ground;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.desk.picture.Pen;
import dev.deftchisel.desk.picture.Style;
import dev.deftchisel.desk.picture.Widths;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import dev.deftchisel.source.LineMap;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/**
 * A change before it is made: what it asks on top, what would become of the code below, computed anew with every
 * answer. Nothing is applied that is not to be seen.
 */
public final class ChangePanel implements Panel {

    /** How a change comes to be. */
    @FunctionalInterface
    public interface Planning {

        /** What comes of some answers. */
        Outcome plan(Chisel chisel, Answers answers);

        /** Whether nothing of it can be left out. */
        default boolean isWhole() {
            return false;
        }
    }

    private final PanelHost bench;
    private final String title;
    private final Planning planning;
    private final Optional<String> operation;
    private final List<AnswerRow> answers;
    private final ChangeRows changes;
    private Optional<Outcome> outcome = Optional.empty();
    private List<Line> heads = List.of();
    private List<ChangeRows.Row> rows = List.of();
    private boolean isCurrent;
    private boolean inAnswers;
    private int answer;
    private int row;
    private int page = 1;

    /**
     * Shows what would come of a plan.
     *
     * @param questions what can be answered; those that have only one answer are left out
     * @param operation that is taken, so that it can be taken again; empty for fixes
     */
    public ChangePanel(PanelHost bench, String title, List<Question> questions, Optional<String> operation,
            Planning planning) {
        this.bench = bench;
        this.title = title;
        this.planning = planning;
        this.operation = operation;
        this.changes = new ChangeRows(bench::shown);
        this.answers = questions.stream().filter(ChangePanel::isOpen).map(AnswerRow::of).toList();
        // names and members are what people come to say; the rest is there for those who want it otherwise
        OptionalInt first = IntStream.range(0, answers.size()).filter(i -> isAsked(answers.get(i).question()))
                .findFirst();
        this.inAnswers = first.isPresent();
        this.answer = first.orElse(0);
        plan();
    }

    private static boolean isOpen(Question question) {
        return !(question instanceof Question.Choice choice && choice.options().size() < 2)
                && !(question instanceof Question.Members members && members.candidates().size() < 2);
    }

    private static boolean isAsked(Question question) {
        return question instanceof Question.Name || question instanceof Question.Proposed
                || question instanceof Question.Members || isEdited(question);
    }

    /** A text that is there is what people come to change. */
    private static boolean isEdited(Question question) {
        return question instanceof Question.Text text && !text.defaultAnswer().isEmpty();
    }

    @Override
    public KeyContext where() {
        return KeyContext.TAKE;
    }

    @Override
    public String title() {
        return title;
    }

    /** What would come of it; empty while that is computed. */
    public Optional<Outcome> outcome() {
        return isCurrent ? outcome : Optional.empty();
    }

    private Answers said() {
        Answers said = Answers.none();
        for (AnswerRow one : answers) {
            said = one.add(said);
        }
        return said;
    }

    private void plan() {
        isCurrent = false;
        if (answers.stream().anyMatch(AnswerRow::isOpen)) {
            outcome = Optional.empty();
            rows = List.of();
            heads = List.of(Line.of("type a name", Ink.QUIET));
            return;
        }
        Answers said = said();
        bench.ask(TaskPurpose.PREVIEW, chisel -> Judged.of(planning.plan(chisel, said), chisel), planned -> {
            if (said.equals(said())) {
                show(planned);
            }
        });
    }

    /**
     * What comes of some answers or switches.
     *
     * @param heads what it is in words
     */
    private record Judged(Outcome outcome, List<Line> heads) {

        static Judged of(Outcome outcome, Chisel chisel) {
            return new Judged(outcome, OutcomeLines.head(outcome, chisel));
        }
    }

    private void show(Judged now) {
        outcome = Optional.of(now.outcome());
        isCurrent = true;
        heads = now.heads();
        rows = now.outcome() instanceof Outcome.Preview preview ? changes.of(preview) : List.of();
        row = Math.min(row, Math.max(0, rows.size() - 1));
    }

    @Override
    public void take(Command command) {
        switch (command) {
            case CLOSE -> bench.close();
            case PART -> inAnswers = !inAnswers && !answers.isEmpty();
            case CHOOSE -> choose();
            case NEXT -> step(1);
            case PREVIOUS -> step(-1);
            case NEXT_PAGE -> page(1);
            case PREVIOUS_PAGE -> page(-1);
            default -> {
                if (inAnswers) {
                    if (answers.get(answer).take(command)) {
                        plan();
                    }
                } else if (command == Command.SWITCH) {
                    toggle();
                } else if (command == Command.OTHER) {
                    say();
                }
            }
        }
    }

    private void choose() {
        boolean isReady = isCurrent && outcome.filter(Outcome.Preview.class::isInstance).isPresent();
        if (!isReady) {
            bench.say(answers.stream().anyMatch(AnswerRow::isOpen) ? "type a name first"
                    : isCurrent ? "this is refused; the reasons are below" : "this is being computed, please wait");
        } else if (inAnswers) {
            inAnswers = false;
        } else if (((Outcome.Preview) outcome.orElseThrow()).change().effective().isEmpty()) {
            bench.say("there is nothing left to change");
        } else {
            bench.apply((Outcome.Preview) outcome.orElseThrow(), operation);
        }
    }

    private void step(int by) {
        if (inAnswers) {
            if (!answers.get(answer).step(by)) {
                int next = answer + by;
                if (next >= answers.size()) {
                    inAnswers = false;
                    row = 0;
                } else {
                    answer = Math.max(0, next);
                }
            }
            return;
        }
        int next = row + by;
        while (next >= 0 && next < rows.size() && !rows.get(next).isSwitch()) {
            next += by;
        }
        if (next < 0 && !answers.isEmpty()) {
            inAnswers = true;
            answer = answers.size() - 1;
        } else {
            row = next < 0 || next >= rows.size() ? row : next;
        }
    }

    private void page(int by) {
        inAnswers = false;
        row = Math.max(0, Math.min(rows.size() - 1, row + by * page));
    }

    /** Begins to say what stands at a place of the change, where that may be said for each. */
    private void say() {
        OptionalInt placed = placed();
        Optional<Edit> edit = rows.isEmpty() ? Optional.empty() : rows.get(row).edit();
        if (placed.isPresent() && edit.isPresent()) {
            FileChange file = rows.get(row).file();
            String content = file.before().content();
            int start = edit.get().range().start();
            // a list is named by what opens it, since its first argument may be a call as well
            int at = start > 0 && content.charAt(start - 1) == '(' ? start - 1 : start;
            ((AnswerRow.TextRow) answers.get(placed.getAsInt())).begin(named(file.path()) + ":"
                    + LineMap.of(content).position(at));
            inAnswers = true;
            answer = placed.getAsInt();
        }
    }

    /** A file by its name alone, where no other of the change has the same. */
    private String named(Path file) {
        boolean isClear = rows.stream().map(one -> one.file().path()).distinct()
                .filter(path -> path.getFileName().equals(file.getFileName())).count() == 1;
        return isClear ? file.getFileName().toString() : bench.shown(file);
    }

    private OptionalInt placed() {
        return IntStream.range(0, answers.size()).filter(i -> answers.get(i).question() instanceof Question.Placed)
                .findFirst();
    }

    private void toggle() {
        if (!(outcome.orElse(null) instanceof Outcome.Preview preview) || !isCurrent || rows.isEmpty() || !rows.get(row)
                .isSwitch()) {
            return;
        } else if (planning.isWhole()) {
            bench.say("all of this goes together");
            return;
        }
        ChangeRows.Row chosen = rows.get(row);
        boolean isOn = chosen.edit().map(Edit::isTaken)
                .orElseGet(() -> chosen.file().edits().stream().anyMatch(Edit::isTaken));
        isCurrent = false;
        bench.ask(TaskPurpose.PREVIEW, chisel -> Judged.of(chisel.choose(preview, (file, edit) -> {
            boolean isMeant = file == chosen.file() && chosen.edit().map(one -> one == edit).orElse(true);
            return isMeant ? !isOn : edit.isTaken();
        }), chisel), now -> {
            if (now.outcome() instanceof Outcome.Refusal) {
                isCurrent = true;
                bench.say("that cannot be left out: " + now.heads().get(1).text().strip());
            } else {
                show(now);
            }
        });
    }

    @Override
    public void type(String text) {
        if (inAnswers && answers.get(answer).type(text)) {
            plan();
        }
    }

    @Override
    public void draw(Pen pen) {
        pen.clear();
        Line.of(title, Style.PLAIN.strongly()).draw(pen, 0, 1);
        int at = 1;
        int label = answers.stream().mapToInt(one -> Widths.of(one.question().label())).max().orElse(0) + 2;
        int from = Math.max(0, Math.min(answer - 1, answers.size() - Math.max(1, pen.height() / 3)));
        int last = Math.min(answers.size(), from + Math.max(1, pen.height() / 3));
        for (int i = from; i < last && at < pen.height(); i++) {
            at = answer(pen, at, i, Math.min(label, pen.width() / 2));
        }
        for (Line head : heads) {
            head.draw(pen, at++, 1);
        }
        if (!isCurrent && outcome.isPresent()) {
            pen.write(at - 1, pen.width() - 2, "\u2026", Style.of(Ink.KEY));
        } else if (!isCurrent && heads.isEmpty()) {
            pen.write(at++, 1, "working it out \u2026", Style.of(Ink.QUIET));
        }
        changes(pen.in(pen.area().rows(at, pen.height())));
    }

    private int answer(Pen pen, int at, int index, int label) {
        AnswerRow one = answers.get(index);
        boolean isHere = inAnswers && index == answer;
        Line.of(Widths.fit(one.question().label(), label - 1), Ink.QUIET).draw(pen, at, 2);
        one.line(isHere).draw(pen, at, 2 + label);
        if (isHere) {
            pen.restyle(at, 0, pen.width(), style -> style.ground() == Ground.SELECTED ? style : style.on(Ground.HERE));
            pen.write(at, 0, "\u25b8", Style.of(Ink.KEY).on(Ground.HERE));
            if (one instanceof AnswerRow.TextRow written) {
                pen.caret(at, 2 + label + Widths.of(written.text()));
            } else if (one instanceof AnswerRow.EditedRow edited) {
                pen.caret(at, 2 + label + Widths.of(edited.beforeCaret()));
            }
            return at + 1 + one.below(pen, at + 1);
        }
        return at + 1;
    }

    private void changes(Pen pen) {
        page = Math.max(1, pen.height());
        int from = Math.max(0, Math.min(row - page / 3, rows.size() - page));
        for (int i = 0; i < page && from + i < rows.size(); i++) {
            rows.get(from + i).fitting(pen.width() - 1).draw(pen, i, 1);
            if (!inAnswers && from + i == row) {
                pen.restyle(i, 0, pen.width(), style -> style.on(Ground.HERE));
            }
        }
    }

    @Override
    public Optional<String> about() {
        return !inAnswers ? Optional.empty() : Optional.of(answers.get(answer).question().label() + ": "
                + answers.get(answer).line(false).text());
    }

    @Override
    public List<Hint> hints() {
        List<Hint> hints = new ArrayList<>();
        if (inAnswers) {
            hints.add(new Hint(Command.CHOOSE, "to the changes"));
            AnswerRow here = answers.get(answer);
            if (here instanceof AnswerRow.MembersRow) {
                hints.add(new Hint(Command.SWITCH, "on or off"));
                hints.add(new Hint(Command.OTHER, "all"));
                hints.add(new Hint(Command.OTHER_BACK, "none"));
                hints.add(new Hint(Command.EARLIER, "earlier"));
                hints.add(new Hint(Command.LATER, "later"));
            } else if (here instanceof AnswerRow.EditedRow) {
                hints.add(new Hint(Command.OTHER_BACK, "back"));
                hints.add(new Hint(Command.OTHER, "on"));
            } else {
                hints.add(new Hint(Command.OTHER, "another answer"));
            }
        } else {
            hints.add(new Hint(Command.CHOOSE, "apply"));
            hints.add(new Hint(Command.SWITCH, "leave out or take"));
            if (placed().isPresent() && !rows.isEmpty() && rows.get(row).edit().isPresent()) {
                hints.add(new Hint(Command.OTHER, "another value here"));
            }
            if (!answers.isEmpty()) {
                hints.add(new Hint(Command.PART, "to the answers"));
            }
        }
        hints.add(new Hint(Command.NEXT, "next"));
        hints.add(new Hint(Command.CLOSE, "leave"));
        return hints;
    }
}
