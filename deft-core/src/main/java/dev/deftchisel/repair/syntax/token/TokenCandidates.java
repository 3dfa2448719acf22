package dev.deftchisel.repair.syntax.token;

import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** One token more, less or otherwise, near the place. */
public final class TokenCandidates implements CandidateSource {

    /** What is left out most, by how likely it is where the parser does not ask for it. */
    private static final Map<String, Integer> MISSING = Map.ofEntries(Map.entry(";", 3), Map.entry(")", 3),
            Map.entry(",", 3),
            Map.entry("+", 4), Map.entry("(", 5), Map.entry("}", 5), Map.entry("]", 4), Map.entry(">", 4),
            Map.entry(":", 4),
            Map.entry("->", 4), Map.entry(".", 4), Map.entry("new", 5), Map.entry("=", 5), Map.entry("{", 5),
            Map.entry("[", 6));
    private static final Map<String, List<String>> INSTEAD = Map.of(",", List.of(";"), ";", List.of(",", ":"), "=",
            List.of("=="),
            ":", List.of(";", "->", "::"), "->", List.of(":"), "[", List.of("("), "]", List.of(")"), ".",
            List.of("::", ","),
            "extends", List.of("implements"), "-", List.of("->"));
    private static final Set<String> BEFORE_STATEMENT = Set.of(";", "{", "}", ":", "->", ")");
    private static final int NEAR = 2;

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        int last = text.last();
        for (int distance = -NEAR; distance <= NEAR; distance++) {
            int token = distance <= 0 ? text.step(last, distance) : text.step(text.next(), distance - 1);
            if (token >= 0) {
                insertions(text, token, Math.abs(distance), found);
                replacements(text, token, Math.abs(distance), found);
                deletion(text, token, Math.abs(distance), found);
            }
        }
        doubled(text, found);
        returned(text, found);
        return found;
    }

    /** A token that is written twice somewhere in the line. */
    private static void doubled(BrokenText text, List<Candidate> found) {
        Range line = text.line(text.lineOf(text.at()));
        for (int token = text.last(); token >= 0 && token < text.tokens().count() && text.tokens()
                .start(token) < line.end();
                token = text.tokens().code(token + 1)) {
            int next = text.step(token, 1);
            if (next >= 0 && text.text(token).equals(text.text(next)) && text.isKind(token, TokenKind.SYMBOL)
                    && !"{}()".contains(text.text(token))) {
                found.add(Candidate.replace("remove the second '" + text.text(token) + "'", 1, text.range(next), ""));
            }
        }
    }

    /** A value that nobody takes may be the result. */
    private static void returned(BrokenText text, List<Candidate> found) {
        if (text.id().equals("not.stmt")) {
            int first = text.next();
            while (text.step(first, -1) >= 0 && !BEFORE_STATEMENT.contains(text.text(text.step(first, -1)))) {
                first = text.step(first, -1);
            }
            if (first >= 0 && first < text.tokens().count()) {
                found.add(Candidate.insert("return it", 2, text.tokens().start(first), "return "));
                found.add(Candidate.insert("yield it", 3, text.tokens().start(first), "yield "));
            }
        }
    }

    private static void insertions(BrokenText text, int before, int distance, List<Candidate> found) {
        int end = text.tokens().end(before);
        int next = text.step(before, 1);
        MISSING.forEach((token, cost) -> {
            if (text.id().equals("not.stmt") && (token.equals("=") || token.equals("new") || token.equals("("))) {
                return;
            }
            boolean isAsked = text.error().message().contains("'" + token + "'");
            boolean isWord = Character.isLetter(token.charAt(0));
            boolean isBinary = token.equals("+") || token.equals("->") || token.equals("=");
            boolean isGlued = next >= 0 && text.tokens().start(next) == end;
            String written;
            if (isBinary) {
                written = " " + token + (isGlued ? " " : "");
            } else if (token.equals("{")) {
                written = " {";
            } else if (isWord) {
                written = " " + token + (isGlued ? " " : "");
            } else if (token.equals(",") && isGlued) {
                written = ", ";
            } else {
                written = token;
            }
            // text that stands beside something else is to be joined with it
            boolean isText = token.equals("+") && (text.isKind(before, TokenKind.STRING)
                    || text.isKind(next, TokenKind.STRING));
            // what is missing at the end of a line ends a statement, and what is missing within it does not
            boolean isLineEnd = next < 0 || text.lineOf(end) != text.lineOf(text.tokens().start(next));
            int unlikely = token.equals(";") && !isLineEnd || token.equals(",") && isLineEnd ? 2 : 0;
            found.add(Candidate.insert("add '" + token + "'", (isAsked && distance == 0 ? 1 : isText ? 2 : cost)
                    + distance + unlikely,
                    end, written));
        });
    }

    private static void replacements(BrokenText text, int token, int distance, List<Candidate> found) {
        if (text.is(token, "==") && text.id().equals("not.stmt")) {
            found.add(Candidate.replace("write '='", 0, text.range(token), "="));
        }
        INSTEAD.getOrDefault(text.text(token), List.of()).forEach(other -> found.add(Candidate.replace(
                "write '" + other + "' instead of '" + text.text(token) + "'", 4 + distance, text.range(token),
                other)));
    }

    private static void deletion(BrokenText text, int token, int distance, List<Candidate> found) {
        if (text.is(token, "try")) {
            return;
        }
        Range range = text.range(token);
        int next = text.step(token, 1);
        boolean isOnLine = next >= 0 && text.lineOf(range.start()) == text.lineOf(text.tokens().start(next));
        boolean isWord = text.isKind(token, TokenKind.KEYWORD);
        int end = isOnLine && (isWord || text.isKind(token, TokenKind.IDENTIFIER)) ? text.tokens().start(next)
                : range.end();
        boolean isDoubled = text.text(token).equals(text.text(next)) || text.text(token)
                .equals(text.text(text.step(token, -1)));
        int cost;
        if (isWord) {
            cost = 4;
        } else if (isDoubled) {
            cost = 2;
        } else if (text.isKind(token, TokenKind.SYMBOL)) {
            cost = 5;
        } else {
            cost = 9;
        }
        found.add(Candidate.replace("remove '" + text.text(token) + "'", cost + distance, new Range(range.start(), end),
                ""));
        if (text.is(token, "(") && text.is(next, ")")) {
            found.add(Candidate.replace("remove '()'", 4 + distance, new Range(range.start(), text.tokens().end(next)),
                    ""));
        }
    }
}
