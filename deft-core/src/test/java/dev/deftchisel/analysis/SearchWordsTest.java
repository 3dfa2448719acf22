package dev.deftchisel.analysis;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.Chisel;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.Uses;
import dev.deftchisel.analysis.compiler.Monitor;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SearchWordsTest {

    @TempDir
    private Path folder;
    private SampleWorkspace sample;

    @BeforeEach
    void write() throws IOException {
        sample = new SampleWorkspace(folder);
        sample.write("harbour/Fee.java", "package harbour; @interface Fee { int value(); String unit() default \"\"; "
                + "}");
        sample.write("harbour/Berth.java", "package harbour; @Fee(3) class Berth { }");
        sample.write("harbour/Crane.java", "package harbour; @Fee(value = 4, unit = \"t\") class Crane { }");
    }

    private Set<String> words(String place) {
        try (Chisel chisel = Chisel.open(sample.request(), Monitor.SILENT)) {
            var resolved = chisel.resolved(chisel.place(place));
            return SearchWords.of(resolved.symbol().orElseThrow(), resolved.analysis());
        }
    }

    @Test
    void aSymbolIsFoundByItsName() {
        assertEquals(Set.of("Berth"), words("harbour.Berth"));
        assertEquals(Set.of("unit"), words("harbour.Fee#unit()"));
        assertEquals(Set.of("harbour"), words("harbour"));
    }

    @Test
    void theElementValueIsFoundByItsAnnotationToo() {
        assertEquals(Set.of("value", "Fee"), words("harbour.Fee#value()"));
    }

    @Test
    void usesWithoutANameAreTold() {
        try (Chisel chisel = Chisel.open(sample.request(), Monitor.SILENT)) {
            Uses uses = chisel.uses(chisel.place("harbour.Fee#value()")).orElseThrow();
            assertEquals(List.of("Berth.java", "Crane.java", "Fee.java"), uses.all().stream()
                    .map(use -> use.file().getFileName().toString()).distinct().sorted().toList());
        }
    }
}
