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
 * Strings, characters, text blocks and comments that do not begin or end, or hold what they must not (JLS 3.7, 3.10).
 */
public final class QuoteCandidates implements CandidateSource {

    private static final Pattern ESCAPE = Pattern.compile("\\\\([^btnrfs\"'\\\\0-7u\r\n])");
    private static final Pattern END = Pattern.compile("[\\s;)\\],}]*$");
    /** A quoted word in a string: after the start of the string, a blank or so, and before more of it. */
    private static final Pattern QUOTED = Pattern
            .compile("(?<=\"[^\"+,;]{0,80}[\\s(=])(\"[\\p{L}\\p{N}_][^\"+,;]*\")(?=[\\s.,:;!?)][^\"]*\"\\s*[);,+])");
    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}_]");

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        int line = text.lineOf(text.at());
        switch (text.id()) {
            case "unclosed.str.lit" -> {
                closed(text, line, found);
                opened(text, line, found);
                joined(text, line, found);
            }
            case "unclosed.char.lit", "empty.char.lit" -> string(text, line, found);
            case "illegal.line.end.in.char.lit" -> lineEnd(text, found);
            case "illegal.esc.char" -> escaped(text, line, found);
            case "illegal.text.block.open" -> textBlock(text, found);
            case "unclosed.text.block" -> textBlockEnd(text, found);
            case "unclosed.comment" -> found.add(Candidate.insert("end the comment", 0,
                    lineEnd(text, text.lineOf(text.at())), " */"));
            case "illegal.char", "illegal.nonascii.digit" -> quotes(text, line, found);
            default -> {
                opened(text, line, found);
                within(text, line, found);
            }
        }
        return found;
    }

    private static int lineEnd(BrokenText text, int line) {
        Range range = text.line(line);
        return range.start() + text.lineText(line).stripTrailing().length();
    }

    /** Before what ends the statement, wherever the rest then makes sense. */
    private static void closed(BrokenText text, int line, List<Candidate> found) {
        String rest = text.content().substring(text.at(), text.line(line).end());
        Matcher end = END.matcher(rest);
        int first = end.find() ? end.start() : rest.length();
        // what is joined with a name after it ends before the sign
        Matcher joined = Pattern.compile("\\+\\s*[\\p{L}_(]").matcher(rest);
        if (joined.find() && joined.start() > 0) {
            found.add(Candidate.insert("close the string", 0, text.at() + joined.start(), "\" "));
        }
        for (int i = first; i <= rest.stripTrailing().length(); i++) {
            found.add(Candidate.insert("close the string", 1 + i - first, text.at() + i, "\""));
        }
    }

    /** Before a word to the left of the quotation mark that closes. */
    private static void opened(BrokenText text, int line, List<Candidate> found) {
        Range range = text.line(line);
        String before = text.lineText(line);
        if (before.chars().filter(c -> c == '"').count() % 2 == 0) {
            return;
        }
        int quote = before.lastIndexOf('"');
        for (int i = quote - 1; i >= 0; i--) {
            boolean isStart = WORD.matcher(String.valueOf(before.charAt(i))).matches()
                    && (i == 0 || !WORD.matcher(String.valueOf(before.charAt(i - 1))).matches());
            boolean isOpen = i > 0 && "(,+=".indexOf(before.substring(0, i).stripTrailing().isEmpty() ? ' '
                    : before.substring(0, i).stripTrailing()
                    .charAt(before.substring(0, i).stripTrailing().length() - 1)) >= 0;
            if (isStart && isOpen) {
                found.add(Candidate.insert("open the string", 1, range.start() + i, "\""));
                return;
            }
        }
    }

    /** {@code "the "Alba" is in"}: quotation marks in a string, where a word touches the mark before and after it. */
    private static void within(BrokenText text, int line, List<Candidate> found) {
        Matcher quoted = QUOTED.matcher(text.lineText(line));
        List<Candidate.Replacement> edits = new ArrayList<>();
        int start = text.line(line).start();
        while (quoted.find()) {
            for (int mark : new int[] {quoted.start(1), quoted.end(1) - 1}) {
                edits.add(new Candidate.Replacement(new Range(start + mark, start + mark), "\\"));
            }
        }
        if (!edits.isEmpty()) {
            found.add(new Candidate("write '\\\"' for the marks within", 0, edits));
        }
    }

    /** A line end between single quotation marks. */
    private static void lineEnd(BrokenText text, List<Candidate> found) {
        Matcher mark = Pattern.compile("'\\R'").matcher(text.content());
        if (mark.find(text.line(text.lineOf(text.at())).start())) {
            found.add(Candidate.replace("write '\\n'", 0, new Range(mark.start(), mark.end()), "'\\n'"));
        }
    }

    /** A string that goes on in the next line. */
    private static void joined(BrokenText text, int line, List<Candidate> found) {
        Range own = text.line(line);
        String content = text.content();
        int end = own.end();
        int start = end;
        while (start < content.length() && (content.charAt(start) == '\r' || content.charAt(start) == '\n')) {
            start++;
        }
        String next = start < content.length() ? text.lineText(text.lineOf(start)) : "";
        if (next.chars().filter(c -> c == '"').count() % 2 == 1) {
            found.add(Candidate.replace("write the line end as '\\n'", 0, new Range(end, start), "\\n"));
        }
    }

    private static void string(BrokenText text, int line, List<Candidate> found) {
        String rest = text.content().substring(text.at(), text.line(line).end());
        int open = rest.indexOf('\'');
        int marks = 0;
        for (int close = rest.indexOf('\'', open + 1); open >= 0 && close > 0; close = rest.indexOf('\'', close + 1)) {
            found.add(Candidate.replace("write a string", marks++, new Range(text.at() + open, text.at() + open + 1),
                    "\"")
                    .and(new Range(text.at() + close, text.at() + close + 1), "\""));
        }
        if (rest.startsWith("''")) {
            found.add(Candidate.replace("write a string", 0, new Range(text.at(), text.at() + 2), "\"\""));
        }
        // the closing mark is where the parser was
        String before = text.lineText(line);
        int at = text.at() - text.line(line).start();
        int first = before.lastIndexOf('\'', Math.max(0, at - 1));
        if (first >= 0 && at < before.length() && before.charAt(at) == '\'') {
            found.add(Candidate.replace("write a string", 1,
                    new Range(text.line(line).start() + first, text.line(line).start() + first + 1),
                    "\"").and(new Range(text.at(), text.at() + 1), "\""));
        }
    }

    /** A backslash that is meant as such, with all others in the line. */
    private static void escaped(BrokenText text, int line, List<Candidate> found) {
        Matcher matcher = ESCAPE.matcher(text.lineText(line));
        List<Candidate.Replacement> edits = new ArrayList<>();
        while (matcher.find()) {
            int at = text.line(line).start() + matcher.start();
            edits.add(new Candidate.Replacement(new Range(at, at), "\\"));
        }
        if (!edits.isEmpty()) {
            found.add(new Candidate("write '\\\\' for the backslash", 0, edits));
        }
    }

    private static void textBlock(BrokenText text, List<Candidate> found) {
        int open = text.content().lastIndexOf("\"\"\"", text.at());
        if (open < 0) {
            return;
        }
        int end = open + 3;
        int line = text.lineOf(open);
        String rest = text.content().substring(end, text.line(line).end());
        int close = rest.indexOf("\"\"\"");
        if (close >= 0) {
            found.add(Candidate.replace("write a string", 0, new Range(open, end), "\"")
                    .and(new Range(end + close, end + close + 3), "\""));
            return;
        }
        int next = text.line(line).end() < text.content().length() ? line + 1 : line;
        int width = text.content().substring(text.line(next).start(), text.line(next).end()).length()
                - text.lineText(next).stripLeading().length();
        String indent = text.lineText(next).substring(0, width);
        found.add(Candidate.replace("begin the text in a line of its own", 0,
                new Range(end, end + rest.length() - rest.stripLeading().length()),
                text.lineEnd() + indent));
    }

    private static void textBlockEnd(BrokenText text, List<Candidate> found) {
        Matcher end = Pattern.compile("\"{1,2}(?=[\\s;),.]*$)", Pattern.MULTILINE).matcher(text.content());
        int from = text.content().lastIndexOf("\"\"\"", text.at()) + 3;
        while (end.find()) {
            if (end.start() >= from) {
                found.add(Candidate.replace("close the text block", found.size(), new Range(end.start(), end.end()),
                        "\"\"\""));
            }
        }
        Matcher statement = Pattern.compile(";[ \\t]*$", Pattern.MULTILINE).matcher(text.content());
        while (statement.find() && found.size() < 6) {
            if (statement.start() > from) {
                found.add(Candidate.insert("close the text block", 4 + found.size(), statement.start(), "\"\"\""));
            }
        }
    }

    /** Quotation marks of another script, and blanks that only look like one. */
    private static void quotes(BrokenText text, int line, List<Candidate> found) {
        Range range = text.line(line);
        String plain = text.lineText(line).replaceAll("[\u201c\u201d\u201e\u00ab\u00bb\u2033]", "\"")
                .replaceAll("[\u2018\u2019\u201a]", "'").replace('\u2013', '-').replace('\u2014', '-')
                .replace('\u00a0', ' ').replace('\u2212', '-')
                .replace('\u00d7', '*').replace('\u2026', ' ').replace('\uff1b', ';').replace('\uff08', '(')
                .replace('\uff09', ')');
        if (!plain.equals(text.lineText(line))) {
            found.add(Candidate.replace("write plain quotation marks and signs", 0, range, plain));
        }
        String marks = text.lineText(line).replace('`', '"');
        if (!marks.equals(text.lineText(line))) {
            found.add(Candidate.replace("write quotation marks", 0, range, marks));
        }
        found.add(Candidate.replace("remove '" + text.content().charAt(Math.min(text.at(), text.content().length() - 1))
                + "'", 3,
                new Range(text.at(), Math.min(text.at() + 1, text.content().length())), ""));
    }
}
