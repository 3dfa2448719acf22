package dev.deftchisel.desk.text;

import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import java.text.BreakIterator;
import java.util.function.ToIntFunction;

/**
 * Where carets go. Steps are what readers take for one character; a word ends where its letters do, also within mixed
 * case.
 */
public final class Motions {

    private Motions() {
    }

    /** All carets to where they want to go, each with its own selection when it selects. */
    private static Draft all(Draft draft, boolean selects, ToIntFunction<Caret> goal) {
        return draft.moving(caret -> caret.moved(goal.applyAsInt(caret), selects));
    }

    /** One character left; without selecting, to the start of what is selected. */
    public static Draft left(Draft draft, boolean selects) {
        return all(draft, selects, caret -> !selects && !caret.isBare() ? caret.range().start()
                : previous(draft.content(), draft.lines(), caret.head()));
    }

    /** One character right; without selecting, to the end of what is selected. */
    public static Draft right(Draft draft, boolean selects) {
        return all(draft, selects, caret -> !selects && !caret.isBare() ? caret.range().end()
                : next(draft.content(), draft.lines(), caret.head()));
    }

    /** The start of the character before an offset. */
    static int previous(String content, LineMap lines, int offset) {
        Range line = lines.rangeOf(lines.line(offset));
        if (offset <= line.start()) {
            return line.start() == 0 ? 0 : lines.rangeOf(lines.line(offset) - 1).end();
        }
        int before = characters(content, line).preceding(Math.min(offset, line.end()) - line.start());
        return line.start() + Math.max(0, before);
    }

    /** The end of the character after an offset. */
    static int next(String content, LineMap lines, int offset) {
        int number = lines.line(offset);
        Range line = lines.rangeOf(number);
        if (offset >= line.end()) {
            return number == lines.count() ? content.length() : lines.rangeOf(number + 1).start();
        }
        int behind = characters(content, line).following(offset - line.start());
        return line.start() + (behind == BreakIterator.DONE ? line.length() : behind);
    }

    private static BreakIterator characters(String content, Range line) {
        BreakIterator characters = BreakIterator.getCharacterInstance();
        characters.setText(content.substring(line.start(), line.end()));
        return characters;
    }

    /** To the start of a word. */
    public static Draft wordLeft(Draft draft, boolean selects) {
        return all(draft, selects, caret -> wordLeft(draft.content(), caret.head()));
    }

    /** To the end of a word. */
    public static Draft wordRight(Draft draft, boolean selects) {
        return all(draft, selects, caret -> wordRight(draft.content(), caret.head()));
    }

    static int wordLeft(String content, int offset) {
        int at = offset;
        while (at > 0 && isSpace(content, at - 1)) {
            at--;
        }
        if (at > 0 && !isLetter(content, at - 1)) {
            return at - 1;
        }
        while (at > 0 && isLetter(content, at - 1) && !isHump(content, at)) {
            at--;
        }
        return at == offset && at > 0 ? leftOfHump(content, at - 1) : at;
    }

    private static int leftOfHump(String content, int from) {
        int at = from;
        while (at > 0 && isLetter(content, at - 1) && !isHump(content, at)) {
            at--;
        }
        return at;
    }

    static int wordRight(String content, int offset) {
        int at = offset;
        while (at < content.length() && isSpace(content, at)) {
            at++;
        }
        if (at < content.length() && !isLetter(content, at)) {
            return at + 1;
        }
        do {
            at = Math.min(content.length(), at + 1);
        } while (at < content.length() && isLetter(content, at) && !isHump(content, at));
        return at;
    }

    private static boolean isSpace(String content, int offset) {
        return Character.isWhitespace(content.charAt(offset));
    }

    private static boolean isLetter(String content, int offset) {
        // both halves of a surrogate pair go along with letters, so that none is cut
        return Character.isJavaIdentifierPart(content.charAt(offset)) || Character.isSurrogate(content.charAt(offset));
    }

    /** Whether a word within a word begins at an offset. */
    private static boolean isHump(String content, int offset) {
        return offset > 0 && offset < content.length() && Character.isUpperCase(content.charAt(offset))
                && Character.isLowerCase(content.charAt(offset - 1));
    }

    /** To the first character of the line that is no blank, and from there to its start. */
    public static Draft lineStart(Draft draft, boolean selects) {
        return all(draft, selects, caret -> {
            Range line = draft.lines().rangeOf(draft.lines().line(caret.head()));
            String text = draft.text(line);
            int indented = line.start() + text.length() - text.stripLeading().length();
            return caret.head() == indented ? line.start() : indented;
        });
    }

    /** To the end of the line. */
    public static Draft lineEnd(Draft draft, boolean selects) {
        return all(draft, selects, caret -> draft.lines().rangeOf(draft.lines().line(caret.head())).end());
    }

    /** To an offset. */
    public static Draft to(Draft draft, int offset) {
        return draft.with(Caret.at(Math.max(0, Math.min(offset, draft.content().length()))));
    }

    /** Some lines up or down, in the column where it began to. */
    public static Draft vertically(Draft draft, int by, boolean selects) {
        return draft.moving(caret -> vertically(draft, caret, by, selects));
    }

    static Caret vertically(Draft draft, Caret caret, int by, boolean selects) {
        LineMap lines = draft.lines();
        int line = lines.line(caret.head());
        int column = caret.goal() >= 0 ? caret.goal() : caret.head() - lines.rangeOf(line).start();
        int target = Math.max(1, Math.min(lines.count(), line + by));
        Range range = lines.rangeOf(target);
        int offset;
        if (line + by < 1) {
            offset = 0;
        } else if (line + by > lines.count()) {
            offset = range.end();
        } else {
            offset = Math.min(range.start() + column, range.end());
        }
        int whole = offset > range.start() && offset < range.end()
                && Character.isLowSurrogate(draft.content().charAt(offset))
                ? offset - 1 : offset;
        return new Caret(selects ? caret.anchor() : whole, whole, column);
    }
}
