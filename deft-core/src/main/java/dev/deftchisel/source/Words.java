package dev.deftchisel.source;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Finds whole words in text: places where a name stands and no identifier character touches it. */
public final class Words {

    private Words() {
    }

    /** Whether the word stands somewhere in the text. */
    public static boolean contains(String text, String word) {
        return next(text, word, 0) >= 0;
    }

    /** Those of the words that stand somewhere within a range of the text; one pass, however many words there are. */
    public static Set<String> among(Set<String> words, String text, Range range) {
        Set<String> found = new HashSet<>();
        int at = range.start();
        while (at < range.end() && found.size() < words.size()) {
            int start = at;
            while (at < range.end() && isPart(text.charAt(at))) {
                at++;
            }
            if (at > start) {
                String word = text.substring(start, at);
                if (words.contains(word)) {
                    found.add(word);
                }
            }
            at++;
        }
        return found;
    }

    /** Those of the names that stand somewhere in a text of code, also those that are written in escapes (JLS 3.3). */
    public static Set<String> among(Set<String> names, String code) {
        String plain = code.contains("\\u") ? UnicodeEscapes.replace(code) : code;
        return among(names, plain, new Range(0, plain.length()));
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
            boolean startsFree = at == 0 || !isPart(text.charAt(at - 1));
            boolean endsFree = end == text.length() || !isPart(text.charAt(end));
            if (startsFree && endsFree) {
                return at;
            }
            at = text.indexOf(word, at + 1);
        }
        return -1;
    }

    /**
     * Half of a character beyond the basic plane is taken for part of a name: letters there are, symbols do no harm.
     */
    public static boolean isPart(char c) {
        return Character.isJavaIdentifierPart(c) || Character.isSurrogate(c);
    }
}
