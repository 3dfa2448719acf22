package dev.deftchisel.rewrite;

import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * How a file is laid out, read off its lines.
 *
 * @param lineEnd what ends most lines
 * @param unit    what one level of indentation adds
 */
public record Layout(String lineEnd, String unit) {

    private static final int WIDEST_UNIT = 8;

    /** The layout of a file; four blanks when nothing tells. */
    public static Layout of(SourceFile file) {
        String content = file.content();
        LineMap lines = file.lines();
        Map<String, Integer> steps = new HashMap<>();
        Map<String, Integer> others = new HashMap<>();
        String last = "";
        boolean opens = false;
        for (int line = 1; line <= lines.count(); line++) {
            Range range = lines.rangeOf(line);
            String indent = indentAt(content, range.start());
            boolean isComment = content.startsWith("*", range.start() + indent.length());
            if (range.length() == indent.length() || isComment) {
                continue;
            }
            boolean isStep = indent.length() > last.length() && indent.startsWith(last);
            if (isStep && indent.length() - last.length() <= WIDEST_UNIT) {
                // what goes on over several lines is often indented further than a block
                (opens ? steps : others).merge(indent.substring(last.length()), 1, Integer::sum);
            }
            last = indent;
            opens = content.substring(range.start(), range.end()).stripTrailing().endsWith("{");
        }
        String unit = (steps.isEmpty() ? others : steps).entrySet().stream()
                .max(Map.Entry.<String, Integer>comparingByValue().thenComparing(entry -> -entry.getKey().length()))
                .map(Map.Entry::getKey)
                .orElse("    ");
        return new Layout(content.contains("\r\n") ? "\r\n" : content.contains("\n") || !content.contains("\r") ? "\n"
                : "\r", unit);
    }

    /**
     * New code as lines, the first of which stands where it is written.
     *
     * @param lines  each further level indented by four blanks
     * @param indent of the lines after the first one
     * @return without an end of line at its end
     */
    public String text(List<String> lines, String indent) {
        StringBuilder text = new StringBuilder();
        for (String line : lines) {
            String code = line.stripLeading();
            String own = unit.repeat((line.length() - code.length()) / 4);
            // the blank before the star of a comment is none of indentation
            String star = code.startsWith("*") ? " " : "";
            text.append(text.isEmpty() ? "" : lineEnd + (code.isEmpty() ? "" : indent + own + star)).append(code);
        }
        return text.toString();
    }

    /**
     * A handler, to be written behind a closing brace, that throws another exception with what it catches as its cause.
     *
     * @param types   what is caught, with bars between
     * @param failure the type of what is thrown
     * @param name    of the exception that is caught
     * @param indent  of the line with the brace
     */
    public String rethrowing(String types, String failure, String name, String indent) {
        return " catch (" + types + " " + name + ") {" + lineEnd + indent + unit + "throw new " + failure + "(" + name
                + ");" + lineEnd + indent + "}";
    }

    /** The white space at the start of the line in which an offset lies. */
    public static String indentOf(SourceFile file, int offset) {
        Range line = file.lines().rangeOf(file.lines().line(offset));
        return indentAt(file.content(), line.start());
    }

    private static String indentAt(String content, int lineStart) {
        int end = lineStart;
        while (end < content.length() && (content.charAt(end) == ' ' || content.charAt(end) == '\t')) {
            end++;
        }
        return content.substring(lineStart, end);
    }

    /** After what ends at an offset and a comment that follows on the same line. */
    public static int after(SourceFile file, int end) {
        Tokens tokens = file.tokens();
        int behind = end;
        for (int i = tokens.at(end - 1) + 1; i < tokens.count() && tokens.text(i).chars()
                .noneMatch(c -> isLineEnd((char) c)); i++) {
            if (tokens.kind(i).isComment()) {
                behind = tokens.end(i);
            } else if (tokens.kind(i) != TokenKind.WHITE_SPACE) {
                return end;
            }
        }
        return behind;
    }

    /** A member with the documentation directly above it. */
    public static Range withDocumentation(SourceFile file, Range member) {
        Tokens tokens = file.tokens();
        int above = tokens.at(member.start()) - 1;
        boolean isGap = above > 0 && tokens.kind(above) == TokenKind.WHITE_SPACE && tokens.text(above).lines()
                .count() <= 2;
        boolean isDocumented = isGap && tokens.kind(above - 1).isComment() && tokens.text(above - 1).startsWith("/**");
        return isDocumented ? new Range(tokens.start(above - 1), member.end()) : member;
    }

    /**
     * A declaration with the comments that are about it alone: documentation, comments directly above, and one after it
     * it on its last line. A comment above that is followed by several declarations without a blank line between may be
     * about all of them, and stays.
     */
    public static Range withComments(SourceFile file, Range declaration) {
        Tokens tokens = file.tokens();
        int last = tokens.at(declaration.end() - 1);
        int end = declaration.end();
        if (last + 2 < tokens.count() && tokens.kind(last + 1) == TokenKind.WHITE_SPACE
                && lineEnds(tokens.text(last + 1)) == 0
                && tokens.kind(last + 2).isComment() && (last + 3 == tokens.count()
                        || lineEnds(tokens.text(last + 3)) > 0)) {
            last += 2;
            end = tokens.end(last);
        }
        int next = last + 1 < tokens.count() && tokens.kind(last + 1) == TokenKind.WHITE_SPACE ? last + 2 : last + 1;
        boolean isLast = next >= tokens.count() || tokens.is(next, '}') || tokens.kind(next).isComment()
                || lineEnds(tokens.text(last + 1)) > 1;
        int start = withDocumentation(file, declaration).start();
        int above = tokens.at(start) - 1;
        while (isLast && above > 1 && tokens.kind(above) == TokenKind.WHITE_SPACE && lineEnds(tokens.text(above)) == 1
                && tokens.kind(above - 1).isComment() && lineEnds(tokens.text(above - 2)) > 0) {
            start = tokens.start(above - 1);
            above -= 2;
        }
        return new Range(start, end);
    }

    private static int lineEnds(String whiteSpace) {
        return (int) whiteSpace.chars().filter(c -> c == '\n').count();
    }

    /**
     * The range with the blanks around it up to the line starts and with its last line end, when nothing else is there.
     */
    public static Range wholeLines(SourceFile file, Range range) {
        String content = file.content();
        int start = range.start();
        while (start > 0 && isBlank(content.charAt(start - 1))) {
            start--;
        }
        int end = range.end();
        while (end < content.length() && isBlank(content.charAt(end))) {
            end++;
        }
        boolean startsLine = start == 0 || isLineEnd(content.charAt(start - 1));
        boolean endsLine = end == content.length() || isLineEnd(content.charAt(end));
        if (!startsLine) {
            return endsLine ? new Range(start, range.end()) : new Range(range.start(), end);
        }
        if (!endsLine) {
            return new Range(range.start(), end);
        }
        int next = content.startsWith("\r\n", end) ? end + 2 : Math.min(content.length(), end + 1);
        return new Range(start, next);
    }

    /**
     * What goes when the code of a range goes: its lines, and a blank line that would then stand at the start of a
     * block, at its end, or next to another.
     */
    public static Range removed(SourceFile file, Range range) {
        Range lines = wholeLines(file, range);
        LineMap map = file.lines();
        int above = map.line(lines.start()) - 1;
        int below = map.line(lines.end());
        boolean isWhole = lines.start() == map.rangeOf(above + 1).start() && lines.end() == map.rangeOf(below).start();
        boolean isFirst = isWhole && above < 1 && below < map.count() && map.text(below).isBlank();
        if (isFirst) {
            return new Range(lines.start(), map.rangeOf(below + 1).start());
        }
        if (!isWhole || above < 1) {
            return lines;
        }
        String before = map.text(above).strip();
        String after = map.text(below).strip();
        if (after.isEmpty() && below < map.count() && (before.isEmpty() || before.endsWith("{"))) {
            return new Range(lines.start(), map.rangeOf(below + 1).start());
        }
        boolean isLast = after.startsWith("}") || after.isEmpty() && below == map.count();
        return before.isEmpty() && isLast ? new Range(map.rangeOf(above).start(), lines.end()) : lines;
    }

    private static boolean isBlank(char c) {
        return c == ' ' || c == '\t';
    }

    private static boolean isLineEnd(char c) {
        return c == '\n' || c == '\r';
    }
}
