package dev.deftchisel.desk.text;

import dev.deftchisel.source.SourceText;
import java.nio.file.Path;

/** A file that is open: its text as it is now, as it is on disk, and the steps between. */
public final class Buffer {

    private final Steps steps = new Steps();
    private final Typing typing;
    private Path path;
    private SourceText saved;
    /** The text when calls and overrides agreed with its headers last. */
    private String agreed;
    private Draft draft;
    private Folds folds = Folds.NONE;
    private int top;
    private int left;
    private boolean isTrial;

    /**
     * A file as it was read.
     *
     * @param indent one step of indentation in it
     */
    public Buffer(Path path, SourceText saved, String indent) {
        this.path = path;
        this.saved = saved;
        this.agreed = saved.content();
        this.draft = Draft.of(saved.content(), 0);
        this.typing = new Typing(indent, saved.content().contains("\r\n") ? "\r\n" : "\n");
    }

    /** Absolute. */
    public Path path() {
        return path;
    }

    /** The text and the carets. */
    public Draft draft() {
        return draft;
    }

    /** What writing does here. */
    public Typing typing() {
        return typing;
    }

    /** What can be taken back. */
    public Steps steps() {
        return steps;
    }

    /** The text as it is on disk, as far as is known. */
    public SourceText saved() {
        return saved;
    }

    /** The text when calls and overrides agreed with its headers last: as it was read, or a change was made. */
    public String agreed() {
        return agreed;
    }

    /** From now on calls and overrides agree with the headers as they are. */
    public void agree() {
        agreed = draft.content();
    }

    /** Whether there is something that is not on disk. */
    public boolean isDirty() {
        return !draft.content().equals(saved.content());
    }

    /** What is folded away. */
    public Folds folds() {
        return folds;
    }

    /** Folds something, or unfolds it. */
    public void fold(Folds other) {
        folds = other;
    }

    /** The first line that is shown, from 1. */
    public int top() {
        int line = Math.max(1, Math.min(top, draft.lines().count()));
        return folds.isHidden(draft.lines(), line) ? folds.step(draft.lines(), line, -1) : line;
    }

    /** The number of columns that are not shown since they are left of what is. */
    public int left() {
        return left;
    }

    /** Shows another part. */
    public void scroll(int toLine, int toColumn) {
        top = toLine;
        left = toColumn;
    }

    /** Moves carets only; what is folded around one of them opens. */
    public void move(Draft other) {
        become(other);
    }

    private void become(Draft other) {
        if (!folds.ranges().isEmpty()) {
            if (!other.content().equals(draft.content())) {
                folds = folds.after(TextDifference.between(draft.content(), other.content()));
            }
            other.carets().forEach(caret -> folds = folds.showing(other.lines(), other.lines().line(caret.head())));
        }
        draft = other;
    }

    /** Another text, which can be taken back. */
    public void edit(Draft other, boolean isTyping) {
        if (!isTrial && !other.content().equals(draft.content())) {
            steps.edited(draft, other, isTyping);
        }
        become(other);
    }

    /** From now on edits are only shown, until the text is another one by {@link #settle}. */
    public void tryOut() {
        isTrial = true;
    }

    /** The end of trying something out. */
    public void settle(Draft text) {
        isTrial = false;
        become(text);
    }

    /** One edit back. */
    public void undo() {
        become(steps.undo(draft));
    }

    /** One edit forth. */
    public void redo() {
        become(steps.redo(draft));
    }

    /** What was written to disk just now. */
    public void saved(SourceText text) {
        saved = text;
    }

    /**
     * A change was applied.
     *
     * @param number in the history
     * @param to     where the file is now
     * @param text   what is on disk now
     */
    public void applied(int number, Path to, SourceText text) {
        steps.applied(number);
        path = to;
        read(text);
    }

    /** A change was taken back or done again. */
    public void stepped(boolean back, Path to, SourceText text) {
        become(back ? steps.undo(draft) : steps.redo(draft));
        path = to;
        read(text);
    }

    /** The same for a file that may be elsewhere now. */
    public void replaced(Path to, SourceText text) {
        path = to;
        replaced(text);
    }

    /** Somebody else wrote the file; steps of before fit no more. */
    public void replaced(SourceText text) {
        steps.forget();
        read(text);
    }

    private void read(SourceText text) {
        saved = text;
        become(draft.withContent(text.content()));
        agree();
    }
}
