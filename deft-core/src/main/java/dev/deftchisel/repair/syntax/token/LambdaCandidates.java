package dev.deftchisel.repair.syntax.token;

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
 * Functions in the notation of other languages (JLS 15.27): a word before the parameter, bars around it, braces around
 * all.
 */
public final class LambdaCandidates implements CandidateSource {

    private static final Pattern WORD = Pattern
            .compile("\\b(lambda|fun|func|fn|function)\\s*\\(?\\s*(\\w+)\\s*\\)?\\s*(:|=>|->)");
    private static final Pattern BARS = Pattern.compile("\\|\\s*(\\w+(?:\\s*,\\s*\\w+)*)\\s*\\|");
    private static final int NEAR = 9;

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        int line = text.lineOf(text.at());
        int start = text.line(line).start();
        Matcher word = WORD.matcher(text.lineText(line));
        if (word.find()) {
            found.add(Candidate.replace("write '->'", -1, new Range(start + word.start(), start + word.end()),
                    word.group(2) + " ->"));
        }
        Matcher bars = BARS.matcher(text.lineText(line));
        if (bars.find()) {
            String names = bars.group(1);
            found.add(Candidate.replace("write '->'", -1, new Range(start + bars.start(), start + bars.end()),
                    names.contains(",") ? "(" + names + ") ->" : names + " ->"));
        }
        for (int token : text.near(NEAR)) {
            inBraces(text, token, found);
        }
        return found;
    }

    /** <code>names.map { n -> n + 1 }</code>. */
    private static void inBraces(BrokenText text, int token, List<Candidate> found) {
        int name = text.step(token, -1);
        int arrow = text.step(token, 2);
        int close = text.is(token, "{") && text.isKind(name, TokenKind.IDENTIFIER) && text.is(text.step(name, -1), ".")
                ? text.closing(token) : -1;
        if (close > 0 && text.is(arrow, "->")) {
            found.add(Candidate.replace("write parentheses", -1,
                    new Range(text.tokens().end(name), text.tokens().start(text.step(token, 1))), "(")
                    .and(new Range(text.tokens().end(text.step(close, -1)), text.tokens().end(close)), ")"));
        }
    }
}
