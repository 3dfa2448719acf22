package dev.deftchisel.repair.syntax.structure;

import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Headers of loops over elements that leave the type out, turn the parts round, or name two variables (JLS 14.14.2).
 */
public final class LoopCandidates implements CandidateSource {

    private static final int NEAR = 12;
    private static final Pattern CALLED = Pattern.compile(
            "for\\s*\\(\\s*(?:int\\s+|var\\s+)?(\\w+)\\s*(?::|"
            + "\\bin\\b)\\s*range\\s*\\(\\s*([\\w.]+(?:\\(\\))?)\\s*(?:,\\s*([\\w.]+(?:\\(\\))?)\\s*)?\\)\\s*\\)");
    private static final Pattern RANGE = Pattern
            .compile("for\\s*\\(\\s*(?:(?:final\\s+)?(?:int|var|long)\\s+)?(\\w+)\\s*(?::|\\bin\\b|"
                    + "=)\\s*([\\w.]*\\w)\\s*(\\.\\.[.<=]?)\\s*([\\w.]+(?:\\(\\))?)\\s*\\)");

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        range(text, found);
        for (int token : text.near(NEAR)) {
            until(text, token, found);
            int open = text.step(token, 1);
            int close = text.is(token, "for") && text.is(open, "(") ? text.closing(open) : -1;
            for (int colon = open; colon >= 0 && colon < close; colon = text.step(colon, 1)) {
                if (text.is(colon, ":")) {
                    withoutType(text, open, colon, found);
                    turnedRound(text, open, colon, close, found);
                    twoVariables(text, open, colon, close, found);
                }
            }
        }
        return found;
    }

    /** {@code for (i in 0..3)}: the end does not belong to it unless an equals sign says so. */
    private static void range(BrokenText text, List<Candidate> found) {
        int line = text.lineOf(text.at());
        Matcher loop = RANGE.matcher(text.lineText(line));
        Matcher called = CALLED.matcher(text.lineText(line));
        if (called.find()) {
            int start = text.line(line).start();
            String name = called.group(1);
            String from = called.group(3) == null ? "0" : called.group(2);
            String to = called.group(3) == null ? called.group(2) : called.group(3);
            found.add(Candidate.replace("count '" + name + "' up", -1,
                    new Range(start + called.start() + called.group().indexOf('(') + 1, start + called.end() - 1),
                    "int " + name + " = " + from + "; " + name + " < " + to + "; " + name + "++"));
        }
        if (loop.find()) {
            int start = text.line(line).start();
            String name = loop.group(1);
            String header = "int " + name + " = " + loop.group(2) + "; " + name
                    + (loop.group(3).equals("..=") ? " <= " : " < ") + loop.group(4) + "; " + name + "++";
            found.add(Candidate.replace("count '" + name + "' up", -1,
                    new Range(start + loop.start() + loop.group().indexOf('(') + 1, start + loop.end() - 1), header));
        }
    }

    /** <code>do {} until (n == 3)</code>. */
    private static void until(BrokenText text, int token, List<Candidate> found) {
        int close = text.is(token, "until") && text.is(text.step(token, 1), "(") ? text.closing(text.step(token, 1))
                : -1;
        if (close > 0) {
            found.add(Candidate.replace("go on while it is not so", -1,
                    new Range(text.tokens().start(token), text.tokens().start(text.step(token, 1))), "while (!")
                    .and(new Range(text.tokens().end(close), text.tokens().end(close)), ")"));
        }
    }

    /** {@code for (flag : flags)}. */
    private static void withoutType(BrokenText text, int open, int colon, List<Candidate> found) {
        int name = text.step(open, 1);
        if (text.step(name, 1) == colon && text.isKind(name, TokenKind.IDENTIFIER)) {
            found.add(Candidate.insert("declare '" + text.text(name) + "' by 'var'", 0, text.tokens().start(name),
                    "var "));
        }
    }

    /** {@code for (flags : String flag)}. */
    private static void turnedRound(BrokenText text, int open, int colon, int close, List<Candidate> found) {
        Range left = new Range(text.tokens().start(text.step(open, 1)), text.tokens().end(text.step(colon, -1)));
        int first = text.step(colon, 1);
        int last = text.step(close, -1);
        if (first >= 0 && first < last && text.isKind(last, TokenKind.IDENTIFIER)
                && !text.is(text.step(last, -1), ".")) {
            Range right = new Range(text.tokens().start(first), text.tokens().end(last));
            found.add(Candidate.replace("let the parts change places", 1, left, text.text(right))
                    .and(right, text.text(left)));
        }
    }

    /** {@code for (String name, int due : dues)}: a loop over the entries of a map. */
    private static void twoVariables(BrokenText text, int open, int colon, int close, List<Candidate> found) {
        List<Integer> commas = new ArrayList<>();
        int depth = 0;
        for (int i = text.step(open, 1); i >= 0 && i < colon; i = text.step(i, 1)) {
            depth += text.is(i, "<") ? 1 : text.is(i, ">") ? -1 : 0;
            if (text.is(i, ",") && depth == 0) {
                commas.add(i);
            }
        }
        int brace = text.step(close, 1);
        if (commas.size() != 1 || !text.is(brace, "{")) {
            return;
        }
        int comma = commas.get(0);
        Range header = new Range(text.tokens().start(text.step(open, 1)), text.tokens().end(text.step(colon, -1)));
        String key = typed(text, new Range(header.start(), text.tokens().end(text.step(comma, -1))));
        String value = typed(text, new Range(text.tokens().start(text.step(comma, 1)), header.end()));
        String indent = text.lineEnd() + text.indent(text.tokens().start(text.step(open, -1))) + text.unit();
        int end = text.tokens().end(text.step(close, -1));
        found.add(Candidate.replace("go over the entries", 0, header, "var entry")
                .and(new Range(end, end), ".entrySet()")
                .and(new Range(text.tokens().end(brace), text.tokens().end(brace)),
                        indent + key + " = entry.getKey();" + indent + value + " = entry.getValue();"));
    }

    private static String typed(BrokenText text, Range declaration) {
        String written = text.text(declaration);
        return written.contains(" ") ? written : "var " + written;
    }
}
