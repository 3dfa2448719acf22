package dev.deftchisel.proving.oracle;

import dev.deftchisel.proving.compiled.CompiledCode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassWriter;

/**
 * The class files are equal but for the names that the renames say they change.
 *
 * @param isProcessed whether annotation processors have a part in them, who make texts of names: {@code "Berth(depth="}
 * @param made        binary names of types that they make; what nobody but such a type sees of itself may be called as
 *                    it likes
 * @param hasMoved    whether types moved, so that what says where a class stands, and who may use it, is not compared
 */
public record SameClasses(boolean isProcessed, Set<String> made, boolean hasMoved) implements CodeOracle {

    /** Where no processor has a part in it. */
    public static final SameClasses WITHOUT_PROCESSORS = new SameClasses(false, Set.of(), false);

    /** Where types stand in other places. */
    public static final SameClasses ELSEWHERE = new SameClasses(false, Set.of(), true);

    private static final Pattern TEXT = Pattern.compile("\"[^\"]*\"");

    private static final Pattern INTERFACE_CALL = Pattern.compile("(.*?)([\\w/$]+)(\\.[\\w$]+ ?\\(.*\\bitf\\b.*)");

    @Override
    public String name() {
        return "class files equal but for the names";
    }

    @Override
    public Optional<String> objection(CompiledCode before, CompiledCode after, List<Rename> renames) {
        Map<String, byte[]> expected = new TreeMap<>();
        before.classes().forEach((name, bytes) -> expected.put(name.replace('.', '/'), bytes));
        Set<String> traces = new HashSet<>();
        ClassIndex index = ClassIndex.of(expected.values());
        for (Rename rename : renames) {
            NewNames names = new NewNames(rename.meaning(), rename.oldNames(), index);
            traces.addAll(names.traces());
            Map<String, byte[]> renamed = new TreeMap<>();
            expected.forEach((name, bytes) -> renamed.put(
                    names.map(name), names.canTouch(bytes) ? renamed(bytes, names) : bytes));
            expected.clear();
            expected.putAll(renamed);
            index = index.renamed(names);
        }
        return compare(expected, after, index, traces, isProcessed ? words(renames) : "");
    }

    /** The names of before and after, also in the middle of others. */
    private static String words(List<Rename> renames) {
        return renames.stream().flatMap(rename -> Stream.concat(rename.oldNames().values().stream(), rename.meaning()
                .names().values().stream()))
                .filter(word -> !word.isEmpty())
                .flatMap(word -> Stream.of(word, Character.toUpperCase(word.charAt(0)) + word.substring(1)))
                .distinct().sorted(Comparator.comparingInt(String::length).reversed()).map(Pattern::quote)
                .collect(Collectors.joining("|"));
    }

    private static byte[] renamed(byte[] bytes, NewNames names) {
        ClassWriter writer = new ClassWriter(0);
        new ClassReader(bytes).accept(new RenamedClass(writer, names), 0);
        return writer.toByteArray();
    }

    private Optional<String> compare(
            Map<String, byte[]> expected, CompiledCode after, ClassIndex index, Set<String> traces, String words) {
        Map<String, byte[]> actual = new TreeMap<>();
        after.classes().forEach((name, bytes) -> actual.put(name.replace('.', '/'), bytes));
        ClassIndex actualIndex = ClassIndex.of(actual.values());
        List<String> differences = new ArrayList<>();
        expected.forEach((name, bytes) -> {
            byte[] other = actual.get(name);
            if (hasMoved && PlacelessText.isMadeUp(bytes)) {
                return;
            } else if (other == null) {
                differences.add(name + " is gone");
            } else if (!Arrays.equals(bytes, other)) {
                firstDifference(text(bytes, index, traces), text(other, actualIndex, traces),
                        actualIndex, words, name)
                        .ifPresent(difference -> differences.add(name + ": " + difference));
            }
        });
        actual.keySet().stream()
                .filter(name -> !expected.containsKey(name) && !(hasMoved && PlacelessText.isMadeUp(actual.get(name))))
                .forEach(name -> differences.add(name + " is new"));
        if (differences.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(differences.get(0) + (differences.size() == 1 ? ""
                : " (" + differences.size() + " classes)"));
    }

    private String text(byte[] bytes, ClassIndex index, Set<String> traces) {
        String text = ClassText.of(bytes, index, traces);
        return hasMoved ? PlacelessText.of(text) : text;
    }

    private Optional<String> firstDifference(String expected, String actual, ClassIndex index, String words,
            String type) {
        if (expected.equals(actual)) {
            return Optional.empty();
        }
        String[] expectedLines = expected.split("\n");
        String[] actualLines = actual.split("\n");
        for (int i = 0; i < Math.min(expectedLines.length, actualLines.length); i++) {
            if (!expectedLines[i].equals(actualLines[i]) && !isEitherOfTwo(expectedLines[i], actualLines[i], index)
                    && (words.isEmpty() || !hidden(expectedLines[i], words, type)
                            .equals(hidden(actualLines[i], words, type)))) {
                return Optional.of("'" + expectedLines[i].strip() + "' became '" + actualLines[i].strip() + "'");
            }
        }
        return expectedLines.length == actualLines.length ? Optional.empty()
                : Optional.of("it has " + actualLines.length + " lines instead of " + expectedLines.length);
    }

    /** A line without some words in the texts in it, and in names of what only a type that is made sees. */
    private String hidden(String line, String words, String type) {
        boolean isOwn = made.contains(type.replace('/', '.')) && line.strip().startsWith("private ")
                || line.contains("$default$") || made.stream()
                .anyMatch(one -> line.contains("FIELD " + one.replace('.', '/') + "."));
        if (isOwn) {
            return line.replaceAll(words, "#");
        }
        return TEXT.matcher(line).replaceAll(text -> Matcher.quoteReplacement(text.group().replaceAll(words, "#")));
    }

    /**
     * Whether two calls differ only in the interface of which the method is taken, and something inherits it from both:
     * which one is taken then is arbitrary (JLS 15.12.2.5), and differs with the order in which files are compiled.
     */
    static boolean isEitherOfTwo(String expected, String actual, ClassIndex index) {
        Matcher one = INTERFACE_CALL.matcher(expected.strip());
        Matcher other = INTERFACE_CALL.matcher(actual.strip());
        return one.matches() && other.matches() && one.group(1).equals(other.group(1)) && one.group(3)
                .equals(other.group(3))
                && index.joins(one.group(2), other.group(2));
    }
}
