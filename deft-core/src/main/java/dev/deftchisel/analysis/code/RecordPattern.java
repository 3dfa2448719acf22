package dev.deftchisel.analysis.code;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A record pattern (JLS 14.30.1), read off its tokens, since the trees of one have no type that all supported Javas
 * know.
 *
 * @param inner what stands between its parentheses
 * @param parts the patterns of the components, in order
 */
public record RecordPattern(Range inner, List<Range> parts) {

    /** Copies the list. */
    public RecordPattern {
        parts = List.copyOf(parts);
    }

    /** The pattern whose type is named at a range; empty where the name stands for anything else. */
    public static Optional<RecordPattern> at(AttributedFile code, Range name) {
        Tokens tokens = code.tokens();
        int start = tokens.start(firstOf(tokens, name));
        int open = tokens.code(tokens.at(name.end()));
        if (open < tokens.count() && tokens.is(open, "<")) {
            open = tokens.code(close(tokens, open, "<", ">") + 1);
        }
        boolean isPattern = open < tokens.count() && tokens.is(open, "(") && code.around(name).stream()
                .anyMatch(path -> path.getLeaf().getKind().name().equals("DECONSTRUCTION_PATTERN")
                        && code.range(path.getLeaf()).start() == start);
        return isPattern ? Optional.of(read(tokens, open)) : Optional.empty();
    }

    /** The first token of a name that may be qualified. */
    private static int firstOf(Tokens tokens, Range name) {
        int first = tokens.at(name.start());
        int before = tokens.codeBefore(first - 1);
        while (before > 0 && tokens.is(before, ".")) {
            first = tokens.codeBefore(before - 1);
            before = tokens.codeBefore(first - 1);
        }
        return first;
    }

    private static int close(Tokens tokens, int open, String opening, String closing) {
        int depth = 0;
        for (int i = open; i < tokens.count(); i++) {
            depth += tokens.is(i, opening) ? 1 : tokens.is(i, closing) ? -1 : 0;
            if (depth == 0) {
                return i;
            }
        }
        return tokens.count() - 1;
    }

    private static RecordPattern read(Tokens tokens, int open) {
        List<Range> parts = new ArrayList<>();
        int depth = 0;
        int start = tokens.code(open + 1);
        int at = start;
        for (; at < tokens.count() && !(depth == 0 && tokens.is(at, ")")); at = tokens.code(at + 1)) {
            depth += "(<".contains(tokens.text(at)) ? 1 : ")>".contains(tokens.text(at)) ? -1 : 0;
            if (depth == 0 && tokens.is(at, ",")) {
                parts.add(new Range(tokens.start(start), tokens.end(tokens.codeBefore(at - 1))));
                start = tokens.code(at + 1);
            }
        }
        if (start < at) {
            parts.add(new Range(tokens.start(start), tokens.end(tokens.codeBefore(at - 1))));
        }
        return new RecordPattern(new Range(tokens.end(open), tokens.start(at)), parts);
    }
}
