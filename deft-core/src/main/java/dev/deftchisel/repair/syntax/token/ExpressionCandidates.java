package dev.deftchisel.repair.syntax.token;

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

/**
 * Expressions with brackets of another kind, a sign in another place, or an operator that Java has as a method or not
 * at all.
 */
public final class ExpressionCandidates implements CandidateSource {

    private static final Pattern RANGE = Pattern.compile("(?<=\\()(\\w+)\\s*\\.\\.[.<=]?\\s*(\\w+)(?=\\))");
    private static final int NEAR = 9;
    private static final Set<String> HEADS = Set.of("if", "while", "for", "switch", "catch", "synchronized");

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        for (int token : text.near(NEAR)) {
            negated(text, token, found);
            contained(text, token, found);
            orElse(text, token, found);
            product(text, token, found);
            callInBrackets(text, token, found);
            mismatched(text, token, found);
            headInBraces(text, token, found);
            emptyList(text, token, found);
            withoutOtherwise(text, token, found);
            madeWithoutParentheses(text, token, found);
            calledAlone(text, token, found);
            assignedAlone(text, token, found);
            range(text, token, found);
        }
        return found;
    }

    /** The first token of the names, calls and indexes that end with a token. */
    private static int start(BrokenText text, int end) {
        int start = end;
        while (start >= 0) {
            if (text.is(start, ")") || text.is(start, "]")) {
                start = opening(text, start);
                int before = text.step(start, -1);
                if (start < 0 || !text.isKind(before, TokenKind.IDENTIFIER) && !text.is(before, ")")
                        && !text.is(before, "]")) {
                    return start;
                }
                start = before;
            } else if (text.is(text.step(start, -1), ".")) {
                start = text.step(start, -2);
            } else {
                return start;
            }
        }
        return -1;
    }

    private static int opening(BrokenText text, int close) {
        int depth = 0;
        for (int i = close; i >= 0; i = text.step(i, -1)) {
            depth += text.is(i, ")") || text.is(i, "]") ? 1 : text.is(i, "(") || text.is(i, "[") ? -1 : 0;
            if (depth == 0) {
                return i;
            }
        }
        return -1;
    }

    /** {@code name.!isEmpty()}. */
    private static void negated(BrokenText text, int token, List<Candidate> found) {
        int dot = text.step(token, -1);
        int first = text.is(token, "!") && text.is(dot, ".") ? start(text, text.step(dot, -1)) : -1;
        if (first >= 0) {
            found.add(Candidate.replace("write '!' in front", 0, text.range(token), "")
                    .and(new Range(text.tokens().start(first), text.tokens().start(first)), "!"));
        }
    }

    /** {@code if ("Ida" in names)}. */
    private static void contained(BrokenText text, int token, List<Candidate> found) {
        int before = text.step(token, -1);
        int next = text.step(token, 1);
        int first = text.is(token, "in") && before >= 0 && text.isKind(next, TokenKind.IDENTIFIER) ? start(text, before)
                : -1;
        boolean isLoop = text.is(text.step(first, -1), "(") && text.is(text.step(first, -2), "for")
                || text.isKind(text.step(first, -1), TokenKind.IDENTIFIER)
                || text.isKind(text.step(first, -1), TokenKind.KEYWORD);
        if (first >= 0 && !isLoop) {
            String value = text.text(new Range(text.tokens().start(first), text.tokens().end(before)));
            found.add(Candidate.replace("call 'contains'", -1,
                    new Range(text.tokens().start(first), text.tokens().end(next)),
                    text.text(next) + ".contains(" + value + ")"));
        }
    }

    /** {@code name ?: "nobody"}, also with two question marks. */
    private static void orElse(BrokenText text, int token, List<Candidate> found) {
        int next = text.step(token, 1);
        int first = text.is(token, "?") && (text.is(next, ":") || text.is(next, "?"))
                ? start(text, text.step(token, -1)) : -1;
        if (first >= 0) {
            String value = text.text(new Range(text.tokens().start(first), text.tokens().end(text.step(token, -1))));
            found.add(Candidate.replace("compare it with null", 0,
                    new Range(text.tokens().start(token), text.tokens().end(next)), "!= null ? " + value + " :"));
        }
    }

    /** {@code 2 (a + 1)}. */
    private static void product(BrokenText text, int token, List<Candidate> found) {
        if (text.isKind(token, TokenKind.NUMBER)
                && (text.is(text.step(token, 1), "(") || text.isKind(text.step(token, 1), TokenKind.IDENTIFIER))) {
            found.add(Candidate.insert("add '*'", 0, text.tokens().end(token), " *"));
        }
        if (text.is(token, ")") && (text.is(text.step(token, 1), "(")
                || text.isKind(text.step(token, 1), TokenKind.NUMBER))) {
            found.add(Candidate.insert("add '*'", 3, text.tokens().end(token), " *"));
        }
    }

    /** {@code add[1, 2]}, where a method is called so. */
    private static void callInBrackets(BrokenText text, int token, List<Candidate> found) {
        int open = text.step(token, 1);
        int close = text.isKind(token, TokenKind.IDENTIFIER) && text.is(open, "[") ? text.closing(open) : -1;
        if (close > 0 && Pattern.compile("[\\w>\\]]\\s+" + Pattern.quote(text.text(token)) + "\\s*\\(")
                .matcher(text.content()).find()) {
            found.add(Candidate.replace("write parentheses", -1, text.range(open), "(").and(text.range(close), ")"));
        }
    }

    /** {@code a[1)}. */
    private static void mismatched(BrokenText text, int token, List<Candidate> found) {
        if (text.is(token, ")") && text.error().message().startsWith("']'") && text.next() == token) {
            found.add(Candidate.replace("write ']' instead of ')'", 0, text.range(token), "]"));
        } else if (text.is(token, "]") && text.error().message().contains("')'") && text.next() == token) {
            found.add(Candidate.replace("write ')' instead of ']'", 0, text.range(token), ")"));
        }
    }

    /** <code>if {n > 2} {</code>. */
    private static void headInBraces(BrokenText text, int token, List<Candidate> found) {
        int open = text.step(token, 1);
        int close = HEADS.contains(text.text(token)) && (text.is(open, "{") || text.is(open, "[")) ? text.closing(open)
                : -1;
        if (close > 0 && text.is(text.step(close, 1), "{")) {
            found.add(Candidate.replace("write parentheses", 0, text.range(open), "(").and(text.range(close), ")"));
        }
    }

    /** {@code names == []}. */
    private static void emptyList(BrokenText text, int token, List<Candidate> found) {
        int open = text.step(token, 1);
        int close = text.step(open, 1);
        int first = (text.is(token, "==") || text.is(token, "!=")) && text.is(open, "[") && text.is(close, "]")
                ? start(text, text.step(token, -1)) : -1;
        if (first >= 0) {
            Candidate asked = Candidate.replace("call 'isEmpty'", -1,
                    new Range(text.tokens().end(text.step(token, -1)), text.tokens().end(close)), ".isEmpty()");
            found.add(text.is(token, "==") ? asked : asked
                    .and(new Range(text.tokens().start(first), text.tokens().start(first)), "!"));
        }
    }

    /** {@code n > 2 ? "many";}. */
    private static void withoutOtherwise(BrokenText text, int token, List<Candidate> found) {
        boolean isAsked = text.is(token, ";") && text.next() == token && text.error().message().startsWith(": ");
        for (String other : isAsked ? List.of("null", "0", "\"\"", "false") : List.<String>of()) {
            found.add(Candidate.insert("add ': " + other + "'", -1, text.tokens().start(token), " : " + other));
        }
    }

    /** {@code new Pier;}, and {@code map(new Pier)}, where a function is meant. */
    private static void madeWithoutParentheses(BrokenText text, int token, List<Candidate> found) {
        int name = text.step(token, 1);
        int end = text.step(name, 1);
        boolean isBare = text.is(token, "new") && text.isKind(name, TokenKind.IDENTIFIER)
                && (text.is(end, ";") || text.is(end, ")") || text.is(end, ","));
        if (isBare) {
            found.add(Candidate.insert("add '()'", 0, text.tokens().end(name), "()"));
        }
        if (isBare && !text.is(end, ";") && (text.is(text.step(token, -1), "(")
                || text.is(text.step(token, -1), ","))) {
            found.add(Candidate.replace("write '" + text.text(name) + "::new'", 1,
                    new Range(text.tokens().start(token), text.tokens().end(name)),
                    text.text(name) + "::new"));
        }
    }

    /** {@code greet;}, where a method is called so, and {@code System,out}. */
    private static void calledAlone(BrokenText text, int token, List<Candidate> found) {
        int end = text.step(token, 1);
        if (text.id().equals("not.stmt") && text.isKind(token, TokenKind.IDENTIFIER) && text.is(end, ";")
                && Pattern.compile("\\b" + Pattern.quote(text.text(token))
                        + "\\s*\\([^()]*\\)\\s*(throws [\\w., ]+)?\\{").matcher(text.content()).find()) {
            found.add(Candidate.insert("call it", -1, text.tokens().end(token), "()"));
        }
        if (text.is(token, "System") && text.is(end, ",")) {
            found.add(Candidate.replace("write '.' instead of ','", -1, text.range(end), "."));
        }
    }

    /** {@code for (...; i + 2)}: what is computed and given to nothing is to be added. */
    private static void assignedAlone(BrokenText text, int token, List<Candidate> found) {
        int name = text.step(token, -1);
        boolean isFirst = text.is(text.step(name, -1), ";") || text.is(text.step(name, -1), "{")
                || text.is(text.step(name, -1), "}");
        if (text.id().equals("not.stmt") && Set.of("+", "-", "*", "/").contains(text.text(token))
                && text.isKind(name, TokenKind.IDENTIFIER) && isFirst
                && text.is(text.step(token, 2), ")")) {
            found.add(Candidate.insert("write '" + text.text(token) + "='", -1, text.tokens().end(token), "="));
        }
    }

    /** {@code range(1..4)}. */
    private static void range(BrokenText text, int token, List<Candidate> found) {
        int line = text.lineOf(text.tokens().start(token));
        int start = text.line(line).start();
        Matcher numbers = RANGE.matcher(text.lineText(line));
        if (text.is(token, "(") && numbers.find()) {
            found.add(Candidate.replace("write ','", -1, new Range(start + numbers.end(1), start + numbers.start(2)),
                    ", "));
        }
    }
}
