package dev.deftchisel.operation;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.opening.FolderReader;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Workspaces;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CounterpartsTest {

    @TempDir
    private Path temporary;

    private void write(String path, String content) throws IOException {
        Path file = temporary.resolve(path);
        Files.createDirectories(file.getParent());
        Files.writeString(file, content);
    }

    private List<String> of(String path) throws IOException {
        Path root = temporary.toRealPath();
        Snapshot snapshot = Snapshot.read(new Workspaces(List.of(new FolderReader()))
                .open(new OpenRequest(root, true, List.of(), List.of(), Optional.of(17), Optional.empty(), Set.of())));
        return new Counterparts(snapshot).of(snapshot.file(root.resolve(path)).orElseThrow()).stream()
                .map(place -> root.relativize(place.file()) + ":" + place.caret()).toList();
    }

    @Test
    void theSamePackageComesFirst() throws IOException {
        write("src/main/java/harbour/Berth.java", "package harbour;\nclass Berth { }\n");
        write("src/main/java/sea/Berth.java", "package sea;\nclass Berth { }\n");
        write("src/test/java/sea/BerthTest.java", "package sea;\nclass BerthTest { }\n");
        write("src/test/java/harbour/BerthIT.java", "package harbour;\nclass BerthIT { }\n");
        write("src/test/java/harbour/BerthTest.java", "package harbour;\nclass BerthTest { }\n");
        write("src/test/java/harbour/TestBerth.java", "package harbour;\nclass Other { }\n");
        assertEquals(List.of("src/test/java/harbour/BerthTest.java:23", "src/test/java/harbour/BerthIT.java:23",
                "src/test/java/sea/BerthTest.java:19"), of("src/main/java/harbour/Berth.java"));
        assertEquals(List.of("src/main/java/harbour/Berth.java:23", "src/main/java/sea/Berth.java:19"),
                of("src/test/java/harbour/BerthIT.java"));
    }

    @Test
    void whatHasNoTestHasNone() throws IOException {
        write("src/main/java/harbour/Berth.java", "package harbour;\nclass Berth { }\n");
        write("src/test/java/harbour/Test.java", "package harbour;\nclass Test { }\n");
        assertEquals(List.of(), of("src/main/java/harbour/Berth.java"));
        assertEquals(List.of(), of("src/test/java/harbour/Test.java"));
    }
}
