package dev.deftchisel.gradle;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;

/** What scripts compute is never left out without a word, and the word says that Gradle itself can be asked. */
class ComputedBuildTest {

    @TempDir
    private Path root;

    private List<String> gaps(String script) throws IOException {
        Path project = Files.createTempDirectory(root, "build");
        Files.createDirectories(project.resolve("src/main/java"));
        Files.writeString(project.resolve("src/main/java/Berth.java"), "class Berth { }");
        Files.writeString(project.resolve("build.gradle"), script);
        Workspace workspace = new GradleReader().read(project, OpenRequest.at(project));
        return workspace.gaps().stream()
                .map(gap -> gap.replace(" (Gradle itself says it when it is asked: --ask-build)", "!")).toList();
    }

    @TestFactory
    Stream<DynamicTest> whatIsComputedIsSaid() {
        return Stream.of(
                new String[] {"dependencies { implementation \"a:b:${one.two()}\" }",
                        "what 'implementation' needs here is computed, and not known"},
                new String[] {"dependencies { implementation files(named()) }",
                        "what 'implementation' needs here is computed, and not known"},
                new String[] {"dependencies { implementation(['a:b:1', other()]) }",
                        "what 'implementation' needs here is computed, and not known"},
                new String[] {"dependencies { others.each { implementation it } }",
                        "what is needed after this 'others.each' is computed, and not known"},
                new String[] {"dependencies { if (isSlow) { implementation 'a:b:1' } }",
                        "what is needed after this 'if' is computed, and not known"},
                new String[] {"['a', 'b'].each { sourceSets.create(it) }",
                        "what is needed after this 'each' is computed, and not known"},
                new String[] {"sourceSets { create(name()) }",
                        "the name of this source set is computed, and not known"},
                new String[] {"sourceSets.main.java.srcDir folder()",
                        "which folders have code is computed here, and not known"},
                new String[] {"sourceCompatibility = isOld ? 8 : 17", "the Java level is computed here, and not known"},
                new String[] {"apply plugin: harbour.Shared", "what this plug-in does is not known"},
                new String[] {"configurations.all { resolutionStrategy.eachDependency { one -> one.useVersion '1' } }",
                    "which versions are taken is decided here, and not known"})
                .map(sample -> DynamicTest.dynamicTest(sample[0],
                        () -> assertEquals(List.of("build.gradle:1: " + sample[1] + "!"), gaps(sample[0]))));
    }

    @Test
    void whatIsPlainIsNot() throws IOException {
        assertEquals(List.of(), gaps("sourceCompatibility = JavaVersion.current()\n"
                + "configurations.all { resolutionStrategy { cacheChangingModulesFor 0, 'seconds' } }\n"
                + "tasks.each { it.enabled = true }\n['a'].each { println it }\n"));
    }

    @Test
    void projectsThatAreComputed() throws IOException {
        Files.writeString(root.resolve("settings.gradle"),
                "rootDir.listFiles().findAll { it.directory }.each { include it.name }\n");
        Workspace workspace = new GradleReader().read(root, OpenRequest.at(root));
        assertTrue(workspace.gaps().get(0).startsWith("settings.gradle:1: projects that are included after this"),
                workspace.gaps().toString());
    }

    @Test
    void aPluginThatIsAClassOfTheBuild() throws IOException {
        Files.createDirectories(root.resolve("buildSrc/src/main/groovy"));
        Files.writeString(root.resolve("buildSrc/build.gradle"),
                "gradlePlugin { plugins { shared { id = 'harbour.shared' } } }\n");
        Files.writeString(root.resolve("build.gradle"), "plugins { id 'java'\n id 'harbour.shared' }\n");
        assertEquals("build.gradle:2: the plug-in harbour.shared is a class of the build; what it does is not known"
                + " (Gradle itself says it when it is asked: --ask-build)", new GradleReader()
                .read(root, OpenRequest.at(root)).gaps().get(0));
    }
}
