package dev.deftchisel.proving.program;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.maven.Artifacts;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.jar.JarEntry;
import java.util.jar.JarFile;
import java.util.jar.JarOutputStream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A processor that nobody knows: one that adds to a type a method for each of its fields, by the inside of the
 * compiler. The class files are made without it, of a text that has these methods; what counts is that they are there
 * and not in the text.
 */
class BuiltMembersTest {

    private static final String TEXT = """
            package harbour;

            @Deprecated
            public class Berth<T extends Comparable<T>> {
                private int depth;
                private T mark;

                int twice() {
                    return fetchDepth() * 2;
                }

                static int of(Berth<String> berth) {
                    return berth.fetchMark().length() + Berth.Plan.start(1, "a", "b").size() + (LIMIT > 1 ? 1 : 2);
                }
                //
            }
            """;
    private static final String ADDED = """
                public int fetchDepth() { return depth; }
                protected T fetchMark() { return mark; }
                public Berth(int depth, T mark) { this.depth = depth; this.mark = mark; }
                static final int LIMIT = 3;
                public static class Plan<E> {
                    @SafeVarargs
                    static <E extends CharSequence> java.util.List<? extends E> start(int depth, E... marks) throws IllegalStateException { return java.util.List.of(marks); }
                }
            """;

    @TempDir
    private Path folder;
    private Path source;

    @BeforeEach
    void build() throws IOException {
        folder = folder.toRealPath();
        source = folder.resolve("src/main/java/harbour/Berth.java");
        Files.createDirectories(source.getParent());
        Files.writeString(source, TEXT.replace("//", ADDED));
        Path classes = Files.createDirectories(folder.resolve("target/classes"));
        assertEquals(0, ToolProvider.getSystemJavaCompiler()
                .run(null, null, null, "-proc:none", "-nowarn", "-d", classes.toString(), source.toString()));
        Files.writeString(source, TEXT);
        Files.setLastModifiedTime(source, FileTime.from(Instant.now().minusSeconds(60)));
        Path real = Artifacts.open(false).find("org.projectlombok:lombok:1.18.42").orElseThrow();
        // some of an archive with a processor that uses the inside of the compiler, under another name
        try (JarFile from = new JarFile(real.toFile()); JarOutputStream to =
                new JarOutputStream(Files.newOutputStream(folder.resolve("unknown.jar")))) {
            for (JarEntry entry : from.stream().filter(one -> one.getName().contains("javac/apt") || one.getName()
                    .contains("services/javax")).toList()) {
                to.putNextEntry(new JarEntry(entry.getName()));
                from.getInputStream(entry).transferTo(to);
            }
        }
        Files.writeString(folder.resolve("deft-project.json"), """
                {"modules": [{"name": "berths", "sources": ["src/main/java"], "level": 17, "processors": ["unknown.jar"]}]}
                """);
    }

    private Chisel open() {
        return Chisel.open(OpenRequest.at(folder), Monitor.SILENT);
    }

    private static List<String> errors(Chisel chisel) {
        return chisel.problems().in(chisel.problems().everywhere()).stream().map(Problem::rule)
                .filter(rule -> rule.contains("resolve") || rule.contains("apply") || rule.contains("prob")).toList();
    }

    private static String refused(Chisel chisel, String place, String operation, Answers answers) {
        return assertInstanceOf(Outcome.Refusal.class, chisel.preview(chisel.place(place), operation, answers))
                .reasons().get(0).sentence();
    }

    @Test
    void membersOfTheLastBuildAreSeen() {
        try (Chisel chisel = open()) {
            assertEquals(List.of(), errors(chisel));
        }
    }

    @Test
    void aClassFileThatIsOlderThanItsSourceSaysNothing() throws IOException {
        Files.setLastModifiedTime(source, FileTime.from(Instant.now().plusSeconds(60)));
        try (Chisel chisel = open()) {
            assertTrue(errors(chisel).size() >= 3, errors(chisel).toString());
        }
    }

    @Test
    void whatCannotBeFollowedIsRefused() {
        try (Chisel chisel = open()) {
            String sentence = refused(chisel, "harbour.Berth#depth", "rename", Answers.of("name", "draught"));
            assertEquals("'fetchDepth' is added by an annotation processor, as class files of the last build show, "
                    + "and may be called after"
                    + " the field Berth.depth; how it would be called then is not known", sentence);
            assertEquals("'fetchMark' would no longer be found instead of the method Berth.fetchMark()",
                    refused(chisel, "harbour.Berth", "rename", Answers.of("name", "Quay")));
        }
    }

    @Test
    void whatHasNothingToDoWithItIsNot() {
        try (Chisel chisel = open()) {
            chisel.apply(assertInstanceOf(Outcome.Preview.class,
                    chisel.preview(chisel.place("harbour.Berth#twice()"), "rename", Answers.of("name", "doubled"))));
            assertEquals(List.of(), errors(chisel));
        }
    }

    @Test
    void aMemberThatIsTakenAwayIsNotThoughtToBeAdded() {
        try (Chisel chisel = open()) {
            assertEquals(List.of(), errors(chisel));
            chisel.edited(Map.of(source, TEXT.replace("int twice()", "int thrice()")
                    .replace("//", "int other() { return twice(); }")));
            assertEquals(1, errors(chisel).size(), errors(chisel).toString());
        }
    }
}
