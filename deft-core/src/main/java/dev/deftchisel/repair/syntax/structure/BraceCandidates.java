package dev.deftchisel.repair.syntax.structure;

import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/** Braces that are missing or too many, as the indentation of the lines tells. */
public final class BraceCandidates implements CandidateSource {

    /** A brace that is open, the column of its line, and the token. */
    private record Open(int token, int indentation) {
    }

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        missingEnd(text, found);
        surplus(text, found);
        missingStart(text, found);
        bracedBranch(text, found);
        bracedCase(text, found);
        int end = text.content().stripTrailing().length();
        found.add(Candidate.insert("add '}'", 4, end, text.lineEnd() + "}"));
        return found;
    }

    /**
     * A line that stands no deeper than the line of a brace which is still open: the brace should have been closed
     * before it.
     */
    private static void missingEnd(BrokenText text, List<Candidate> found) {
        Tokens tokens = text.tokens();
        Deque<Open> open = new ArrayDeque<>();
        int line = -1;
        for (int i = tokens.code(0); i < tokens.count(); i = tokens.code(i + 1)) {
            int own = text.lineOf(tokens.start(i));
            boolean isFirst = own != line;
            line = own;
            if (isFirst && !open.isEmpty() && !text.is(i, "}") && text.indentation(own) <= open.peek().indentation()
                    && open.peek().indentation() >= 0 && text.lineOf(tokens.start(open.peek().token())) < own) {
                int before = tokens.codeBefore(i - 1);
                int end = tokens.end(before);
                String indent = text.indent(tokens.start(open.peek().token()));
                found.add(Candidate.insert("add '}'", 1 + found.size(), end, text.lineEnd() + indent + "}"));
                open.pop();
            }
            if (text.is(i, "{")) {
                open.push(new Open(i, text.indentation(own)));
            } else if (text.is(i, "}") && !open.isEmpty()) {
                Open opened = open.pop();
                boolean isMisplaced = isFirst && text.indentation(own) < opened.indentation();
                if (isMisplaced) {
                    int before = tokens.codeBefore(i - 1);
                    found.add(Candidate.insert("add '}'", 1 + found.size(), tokens.end(before),
                            text.lineEnd() + text.indent(tokens.start(opened.token())) + "}"));
                    if (!open.isEmpty()) {
                        open.pop();
                    }
                }
            }
        }
    }

    /** A brace at the beginning of a line that closes nothing which stands as deep as it does. */
    private static void surplus(BrokenText text, List<Candidate> found) {
        Tokens tokens = text.tokens();
        Deque<Open> open = new ArrayDeque<>();
        for (int i = tokens.code(0); i < tokens.count(); i = tokens.code(i + 1)) {
            if (text.is(i, "{")) {
                open.push(new Open(i, text.indentation(text.lineOf(tokens.start(i)))));
            } else if (text.is(i, "}")) {
                int line = text.lineOf(tokens.start(i));
                boolean isAlone = text.lineText(line).strip().equals("}");
                if (isAlone && (open.isEmpty() || open.peek().indentation() != text.indentation(line))) {
                    found.add(Candidate.replace("remove '}'", 2 + found.size(), wholeLine(text, line), ""));
                    if (!open.isEmpty() && open.peek().indentation() < text.indentation(line)) {
                        continue;
                    }
                }
                if (!open.isEmpty()) {
                    open.pop();
                }
            }
        }
    }

    private static Range wholeLine(BrokenText text, int line) {
        Range own = text.line(line);
        int end = own.end();
        if (end < text.content().length() && text.content().charAt(end) == '\r') {
            end++;
        }
        return new Range(own.start(), Math.min(text.content().length(), end + (end < text.content().length() ? 1 : 0)));
    }

    /** A line such as {@code if (...)} or the head of a method after which lines stand deeper without a brace. */
    private static void missingStart(BrokenText text, List<Candidate> found) {
        int last = text.lineOf(Math.min(text.at(), text.content().length()));
        for (int line = last; line >= 1 && line > last - 12; line--) {
            String own = text.lineText(line).stripTrailing();
            boolean isHead = own.matches("\\s*(\\}?\\s*(if|else if|while|for|catch|switch|synchronized)\\b.*\\)|"
                    + "\\}?\\s*(else|do|try|finally)"
                    + "|.*[\\w>\\]]\\s+\\w+\\s*\\(.*\\)(\\s*throws [\\w., "
                    + "]+)?|.*\\b(class|interface|enum|record)\\s+\\w+.*)")
                    && !own.endsWith("{") && !own.endsWith(";");
            if (isHead) {
                // several lines stand deeper, and a brace in the column of the head closes them
                int next = line + 1;
                while (next < last && text.indentation(next) > text.indentation(line)) {
                    next++;
                }
                boolean isClosed = next > line + 2 && text.lineText(next).strip().startsWith("}")
                        && text.indentation(next) == text.indentation(line);
                found.add(Candidate.insert("add '{'", isClosed ? 0 : 2 + last - line, text.line(line)
                        .start() + own.length(), " {"));
            }
        }
    }

    /** {@code case 1 -> a(); b();}: after an arrow stands one statement, or a block (JLS 14.11.1). */
    private static void bracedCase(BrokenText text, List<Candidate> found) {
        if (!text.error().message().contains("case")) {
            return;
        }
        int arrow = text.last();
        while (arrow >= 0 && !text.is(arrow, "->") && !text.is(arrow, "case")) {
            arrow = text.step(arrow, -1);
        }
        int end = text.next();
        int depth = 0;
        while (end >= 0 && (depth > 0 || !text.is(end, "case") && !text.is(end, "default") && !text.is(end, "}"))) {
            depth += text.is(end, "{") ? 1 : text.is(end, "}") ? -1 : 0;
            end = text.step(end, 1);
        }
        if (text.is(arrow, "->") && end > 0) {
            found.add(Candidate.insert("put the statements in braces", 0, text.tokens().end(arrow), " {")
                    .and(new Range(text.tokens().end(text.step(end, -1)), text.tokens().end(text.step(end, -1))),
                            " }"));
        }
    }

    /** {@code if (...) a(); b(); else c();} without braces: the branch that has several statements gets them. */
    private static void bracedBranch(BrokenText text, List<Candidate> found) {
        if (!text.id().equals("else.without.if")) {
            return;
        }
        int token = text.next();
        for (int i = text.step(token, -1); i >= 0; i = text.step(i, -1)) {
            if (text.is(i, "if") && text.is(text.step(i, 1), "(")) {
                int close = text.closing(text.step(i, 1));
                int next = close < 0 ? -1 : text.step(close, 1);
                if (text.is(next, ";")) {
                    found.add(Candidate.replace("remove ';'", 0, text.range(next), ""));
                } else if (close > 0 && !text.is(next, "{")) {
                    int before = text.step(token, -1);
                    String indent = text.indent(text.tokens().start(i));
                    found.add(Candidate.insert("put the statements in braces", 0, text.tokens().end(close), " {")
                            .and(new Range(text.tokens().end(before), text.tokens().start(token)), text.lineEnd()
                                    + indent + "} "));
                }
                return;
            }
        }
    }
}
