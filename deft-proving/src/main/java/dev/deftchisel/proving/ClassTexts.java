package dev.deftchisel.proving;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.util.Textifier;
import org.objectweb.asm.util.TraceClassVisitor;

/**
 * Compares class files by the text of their whole content, in which new names are put back to the old ones.
 *
 * <p>A new name must occur nowhere else in the code: then putting it back by plain replacement, also within names that
 * the compiler derives ({@code lambda$name$0}, {@code val$name}), gives the former text exactly when nothing but the
 * name differs. Lambdas that can be serialized are called by a hash over the names around them, and are found by a
 * switch over the hash codes of these; so those hashes, and the method with that switch, are left out.
 */
final class ClassTexts {

    private static final Pattern LAMBDA_HASH = Pattern.compile("lambda\\$(\\w+)\\$[0-9a-f]{6,8}\\$");

    private ClassTexts() {
    }

    /** Leaves out the method that the compiler makes for serialized lambdas. */
    private static final class WithoutLambdaSwitch extends ClassVisitor {

        WithoutLambdaSwitch(ClassVisitor next) {
            super(Opcodes.ASM9, next);
        }

        @Override
        public MethodVisitor visitMethod(
                int access, String name, String descriptor, String signature, String[] exceptions) {
            return name.equals("$deserializeLambda$")
                    ? null
                    : super.visitMethod(access, name, descriptor, signature, exceptions);
        }
    }

    /**
     * The first class that differs, with its first different line.
     *
     * @param newToOld each fresh name with what it replaced
     * @return one line for each class that differs; empty when all are equal
     */
    static List<String> differences(CompiledCode before, CompiledCode after, Map<String, String> newToOld) {
        Map<String, String> expected = texts(before, Map.of());
        Map<String, String> actual = texts(after, newToOld);
        List<String> differences = new ArrayList<>();
        expected.forEach((name, text) -> {
            String other = actual.get(name);
            if (!text.equals(other)) {
                differences.add(name + ": " + (other == null ? "is gone" : firstDifference(text, other)));
            }
        });
        actual.keySet().stream()
                .filter(name -> !expected.containsKey(name))
                .forEach(name -> differences.add(name + ": is new"));
        return differences;
    }

    private static String firstDifference(String expected, String actual) {
        String[] expectedLines = expected.split("\n");
        String[] actualLines = actual.split("\n");
        for (int i = 0; i < Math.min(expectedLines.length, actualLines.length); i++) {
            if (!expectedLines[i].equals(actualLines[i])) {
                return "'" + expectedLines[i].strip() + "' became '" + actualLines[i].strip() + "'";
            }
        }
        return "it has " + actualLines.length + " lines instead of " + expectedLines.length;
    }

    private static Map<String, String> texts(CompiledCode code, Map<String, String> newToOld) {
        // later renames first, since an earlier name may be the old one of a later rename
        List<String> names = new ArrayList<>(newToOld.keySet());
        Collections.reverse(names);
        Map<String, String> texts = new TreeMap<>();
        code.classes().forEach((name, bytes) -> {
            StringWriter out = new StringWriter();
            ClassVisitor printer = new TraceClassVisitor(null, new Textifier(), new PrintWriter(out));
            new ClassReader(bytes).accept(new WithoutLambdaSwitch(printer), ClassReader.SKIP_DEBUG);
            String text = LAMBDA_HASH.matcher(out.toString()).replaceAll("lambda\\$$1\\$hash\\$");
            String key = name;
            for (String fresh : names) {
                text = text.replace(fresh, newToOld.get(fresh));
                key = key.replace(fresh, newToOld.get(fresh));
            }
            texts.put(key, text);
        });
        return texts;
    }
}
