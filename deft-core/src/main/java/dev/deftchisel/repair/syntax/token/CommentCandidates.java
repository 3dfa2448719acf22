package dev.deftchisel.repair.syntax.token;

import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What is no code: comments in the signs of other languages, or with one sign too few or too many, and characters that
 * only look like blanks (JLS 3.6, 3.7).
 */
public final class CommentCandidates implements CandidateSource {

    private static final Pattern HASH = Pattern.compile("(?<=^|[;{}])(\\s*)(#+|--)(?=\\s|\\w)");
    private static final Pattern SLASH = Pattern.compile("(?<=^|[;{})])(\\s*)/(?=\\s*\\p{L})");
    private static final Pattern BLANKS = Pattern.compile("[\\u00a0\\u2000-\\u200b\\u202f\\u205f\\u3000\\ufeff]");

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        int line = text.lineOf(text.at());
        for (int number = Math.max(1, line - 1); number <= line; number++) {
            start(text, number, HASH, found);
            start(text, number, SLASH, found);
        }
        end(text, line, found);
        blanks(text, found);
        return found;
    }

    private static void start(BrokenText text, int line, Pattern sign, List<Candidate> found) {
        Matcher comment = sign.matcher(text.lineText(line));
        int start = text.line(line).start();
        if (comment.find()) {
            found.add(Candidate.replace("make it a comment", 0,
                    new Range(start + comment.end(1), start + comment.end()), "//"));
        }
    }

    /** A second end: comments do not nest (JLS 3.7). */
    private static void end(BrokenText text, int line, List<Candidate> found) {
        Range range = text.line(line);
        int end = text.content().indexOf("*/", Math.max(0, Math.min(text.at() - 1, range.end())));
        if (end >= 0 && end < range.end()) {
            int from = end;
            while (from > range.start() && text.content().charAt(from - 1) == ' ') {
                from--;
            }
            found.add(Candidate.replace("remove the second end of the comment", 0, new Range(from, end + 2), ""));
        }
    }

    private static void blanks(BrokenText text, List<Candidate> found) {
        Matcher blank = BLANKS.matcher(text.content());
        List<Candidate.Replacement> edits = new ArrayList<>();
        while (blank.find()) {
            boolean isInside = text.tokens().kind(text.tokens().at(blank.start())).isComment()
                    || text.text(text.tokens().at(blank.start())).startsWith("\"");
            if (!isInside) {
                edits.add(new Candidate.Replacement(new Range(blank.start(), blank.end()), " "));
            }
        }
        if (!edits.isEmpty()) {
            found.add(new Candidate("write plain blanks", -1, edits));
        }
    }
}
