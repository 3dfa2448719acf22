package dev.deftchisel.source;

/** Unicode escapes in source text (JLS 3.3): a backslash, one or more {@code u}, four hexadecimal digits. */
final class UnicodeEscapes {

    private static final int DIGITS = 4;

    private UnicodeEscapes() {
    }

    /** The number of units an escape takes at an offset, or 0 when none starts there. */
    static int width(String content, int offset) {
        int i = offset + 1;
        while (i < content.length() && content.charAt(i) == 'u') {
            i++;
        }
        if (i == offset + 1 || i + DIGITS > content.length()) {
            return 0;
        }
        for (int d = i; d < i + DIGITS; d++) {
            if (Character.digit(content.charAt(d), 16) < 0) {
                return 0;
            }
        }
        return i + DIGITS - offset;
    }

    /** The unit that an escape of this width stands for. */
    static char value(String content, int offset, int width) {
        return (char) Integer.parseInt(content, offset + width - DIGITS, offset + width, 16);
    }

    /** The text with all escapes replaced. */
    static String replace(String raw) {
        StringBuilder plain = new StringBuilder(raw.length());
        int i = 0;
        while (i < raw.length()) {
            int width = raw.charAt(i) == '\\' ? width(raw, i) : 0;
            plain.append(width == 0 ? raw.charAt(i) : value(raw, i, width));
            i += Math.max(1, width);
        }
        return plain.toString();
    }
}
