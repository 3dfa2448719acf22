package dev.deftchisel.workspace;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.jdk.Jdk;
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

class JavaLevelTest {

    private static final int RUNNING = Runtime.version().feature();

    private static Jdk jdk(int feature) {
        return new Jdk(Path.of("/jdk" + feature), feature, String.valueOf(feature));
    }

    @Test
    void anOlderLevelHasItsOwnApi() {
        assertEquals(List.of("--release", "11"), JavaLevel.of(11).compilerOptions());
        assertEquals(List.of("-source", "11"), new JavaLevel(11, JavaLevel.Api.COMPILER, List.of()).compilerOptions());
        assertEquals(List.of("-source", String.valueOf(RUNNING)), JavaLevel.of(RUNNING).compilerOptions());
        assertEquals(List.of("--release", "8"), JavaLevel.of(6).compilerOptions());
    }

    @Test
    void anOpenedPlatformIsThatOfTheJdk() {
        assertEquals(List.of("-source", "11", "--add-exports=java.base/sun.x=ALL-UNNAMED"),
                new JavaLevel(11, JavaLevel.Api.LEVEL, List.of("--add-exports=java.base/sun.x=ALL-UNNAMED"))
                .compilerOptions());
    }

    @Test
    void previewFeaturesAreReadByJustTheirJdk() {
        JavaLevel preview = new JavaLevel(21, JavaLevel.Api.LEVEL, List.of("--enable-preview"));
        assertTrue(preview.isReadBy(21));
        assertFalse(preview.isReadBy(22));
        assertEquals(Optional.of(jdk(21)), preview.fitting(List.of(jdk(25), jdk(21), jdk(17))));
        JavaLevel own = new JavaLevel(RUNNING, JavaLevel.Api.LEVEL, List.of("--enable-preview"));
        assertTrue(own.parserOptions().contains("--enable-preview"));
    }

    @Test
    void theNewestThatReadsItFits() {
        assertEquals(Optional.of(jdk(25)), JavaLevel.of(21).fitting(List.of(jdk(17), jdk(21), jdk(25))));
        assertEquals(Optional.empty(), JavaLevel.of(26).fitting(List.of(jdk(17), jdk(25))));
    }

    @Test
    void aWorkspaceInANewerJavaIsNotOpened(@TempDir Path folder) throws IOException {
        Files.writeString(folder.resolve("Berth.java"), "class Berth { }");
        OpenRequest request = new OpenRequest(folder, true, List.of(folder), List.of(), Optional.of(999),
                Optional.empty(), Set.of());
        UnfitJavaException unfit = assertThrows(UnfitJavaException.class, () -> new Workspaces(List.of())
                .open(request));
        assertTrue(unfit.getMessage().contains("is written in Java 999, which the Java that runs deft (" + RUNNING
                + ") cannot read"),
                unfit.getMessage());
        assertTrue(unfit.getMessage().endsWith("; install JDK 999 or newer and name it by JAVA_HOME"),
                unfit.getMessage());
        assertEquals(999, new Workspaces(List.of()).read(request).modules().get(0).level());
    }
}
