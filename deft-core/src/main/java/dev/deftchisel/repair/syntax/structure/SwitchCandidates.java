package dev.deftchisel.repair.syntax.structure;

import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * What a branch of a switch gives: {@code case A -> return 1;} and {@code break 1;}, all branches at once (JLS 14.11,
 * 14.21, 15.28).
 */
public final class SwitchCandidates implements CandidateSource {

    private static final Pattern BARE = Pattern.compile("^\\s*(-?\\d+|'.'|\"[^\"]*\")\\s*(:|->)");
    private static final Pattern OTHER = Pattern
            .compile("^\\s*(else|otherwise|case\\s+_|case\\s+default|case\\s+else)\\s*(:|->)");
    private static final Pattern RANGE = Pattern.compile("case\\s+(\\d+)\\s*\\.\\.\\.?\\s*(\\d+)");
    private static final int MOST_DIGITS = 9;
    private static final int MOST_LABELS = 40;
    private static final int NEAR = 9;

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        word(text, found);
        int keyword = text.last();
        int open = -1;
        while (keyword >= 0) {
            int brace = text.is(keyword, "switch") && text.is(text.step(keyword, 1), "(")
                    ? text.step(text.closing(text.step(keyword, 1)), 1) : -1;
            if (text.is(brace, "{") && (text.closing(brace) < 0 || text.closing(brace) >= text.last())) {
                open = brace;
                break;
            }
            keyword = text.step(keyword, -1);
        }
        int close = open < 0 ? -1 : text.closing(open);
        if (close > 0) {
            int before = text.step(keyword, -1);
            boolean isValue = text.is(before, "=") || text.is(before, "return") || text.is(before, "(")
                    || text.is(before, ",") || text.is(before, "->");
            returns(text, open, close, isValue, found);
            labels(text, found);
            breaks(text, open, close, found);
        }
        return found;
    }

    /** <code>match (n) {</code>. */
    private static void word(BrokenText text, List<Candidate> found) {
        for (int token : text.near(NEAR)) {
            int open = text.step(token, 1);
            int close = Set.of("match", "select", "when", "Switch").contains(text.text(token)) && text.is(open, "(")
                    ? text.closing(open) : -1;
            if (close > 0 && text.is(text.step(close, 1), "{")) {
                found.add(Candidate.replace("write 'switch'", -1, text.range(token), "switch"));
            }
        }
    }

    /** {@code 2:} without {@code case}, {@code else:} for {@code default:}, and {@code case 1..3:}. */
    private static void labels(BrokenText text, List<Candidate> found) {
        int line = text.lineOf(text.at());
        String own = text.lineText(line);
        int start = text.line(line).start();
        Matcher bare = BARE.matcher(own);
        if (bare.find()) {
            found.add(Candidate.insert("add 'case'", -1, start + bare.start(1), "case "));
        }
        Matcher other = OTHER.matcher(own);
        if (other.find()) {
            found.add(Candidate.replace("write 'default'", -2, new Range(start + other.start(1), start + other.end(1)),
                    "default"));
        }
        Matcher range = RANGE.matcher(own);
        if (range.find() && range.group(1).length() < MOST_DIGITS && range.group(2).length() < MOST_DIGITS) {
            int from = Integer.parseInt(range.group(1));
            int to = Integer.parseInt(range.group(2));
            if (from < to && to - from < MOST_LABELS) {
                found.add(Candidate.replace("write the labels one by one", -1,
                        new Range(start + range.start(1), start + range.end(2)),
                        IntStream.rangeClosed(from, to).mapToObj(String::valueOf).collect(Collectors.joining(", "))));
            }
        }
    }

    private static void returns(BrokenText text, int open, int close, boolean isValue, List<Candidate> found) {
        Candidate all = new Candidate(isValue ? "remove 'return'" : "put the statements in braces", -1, List.of());
        for (int i = open; i >= 0 && i < close; i = text.step(i, 1)) {
            int next = text.step(i, 1);
            if (!text.is(i, "->") || !text.is(next, "return")) {
                continue;
            }
            int end = next;
            while (end >= 0 && !text.is(end, ";")) {
                end = text.step(end, 1);
            }
            if (isValue) {
                all = all.and(new Range(text.tokens().start(next), text.tokens().start(text.step(next, 1))), "");
            } else if (end > 0) {
                all = all.and(new Range(text.tokens().start(next), text.tokens().start(next)), "{ ")
                        .and(new Range(text.tokens().end(end), text.tokens().end(end)), " }");
            }
        }
        if (!all.edits().isEmpty()) {
            found.add(all);
        }
    }

    private static void breaks(BrokenText text, int open, int close, List<Candidate> found) {
        Candidate all = new Candidate("write 'yield'", -1, List.of());
        for (int i = open; i >= 0 && i < close; i = text.step(i, 1)) {
            int next = text.step(i, 1);
            boolean isLabel = text.isKind(next, TokenKind.IDENTIFIER) && text.is(text.step(next, 1), ";");
            if (text.is(i, "break") && !text.is(next, ";") && !isLabel) {
                all = all.and(text.range(i), "yield");
            }
        }
        if (!all.edits().isEmpty()) {
            found.add(all);
        }
    }
}
