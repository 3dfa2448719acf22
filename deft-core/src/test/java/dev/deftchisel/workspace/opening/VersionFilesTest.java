package dev.deftchisel.workspace.opening;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class VersionFilesTest {

    @TempDir
    private Path folder;

    private Optional<Integer> level(String name, String content) throws IOException {
        Path project = Files.createTempDirectory(folder, "project");
        Files.writeString(project.resolve(name), content);
        return VersionFiles.level(Files.createDirectories(project.resolve("src/main")));
    }

    @Test
    void eachToolHasItsOwnForm() throws IOException {
        assertEquals(Optional.of(17), level(".java-version", "17\n"));
        assertEquals(Optional.of(8), level(".java-version", "1.8\n"));
        assertEquals(Optional.of(21), level(".java-version", "temurin-21.0.2\n"));
        assertEquals(Optional.of(17), level(".sdkmanrc", "# of the office\njava=17.0.9-tem\n"));
        assertEquals(Optional.of(11), level(".tool-versions", "nodejs 20.1.0\njava adoptopenjdk-11.0.20+8\n"));
        assertEquals(Optional.empty(), level(".tool-versions", "nodejs 20.1.0\n"));
        assertEquals(Optional.empty(), level(".java-version", "system\n"));
    }
}
