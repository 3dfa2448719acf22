package dev.deftchisel.desk.text;

import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;

/** What is written and deleted at all carets. */
public final class Typing {

    private final String indent;
    private final String lineEnd;

    /**
     * How the file is laid out.
     *
     * @param indent  one step
     * @param lineEnd as the file has it
     */
    public Typing(String indent, String lineEnd) {
        this.indent = indent;
        this.lineEnd = lineEnd;
    }

    /** One step of indentation. */
    public String indent() {
        return indent;
    }

    /** As the file ends its lines. */
    public String lineEnd() {
        return lineEnd;
    }

    /** Text in the place of what is selected; a brace that closes a block goes back to where that was opened. */
    public Draft type(Draft draft, String text) {
        if (text.equals("}")) {
            return draft.replacing(caret -> closing(draft, caret));
        }
        return draft.replacing(caret -> Draft.Replaced.of(caret.range(), text));
    }

    private Draft.Replaced closing(Draft draft, Caret caret) {
        Range line = draft.lines().rangeOf(draft.lines().line(caret.range().start()));
        String before = draft.content().substring(line.start(), caret.range().start());
        boolean isFirst = before.isBlank() && before.endsWith(indent) && !before.isEmpty();
        return Draft.Replaced.of(new Range(caret.range().start() - (isFirst ? indent.length() : 0), caret.range()
                .end()), "}");
    }

    /** A new line, indented like this one, one step more after a bracket that opens something. */
    public Draft enter(Draft draft) {
        return draft.replacing(caret -> {
            Range line = draft.lines().rangeOf(draft.lines().line(caret.range().start()));
            String before = draft.content().substring(line.start(), caret.range().start());
            String margin = margin(before);
            char last = before.isBlank() ? ' ' : before.stripTrailing().charAt(before.stripTrailing().length() - 1);
            String inner = margin + (last == '{' || last == '(' || last == '[' ? indent : "");
            boolean closes = last == '{' && caret.range().end() < draft.content().length()
                    && draft.content().charAt(caret.range().end()) == '}';
            String text = lineEnd + inner;
            return new Draft.Replaced(caret.range(), closes ? text + lineEnd + margin
                    : text, text.length(), text.length());
        });
    }

    /** The blanks a line begins with. */
    static String margin(String line) {
        return line.substring(0, line.length() - line.stripLeading().length());
    }

    /**
     * What is selected, or the character before the caret; before the first word of a line, one step of indentation.
     */
    public Draft backspace(Draft draft) {
        LineMap lines = draft.lines();
        return draft.replacing(caret -> {
            if (!caret.isBare()) {
                return Draft.Replaced.of(caret.range(), "");
            }
            int start = lines.rangeOf(lines.line(caret.head())).start();
            String before = draft.content().substring(start, caret.head());
            int from = before.isBlank() && before.endsWith(indent) ? caret.head() - indent.length()
                    : Motions.previous(draft.content(), lines, caret.head());
            return Draft.Replaced.of(new Range(from, caret.head()), "");
        });
    }

    /** What is selected, or the character after the caret. */
    public Draft delete(Draft draft) {
        LineMap lines = draft.lines();
        return draft.replacing(caret -> Draft.Replaced.of(caret.isBare()
                ? new Range(caret.head(), Motions.next(draft.content(), lines, caret.head())) : caret.range(), ""));
    }

    /** What is selected, or up to the start of the word. */
    public Draft deleteWordLeft(Draft draft) {
        return draft.replacing(caret -> Draft.Replaced.of(caret.isBare()
                ? new Range(Motions.wordLeft(draft.content(), caret.head()), caret.head()) : caret.range(), ""));
    }

    /** What is selected, or up to the end of the word. */
    public Draft deleteWordRight(Draft draft) {
        return draft.replacing(caret -> Draft.Replaced.of(caret.isBare()
                ? new Range(caret.head(), Motions.wordRight(draft.content(), caret.head())) : caret.range(), ""));
    }

    /**
     * Pastes what was cut or copied. Whole lines go before the line of the caret; as many pieces as carets, each at its
     * own.
     *
     * @param clip what was kept
     */
    public Draft paste(Draft draft, Clip clip) {
        boolean isEach = clip.pieces().size() == draft.carets().size();
        int[] index = {0};
        return draft.replacing(caret -> {
            String text = isEach ? clip.pieces().get(index[0]++)
                    : String.join(clip.isLines() ? "" : lineEnd, clip.pieces());
            String ended = text.replaceAll("\\R", lineEnd);
            if (clip.isLines() && caret.isBare()) {
                int start = draft.lines().rangeOf(draft.lines().line(caret.head())).start();
                int column = caret.head() - start;
                return new Draft.Replaced(new Range(start, caret.head()), ended + draft.content()
                        .substring(start, caret.head()),
                        ended.length() + column, ended.length() + column);
            }
            return Draft.Replaced.of(caret.range(), ended);
        });
    }
}
