package dev.deftchisel.workspace.surroundings;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class OtherLanguagesTest {

    @TempDir
    private Path folder;

    @Test
    void filesBesideTheCodeAreFoundAndThoseThatAreMadeAreNot() throws IOException {
        for (String path : List.of("src/main/kotlin/Berths.kt", "src/main/webapp/WEB-INF/berth.jsp",
                "src/main/java/berth.properties",
                "src/main/java/Berth.java", "src/main/resources/board.xml", "src/main/.hidden/x.kt",
                "src/main/webapp/node_modules/x.html",
                "target/made.kt", "src/main/webapp/picture.png")) {
            Path file = folder.resolve(path);
            Files.createDirectories(file.getParent());
            Files.writeString(file, "berth");
        }
        Module module = new Module("berths", folder, List.of(
                new SourceRoot(folder.resolve("src/main/java"), SourceRoot.Use.MAIN, SourceRoot.Kind.SOURCE),
                new SourceRoot(folder.resolve("src/main/resources"), SourceRoot.Use.MAIN, SourceRoot.Kind.RESOURCE)),
                Dependencies.NONE, List.of(), JavaLevel.of(17), StandardCharsets.UTF_8);
        Workspace workspace = new Workspace(folder, List.of(module), List.of());
        assertEquals(List.of("src/main/java/berth.properties", "src/main/kotlin/Berths.kt",
                "src/main/webapp/WEB-INF/berth.jsp"),
                OtherLanguages.in(workspace).stream().map(workspace::show).toList());
    }
}
