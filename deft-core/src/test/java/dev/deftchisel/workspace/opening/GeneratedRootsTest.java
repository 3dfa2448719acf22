package dev.deftchisel.workspace.opening;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.workspace.SourceRoot;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class GeneratedRootsTest {

    @TempDir
    private Path folder;

    private void write(String path, String text) throws IOException {
        Path file = folder.resolve(path);
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
    }

    private List<String> roots() {
        return GeneratedRoots.in(folder, SourceRoot.Use.MAIN).stream()
                .map(root -> folder.relativize(root.folder()).toString()).toList();
    }

    @Test
    void howDeepTheyAreIsSaidByTheFiles() throws IOException {
        write("annotations/harbour/Table.java", "package harbour;\nclass Table { }");
        write("parser/java/main/harbour/tides/Tide.java", "// made\npackage harbour.tides;\nclass Tide { }");
        write("parser/java/main/harbour/Moon.java", "package harbour;\nclass Moon { }");
        write("flat/Loose.java", "class Loose { }");
        assertEquals(List.of("annotations", "flat", "parser/java/main"), roots());
    }

    @Test
    void aFileOutsideOfItsPackageIsNoRoot() throws IOException {
        write("odd/Tide.java", "package harbour.tides;\nclass Tide { }");
        assertEquals(List.of(), roots());
    }
}
