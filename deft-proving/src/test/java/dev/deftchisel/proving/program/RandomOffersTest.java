package dev.deftchisel.proving.program;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.proving.compiled.CompiledCode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The programs run, and an offer that changes what they do would be seen. */
class RandomOffersTest {

    @TempDir
    private Path folder;

    @Test
    void eachProgramCompilesAndPrintsTheSameTwice() throws Exception {
        List<Program> all = Program.all();
        assertTrue(all.size() >= 44, () -> all.size() + " programs");
        try (Runner runner = new Runner()) {
            for (Program program : all) {
                Printed printed = printed(program, runner);
                assertEquals("", printed.failure(), program.name());
                assertFalse(printed.text().isBlank(), program.name());
                assertEquals(printed, printed(program, runner), program.name());
            }
        }
    }

    private Printed printed(Program program, Runner runner) throws IOException, InterruptedException {
        Path sources = Files.createTempDirectory(folder, program.name());
        Path classes = Files.createTempDirectory(folder, "classes");
        program.writeTo(sources);
        try (Chisel chisel = Chisel.open(program.opened(sources), Monitor.SILENT)) {
            CompiledCode code = program.processors().isEmpty() ? CompiledCode.of(chisel.snapshot())
                    : CompiledCode.processed(chisel.snapshot());
            assertEquals(List.of(), code.errors(), program.name());
            code.writeTo(classes);
        }
        return runner.run(classes, sources);
    }

    @Test
    void aProgramThatDoesNotEndIsEnded() throws Exception {
        Program endless = Program.parse("endless",
                "Never ends.\n--- harbour/Main.java\npackage harbour;\npublic class Main {\n"
                + "    public static void main(String[] args) {\n        while (true) { }\n    }\n}\n");
        Program other = Program.parse("other", "Ends.\n--- harbour/Main.java\npackage harbour;\npublic class Main {\n"
                + "    public static void main(String[] args) {\n        System.out.println(\"ended\");\n    }\n}\n");
        try (Runner runner = new Runner()) {
            assertEquals("does not end", printed(endless, runner).failure());
            assertEquals(new Printed("ended\n", ""), printed(other, runner));
        }
    }

    @Test
    void aSampleOfOffersChangesNothing() throws Exception {
        List<Step> steps = new ArrayList<>();
        try (Runner runner = new Runner()) {
            RandomOffers offers = new RandomOffers(11, runner, Set.of(), steps::add);
            for (Program program : Program.all().stream()
                    .filter(one -> Set.of("argument-order", "records", "static-initialisers", "finally",
                    "unboxing", "captured", "annotated-office").contains(one.name())).toList()) {
                offers.run(program, Files.createTempDirectory(folder, "offers"), 8);
            }
        }
        assertEquals(List.of(), steps.stream().filter(step -> step.verdict().isWrong()).map(Step::toString).toList());
        assertTrue(steps.stream().filter(step -> step.verdict() == Step.Verdict.SAME).count() > 20);
    }

    @Test
    void aRenameShowsInWhatIsPrinted() {
        Printed before = new Printed("Tern is a Vessel\n", "");
        assertEquals(before, new Printed("Tern is a Ship\n", "").renamed(java.util.Map.entry("Vessel", "Ship")));
        assertEquals("printed 'Tern is a Vessel', now 'Tern'", before.difference(new Printed("Tern\n", "")));
    }
}
