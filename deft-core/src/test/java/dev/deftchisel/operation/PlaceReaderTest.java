package dev.deftchisel.operation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.workspace.Snapshot;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PlaceReaderTest {

    @TempDir
    private Path folder;
    private Snapshot snapshot;
    private PlaceReader reader;

    @BeforeEach
    void open() throws IOException {
        SampleWorkspace sample = new SampleWorkspace(folder);
        sample.write("harbour/Berth.java", """
                package harbour;
                import java.util.List;
                class Berth {
                    int depth;
                    int depth() { return depth; }
                    void moor(String ship) { }
                    void moor(List<String> ships, int... days) { }
                    static class Slot { Slot(int n) { } }
                }
                """);
        sample.write("lombok/Data.java", "package lombok;\npublic @interface Data { }\n");
        sample.write("harbour/Tide.java", """
                package harbour;
                @lombok.Data
                class Tide {
                    private int height;
                    int low;
                }
                """);
        sample.write("harbour/Tides.java", """
                package harbour;
                class Tides {
                    int twice(Tide tide) { tide.setHeight(3); return 2 * tide.getHeight(); }
                }
                """);
        snapshot = sample.snapshot();
        reader = new PlaceReader(sample.analyst(), sample.root());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            harbour/Berth.java:4:9               | 4:9
            harbour/Berth.java:4                 | 4:5
            harbour.Berth                        | 3:7
            harbour.Berth.Slot                   | 8:18
            harbour.Berth#depth                  | 4:9
            harbour.Berth#depth()                | 5:9
            harbour.Berth#moor(String)           | 6:10
            harbour.Berth#moor(java.lang.String) | 6:10
            harbour.Berth#moor(List, int[])      | 7:10
            harbour.Berth#moor(List<String>,int...) | 7:10
            harbour                              | 1:15
            harbour.Tide#getHeight()             | 3:63
            harbour.Tide#setHeight(int)          | 3:33
            """)
    void placesAreReadAsPeopleWriteThem(String text, String position) {
        Place place = reader.read(text);
        assertEquals(position, snapshot.file(place.file()).orElseThrow().position(place.caret()).toString());
    }

    @Test
    void aRangeIsASelection() {
        Place place = reader.read("harbour/Berth.java:4:5-4:8");
        assertEquals(3, place.selection().length());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            harbour/Berth.java:0:1      | harbour/Berth.java:0:1: the place is outside the file, which has 10 lines
            harbour/Berth.java:4:99     | harbour/Berth.java:4:99: line 4 has only 14 characters
            harbour/Berth.java:5:3-4:1  | harbour/Berth.java:5:3-4:1: the selection ends before it starts
            harbour/Berth.java:99999999999:1 | harbour/Berth.java:99999999999:1: the place is outside the file, which has 10 lines
            sea.berth                   | sea.berth: there is no type or package of this name in the workspace; did you mean harbour.Berth?
            harbour.Berth#moor          | harbour.Berth#moor: there are several; say which: harbour.Berth#moor(String) or harbour.Berth#moor(List<String>, int...)
            harbour.Berth#sail(int)     | harbour.Berth#sail(int): Berth declares no member sail(int)
            harbour.Tide#getLow()       | harbour.Tide#getLow(): Tide declares no member getLow(), it gets it by an annotation for harbour.Tide#low; nothing uses it
            harbour.Quay#sail           | harbour.Quay#sail: there is no type harbour.Quay in the workspace
            """)
    void whatIsNotThereIsSaid(String text, String message) {
        assertEquals(message, assertThrows(PlaceException.class, () -> reader.read(text)).getMessage());
    }
}
