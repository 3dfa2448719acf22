package dev.deftchisel.repair.syntax.token;

import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Expressions and declarations in the notation of other languages: powers, casts that look like calls, constants,
 * records in braces.
 */
public final class NotationCandidates implements CandidateSource {

    private static final Set<String> PRIMITIVES = Set.of("int", "long", "double", "float", "char", "byte", "short",
            "boolean");
    private static final int NEAR = 6;

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        for (int token : text.near(NEAR)) {
            power(text, token, found);
            cast(text, token, found);
            constant(text, token, found);
            recordInBraces(text, token, found);
            twoIndexes(text, token, found);
            list(text, token, found);
            arrayWithoutBrackets(text, token, found);
            namedArguments(text, token, found);
            arrow(text, token, found);
            chained(text, token, found);
        }
        return found;
    }

    /** {@code 3.0 ** 2}, between names and numbers. */
    private static void power(BrokenText text, int token, List<Candidate> found) {
        int next = text.step(token, 1);
        int left = text.step(token, -1);
        int right = text.step(next, 1);
        if (text.is(token, "*") && text.is(next, "*") && text.tokens().end(token) == text.tokens().start(next)
                && isAtom(text, left)
                && isAtom(text, right)) {
            int start = text.tokens().start(left);
            found.add(Candidate.insert("write Math.pow", 0, start, "Math.pow(")
                    .and(new Range(text.tokens().end(left), text.tokens().start(right)), ", ")
                    .and(new Range(text.tokens().end(right), text.tokens().end(right)), ")"));
        }
    }

    private static boolean isAtom(BrokenText text, int token) {
        return token >= 0 && (text.isKind(token, TokenKind.IDENTIFIER) || text.isKind(token, TokenKind.NUMBER));
    }

    /** {@code int(length)}. */
    private static void cast(BrokenText text, int token, List<Candidate> found) {
        int open = text.step(token, 1);
        int close = open >= 0 && text.is(open, "(") ? text.closing(open) : -1;
        if (!PRIMITIVES.contains(text.text(token)) || close < 0) {
            return;
        }
        Range type = text.range(token);
        Candidate cast = Candidate.insert("cast it to " + text.text(token), 0, type.start(), "(");
        boolean isSingle = text.step(open, 2) == close;
        found.add(isSingle ? cast.and(text.range(open), ") ").and(text.range(close), "")
                : cast.and(new Range(type.end(), type.end()), ") "));
    }

    /** {@code const int LIMIT = 12;} among members. */
    private static void constant(BrokenText text, int token, List<Candidate> found) {
        if (text.is(token, "const") && isAmongMembers(text, token)) {
            found.add(Candidate.replace("write 'static final'", -1, text.range(token), "static final"));
        }
    }

    private static boolean isAmongMembers(BrokenText text, int token) {
        int depth = 0;
        for (int i = text.step(token, -1); i >= 0; i = text.step(i, -1)) {
            depth += text.is(i, "{") ? 1 : text.is(i, "}") ? -1 : 0;
            if (depth > 0) {
                int before = text.step(i, -1);
                return !text.is(before, ")") && !text.is(before, "->") && !text.is(before, "else");
            }
        }
        return false;
    }

    /** {@code grid[1, 2]}. */
    private static void twoIndexes(BrokenText text, int token, List<Candidate> found) {
        int open = text.step(token, -2);
        if (text.is(token, ",") && text.is(open, "[") && text.is(text.step(token, 2), "]")) {
            int next = text.step(token, 1);
            found.add(Candidate.replace("write an index each", 0,
                    new Range(text.tokens().start(token), text.tokens().start(next)), "]["));
        }
    }

    /** {@code record Buoy {String colour, int number}}. */
    private static void recordInBraces(BrokenText text, int token, List<Candidate> found) {
        int open = text.step(token, 2);
        if (!text.is(token, "record") || !text.is(open, "{")) {
            return;
        }
        int close = text.closing(open);
        for (int i = open; i >= 0 && i < close; i = text.step(i, 1)) {
            if (text.is(i, ";") || text.is(i, "(")) {
                return;
            }
        }
        if (close > 0) {
            found.add(Candidate.replace("write the components in parentheses", 0,
                    new Range(text.tokens().end(text.step(open, -1)), text.tokens().end(open)), "(")
                    .and(text.range(close), ") {" + text.lineEnd() + text.indent(text.tokens().start(token)) + "}"));
        }
    }

    /** {@code = [4, 8]} and {@code (["red"])}: a list, or an array where one is wanted. */
    private static void list(BrokenText text, int token, List<Candidate> found) {
        int before = text.step(token, -1);
        boolean isValue = text.is(before, "=") || text.is(before, "(") || text.is(before, ",")
                || text.is(before, "return") || text.is(before, ":")
                || text.is(before, "[");
        int close = text.is(token, "[") && isValue ? text.closing(token) : -1;
        if (close < 0) {
            return;
        }
        found.add(Candidate.replace("make a list", 0, text.range(token), "List.of(").and(text.range(close), ")"));
        found.add(Candidate.replace("make a list that can be changed", 0, text.range(token), "new ArrayList<>(List.of(")
                .and(text.range(close), "))"));
        found.add(Candidate.replace("write braces", 0, text.range(token), "{").and(text.range(close), "}"));
    }

    /** <code>new String {"a"}</code>. */
    private static void arrayWithoutBrackets(BrokenText text, int token, List<Candidate> found) {
        int type = text.step(token, 1);
        int open = text.step(type, 1);
        if (text.is(token, "new") && text.is(open, "{") && text.closing(open) > 0) {
            found.add(Candidate.insert("write '[]'", 0, text.tokens().end(type), "[]"));
        }
    }

    /** {@code berth(number: 4, quay: "N")}, or with {@code =}: Java passes arguments by their place. */
    private static void namedArguments(BrokenText text, int token, List<Candidate> found) {
        int close = text.is(token, "(") && text.isKind(text.step(token, -1), TokenKind.IDENTIFIER) ? text.closing(token)
                : -1;
        Candidate without = new Candidate("pass the values alone", 0, List.of());
        int depth = 0;
        for (int i = token; i >= 0 && i < close; i = text.step(i, 1)) {
            depth += text.is(i, "(") ? 1 : text.is(i, ")") ? -1 : 0;
            boolean isNamed = depth == 1 && text.is(i, ":") && text.isKind(text.step(i, -1), TokenKind.IDENTIFIER)
                    && (text.is(text.step(i, -2), "(") || text.is(text.step(i, -2), ","));
            if (isNamed) {
                without = without.and(new Range(text.tokens().start(text.step(i, -1)), text.tokens()
                        .start(text.step(i, 1))), "");
            }
        }
        if (!without.edits().isEmpty()) {
            found.add(without);
        }
    }

    /** {@code new Thread(-> row())}. */
    private static void arrow(BrokenText text, int token, List<Candidate> found) {
        int before = text.step(token, -1);
        if (text.is(token, "->") && (text.is(before, "(") || text.is(before, ",") || text.is(before, "="))) {
            found.add(Candidate.insert("write '()' before '->'", 0, text.tokens().start(token), "() "));
        }
    }

    /** {@code names.filter(n -> n.equals("a").count()}: a parenthesis is missing before the next call of a chain. */
    private static void chained(BrokenText text, int token, List<Candidate> found) {
        if (text.is(token, ".") && text.is(text.step(token, -1), ")")) {
            found.add(Candidate.insert("add ')' before '." + text.text(text.step(token, 1)) + "'", 3, text.tokens()
                    .start(token), ")"));
        }
    }
}
