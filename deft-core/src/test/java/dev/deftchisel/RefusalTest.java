package dev.deftchisel;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;

import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Reason;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a refusal tells: the causes, each with its place, and not what merely follows from them. */
class RefusalTest {

    @TempDir
    private Path folder;

    private List<String> reasons(String source, String place, String newName) throws IOException {
        SampleWorkspace sample = new SampleWorkspace(folder);
        sample.write("Berth.java", source);
        try (Chisel chisel = Chisel.open(sample.request(), Monitor.SILENT)) {
            Outcome outcome = chisel.preview(chisel.place(place), "rename", Answers.of("name", newName));
            return assertInstanceOf(Outcome.Refusal.class, outcome).reasons().stream().map(Reason::sentence).toList();
        }
    }

    @Test
    void theCallAroundACapturedNameIsNotTold() throws IOException {
        assertEquals(List.of("'java' would mean the field Berth.java instead of the package java"), reasons(
                "class Berth { static int free; void tell() { System.out.println(java.lang.String.valueOf(free)); } }",
                "Berth#free", "java"));
    }

    @Test
    void bothTheCaptureAndTheDoubleDeclarationAreTold() throws IOException {
        assertEquals(List.of("'far' would mean the parameter far instead of the parameter near",
                "the compiler would say: variable far is already defined in method gap"), reasons(
                "class Berth { int gap(int near, int far) { return near; } }", folder.resolve("Berth.java") + ":1:27",
                "far"));
    }

    @Test
    void everyPlaceOfOneCauseIsTold() throws IOException {
        assertEquals(2, reasons("class Berth { void a(Object o) { } void b(String s) { }"
                + " void c() { a(\"x\"); a(\"y\"); } }", "Berth#a(Object)", "b").size());
    }
}
