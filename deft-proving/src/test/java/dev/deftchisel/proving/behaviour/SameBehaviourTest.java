package dev.deftchisel.proving.behaviour;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Calls find what is not the same, and only that. */
class SameBehaviourTest {

    @TempDir
    private Path folder;

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        // what is told apart
        "true  | Boolean f(Boolean c) { return c ? true : false; }        | Boolean f(Boolean c) { return c; }",
        "true  | boolean f(double a, double b) { return !(a < b); }       | boolean f(double a, double b) { return a "
        + ">= b; }",
        "true  | double f(double a) { return a + 0.0; }                   | double f(double a) { return a; }",
        "true  | String f(String s) { return new String(s); }             | String f(String s) { return s; }",
        "true  | int f(int[] a) { a[0]++; return 1; }                     | int f(int[] a) { a[0] += 0; return 1; }",
        "true  | int f(Runnable a, Runnable b) { a.run(); b.run(); return 1; } | int f(Runnable a, Runnable b) { "
        + "b.run(); a.run(); return 1; }",
        "true  | void f(int n) { System.out.println(n); }                 | void f(int n) { }",
        "true  | boolean f(java.util.List<Object> l) { return l.stream().filter(o -> o == "
        + "null).findFirst().isPresent(); } "
                + "| boolean f(java.util.List<Object> l) { return l.stream().anyMatch(o -> o == null); }",
        "true  | int f(int n) { while (n > 2) { } return n; }             | int f(int n) { return n; }",
        // what is not
        "false | boolean f(int a, int b) { return !(a < b); }             | boolean f(int a, int b) { return a >= b; }",
        "false | int f(int a) { if (a > 1) { return 1; } else { return 2; } } | int f(int a) { if (a > 1) { return 1; "
        + "} return 2; }",
        "false | java.util.function.Supplier<String> f(String s) { return () -> s; } "
                + "| java.util.function.Supplier<String> f(String s) { return new java.util.function.Supplier<>() { "
                + "public String get() { return s; } }; }"
    })
    void isSeen(boolean differs, String before, String after) throws IOException {
        SameBehaviour oracle = new SameBehaviour(List.of());
        List<String> found = oracle.differences(classes("before", before), classes("after", after));
        assertEquals(differs, !found.isEmpty(), found::toString);
        // classes that are byte for byte the same are not called
        assertTrue(!differs || oracle.calls() > 0);
    }

    private Map<String, byte[]> classes(String name, String method) throws IOException {
        Path root = Files.createDirectories(folder.resolve(name));
        Files.writeString(root.resolve("Sample.java"), "class Sample {\n    static " + method + "\n}\n");
        try (Chisel chisel = Chisel.open(OpenRequest.plain(root, List.of(root), List.of()), Monitor.SILENT)) {
            CompiledCode code = CompiledCode.of(chisel.snapshot());
            assertEquals(List.of(), code.errors());
            return code.classes();
        }
    }
}
