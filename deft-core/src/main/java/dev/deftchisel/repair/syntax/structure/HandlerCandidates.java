package dev.deftchisel.repair.syntax.structure;

import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import java.util.ArrayList;
import java.util.List;

/**
 * {@code try} and what belongs to it without braces, without the type of the exception, or with one too many (JLS
 * 14.20).
 */
public final class HandlerCandidates implements CandidateSource {

    private static final int NEAR = 9;

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        for (int token : text.near(NEAR)) {
            caught(text, token, found);
            last(text, token, found);
        }
        if (text.is(text.next(), "try")) {
            braces(text, text.next(), found);
            otherWord(text, found);
        }
        return found;
    }

    /** {@code catch (e)} and <code>catch {</code>. */
    private static void caught(BrokenText text, int token, List<Candidate> found) {
        int next = text.step(token, 1);
        if (text.is(token, "catch") && text.is(next, "{")) {
            found.add(Candidate.insert("catch any exception", -1, text.tokens().end(token), " (Exception e)"));
        } else if (text.is(token, "catch") && text.is(next, "(") && text.is(text.step(next, 2), ")")
                && text.isKind(text.step(next, 1), TokenKind.IDENTIFIER)
                && Character.isLowerCase(text.text(text.step(next, 1)).charAt(0))) {
            found.add(Candidate.insert("catch any exception", -1, text.tokens().end(next), "Exception "));
        } else if (text.is(token, "as") && text.isKind(text.step(token, 1), TokenKind.IDENTIFIER)
                && text.isKind(text.step(token, -1), TokenKind.IDENTIFIER)) {
            found.add(Candidate.replace("remove 'as'", 0,
                    new Range(text.tokens().start(token), text.tokens().start(next)), ""));
        }
    }

    /** <code>finally (Exception e) {</code>. */
    private static void last(BrokenText text, int token, List<Candidate> found) {
        int open = text.step(token, 1);
        int close = text.is(token, "finally") && text.is(open, "(") ? text.closing(open) : -1;
        if (close > 0) {
            found.add(Candidate.replace("catch nothing here", -1,
                    new Range(text.tokens().end(token), text.tokens().end(close)), ""));
        }
    }

    /** {@code try a(); catch (X e) b();}. */
    private static void braces(BrokenText text, int token, List<Candidate> found) {
        Candidate all = new Candidate("put the statements in braces", -1, List.of());
        int at = token;
        while (text.is(at, "try") || text.is(at, "catch") || text.is(at, "finally")) {
            int head = text.is(at, "catch") ? text.closing(text.step(at, 1)) : at;
            int first = head < 0 ? -1 : text.step(head, 1);
            int end = text.is(first, "{") ? text.closing(first) : first;
            while (end >= 0 && !text.is(first, "{") && !text.is(end, ";")) {
                end = text.step(end, 1);
            }
            if (first < 0 || end < 0) {
                return;
            }
            if (!text.is(first, "{")) {
                String indent = text.lineEnd() + text.indent(text.tokens().start(at));
                all = all.and(new Range(text.tokens().end(head), text.tokens().start(first)), " {" + indent
                        + text.unit())
                        .and(new Range(text.tokens().end(end), text.tokens().end(end)), indent + "}");
            }
            at = text.step(end, 1);
        }
        if (!all.edits().isEmpty()) {
            found.add(all);
        }
    }

    /** {@code try} with a handler under another name. */
    private static void otherWord(BrokenText text, List<Candidate> found) {
        int open = text.step(text.next(), 1);
        int close = text.is(open, "{") ? text.closing(open) : -1;
        int word = close < 0 ? -1 : text.step(close, 1);
        if (text.isKind(word, TokenKind.IDENTIFIER) && text.is(text.step(word, 1), "(")) {
            found.add(Candidate.replace("write 'catch'", 0, text.range(word), "catch"));
        }
    }
}
