package dev.deftchisel.lsp.session;

import java.util.List;
import java.util.Locale;
import org.eclipse.lsp4j.PositionEncodingKind;

/** In which units the two sides count characters of a line (LSP 3.17, PositionEncodingKind). */
public enum PositionEncoding {
    /** Bytes of UTF-8. */
    UTF8(PositionEncodingKind.UTF8),
    /** Chars of Java; what every client understands. */
    UTF16(PositionEncodingKind.UTF16),
    /** Code points. */
    UTF32(PositionEncodingKind.UTF32);

    private static final int ONE_BYTE = 0x80;
    private static final int TWO_BYTES = 0x800;

    private final String word;

    PositionEncoding(String word) {
        this.word = word;
    }

    /** As the protocol names it. */
    public String word() {
        return word;
    }

    /** The first of those a client offers that is known; UTF-16 when it offers none. */
    static PositionEncoding of(List<String> offered) {
        return offered.stream()
                .flatMap(said -> List.of(values()).stream()
                        .filter(units -> units.word.equals(said.toLowerCase(Locale.ROOT))))
                .findFirst().orElse(UTF16);
    }

    /** How many units the first chars of a line take. */
    int count(String line, int chars) {
        int units = 0;
        for (int i = 0; i < Math.min(chars, line.length()); ) {
            int point = line.codePointAt(i);
            units += size(point);
            i += Character.charCount(point);
        }
        return units;
    }

    /** How many chars of a line so many units are; all of it when there are more units than it has. */
    int chars(String line, int units) {
        int left = units;
        int at = 0;
        while (at < line.length() && left > 0) {
            int point = line.codePointAt(at);
            left -= size(point);
            at += Character.charCount(point);
        }
        return at;
    }

    private int size(int point) {
        return switch (this) {
            case UTF8 -> point < ONE_BYTE ? 1 : point < TWO_BYTES ? 2 : Character.isBmpCodePoint(point) ? 3 : 4;
            case UTF16 -> Character.charCount(point);
            case UTF32 -> 1;
        };
    }
}
