package dev.deftchisel.desk.text;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** More carets, or fewer. */
public final class CaretWork {

    private CaretWork() {
    }

    /**
     * Selects the word at the caret; when something is selected already, the next place that reads the same as well.
     */
    public static Draft next(Draft draft) {
        Caret last = draft.caret();
        if (last.isBare()) {
            return word(draft).map(word -> draft.with(Caret.over(word))).orElse(draft);
        }
        return places(draft, draft.text(last.range())).stream()
                .filter(place -> draft.carets().stream().noneMatch(caret -> caret.range().overlaps(place)))
                .min(Comparator.comparing((Range place) -> place.start() < last.range().end())
                        .thenComparing(Range::start))
                .map(place -> more(draft, Caret.over(place)))
                .orElse(draft);
    }

    /** A caret at every place that reads like what is selected, or like the word at the caret. */
    public static Draft all(Draft draft) {
        Range selected = draft.caret().isBare() ? word(draft).orElse(draft.caret().range()) : draft.caret().range();
        if (selected.length() == 0) {
            return draft;
        }
        List<Caret> carets = places(draft, draft.text(selected)).stream().map(Caret::over).toList();
        Caret here = carets.stream().filter(caret -> caret.range().equals(selected)).findFirst()
                .orElse(Caret.over(selected));
        return draft.with(carets.isEmpty() ? List.of(here) : carets, here);
    }

    /** The identifier or number that a caret touches. */
    public static Optional<Range> word(Draft draft) {
        Tokens tokens = draft.tokens();
        int head = draft.caret().head();
        return IntStream.of(head, head - 1)
                .filter(offset -> offset >= 0 && offset < draft.content().length())
                .map(tokens::at)
                .filter(token -> token >= 0 && (tokens.kind(token) == TokenKind.IDENTIFIER
                        || tokens.kind(token) == TokenKind.KEYWORD
                        || tokens.kind(token) == TokenKind.NUMBER))
                .mapToObj(tokens::range)
                .findFirst();
    }

    /** Where the text stands; a name only where it is a whole one. */
    private static List<Range> places(Draft draft, String text) {
        Tokens tokens = draft.tokens();
        boolean isWord = !text.isEmpty() && text.chars().allMatch(Character::isJavaIdentifierPart);
        List<Range> places = new ArrayList<>();
        int from = draft.content().indexOf(text);
        while (from >= 0 && !text.isEmpty()) {
            Range place = new Range(from, from + text.length());
            int token = tokens.at(from);
            boolean isWhole = tokens.kind(token) != TokenKind.IDENTIFIER || tokens.range(token).equals(place);
            if (!isWord || isWhole) {
                places.add(place);
            }
            from = draft.content().indexOf(text, place.end());
        }
        return places;
    }

    /** One more above the first, in its column. */
    public static Draft above(Draft draft) {
        return more(draft, Motions.vertically(draft, draft.carets().get(0), -1, false));
    }

    /** One more below the last, in its column. */
    public static Draft below(Draft draft) {
        return more(draft, Motions.vertically(draft, draft.carets().get(draft.carets().size() - 1), 1, false));
    }

    private static Draft more(Draft draft, Caret another) {
        List<Caret> carets = new ArrayList<>(draft.carets());
        carets.add(another);
        return draft.with(carets, another);
    }

    /** A caret in each line that is selected, in the column of the caret. */
    public static Draft column(Draft draft) {
        Caret caret = draft.caret();
        int first = draft.lines().line(caret.range().start());
        int last = draft.lines().line(caret.range().end());
        int column = caret.head() - draft.lines().rangeOf(draft.lines().line(caret.head())).start();
        List<Caret> carets = IntStream.rangeClosed(first, last).mapToObj(draft.lines()::rangeOf)
                .map(line -> Caret.at(Math.min(line.start() + column, line.end()))).toList();
        return draft.with(carets, carets.get(carets.size() - 1));
    }

    /** Without the one that was set last. */
    public static Draft dropped(Draft draft) {
        if (draft.carets().size() == 1) {
            return draft;
        }
        List<Caret> rest = new ArrayList<>(draft.carets());
        rest.remove(draft.caret());
        return draft.with(rest, rest.get(rest.size() - 1));
    }
}
