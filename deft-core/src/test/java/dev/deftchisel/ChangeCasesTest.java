package dev.deftchisel;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.condition.EnabledForJreRange;
import org.junit.jupiter.api.condition.JRE;
import org.junit.jupiter.api.io.TempDir;

/** Plays every {@link ChangeCase} in the folders of the test resources that are named as operations. */
class ChangeCasesTest {

    @TempDir
    private Path temporary;

    @TestFactory
    Stream<DynamicTest> everyCase() throws Exception {
        List<Path> files = files(List.of(
                "extract-constant", "extract-field", "extract-method", "extract-parameter", "extract-variable",
                "declare", "generate", "inline", "rename", "rename-related", "access", "move",
                "change-signature", "fit-signature", "replace-constructor", "use-supertype", "inline-parameter",
                "introduce-parameter-object", "move-type"));
        assertTrue(files.size() > 250, "the cases are there");
        return tests(files, 17);
    }

    @TestFactory
    @EnabledForJreRange(min = JRE.JAVA_21, disabledReason = "record patterns came with Java 21")
    Stream<DynamicTest> everyCaseOfJava21() throws Exception {
        return tests(files(List.of("change-signature-21")), 21);
    }

    private static List<Path> files(List<String> folders) throws Exception {
        List<Path> files = new ArrayList<>();
        for (String folder : folders) {
            try (Stream<Path> found = Files.list(Path.of(ChangeCasesTest.class.getResource("/" + folder).toURI()))) {
                found.sorted().forEach(files::add);
            }
        }
        return files;
    }

    private Stream<DynamicTest> tests(List<Path> files, int level) {
        return files.stream().map(file -> DynamicTest.dynamicTest(
                file.getParent().getFileName() + " " + file.getFileName().toString().replace(".txt", ""),
                () -> ChangeCase.read(file).play(Files.createTempDirectory(temporary, "workspace"), level)));
    }
}
