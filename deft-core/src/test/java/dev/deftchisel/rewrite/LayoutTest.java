package dev.deftchisel.rewrite;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LayoutTest {

    @TempDir
    private Path folder;

    private SourceFile file(String source) throws IOException {
        SampleWorkspace sample = new SampleWorkspace(folder);
        Path path = sample.write("Berth.java", source);
        return sample.analyst().snapshot().file(path).orElseThrow();
    }

    private static String text(SourceFile file, Range range) {
        return file.content().substring(range.start(), range.end());
    }

    private static Range at(SourceFile file, String code) {
        int start = file.content().indexOf(code);
        return new Range(start, start + code.length());
    }

    @Test
    void theUnitOfIndentationIsWhatMostStepsAdd() throws IOException {
        assertEquals(new Layout("\n", "  "), Layout.of(file("class Berth {\n  void log() {\n    int a;\n  }\n}\n")));
        assertEquals(new Layout("\r\n", "\t"), Layout
                .of(file("class Berth {\r\n\tvoid log() {\r\n\t\tint a;\r\n\t}\r\n}\r\n")));
        assertEquals("    ", Layout.of(file("class Berth { }")).unit());
    }

    @Test
    void aCommentOnTheSameLineBelongsToWhatItFollows() throws IOException {
        SourceFile file = file("class Berth {\n    int depth; // metres\n    int length; int days;\n}\n");
        assertEquals(at(file, "// metres").end(), Layout.after(file, at(file, "int depth;").end()));
        assertEquals(at(file, "int length;").end(), Layout.after(file, at(file, "int length;").end()));
    }

    @Test
    void documentationGoesWithItsMember() throws IOException {
        SourceFile file = file("class Berth {\n    /** Deep. */\n    int depth;\n\n    /* Long. */\n    int "
                + "length;\n}\n");
        assertEquals("/** Deep. */\n    int depth;",
                text(file, Layout.withDocumentation(file, at(file, "int depth;"))));
        assertEquals("int length;", text(file, Layout.withDocumentation(file, at(file, "int length;"))));
    }

    @Test
    void noTwoBlankLinesMeetWhereSomethingGoes() throws IOException {
        SourceFile file = file("class Berth {\n    int depth;\n\n    int length;\n\n    int days;\n}\n");
        assertEquals("    int length;\n\n", text(file, Layout.removed(file, at(file, "int length;"))));
        assertEquals("\n    int days;\n", text(file, Layout.removed(file, at(file, "int days;"))));
    }
}
