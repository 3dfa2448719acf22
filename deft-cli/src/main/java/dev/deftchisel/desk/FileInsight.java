package dev.deftchisel.desk;

import dev.deftchisel.Uses;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.desk.code.CodeView;
import dev.deftchisel.desk.code.Mark;
import dev.deftchisel.desk.file.Saving;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.desk.text.Draft;
import dev.deftchisel.desk.text.TextDifference;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.detection.ProblemScope;
import java.util.List;
import java.util.Optional;

/**
 * What is known of the file that is looked at: its problems, and what is at the caret. Looked for anew when something
 * changes.
 */
final class FileInsight {

    private final Desk desk;
    private List<Mark> marks = List.of();
    private List<CodeView.Use> uses = List.of();
    private Optional<String> symbol = Optional.empty();
    /** Of which text the marks and uses are. */
    private String text = "";
    private Optional<Buffer> buffer = Optional.empty();
    private int caret = -1;
    private boolean isStale;

    FileInsight(Desk desk) {
        this.desk = desk;
    }

    List<Mark> marks() {
        return marks;
    }

    List<CodeView.Use> uses() {
        return uses;
    }

    /** What is at the caret, in words. */
    Optional<String> symbol() {
        return symbol;
    }

    /** Looks again if the text or the caret is another one. */
    void follow(Buffer now) {
        boolean isOther = buffer.filter(known -> known == now).isEmpty();
        Draft draft = now.draft();
        boolean isEdited = !isOther && !draft.content().equals(text);
        if (isEdited) {
            TextDifference edit = TextDifference.between(text, draft.content());
            marks = marks.stream().map(mark -> mark.after(edit)).toList();
        }
        if (isOther) {
            marks = List.of();
        }
        if (isOther || isEdited || isStale) {
            isStale = false;
            buffer = Optional.of(now);
            text = draft.content();
            problems(now, draft.content());
        }
        if (isOther || isEdited || caret != draft.caret().head()) {
            caret = draft.caret().head();
            uses = isEdited || isOther || uses.stream().noneMatch(use -> use.range().touches(caret)) ? List.of() : uses;
            symbol = uses.isEmpty() ? Optional.empty() : symbol;
            here(now, draft);
        }
    }

    /** Looks again at everything, since other files may have changed. */
    void again() {
        isStale = true;
        caret = -1;
    }

    private void problems(Buffer now, String content) {
        desk.ask(TaskPurpose.PROBLEMS, chisel -> chisel.problems().in(ProblemScope.of(List.of(now.path()))),
                problems -> {
            if (now.draft().content().equals(content)) {
                marks = problems.stream().map(problem -> new Mark(problem, problem.range())).toList();
            }
        });
    }

    private void here(Buffer now, Draft draft) {
        Place place = desk.place();
        record Found(Optional<Symbol> symbol, List<Uses.Use> uses, Optional<byte[]> outside) {
        }
        var saved = now.saved();
        desk.ask(TaskPurpose.HERE, chisel -> new Found(chisel.symbol(place),
                chisel.navigator().usesInFile(place).map(Uses::all).orElse(List.of()),
                Saving.outside(place.file(), saved)), found -> {
                    if (now.draft() == draft) {
                        symbol = found.symbol().map(Symbol::describe);
                        uses = found.uses().stream().map(use -> new CodeView.Use(use.range(),
                                use.role() == Role.WRITE || use.role() == Role.DECLARATION)).toList();
                    }
                    if (now.saved() == saved) {
                        found.outside().ifPresent(bytes -> desk.changedOutside(now, bytes));
                    }
                });
    }

    /** The problem at the caret, else the worst on its line. */
    Optional<Problem> here(Draft draft) {
        int head = draft.caret().head();
        return marks.stream().filter(mark -> mark.range().touches(head))
                .min((one, other) -> one.range().length() - other.range().length())
                .or(() -> marks.stream().filter(mark -> draft.lines()
                        .line(Math.min(mark.range().start(), draft.content().length()))
                        == draft.line()).max((one, other) -> one.problem().severity()
                        .compareTo(other.problem().severity())))
                .map(Mark::problem);
    }

    /** The problem after or before the caret, or else the first or last of all. */
    Optional<Mark> beside(Draft draft, boolean isNext) {
        int head = draft.caret().head();
        List<Mark> inOrder = marks.stream().sorted((one, other) -> one.range().compareTo(other.range())).toList();
        if (isNext) {
            return inOrder.stream().filter(mark -> mark.range().start() > head).findFirst()
                    .or(() -> inOrder.stream().findFirst());
        }
        return inOrder.stream().filter(mark -> mark.range().start() < head).reduce((one, other) -> other)
                .or(() -> inOrder.stream().reduce((one, other) -> other));
    }
}
