package dev.deftchisel.source;

import java.util.Arrays;
import java.util.Set;

/**
 * Cuts Java source text into tokens (JLS chapter 3) and loses nothing on the way.
 *
 * <p>Unicode escapes are honoured wherever they stand, also as a quotation mark or within an identifier. Broken text
 * gives tokens too: an unclosed string ends with its line, an unclosed comment or text block with the file.
 *
 * <p>Where the specification leaves the choice to the parser (closing angle brackets), the longest match is not taken:
 * each {@code >} is a token of its own.
 */
final class Lexer {

    private static final Set<String> KEYWORDS = Set.of(
            "abstract", "assert", "boolean", "break", "byte", "case", "catch", "char", "class", "const", "continue",
            "default", "do", "double", "else", "enum", "extends", "final", "finally", "float", "for", "goto", "if",
            "implements", "import", "instanceof", "int", "interface", "long", "native", "new", "package", "private",
            "protected", "public", "return", "short", "static", "strictfp", "super", "switch", "synchronized", "this",
            "throw", "throws", "transient", "try", "void", "volatile", "while", "true", "false", "null");
    private static final int LONGEST_KEYWORD = "synchronized".length();
    private static final String[] LONG_SYMBOLS = {
        "<<=", "...", "->", "::", "++", "--", "&&", "||", "==", "!=", "<=", "+=", "-=", "*=", "/=", "&=", "|=", "^=",
        "%=", "<<"};
    private static final char NOTHING = '\uFFFF';

    private final String content;
    private final int length;
    private int[] starts;
    private byte[] kinds;
    private int count;
    private int next;
    /** The units taken by the character that {@link #peek} saw last: more than one for a Unicode escape. */
    private int width;

    Lexer(String content) {
        this.content = content;
        this.length = content.length();
        this.starts = new int[Math.max(16, length / 3)];
        this.kinds = new byte[starts.length];
    }

    static boolean isKeyword(String word) {
        return KEYWORDS.contains(word);
    }

    Tokens run() {
        while (next < length) {
            int start = next;
            TokenKind kind = token();
            if (count == starts.length) {
                starts = Arrays.copyOf(starts, count * 2);
                kinds = Arrays.copyOf(kinds, count * 2);
            }
            starts[count] = start;
            kinds[count++] = (byte) kind.ordinal();
        }
        return new Tokens(content, starts, kinds, count);
    }

    private TokenKind token() {
        char c = peek();
        if (c == ' ' || c == '\n' || c == '\r' || c == '\t' || c == '\f') {
            return whiteSpace();
        }
        if (c >= 'a' && c <= 'z') {
            return word();
        }
        if (c == '/') {
            return slash();
        }
        if (c == '"') {
            return text();
        }
        if (c == '\'') {
            take();
            quoted('\'');
            return TokenKind.CHARACTER;
        }
        if (c >= '0' && c <= '9' || c == '.' && isDigit(next + 1)) {
            return number();
        }
        if (isIdentifierStart(c)) {
            return word();
        }
        return symbol(c);
    }

    private TokenKind whiteSpace() {
        char c;
        do {
            take();
            c = peek();
        } while (c == ' ' || c == '\n' || c == '\r' || c == '\t' || c == '\f');
        return TokenKind.WHITE_SPACE;
    }

    private TokenKind word() {
        int start = next;
        do {
            take();
        } while (isIdentifierPart(peek()));
        return next - start <= LONGEST_KEYWORD && isKeyword(content.substring(start, next))
                ? TokenKind.KEYWORD
                : TokenKind.IDENTIFIER;
    }

    private TokenKind slash() {
        int start = next;
        if (content.startsWith("//", start)) {
            while (next < length && content.charAt(next) != '\n' && content.charAt(next) != '\r') {
                next++;
            }
            return content.startsWith("///", start) ? TokenKind.DOC_COMMENT : TokenKind.LINE_COMMENT;
        }
        if (content.startsWith("/*", start)) {
            int close = content.indexOf("*/", start + 2);
            next = close < 0 ? length : close + 2;
            return content.startsWith("/**", start) && next - start > "/**/".length()
                    ? TokenKind.DOC_COMMENT
                    : TokenKind.BLOCK_COMMENT;
        }
        return symbol('/');
    }

    private TokenKind text() {
        if (content.startsWith("\"\"\"", next)) {
            next += 3;
            while (next < length && !content.startsWith("\"\"\"", next)) {
                next += content.charAt(next) == '\\' ? 2 : 1;
            }
            next = Math.min(length, next + 3);
            return TokenKind.TEXT_BLOCK;
        }
        take();
        quoted('"');
        return TokenKind.STRING;
    }

    /** Goes after the closing quotation mark, or before the line end when there is none. */
    private void quoted(char close) {
        while (next < length) {
            char c = peek();
            if (c == '\n' || c == '\r') {
                return;
            }
            take();
            if (c == close) {
                return;
            }
            if (c == '\\' && next < length && peek() != '\n' && peek() != '\r') {
                take();
            }
        }
    }

    private TokenKind number() {
        boolean hexadecimal = content.startsWith("0x", next) || content.startsWith("0X", next);
        while (next < length) {
            char c = content.charAt(next);
            char before = content.charAt(next - (next > 0 ? 1 : 0));
            boolean exponent = hexadecimal ? before == 'p' || before == 'P' : before == 'e' || before == 'E';
            boolean part = c >= '0' && c <= '9' || c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c == '_'
                    || c == '.' && !content.startsWith("..", next)
                    || (c == '+' || c == '-') && exponent;
            if (!part) {
                break;
            }
            next++;
        }
        return TokenKind.NUMBER;
    }

    private TokenKind symbol(char c) {
        for (String symbol : LONG_SYMBOLS) {
            if (symbol.charAt(0) == c && content.startsWith(symbol, next)) {
                next += symbol.length();
                return TokenKind.SYMBOL;
            }
        }
        take();
        return "(){}[];,.@=<>!~?:+-*/&|^%".indexOf(c) >= 0 ? TokenKind.SYMBOL : TokenKind.UNKNOWN;
    }

    private boolean isDigit(int offset) {
        return offset < length && content.charAt(offset) >= '0' && content.charAt(offset) <= '9';
    }

    private boolean isIdentifierStart(char c) {
        return c >= 'A' && c <= 'Z' || c == '_' || c == '$'
                || c > 127 && c != NOTHING && (Character.isHighSurrogate(c)
                ? Character.isJavaIdentifierStart(content.codePointAt(next))
                : Character.isJavaIdentifierStart(c));
    }

    private boolean isIdentifierPart(char c) {
        if (c < 128) {
            return c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9' || c == '_' || c == '$';
        }
        if (c == NOTHING) {
            return false;
        }
        if (Character.isLowSurrogate(c) && next > 0 && Character.isHighSurrogate(content.charAt(next - 1))) {
            return true;
        }
        return Character.isHighSurrogate(c)
                ? Character.isJavaIdentifierPart(content.codePointAt(next))
                : Character.isJavaIdentifierPart(c);
    }

    /** The next character after replacing Unicode escapes; sets {@link #width}. */
    private char peek() {
        if (next >= length) {
            width = 0;
            return NOTHING;
        }
        char c = content.charAt(next);
        width = 1;
        if (c == '\\') {
            int escape = UnicodeEscapes.width(content, next);
            if (escape > 0) {
                width = escape;
                return UnicodeEscapes.value(content, next, escape);
            }
        }
        return c;
    }

    /** Goes after the next character. */
    private void take() {
        peek();
        next += width;
    }
}
