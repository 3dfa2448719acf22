package dev.deftchisel.proving.shape;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;

/**
 * Every project shape opens with the errors that its own build has. What Maven says is written down in the texts, and
 * compared with Maven itself by the command; the compiler is called here where that is the build.
 */
class ShapesTest {

    @TempDir
    private Path folder;

    @TestFactory
    Stream<DynamicTest> aShapeOpensAsItsOwnBuildSeesIt() throws IOException {
        FetchedLibraries libraries = new FetchedLibraries();
        return Shape.all().stream().map(shape -> DynamicTest.dynamicTest(shape.sort() + "/" + shape.name(), () -> {
            Path project = Files.createDirectories(folder.toRealPath().resolve(shape.sort()).resolve(shape.name()));
            shape.writeTo(project, libraries);
            OpenedShape opened = OpenedShape.of(shape, project);
            assertEquals(new TreeSet<>(shape.errors()), opened.errors(), () -> String.join("\n", opened.words()));
            assertEquals(shape.gaps(), opened.gaps().size(), () -> opened.gaps().toString());
            if (!shape.isMaven()) {
                assertEquals(shape.errors(), new OwnBuild(libraries).errors(shape, project));
            }
        }));
    }

    @Test
    void thereAreSixtyAndNamesAreUniqueInEachSort() throws IOException {
        List<String> names = new ArrayList<>();
        for (Shape shape : Shape.all()) {
            names.add(shape.sort() + "/" + shape.name());
        }
        assertTrue(names.size() >= 60, names.toString());
        assertEquals(names.size(), names.stream().distinct().count());
    }
}
