package dev.deftchisel.navigation;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * How a selection grows along the code: from a word to the argument or statement that it is in, to all between the
 * brackets around that, to these, and so on up to the file. It goes by tokens, so code that does not parse will do.
 */
public final class SelectionExpander {

    private final Tokens tokens;
    private final int count;
    /** For each token that closes a bracket its partner, and the other way round; -1 for all others. */
    private final int[] partners;

    /** @param tokens of the file in which something is selected */
    public SelectionExpander(Tokens tokens) {
        this.tokens = tokens;
        this.count = tokens.count();
        this.partners = partners();
    }

    private int[] partners() {
        int[] found = new int[count];
        Deque<Integer> open = new ArrayDeque<>();
        for (int i = 0; i < count; i++) {
            found[i] = -1;
            if (isOne(i, "([{")) {
                open.push(i);
            } else if (isOne(i, ")]}") && !open.isEmpty()) {
                found[i] = open.pop();
                found[found[i]] = i;
            }
        }
        return found;
    }

    private boolean isOne(int token, String those) {
        return tokens.end(token) - tokens.start(token) == 1
                && those.indexOf(tokens.content().charAt(tokens.start(token))) >= 0;
    }

    /**
     * What a selection grows to, step by step.
     *
     * @param selection a caret, or what is selected
     * @return each larger than the one before, the last one all of the text
     */
    public List<Range> around(Range selection) {
        List<Range> steps = new ArrayList<>();
        word(selection).ifPresent(word -> add(steps, selection, word));
        for (int open = opening(last(steps, selection)); open >= 0; open = opening(brackets(open))) {
            add(steps, selection, item(open, partners[open], last(steps, selection)));
            add(steps, selection, trimmed(tokens.end(open), tokens.start(partners[open])));
            add(steps, selection, brackets(open));
        }
        add(steps, selection, item(-1, count, last(steps, selection)));
        add(steps, selection, new Range(0, tokens.content().length()));
        return List.copyOf(steps);
    }

    /** The word at a caret, or else the one before it; a bracket only when the caret is before it. */
    private Optional<Range> word(Range caret) {
        return caret.length() > 0 ? Optional.empty() : IntStream.of(caret.start(), caret.start() - 1)
                .filter(offset -> offset >= 0 && offset < tokens.content().length())
                .filter(offset -> isWord(tokens.at(offset), offset == caret.start()))
                .mapToObj(offset -> tokens.range(tokens.at(offset))).findFirst();
    }

    private boolean isWord(int token, boolean isAhead) {
        return !tokens.kind(token).isTrivia() && (partners[token] < 0 || isAhead) && !isOne(token, ",;");
    }

    private Range brackets(int open) {
        return new Range(tokens.start(open), tokens.end(partners[open]));
    }

    private static Range last(List<Range> steps, Range selection) {
        return steps.isEmpty() ? selection : steps.get(steps.size() - 1);
    }

    private static void add(List<Range> steps, Range selection, Range to) {
        Range from = last(steps, selection);
        if (to.encloses(from) && to.length() > from.length()) {
            steps.add(to);
        }
    }

    /** The innermost bracket that is opened before a range and closed after it. */
    private int opening(Range range) {
        for (int i = count - 1; i >= 0; i--) {
            if (tokens.end(i) <= range.start() && isOne(i, "([{") && partners[i] >= 0
                    && tokens.start(partners[i]) >= range.end()) {
                return i;
            }
        }
        return -1;
    }

    /** The argument, statement or declaration between two brackets that a range is in. */
    private Range item(int open, int close, Range range) {
        boolean isBlock = open < 0 || tokens.is(open, '{');
        int start = open < 0 ? 0 : tokens.end(open);
        for (int i = open + 1; i < close; i++) {
            int last = partners[i] > i ? partners[i] : i;
            boolean isEnd = isBlock ? tokens.is(last, ';') || tokens.is(last, '}') : tokens.is(i, ',');
            if (isEnd) {
                int end = isBlock ? tokens.end(last) : tokens.start(i);
                if (end >= range.end() && end > range.start()) {
                    return trimmed(start, end);
                }
                start = tokens.end(last);
            }
            i = last;
        }
        return trimmed(start, close < count ? tokens.start(close) : tokens.content().length());
    }

    private Range trimmed(int start, int end) {
        int from = start;
        int to = end;
        while (from < to && Character.isWhitespace(tokens.content().charAt(from))) {
            from++;
        }
        while (to > from && Character.isWhitespace(tokens.content().charAt(to - 1))) {
            to--;
        }
        return new Range(from, to);
    }
}
