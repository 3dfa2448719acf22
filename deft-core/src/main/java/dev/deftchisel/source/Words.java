package dev.deftchisel.source;

import java.util.ArrayList;
import java.util.List;

/** Finds whole words in text: places where a name stands and no identifier character touches it. */
public final class Words {

    private Words() {
    }

    /** Whether the word stands somewhere in the text. */
    public static boolean contains(String text, String word) {
        return next(text, word, 0) >= 0;
    }

    /** Whether the word stands somewhere within a range of the text. */
    public static boolean contains(String text, String word, Range range) {
        int at = next(text, word, range.start());
        return at >= 0 && at + word.length() <= range.end();
    }

    /** Every range of the text in which the word stands, in order. */
    public static List<Range> find(String text, String word) {
        List<Range> found = new ArrayList<>();
        for (int at = next(text, word, 0); at >= 0; at = next(text, word, at + word.length())) {
            found.add(new Range(at, at + word.length()));
        }
        return found;
    }

    private static int next(String text, String word, int from) {
        int at = text.indexOf(word, from);
        while (at >= 0) {
            int end = at + word.length();
            boolean startsFree = at == 0 || !Character.isJavaIdentifierPart(text.charAt(at - 1));
            boolean endsFree = end == text.length() || !Character.isJavaIdentifierPart(text.charAt(end));
            if (startsFree && endsFree) {
                return at;
            }
            at = text.indexOf(word, at + 1);
        }
        return -1;
    }
}
