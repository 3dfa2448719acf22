package dev.deftchisel.gradle.script;

import java.util.ArrayList;
import java.util.List;

/** Cuts a build script in Groovy or Kotlin into words, strings, signs and ends of lines; comments are left out. */
final class ScriptTokens {

    /** What a token is. */
    enum Kind { WORD, STRING, PATTERN, NUMBER, SIGN, LINE_END, END }

    /**
     * A token.
     *
     * @param text without the quotes of a string; a string in which placeholders stand for values is a
     *             {@link Kind#PATTERN}
     */
    record Token(Kind kind, String text, int line) {

        boolean is(String sign) {
            return kind == Kind.SIGN && text.equals(sign);
        }
    }

    private static final List<String> LONG_SIGNS = List.of("+=", "->", "==", "!=", "&&", "||", "?:", "?.", "!!", "::",
            "..");

    private final String text;
    private final List<Token> tokens = new ArrayList<>();
    private int at;
    private int line = 1;

    private ScriptTokens(String text) {
        this.text = text;
    }

    static List<Token> of(String text) {
        ScriptTokens reader = new ScriptTokens(text);
        while (reader.at < text.length()) {
            reader.next();
        }
        reader.add(Kind.END, "");
        return List.copyOf(reader.tokens);
    }

    private void add(Kind kind, String content) {
        tokens.add(new Token(kind, content, line));
    }

    private void next() {
        char c = text.charAt(at);
        if (c == '\n') {
            add(Kind.LINE_END, "");
            line++;
            at++;
        } else if (Character.isWhitespace(c)) {
            at++;
        } else if (text.startsWith("//", at) || text.startsWith("#!", at)) {
            at = lineEnd();
        } else if (text.startsWith("/*", at)) {
            int end = text.indexOf("*/", at + 2);
            skipTo(end < 0 ? text.length() : end + 2);
        } else if (c == '"' || c == '\'') {
            string(c);
        } else if (Character.isJavaIdentifierStart(c) && c != '$' || c == '`') {
            word();
        } else if (Character.isDigit(c)) {
            number();
        } else {
            String sign = LONG_SIGNS.stream().filter(candidate -> text.startsWith(candidate, at)).findFirst()
                    .orElse(String.valueOf(c));
            add(Kind.SIGN, sign);
            at += sign.length();
        }
    }

    private int lineEnd() {
        int end = text.indexOf('\n', at);
        return end < 0 ? text.length() : end;
    }

    private void skipTo(int end) {
        for (; at < end; at++) {
            line += text.charAt(at) == '\n' ? 1 : 0;
        }
    }

    private void string(char quote) {
        String three = String.valueOf(quote).repeat(3);
        boolean isLong = text.startsWith(three, at);
        int start = at + (isLong ? 3 : 1);
        StringBuilder content = new StringBuilder();
        int end = start;
        while (end < text.length() && !(isLong ? text.startsWith(three, end) : text.charAt(end) == quote
                || text.charAt(end) == '\n')) {
            if (text.charAt(end) == '\\' && end + 1 < text.length()) {
                end++;
            }
            content.append(text.charAt(end));
            end++;
        }
        tokens.add(new Token(quote == '"' && content.indexOf("$") >= 0 ? Kind.PATTERN : Kind.STRING, content.toString(),
                line));
        skipTo(Math.min(text.length(), end + (isLong ? 3 : end < text.length() && text.charAt(end) == quote ? 1 : 0)));
    }

    private void word() {
        int start = at;
        if (text.charAt(at) == '`') {
            int end = text.indexOf('`', at + 1);
            at = end < 0 ? text.length() : end + 1;
            add(Kind.WORD, text.substring(start + 1, Math.max(start + 1, at - 1)));
            return;
        }
        while (at < text.length() && Character.isJavaIdentifierPart(text.charAt(at))) {
            at++;
        }
        add(Kind.WORD, text.substring(start, at));
    }

    private void number() {
        int start = at;
        while (at < text.length() && (Character.isLetterOrDigit(text.charAt(at)) || text.charAt(at) == '_'
                || text.charAt(at) == '.' && at + 1 < text.length() && Character.isDigit(text.charAt(at + 1)))) {
            at++;
        }
        add(Kind.NUMBER, text.substring(start, at));
    }
}
