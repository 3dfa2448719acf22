package dev.deftchisel.source;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;

/**
 * All tokens of a text in order, without a gap: each starts where the one before ends, the first at 0 and the last
 * ends with the text. Held in flat arrays, since large files have hundreds of thousands.
 */
public final class Tokens {

    private static final TokenKind[] KINDS = TokenKind.values();

    private final String content;
    private final int[] starts;
    private final byte[] kinds;
    private final int count;

    Tokens(String content, int[] starts, byte[] kinds, int count) {
        this.content = content;
        this.starts = starts;
        this.kinds = kinds;
        this.count = count;
    }

    /** Cuts a text into its tokens; never fails, see {@link TokenKind#UNKNOWN}. */
    public static Tokens of(String content) {
        return new Lexer(content).run();
    }

    /** The number of tokens. */
    public int count() {
        return count;
    }

    /** The kind of the token with this index. */
    public TokenKind kind(int index) {
        return KINDS[kinds[index]];
    }

    /** The offset of the token's first unit. */
    public int start(int index) {
        return starts[index];
    }

    /** The offset after the token's last unit. */
    public int end(int index) {
        return index + 1 < count ? starts[index + 1] : content.length();
    }

    /** The stretch of text of the token. */
    public Range range(int index) {
        return new Range(start(index), end(index));
    }

    /** The token as it stands in the text. */
    public String text(int index) {
        return content.substring(start(index), end(index));
    }

    /** The name an identifier stands for: its text with Unicode escapes (JLS 3.3) replaced. */
    public String name(int index) {
        String raw = text(index);
        return raw.indexOf('\\') < 0 ? raw : UnicodeEscapes.replace(raw);
    }

    /** Whether the token reads exactly so. */
    public boolean is(int index, String expected) {
        int start = start(index);
        return end(index) - start == expected.length() && content.startsWith(expected, start);
    }

    /** Whether the token is a single, given character. */
    public boolean is(int index, char expected) {
        int start = start(index);
        return content.charAt(start) == expected && end(index) - start == 1;
    }

    /** Whether the token is an identifier that stands for this name. */
    public boolean isName(int index, String name) {
        if (kinds[index] != TokenKind.IDENTIFIER.ordinal()) {
            return false;
        }
        return is(index, name) || hasEscape(index) && name(index).equals(name);
    }

    /** The names that stand in the text. */
    public Set<String> names() {
        return names(new Range(0, content.length()));
    }

    /** The names that stand in a range. */
    public Set<String> names(Range range) {
        Set<String> names = new HashSet<>();
        for (int i = range.length() == 0 ? count : at(range.start()); i < count && start(i) < range.end(); i++) {
            if (kinds[i] == TokenKind.IDENTIFIER.ordinal()) {
                names.add(name(i));
            }
        }
        return names;
    }

    private boolean hasEscape(int index) {
        for (int i = start(index), end = end(index); i < end; i++) {
            if (content.charAt(i) == '\\') {
                return true;
            }
        }
        return false;
    }

    /**
     * The index of the token that covers an offset; for the length of the text, the last one; -1 when there is none.
     */
    public int at(int offset) {
        if (count == 0) {
            return -1;
        }
        int found = Arrays.binarySearch(starts, 0, count, offset);
        return found >= 0 ? found : -found - 2;
    }

    /** The first token from an index on that is neither white space nor comment, or {@link #count()}. */
    public int code(int index) {
        int i = index;
        while (i < count && kind(i).isTrivia()) {
            i++;
        }
        return i;
    }

    /** The last token up to an index that is neither white space nor comment, or -1. */
    public int codeBefore(int index) {
        int i = index;
        while (i >= 0 && kind(i).isTrivia()) {
            i--;
        }
        return i;
    }

    /** The text that was cut. */
    public String content() {
        return content;
    }
}
