package dev.deftchisel.gradle;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.FolderReader;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Workspaces;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Whole builds; libraries are those that this build itself is tested with, and some in a cache of Gradle's form. */
class GradleReaderTest {

    @TempDir
    private Path root;
    @TempDir
    private Path home;

    @BeforeEach
    void cache() {
        System.setProperty("gradle.user.home", home.toString());
    }

    @AfterEach
    void noCache() {
        System.clearProperty("gradle.user.home");
    }

    private void write(String path, String content) throws IOException {
        Path file = root.resolve(path);
        Files.createDirectories(file.getParent());
        Files.writeString(file, content);
    }

    /** A library with what it needs, as Gradle has fetched it. */
    private void cached(String name, String version, String... needs) throws IOException {
        StringBuilder pom = new StringBuilder("<project><modelVersion>4.0.0</modelVersion><groupId>harbour</groupId>"
                + "<artifactId>"
                + name + "</artifactId><version>" + version + "</version><dependencies>");
        for (String need : needs) {
            String[] parts = need.split(":");
            pom.append("<dependency><groupId>harbour</groupId><artifactId>").append(parts[0])
                    .append("</artifactId><version>")
                    .append(parts[1]).append("</version></dependency>");
        }
        Path folder = home.resolve("caches/modules-2/files-2.1/harbour").resolve(name).resolve(version);
        Files.createDirectories(folder.resolve("1a"));
        Files.createDirectories(folder.resolve("2b"));
        Files.writeString(folder.resolve("1a").resolve(name + "-" + version + ".pom"),
                pom + "</dependencies></project>");
        Files.write(folder.resolve("2b").resolve(name + "-" + version + ".jar"), new byte[0]);
    }

    private Workspace open() {
        return new Workspaces(List.of(new GradleReader(), new FolderReader())).read(OpenRequest.around(root));
    }

    private static Module module(Workspace workspace, String name) {
        return workspace.modules().stream().filter(module -> module.name().equals(name)).findFirst().orElseThrow();
    }

    private static List<String> libraries(Module module) {
        return module.dependencies().libraries().stream().map(Library::origin)
                .map(origin -> origin.replaceFirst("^harbour:", "")).sorted().toList();
    }

    private Module single(String script) throws IOException {
        write("build.gradle", script);
        write("src/main/java/Berth.java", "class Berth { }");
        return module(open(), ":");
    }

    @Test
    void projectsSeeOneAnotherAndWhatTheyExport() throws IOException {
        cached("tables", "2", "numbers:1");
        cached("numbers", "1");
        cached("paper", "1");
        write("settings.gradle", "rootProject.name = 'harbour'\ninclude 'berths', 'office:desk'\n");
        write("berths/build.gradle", """
                plugins { id 'java-library' }
                dependencies {
                    api 'harbour:tables:2'
                    implementation 'harbour:paper:1'
                }
                """);
        write("office/desk/build.gradle", "dependencies { implementation project(':berths') }\n");
        write("berths/src/main/java/Berth.java", "class Berth { }");
        write("office/desk/src/main/java/Desk.java", "class Desk { }");
        Workspace workspace = open();
        assertEquals(List.of("numbers:1", "paper:1", "tables:2"), libraries(module(workspace, ":berths")));
        assertEquals(List.of("numbers:1", "tables:2"), libraries(module(workspace, ":office:desk")));
        assertEquals(List.of(":berths"), module(workspace, ":office:desk").upstream());
        assertEquals(List.of(), workspace.gaps());
        assertEquals(workspace, new Workspaces(List.of(new GradleReader()))
                .read(OpenRequest.around(root.resolve("office/desk/src"))));
    }

    @Test
    void theNewestVersionIsTaken() throws IOException {
        cached("tables", "2", "numbers:3");
        cached("numbers", "1");
        cached("numbers", "3");
        cached("numbers", "4");
        assertEquals(List.of("numbers:3", "tables:2"),
                libraries(single("dependencies { implementation 'harbour:numbers:1', 'harbour:tables:2' }")));
        assertEquals(List.of("numbers:4"), libraries(single("dependencies { implementation 'harbour:numbers:+' }")));
        assertEquals(List.of("tables:2"), libraries(single(
                "dependencies { implementation('harbour:tables:2') { exclude group: 'harbour', module: 'numbers' } "
                + "}")));
        assertEquals(List.of("numbers:1"), libraries(single("dependencies { implementation 'harbour:numbers:4' }\n"
                + "configurations.all { resolutionStrategy { force 'harbour:numbers:1' } }")));
        write("gradle.lockfile", "# locked\nharbour:numbers:1=compileClasspath\nempty=\n");
        assertEquals(List.of("numbers:1", "tables:2"),
                libraries(single("dependencies { implementation 'harbour:tables:2' }")));
    }

    @Test
    void versionsComeFromWhereTheyAreSaid() throws IOException {
        cached("numbers", "7");
        cached("tables", "8");
        write("gradle.properties", "numbers=7\n");
        write("gradle/libs.versions.toml", """
                [versions]
                tide-tables = { strictly = "8" }
                [libraries]
                numbers = "harbour:numbers:7"
                tide-tables = { module = "harbour:tables", version.ref = "tide-tables" }
                [bundles]
                all = ["numbers", "tide-tables"]
                """);
        for (String way : List.of("implementation(\"harbour:numbers:$numbers\")", "implementation libs.numbers",
                "implementation(libs.numbers) { transitive = false }", "implementation 'harbour:numbers:' + numbers",
                "implementation 'harbour:numbers'\n constraints { implementation 'harbour:numbers:7' }",
                "implementation('harbour:numbers') { version { strictly '7' } }",
                "add('implementation', 'harbour:numbers:7')",
                "implementation group: 'harbour', name: 'numbers', version: numbers")) {
            assertEquals(List.of("numbers:7"), libraries(single("dependencies {\n " + way + "\n}\n")), way);
        }
        assertEquals(List.of("numbers:7", "tables:8"),
                libraries(single("dependencies { testImplementation libs.bundles.all }")));
        assertEquals(List.of("tables:8"),
                libraries(single("def v = libs.versions.tide.tables.get()\ndependencies { implementation "
                        + "\"harbour:tables:${v}\" }")));
    }

    @Test
    void aPlatformSaysVersions() throws IOException {
        Module module = single("""
                dependencies {
                    testImplementation platform('org.junit:junit-bom:%s')
                    testImplementation 'org.junit.jupiter:junit-jupiter-api'
                }
                """.formatted(System.getProperty("junit.version", "5.13.4")));
        assertTrue(module.dependencies().missing().isEmpty(), module.dependencies().missing().toString());
        assertTrue(libraries(module).stream()
                .anyMatch(origin -> origin.startsWith("org.junit.platform:junit-platform-commons:")),
                libraries(module).toString());
    }

    @Test
    void pluginsOfTheBuildAndBlocksForAllProjectsCount() throws IOException {
        cached("numbers", "1");
        cached("tables", "2");
        cached("paper", "3");
        write("settings.gradle.kts", "include(\"berths\")\n");
        write("buildSrc/src/main/kotlin/harbour.conventions.gradle.kts",
                "dependencies { \"implementation\"(\"harbour:numbers:1\") }\n");
        write("gradle/more.gradle", "dependencies { implementation 'harbour:paper:3' }\n");
        write("build.gradle.kts", "val tables by extra(\"2\")\nsubprojects {\n    dependencies { "
                + "\"implementation\"(\"harbour:tables:$tables\") }\n}\n");
        write("berths/build.gradle.kts", "plugins {\n    id(\"harbour.conventions\")\n}\napply(from = "
                + "\"../gradle/more.gradle\")\n");
        write("berths/src/main/java/Berth.java", "class Berth { }");
        assertEquals(List.of("numbers:1", "paper:3", "tables:2"), libraries(module(open(), ":berths")));
    }

    @Test
    void theJavaIsWhatIsSaidForTheCompiler() throws IOException {
        assertEquals(JavaLevel.of(11), single("java { toolchain { languageVersion = JavaLanguageVersion.of(11) } }")
                .java());
        assertEquals(new JavaLevel(8, JavaLevel.Api.COMPILER, List.of()),
                single("sourceCompatibility = JavaVersion.VERSION_1_8").java());
        assertEquals(new JavaLevel(17, JavaLevel.Api.COMPILER, List.of()),
                single("java {\n  sourceCompatibility = 17\n}").java());
        assertEquals(JavaLevel.of(11), single("tasks.withType(JavaCompile).configureEach { options.release = 11 }")
                .java());
        assertEquals(new JavaLevel(21, JavaLevel.Api.LEVEL, List.of("--enable-preview")), single("""
                java.toolchain.languageVersion.set(JavaLanguageVersion.of(21))
                compileJava { options.compilerArgs << '-g'
                    options.compilerArgs += ['--enable-preview', '-parameters'] }
                """).java());
        assertEquals(StandardCharsets.ISO_8859_1, single("compileJava.options.encoding = 'ISO-8859-1'").encoding());
    }

    @Test
    void sourceSetsHaveTheirFolders() throws IOException {
        for (String file : List.of("src/main/java/A.java", "java/B.java", "src/integrationTest/java/C.java",
                "src/testFixtures/java/D.java",
                "build/generated/sources/annotationProcessor/java/main/E.java", "src/test/resources/f.txt")) {
            write(file, file.endsWith("java") ? "class X { }" : "x");
        }
        Module module = single("""
                plugins { id 'java-test-fixtures' }
                sourceSets {
                    main { java { srcDir 'java' } }
                    integrationTest { compileClasspath += main.output }
                }
                configurations { integrationTestImplementation.extendsFrom testImplementation }
                """);
        assertEquals(List.of("MAIN SOURCE java", "MAIN SOURCE src/main/java", "TEST RESOURCE src/test/resources",
                        "TEST SOURCE src/testFixtures/java", "TEST SOURCE src/integrationTest/java",
                        "MAIN GENERATED build/generated/sources/annotationProcessor/java/main"),
                module.roots().stream().map(one -> one.use() + " " + one.kind() + " " + root.relativize(one.folder()))
                .toList());
    }

    @Test
    void whatIsNotSaidPlainlyIsNamed() throws IOException {
        write("settings.gradle", "include 'berths'\ninclude 'nowhere'\n");
        write("berths/build.gradle", """
                dependencies {
                    implementation computed("x")
                    if (something()) {
                        implementation 'harbour:tables:1'
                    }
                    implementation 'harbour.none:nowhere:9'
                }
                apply from: 'missing.gradle'
                """);
        write("berths/src/main/java/Berth.java", "class Berth { }");
        write("gradle/libs.versions.toml", "[versions]\nx = \n");
        List<String> gaps = open().gaps();
        assertTrue(gaps.get(0).contains("libs.versions.toml:2:"), gaps.toString());
        assertEquals(List.of("settings.gradle:2: the project :nowhere is not there (nowhere)",
                "berths/build.gradle:2: what 'implementation' needs here is computed, and not known",
                "berths/build.gradle:3: what is needed after this 'if' is computed, and not known",
                "berths/build.gradle:8: the script missing.gradle is not there; what it says is unknown",
                "harbour.none:nowhere:9 is not on this machine: names from it stay unresolved (fetch it with "
                + "--online)"),
                gaps.subList(1, gaps.size()));
    }

    @Test
    void aProcessorIsNoLibrary() throws IOException {
        cached("numbers", "1");
        Module module = single("dependencies { annotationProcessor 'harbour:numbers:1' }");
        assertEquals(List.of(), libraries(module));
        assertEquals(List.of("harbour:numbers:1"), module.dependencies().processors().stream().map(Library::origin)
                .toList());
        assertEquals(SourceRoot.Use.MAIN, module.roots().get(0).use());
    }
}
