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
 * Bodies that are missing or hold what Java does not: of types, records and enums, and properties (JLS 8.1.7, 8.9.1,
 * 8.10).
 */
public final class BodyCandidates implements CandidateSource {

    private static final Pattern PROPERTY = Pattern.compile("\\s*\\{\\s*(get|set)\\s*;[^}]*\\}\\s*;?");
    private static final Pattern HEAD = Pattern
            .compile("^(\\s*)((public|final|abstract|static|sealed|private)\\s+)*(class|interface|enum)\\s+\\w[^{;]*$");
    private static final Set<String> TYPES = Set.of("void", "int", "long", "double", "float", "char", "boolean",
            "String");
    private static final int NEAR = 9;

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        property(text, found);
        typeBody(text, found);
        for (int token : text.near(NEAR)) {
            recordBody(text, token, found);
            methodWithoutParentheses(text, token, found);
            constants(text, token, found);
        }
        return found;
    }

    /** <code>String name { get; set; }</code>. */
    private static void property(BrokenText text, List<Candidate> found) {
        int line = text.lineOf(text.at());
        Matcher accessors = PROPERTY.matcher(text.lineText(line));
        if (accessors.find()) {
            int start = text.line(line).start();
            found.add(Candidate.replace("declare a field alone", -1,
                    new Range(start + accessors.start(), start + accessors.end()), ";"));
        }
    }

    /** A type whose members only stand deeper. */
    private static void typeBody(BrokenText text, List<Candidate> found) {
        int line = text.lineOf(text.at());
        if (!HEAD.matcher(text.lineText(line)).matches()) {
            return;
        }
        int end = line;
        while (end + 1 <= text.lineOf(text.content().length()) && !text.lineText(end + 1).isBlank()
                && text.indentation(end + 1) > text.indentation(line)) {
            end++;
        }
        if (end > line) {
            Range head = text.line(line);
            Range last = text.line(end);
            String indent = text.lineText(line).substring(0, text.lineText(line).length() - text.lineText(line)
                    .stripLeading().length());
            found.add(Candidate.insert("put the members in braces", -1, head.start() + text.lineText(line)
                    .stripTrailing().length(), " {")
                    .and(new Range(last.start() + text.lineText(end).length(), last.start() + text.lineText(end)
                            .length()), text.lineEnd() + indent + "}"));
        }
    }

    /** {@code record Pier(String name);} and {@code record Pier;}. */
    private static void recordBody(BrokenText text, int token, List<Candidate> found) {
        int name = text.step(token, 1);
        int open = text.step(name, 1);
        if (!text.is(token, "record") || !text.isKind(name, TokenKind.IDENTIFIER)) {
            return;
        }
        int end = text.is(open, "(") ? text.step(text.closing(open), 1) : open;
        if (text.is(end, ";")) {
            String body = " {" + text.lineEnd() + text.indent(text.tokens().start(token)) + "}";
            found.add(Candidate.replace("write an empty body", -1, text.range(end), (text.is(open, "(") ? "" : "()")
                    + body));
        } else if (text.is(open, "{") && !text.is(text.step(open, 1), "}")) {
            found.add(Candidate.insert("write '()'", 2, text.tokens().end(name), "()"));
        }
    }

    /** <code>static int one {</code>. */
    private static void methodWithoutParentheses(BrokenText text, int token, List<Candidate> found) {
        int name = text.step(token, 1);
        if (TYPES.contains(text.text(token)) && text.isKind(name, TokenKind.IDENTIFIER)
                && text.is(text.step(name, 1), "{")) {
            found.add(Candidate.insert("write '()'", -1, text.tokens().end(name), "()"));
        }
    }

    /** <code>enum Flag { "RED", GREEN = 1 }</code>. */
    private static void constants(BrokenText text, int token, List<Candidate> found) {
        int open = text.step(token, 2);
        int close = text.is(token, "enum") && text.is(open, "{") ? text.closing(open) : -1;
        Candidate all = new Candidate("name the constants alone", -1, List.of());
        for (int i = open; i >= 0 && i < close && !text.is(i, ";"); i = text.step(i, 1)) {
            if (text.isKind(i, TokenKind.STRING)) {
                all = all.and(text.range(i), text.text(i).replaceAll("\\W", ""));
            } else if (text.is(i, "=") && text.isKind(text.step(i, -1), TokenKind.IDENTIFIER)) {
                all = all.and(new Range(text.tokens().end(text.step(i, -1)), text.tokens().end(text.step(i, 1))), "");
            }
        }
        if (!all.edits().isEmpty()) {
            found.add(all);
        }
    }
}
