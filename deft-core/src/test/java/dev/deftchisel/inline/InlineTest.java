package dev.deftchisel.inline;

import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.ChangeCase;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;

/** Plays every case in the folder {@code inline} of the test resources. */
class InlineTest {

    @TempDir
    private Path temporary;

    @TestFactory
    Stream<DynamicTest> everyCase() throws Exception {
        List<Path> files;
        try (Stream<Path> found = Files.list(Path.of(InlineTest.class.getResource("/inline").toURI()))) {
            files = found.sorted().toList();
        }
        assertTrue(files.size() > 20, "the cases are there");
        return files.stream().map(file -> DynamicTest.dynamicTest(file.getFileName().toString().replace(".txt", ""),
                () -> ChangeCase.read(file).play(Files.createTempDirectory(temporary, "workspace"))));
    }
}
