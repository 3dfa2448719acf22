package dev.deftchisel.source;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;

/** Finds whole words in text: places where a name stands and no identifier character touches it. */
public final class Words {

    private static final int ASCII = 128;
    private static final BitSet PLAIN_PARTS = IntStream.range(0, ASCII).filter(Character::isJavaIdentifierPart)
            .collect(BitSet::new, BitSet::set, BitSet::or);

    private Words() {
    }

    /** Whether the word stands somewhere in the text. */
    public static boolean contains(String text, String word) {
        return next(text, word, 0) >= 0;
    }

    /** Those of the words that stand somewhere within a range of the text; one pass, however many words there are. */
    public static Set<String> among(Set<String> words, String text, Range range) {
        return among(words, text, range, words.size());
    }

    /** Whether one of the names stands somewhere in a text of code, also one that is written in escapes. */
    public static boolean isAnyAmong(Set<String> names, String code) {
        String plain = plain(code);
        return !among(names, plain, new Range(0, plain.length()), 1).isEmpty();
    }

    private static Set<String> among(Set<String> words, String text, Range range, int enough) {
        Set<String> found = new HashSet<>();
        // most words of a text are told from all of these by their length and first character
        BitSet shapes = new BitSet();
        words.forEach(word -> shapes.set(shape(word, 0, word.length())));
        int at = range.start();
        while (at < range.end() && found.size() < enough) {
            int start = at;
            while (at < range.end() && isPart(text.charAt(at))) {
                at++;
            }
            if (at > start && shapes.get(shape(text, start, at - start))) {
                String word = text.substring(start, at);
                if (words.contains(word)) {
                    found.add(word);
                }
            }
            at++;
        }
        return found;
    }

    private static int shape(String text, int start, int length) {
        return length == 0 ? 0 : Math.min(length, ASCII - 1) * ASCII + text.charAt(start) % ASCII;
    }

    /** Those of the names that stand somewhere in a text of code, also those that are written in escapes (JLS 3.3). */
    public static Set<String> among(Set<String> names, String code) {
        String plain = plain(code);
        return among(names, plain, new Range(0, plain.length()));
    }

    private static String plain(String code) {
        return code.contains("\\u") ? UnicodeEscapes.replace(code) : code;
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
        return c < ASCII ? PLAIN_PARTS.get(c) : Character.isJavaIdentifierPart(c) || Character.isSurrogate(c);
    }
}
