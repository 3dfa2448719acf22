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

/**
 * Heads of types and methods, and types with type arguments, in the form of other languages (JLS 8.1, 8.4, 8.9, 8.10,
 * 9.1).
 */
public final class TypeHeadCandidates implements CandidateSource {

    private static final Pattern MADE = Pattern.compile("new\\s+[\\w.]+\\s*(<[^;()]+>)\\s*\\(");
    private static final Set<String> EXTENDING = Set.of("inherits", "inherit", "extend", "implement", "derives", "from",
            "is", "isa", "of");
    private static final int NEAR = 12;

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        for (int token : text.near(NEAR)) {
            supertype(text, token, found);
            bound(text, token, found);
            components(text, token, found);
            emptyArguments(text, token, found);
            brackets(text, token, found);
            argumentsBehind(text, token, found);
            resultBehind(text, token, found);
        }
        return found;
    }

    /** {@code class Ferry : Craft}, {@code interface Crewed implements Named}, {@code enum Side extends Object}. */
    private static void supertype(BrokenText text, int token, List<Candidate> found) {
        int name = text.step(token, -1);
        String kind = text.text(text.step(name, -1));
        if (text.is(token, ":") && Set.of("class", "interface", "enum", "record").contains(kind) || text.is(token, ":")
                && text.is(name, ")")) {
            boolean isExtended = kind.equals("class") || kind.equals("interface");
            found.add(Candidate.replace("write 'extends' instead of ':'", isExtended ? 0
                    : 2, text.range(token), "extends"));
            found.add(Candidate.replace("write 'implements' instead of ':'", isExtended ? 1
                    : 0, text.range(token), "implements"));
        } else if (EXTENDING.contains(text.text(token)) && Set.of("class", "interface").contains(kind)
                && text.isKind(text.step(token, 1), TokenKind.IDENTIFIER)) {
            found.add(Candidate.replace("write 'extends'", 0, text.range(token), "extends"));
            found.add(Candidate.replace("write 'implements'", 1, text.range(token), "implements"));
        } else if (text.is(token, "(") && kind.equals("class") && text.is(text.step(token, 2), ")")) {
            String above = text.text(text.step(token, 1));
            Range head = new Range(text.tokens().end(name), text.tokens().end(text.step(token, 2)));
            found.add(Candidate.replace("write 'extends " + above + "'", 0, head, " extends " + above));
            found.add(Candidate.replace("write 'implements " + above + "'", 1, head, " implements " + above));
        } else if (text.is(token, "extends") && text.is(text.step(name, -1), "implements")
                && text.isKind(text.step(token, 1), TokenKind.IDENTIFIER)) {
            String above = text.text(text.step(token, 1));
            int word = text.step(name, -1);
            found.add(Candidate.insert("write 'extends' first", -1, text.tokens().start(word), "extends " + above + " ")
                    .and(new Range(text.tokens().end(name), text.tokens().end(text.step(token, 1))), ""));
        } else if (text.is(token, "implements") && kind.equals("interface")) {
            found.add(Candidate.replace("write 'extends' instead of 'implements'", 0, text.range(token), "extends"));
        } else if (text.is(token, "extends") && kind.equals("enum")) {
            int end = text.step(token, 1);
            while (end >= 0 && !text.is(text.step(end, 1), "{") && !text.is(text.step(end, 1), "implements")
                    && text.step(end, 1) >= 0) {
                end = text.step(end, 1);
            }
            if (end >= 0) {
                found.add(Candidate.replace("extend nothing", 0,
                        new Range(text.tokens().end(name), text.tokens().end(end)), ""));
            }
        }
    }

    /** {@code <T implements Comparable<T>>}, {@code <T : Number>}. */
    private static void bound(BrokenText text, int token, List<Candidate> found) {
        int name = text.step(token, -1);
        boolean isParameter = text.isKind(name, TokenKind.IDENTIFIER)
                && (text.is(text.step(name, -1), "<") || text.is(text.step(name, -1), ","));
        if (isParameter && (text.is(token, "implements") || text.is(token, ":"))) {
            found.add(Candidate.replace("write 'extends' instead of '" + text.text(token) + "'", 0,
                    new Range(text.tokens().end(name), text.tokens().end(token)), " extends"));
        }
    }

    /** {@code record Tide(private int hour)}. */
    private static void components(BrokenText text, int token, List<Candidate> found) {
        int open = text.step(token, 2);
        int close = text.is(token, "record") && text.is(open, "(") ? text.closing(open) : -1;
        Candidate without = new Candidate("leave the modifiers out", 0, List.of());
        for (int i = open; i >= 0 && i < close; i = text.step(i, 1)) {
            if (Set.of("private", "public", "protected", "final", "static").contains(text.text(i))) {
                without = without.and(new Range(text.tokens().start(i), text.tokens().start(text.step(i, 1))), "");
            }
        }
        if (!without.edits().isEmpty()) {
            found.add(without);
        }
    }

    /** {@code List<> names = new ArrayList<String>()}: the diamond belongs to where the object is made (JLS 15.9). */
    private static void emptyArguments(BrokenText text, int token, List<Candidate> found) {
        int close = text.step(token, 1);
        if (text.is(token, "<") && text.is(close, ">") && text.isKind(text.step(close, 1), TokenKind.IDENTIFIER)) {
            Range line = text.line(text.lineOf(text.tokens().start(token)));
            Matcher made = MADE.matcher(text.content().substring(text.tokens().end(close), line.end()));
            String arguments = made.find() ? made.group(1) : "<Object>";
            found.add(Candidate.replace("write '" + arguments + "'", 0,
                    new Range(text.tokens().start(token), text.tokens().end(close)), arguments));
        }
    }

    /** {@code List[String] names}. */
    private static void brackets(BrokenText text, int token, List<Candidate> found) {
        int argument = text.step(token, 1);
        int close = text.step(argument, 1);
        boolean isType = text.isKind(text.step(token, -1), TokenKind.IDENTIFIER)
                && Character.isUpperCase(text.text(text.step(token, -1)).charAt(0));
        if (text.is(token, "[") && isType && text.is(close, "]")
                && text.isKind(text.step(close, 1), TokenKind.IDENTIFIER)
                && text.isKind(argument, TokenKind.IDENTIFIER)) {
            found.add(Candidate.replace("write '<' and '>'", -1, text.range(token), "<").and(text.range(close), ">"));
        }
    }

    /** {@code List.of<String>()}: the type arguments of a method stand before its name (JLS 15.12). */
    private static void argumentsBehind(BrokenText text, int token, List<Candidate> found) {
        int name = text.step(token, -1);
        int close = token;
        while (text.is(token, "<") && close >= 0 && !text.is(close, ">") && !text.is(close, ";")) {
            close = text.step(close, 1);
        }
        if (text.is(token, "<") && text.is(text.step(name, -1), ".") && text.is(close, ">")
                && text.is(text.step(close, 1), "(")) {
            Range arguments = new Range(text.tokens().start(token), text.tokens().end(close));
            found.add(Candidate.insert("write '" + text.text(arguments) + "' before the name", -1, text.tokens()
                    .start(name), text.text(arguments)).and(arguments, ""));
        }
    }

    /** <code>twice(int n): int {</code>. */
    private static void resultBehind(BrokenText text, int token, List<Candidate> found) {
        int close = text.is(text.step(token, 1), "(") ? text.closing(text.step(token, 1)) : -1;
        int colon = close < 0 ? -1 : text.step(close, 1);
        int type = colon < 0 ? -1 : text.step(colon, 1);
        boolean isType = text.isPrimitive(type) || text.isKind(type, TokenKind.IDENTIFIER);
        if (!text.isKind(token, TokenKind.IDENTIFIER) || !text.is(colon, ":") && !text.is(colon, "->") || !isType) {
            return;
        }
        int brace = type;
        while (brace >= 0 && !text.is(brace, "{") && !text.is(brace, ";")) {
            brace = text.step(brace, 1);
        }
        if (text.is(brace, "{")) {
            String written = text.text(new Range(text.tokens().start(type), text.tokens().end(text.step(brace, -1))));
            int before = text.step(token, -1);
            boolean isWord = Set.of("def", "function", "fun", "func", "fn").contains(text.text(before));
            int start = text.tokens().start(isWord ? before : token);
            found.add(Candidate.replace("write the type before the name", 0,
                    new Range(start, text.tokens().start(token)), written + " ")
                    .and(new Range(text.tokens().end(close), text.tokens().end(text.step(brace, -1))), ""));
        }
    }
}
