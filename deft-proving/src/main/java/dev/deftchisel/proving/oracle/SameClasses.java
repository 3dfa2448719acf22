package dev.deftchisel.proving.oracle;

import dev.deftchisel.proving.compiled.CompiledCode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassWriter;

/** The class files are equal but for the names that the renames say they change. */
public final class SameClasses implements CodeOracle {

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
        return compare(expected, after, index, traces);
    }

    private static byte[] renamed(byte[] bytes, NewNames names) {
        ClassWriter writer = new ClassWriter(0);
        new ClassReader(bytes).accept(new RenamedClass(writer, names), 0);
        return writer.toByteArray();
    }

    private static Optional<String> compare(
            Map<String, byte[]> expected, CompiledCode after, ClassIndex index, Set<String> traces) {
        Map<String, byte[]> actual = new TreeMap<>();
        after.classes().forEach((name, bytes) -> actual.put(name.replace('.', '/'), bytes));
        ClassIndex actualIndex = ClassIndex.of(actual.values());
        List<String> differences = new ArrayList<>();
        expected.forEach((name, bytes) -> {
            byte[] other = actual.get(name);
            if (other == null) {
                differences.add(name + " is gone");
            } else if (!Arrays.equals(bytes, other)) {
                firstDifference(ClassText.of(bytes, index, traces), ClassText.of(other, actualIndex, traces), actualIndex)
                        .ifPresent(difference -> differences.add(name + ": " + difference));
            }
        });
        actual.keySet().stream()
                .filter(name -> !expected.containsKey(name))
                .forEach(name -> differences.add(name + " is new"));
        return differences.isEmpty()
                ? Optional.empty()
                : Optional.of(differences.get(0) + (differences.size() == 1 ? "" : " (" + differences.size() + " classes)"));
    }

    private static Optional<String> firstDifference(String expected, String actual, ClassIndex index) {
        if (expected.equals(actual)) {
            return Optional.empty();
        }
        String[] expectedLines = expected.split("\n");
        String[] actualLines = actual.split("\n");
        for (int i = 0; i < Math.min(expectedLines.length, actualLines.length); i++) {
            if (!expectedLines[i].equals(actualLines[i]) && !isEitherOfTwo(expectedLines[i], actualLines[i], index)) {
                return Optional.of("'" + expectedLines[i].strip() + "' became '" + actualLines[i].strip() + "'");
            }
        }
        return Optional.of("it has " + actualLines.length + " lines instead of " + expectedLines.length);
    }

    /**
     * Whether two calls differ only in the interface of which the method is taken, and something inherits it from both:
     * which one is taken then is arbitrary (JLS 15.12.2.5), and differs with the order in which files are compiled.
     */
    static boolean isEitherOfTwo(String expected, String actual, ClassIndex index) {
        Matcher one = INTERFACE_CALL.matcher(expected.strip());
        Matcher other = INTERFACE_CALL.matcher(actual.strip());
        return one.matches() && other.matches() && one.group(1).equals(other.group(1)) && one.group(3).equals(other.group(3))
                && index.joins(one.group(2), other.group(2));
    }
}
