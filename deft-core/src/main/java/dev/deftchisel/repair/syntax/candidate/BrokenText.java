package dev.deftchisel.repair.syntax.candidate;

import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * A text that the parser does not understand, as the sources of candidates see it. Tokens are counted without white
 * space and comments where a method says "code".
 *
 * @param file  the file
 * @param error the first error of the parser that is looked at
 */
public record BrokenText(SourceFile file, CompilerError error) {

    private static final Set<String> PRIMITIVES = Set.of("void", "int", "long", "double", "float", "char", "byte",
            "short", "boolean");

    public String content() {
        return file.content();
    }

    public Tokens tokens() {
        return file.tokens();
    }

    /** The offset at which the parser gave up. */
    public int at() {
        return Math.min(error.range().start(), content().length());
    }

    /** The compiler's code without what all have in front. */
    public String id() {
        return error.code().replaceFirst("^compiler\\.err\\.", "");
    }

    /** The first token of code that starts at the place or later; the number of tokens when there is none. */
    public int next() {
        int token = at() >= content().length() ? tokens().count() : tokens().at(at());
        int code = token >= tokens().count() ? token : tokens().code(token);
        return code < tokens().count() && tokens().end(code) <= at() ? tokens().code(code + 1) : code;
    }

    /** The last token of code before {@link #next()}; negative when there is none. */
    public int last() {
        int next = next();
        return tokens().codeBefore(Math.min(next, tokens().count()) - 1);
    }

    /** A token of code, so many on from another; -1 where there is none. */
    public int step(int token, int by) {
        int at = token;
        for (int i = 0; i < Math.abs(by) && at >= 0 && at < tokens().count(); i++) {
            at = by > 0 ? tokens().code(at + 1) : tokens().codeBefore(at - 1);
        }
        return at >= 0 && at < tokens().count() ? at : -1;
    }

    /**
     * The tokens around the place that are on its line or on one beside it, in the order of the text.
     *
     * @param most how many before and how many after
     */
    public List<Integer> near(int most) {
        int line = lineOf(at());
        List<Integer> found = new ArrayList<>();
        for (int distance = -most; distance <= most; distance++) {
            int token = distance <= 0 ? step(last(), distance) : step(next(), distance - 1);
            if (token >= 0 && Math.abs(lineOf(tokens().start(token)) - line) <= 1) {
                found.add(token);
            }
        }
        return found;
    }

    public boolean is(int token, String text) {
        return token >= 0 && token < tokens().count() && tokens().is(token, text);
    }

    public boolean isKind(int token, TokenKind kind) {
        return token >= 0 && token < tokens().count() && tokens().kind(token) == kind;
    }

    /** Whether a token is the name of a primitive type, or void. */
    public boolean isPrimitive(int token) {
        return PRIMITIVES.contains(text(token));
    }

    public String text(int token) {
        return token >= 0 && token < tokens().count() ? tokens().text(token) : "";
    }

    public String text(Range range) {
        return content().substring(range.start(), range.end());
    }

    public Range range(int token) {
        return tokens().range(token);
    }

    /** The number of the line of an offset, from 1 on. */
    public int lineOf(int offset) {
        return file.lines().line(Math.min(offset, content().length()));
    }

    /** A line without its end. */
    public Range line(int number) {
        return file.lines().rangeOf(number);
    }

    public String lineText(int number) {
        Range range = line(number);
        return content().substring(range.start(), range.end());
    }

    /** How far a line is indented, in columns; a tabulator counts as four. */
    public int indentation(int number) {
        int columns = 0;
        String text = lineText(number);
        for (int i = 0; i < text.length() && Character.isWhitespace(text.charAt(i)); i++) {
            columns += text.charAt(i) == '\t' ? 4 : 1;
        }
        return columns;
    }

    public String indent(int offset) {
        return Layout.indentOf(file, offset);
    }

    public String lineEnd() {
        return Layout.of(file).lineEnd();
    }

    public String unit() {
        return Layout.of(file).unit();
    }

    /** The token that closes what a token opens, or -1. */
    public int closing(int open) {
        String opening = text(open);
        String close;
        if (opening.equals("(")) {
            close = ")";
        } else if (opening.equals("{")) {
            close = "}";
        } else {
            close = "]";
        }
        int depth = 0;
        for (int i = open; i >= 0 && i < tokens().count(); i = tokens().code(i + 1)) {
            depth += is(i, opening) ? 1 : is(i, close) ? -1 : 0;
            if (depth == 0) {
                return i;
            }
        }
        return -1;
    }
}
