package dev.deftchisel.declare;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is not seen in the text after something was declared: names to type over, where to go on, what is offered. */
class DeclaredPlacesTest {

    @TempDir
    private Path temporary;
    private SampleWorkspace sample;

    @BeforeEach
    void write() throws IOException {
        sample = new SampleWorkspace(temporary);
        sample.write("Berth.java", """
                class Berth {
                    int dues(int length, String name) {
                        return fee(length, name) + new Tide(length).height();
                    }
                }
                """);
    }

    private static String rest(Chisel chisel, Place place) {
        return chisel.snapshot().file(place.file()).orElseThrow().content().substring(place.caret()).lines().findFirst()
                .orElseThrow();
    }

    private static List<String> linked(Chisel chisel, Outcome.Preview preview) {
        return Chisel.linkedPlaces(preview.change()).stream()
                .map(place -> chisel.snapshot().file(place.file()).orElseThrow().content()
                        .substring(place.selection().start(), place.selection().end()))
                .toList();
    }

    @Test
    void parametersCanBeTypedOverAndWritingGoesOnInTheBody() throws IOException {
        try (Chisel chisel = Chisel.open(sample.request(), Monitor.SILENT)) {
            Outcome.Preview preview = (Outcome.Preview) chisel.preview(chisel.place("Berth.java:3:16"),
                    "declare-method", Answers.none());
            chisel.apply(preview);
            assertEquals(List.of("length", "name"), linked(chisel, preview));
            assertEquals("throw new UnsupportedOperationException(\"not written yet\");",
                    rest(chisel, Chisel.writtenPlaces(preview.change()).get(0)));
        }
    }

    @Test
    void componentsOfANewRecordCanBeTypedOver() throws IOException {
        try (Chisel chisel = Chisel.open(sample.request(), Monitor.SILENT)) {
            Outcome.Preview preview = (Outcome.Preview) chisel.preview(chisel.place("Berth.java:3:40"), "declare-type",
                    Answers.none());
            chisel.apply(preview);
            assertEquals(1, preview.created().size());
            assertEquals(List.of("length"), linked(chisel, preview));
        }
    }

    @Test
    void eachNameIsOfferedWhatItCanBe() {
        try (Chisel chisel = Chisel.open(sample.request(), Monitor.SILENT)) {
            List<String> atMethod = chisel.offers(chisel.place("Berth.java:3:16")).stream().map(Offer::operation)
                    .toList();
            assertTrue(atMethod.contains("declare-method") && !atMethod.contains("declare-type"), atMethod.toString());
            List<String> atType = chisel.offers(chisel.place("Berth.java:3:40")).stream().map(Offer::operation)
                    .toList();
            assertEquals(List.of("declare-type", "declare-all"), atType.stream()
                    .filter(one -> one.startsWith("declare")).toList());
        }
    }
}
