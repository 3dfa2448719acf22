package dev.deftchisel.desk.text;

import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.FileOutline;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;

/**
 * A text and the carets in it, at one moment. Immutable; what keys do gives another one. There is at least one caret,
 * they are in order and never overlap.
 */
public final class Draft {

    private final String content;
    private final List<Caret> carets;
    private final int main;
    private LineMap lines;
    private Tokens tokens;
    private FileOutline outline;

    private Draft(String content, List<Caret> carets, int main, LineMap lines, Tokens tokens) {
        this.content = content;
        this.carets = carets;
        this.main = main;
        this.lines = lines;
        this.tokens = tokens;
    }

    /** A text with one caret. */
    public static Draft of(String content, int offset) {
        return new Draft(content, List.of(Caret.at(offset)), 0, null, null);
    }

    /** The text. */
    public String content() {
        return content;
    }

    /** All carets, in the order of the text. */
    public List<Caret> carets() {
        return carets;
    }

    /** The one that was set last, which the view follows. */
    public Caret caret() {
        return carets.get(main);
    }

    /** The lines of the text. */
    public LineMap lines() {
        if (lines == null) {
            lines = LineMap.of(content);
        }
        return lines;
    }

    /** The tokens of the text. */
    public Tokens tokens() {
        if (tokens == null) {
            tokens = Tokens.of(content);
        }
        return tokens;
    }

    /** What the text declares. */
    public FileOutline outline() {
        if (outline == null) {
            outline = FileOutline.of(tokens());
        }
        return outline;
    }

    /** The line, from 1, of the main caret. */
    public int line() {
        return lines().line(caret().head());
    }

    /** A stretch of the text. */
    public String text(Range range) {
        return content.substring(range.start(), range.end());
    }

    /** The same text with other carets, of which some may overlap: these become one. */
    public Draft with(List<Caret> others, Caret latest) {
        return of(content, others, latest, lines, tokens);
    }

    /** The same text with one caret. */
    public Draft with(Caret only) {
        return with(List.of(only), only);
    }

    /** The same text, each caret moved. */
    public Draft moving(Function<Caret, Caret> move) {
        List<Caret> moved = new ArrayList<>();
        carets.forEach(caret -> moved.add(move.apply(caret)));
        return with(moved, moved.get(main));
    }

    private static Draft of(String content, List<Caret> wanted, Caret latest, LineMap lines, Tokens tokens) {
        List<Caret> sorted = new ArrayList<>(wanted);
        sorted.sort(Comparator.comparing((Caret caret) -> caret.range().start())
                .thenComparing(caret -> caret.range().end()));
        List<Caret> apart = new ArrayList<>();
        int main = 0;
        for (Caret caret : sorted) {
            Caret before = apart.isEmpty() ? null : apart.get(apart.size() - 1);
            boolean isOne = before != null && (before.range().end() > caret.range().start()
                    || before.range().end() == caret.range().start() && (before.isBare() || caret.isBare()));
            if (isOne) {
                apart.set(apart.size() - 1, joined(before, caret));
            } else {
                apart.add(caret);
            }
            main = caret.equals(latest) ? apart.size() - 1 : main;
        }
        return new Draft(content, List.copyOf(apart), main, lines, tokens);
    }

    private static Caret joined(Caret one, Caret other) {
        int start = Math.min(one.range().start(), other.range().start());
        int end = Math.max(one.range().end(), other.range().end());
        boolean isForward = (one.isBare() ? other : one).head() >= (one.isBare() ? other : one).anchor();
        return isForward ? new Caret(start, end, -1) : new Caret(end, start, -1);
    }

    /**
     * A stretch of the text and what takes its place.
     *
     * @param caret where the caret is then, counted from the start of the new text
     * @param from  where its selection begins, counted in the same way
     */
    public record Replaced(Range range, String text, int caret, int from) {

        /** With the caret after the new text. */
        public static Replaced of(Range range, String text) {
            return new Replaced(range, text, text.length(), text.length());
        }
    }

    /**
     * Replaces something at each caret. What is to be replaced by one and touched by another is left by the later one.
     */
    public Draft replacing(Function<Caret, Replaced> what) {
        StringBuilder text = new StringBuilder();
        List<Caret> moved = new ArrayList<>();
        int at = 0;
        for (Caret caret : carets) {
            Replaced replaced = what.apply(caret);
            int start = Math.max(at, replaced.range().start());
            int end = Math.max(start, replaced.range().end());
            text.append(content, at, start);
            int base = text.length();
            text.append(replaced.text());
            moved.add(new Caret(base + replaced.from(), base + replaced.caret(), -1));
            at = end;
        }
        text.append(content, at, content.length());
        return of(text.toString(), moved, moved.get(main), null, null);
    }

    /** Another text with carets as near as may be to where they are. */
    public Draft withContent(String other) {
        if (other.equals(content)) {
            return this;
        }
        TextDifference difference = TextDifference.between(content, other);
        return of(other, List.of(caret()), caret(), null, null)
                .moving(caret -> new Caret(difference.after(caret.anchor()), difference.after(caret.head()), -1));
    }

    /** Another text with other carets. */
    public static Draft of(String content, List<Caret> carets, Caret latest) {
        return of(content, carets, latest, null, null);
    }
}
