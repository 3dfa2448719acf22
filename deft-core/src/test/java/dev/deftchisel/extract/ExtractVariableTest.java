package dev.deftchisel.extract;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is not seen in the text after a change. */
class ExtractVariableTest {

    @TempDir
    private Path temporary;

    /** Where the new name stands after an extraction from a place that is written as path:line:column. */
    private List<String> linked(String place, Answers answers) throws IOException {
        SampleWorkspace sample = new SampleWorkspace(temporary);
        sample.write("Berth.java", """
                class Berth {
                    int dues(int length) {
                        return length * 2 + (length * 2);
                    }
                }
                """);
        try (Chisel chisel = Chisel.open(sample.request(), Monitor.SILENT)) {
            Outcome.Preview preview = (Outcome.Preview) chisel.preview(chisel.place(place), "extract-variable",
                    answers);
            chisel.apply(preview);
            String content = chisel.snapshot().files().iterator().next().content();
            return Chisel.linkedPlaces(preview.change()).stream()
                    .map(name -> content.substring(name.selection().start(), name.selection().end()))
                    .toList();
        }
    }

    @Test
    void everyPlaceOfTheNewNameIsLinked() throws IOException {
        assertEquals(List.of("twice", "twice"), linked("Berth.java:3:23", Answers.of("name", "twice")));
        Answers everywhere = Answers.of("name", "twice").and("places", "all");
        assertEquals(List.of("twice", "twice", "twice"), linked("Berth.java:3:23", everywhere));
    }
}
