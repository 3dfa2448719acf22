package dev.deftchisel.desk.key;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What the desk itself can be told by a key. */
public enum Command implements Action {
    // the loop
    OFFERS(Theme.LOOP, "what can be done here"),
    OPERATIONS(Theme.LOOP, "anything, by words"),
    NEXT_PROBLEM(Theme.LOOP, "next problem"),
    PREVIOUS_PROBLEM(Theme.LOOP, "previous problem"),
    PROBLEMS(Theme.LOOP, "all problems of the workspace"),
    FIX(Theme.LOOP, "fix it"),
    FIX_ALIKE(Theme.LOOP, "fix all like it"),
    AGAIN(Theme.LOOP, "the same operation again, here"),
    UNDO(Theme.LOOP, "undo"),
    REDO(Theme.LOOP, "redo"),
    HISTORY(Theme.LOOP, "what was changed"),
    SAVE(Theme.LOOP, "save"),
    LEAVE(Theme.LOOP, "leave"),
    CLOSE(Theme.LOOP, "back to one caret; leave what is open"),
    HELP(Theme.LOOP, "all keys"),
    // finding one's way
    FIND(Theme.WAY, "find a type, member, file or :line"),
    OUTLINE(Theme.WAY, "outline of the file"),
    DECLARATION(Theme.WAY, "to the declaration"),
    PEEK(Theme.WAY, "look at the declaration from here"),
    TYPE(Theme.WAY, "to the type of it"),
    IMPLEMENTATIONS(Theme.WAY, "implementations"),
    USES(Theme.WAY, "uses of it"),
    CALLERS(Theme.WAY, "callers of it"),
    COUNTERPART(Theme.WAY, "test, or tested"),
    BACK(Theme.WAY, "back to where I was"),
    FORTH(Theme.WAY, "forth again"),
    NEXT_MEMBER(Theme.WAY, "next member"),
    PREVIOUS_MEMBER(Theme.WAY, "previous member"),
    BRACKET(Theme.WAY, "to the other bracket"),
    FILE_START(Theme.WAY, "start of the file"),
    FILE_END(Theme.WAY, "end of the file"),
    // moving and selecting
    UP(Theme.MOVING, "up"),
    DOWN(Theme.MOVING, "down"),
    LEFT(Theme.MOVING, "left"),
    RIGHT(Theme.MOVING, "right"),
    WORD_LEFT(Theme.MOVING, "a word left"),
    WORD_RIGHT(Theme.MOVING, "a word right"),
    LINE_START(Theme.MOVING, "start of the line"),
    LINE_END(Theme.MOVING, "end of the line"),
    PAGE_UP(Theme.MOVING, "a page up"),
    PAGE_DOWN(Theme.MOVING, "a page down"),
    SELECT_UP(Theme.MOVING, "select up"),
    SELECT_DOWN(Theme.MOVING, "select down"),
    SELECT_LEFT(Theme.MOVING, "select left"),
    SELECT_RIGHT(Theme.MOVING, "select right"),
    SELECT_WORD_LEFT(Theme.MOVING, "select a word left"),
    SELECT_WORD_RIGHT(Theme.MOVING, "select a word right"),
    SELECT_LINE_START(Theme.MOVING, "select to the start of the line"),
    SELECT_LINE_END(Theme.MOVING, "select to the end of the line"),
    MARK(Theme.MOVING, "start a selection that grows as the caret moves"),
    GROW(Theme.MOVING, "select more, by the syntax"),
    SHRINK(Theme.MOVING, "select less again"),
    SELECT_ALL(Theme.MOVING, "select everything"),
    // writing
    ENTER(Theme.WRITING, "new line"),
    BACKSPACE(Theme.WRITING, "delete before"),
    DELETE(Theme.WRITING, "delete after"),
    DELETE_WORD_LEFT(Theme.WRITING, "delete a word before"),
    DELETE_WORD_RIGHT(Theme.WRITING, "delete a word after"),
    CUT(Theme.WRITING, "cut; the line if nothing is selected"),
    COPY(Theme.WRITING, "copy; the line if nothing is selected"),
    PASTE(Theme.WRITING, "paste"),
    PASTE_EARLIER(Theme.WRITING, "paste what was cut or copied before"),
    // lines
    LINE_UP(Theme.LINES, "move up", true),
    LINE_DOWN(Theme.LINES, "move down", true),
    LINE_DUPLICATE(Theme.LINES, "duplicate", true),
    LINE_CUT(Theme.LINES, "cut", true),
    LINE_DELETE(Theme.LINES, "delete, not kept", true),
    LINE_JOIN(Theme.LINES, "join", true),
    LINE_AFTER(Theme.LINES, "new line after"),
    LINE_BEFORE(Theme.LINES, "new line before"),
    LINE_COMMENT(Theme.LINES, "comment", true),
    LINE_IN(Theme.LINES, "indent", true),
    LINE_OUT(Theme.LINES, "indent less", true),
    FOLD(Theme.LINES, "fold, or unfold"),
    FOLD_ALL(Theme.LINES, "fold all bodies, or none"),
    // several carets
    CARET_NEXT(Theme.CARETS, "also the next occurrence", true),
    CARET_ALL(Theme.CARETS, "at all occurrences"),
    CARET_UP(Theme.CARETS, "one more above", true),
    CARET_DOWN(Theme.CARETS, "one more below", true),
    CARET_COLUMN(Theme.CARETS, "one a line"),
    CARET_DROP(Theme.CARETS, "drop the latest", true),
    // in front of a list or a change
    CHOOSE(Theme.PANEL, "take it; go on; apply"),
    NEXT(Theme.PANEL, "next"),
    PREVIOUS(Theme.PANEL, "previous"),
    NEXT_PAGE(Theme.PANEL, "a page on"),
    PREVIOUS_PAGE(Theme.PANEL, "a page back"),
    OTHER(Theme.PANEL, "another answer; only some of the list"),
    OTHER_BACK(Theme.PANEL, "the answer before; the list as before"),
    SWITCH(Theme.PANEL, "on or off"),
    EARLIER(Theme.PANEL, "earlier in the order"),
    LATER(Theme.PANEL, "later in the order"),
    PART(Theme.PANEL, "from the answers to the changes, and back"),
    ERASE(Theme.PANEL, "erase a letter"),
    ERASE_ALL(Theme.PANEL, "erase what was typed");

    /** What commands are about. */
    public enum Theme {
        LOOP("The loop"), WAY("Finding your way"), MOVING("Moving and selecting"), WRITING("Writing"), LINES("Lines"),
        CARETS("Several carets"), PANEL("In front of a list or a change");

        private final String title;

        Theme(String title) {
            this.title = title;
        }

        /** As a heading. */
        public String title() {
            return title;
        }
    }

    private final Theme theme;
    private final String words;
    private final boolean stays;

    Command(Theme theme, String words) {
        this(theme, words, false);
    }

    Command(Theme theme, String words, boolean stays) {
        this.theme = theme;
        this.words = words;
        this.stays = stays;
    }

    @Override
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    @Override
    public String words() {
        return words;
    }

    /** What it is about. */
    public Theme theme() {
        return theme;
    }

    /** Whether the first key of a chord holds on after it, since one wants it again at once. */
    public boolean stays() {
        return stays;
    }

    /** The command of an id. */
    public static Optional<Command> of(String id) {
        return Arrays.stream(values()).filter(command -> command.id().equals(id)).findFirst();
    }
}
