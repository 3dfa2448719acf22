package dev.deftchisel.buildtool;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Everything in these projects that could be run leaves a mark behind; nothing of it is run. */
class SafeOpeningTest {

    private static final String POM = """
            <project xmlns="http://maven.apache.org/POM/4.0.0">
              <modelVersion>4.0.0</modelVersion>
              <groupId>harbour</groupId><artifactId>office</artifactId><version>1</version>
              <properties><maven.compiler.release>17</maven.compiler.release></properties>
              <build><plugins><plugin>
                <artifactId>maven-antrun-plugin</artifactId><version>3.1.0</version>
                <executions><execution><phase>validate</phase><goals><goal>run</goal></goals>
                  <configuration><target><touch file="MARK"/></target></configuration></execution></executions>
              </plugin></plugins></build>
            </project>
            """;
    private static final String GRADLE = """
            plugins { id 'java' }
            new File('MARK').text = 'run'
            task mark { doLast { new File('MARK').text = 'run' } }
            """;
    private static final String PROCESSOR = """
            package marks;

            import java.nio.file.*;
            import java.util.Set;
            import javax.annotation.processing.*;
            import javax.lang.model.element.TypeElement;

            @SupportedAnnotationTypes("*")
            public class Marks extends AbstractProcessor {
                static {
                    try {
                        Files.writeString(Path.of("MARK"), "run");
                    } catch (java.io.IOException failed) {
                        throw new ExceptionInInitializerError(failed);
                    }
                }

                @Override
                public boolean process(Set<? extends TypeElement> found, RoundEnvironment round) { return false; }
            }
            """;

    @TempDir
    private Path folder;
    private Path mark;
    private Path processor;

    @BeforeEach
    void compileTheProcessor() throws IOException {
        folder = folder.toRealPath();
        mark = folder.resolve("mark");
        processor = Files.createDirectories(folder.resolve("processor"));
        Path source = processor.resolve("Marks.java");
        Files.writeString(source, marking(PROCESSOR));
        assertEquals(0, ToolProvider.getSystemJavaCompiler().run(null, null, null, "-proc:none", "-d",
                processor.toString(), source.toString()));
        Path services = Files.createDirectories(processor.resolve("META-INF/services"));
        Files.writeString(services.resolve("javax.annotation.processing.Processor"), "marks.Marks\n");
    }

    private String marking(String text) {
        return text.replace("MARK", mark.toString());
    }

    private Path project(String name) throws IOException {
        Path project = Files.createDirectories(folder.resolve(name));
        Path sources = Files.createDirectories(project.resolve("src/main/java/harbour"));
        Files.writeString(sources.resolve("Berth.java"),
                "package harbour;\n\n@Deprecated\npublic class Berth {\n    private int depth;\n}\n");
        for (String wrapper : List.of("mvnw", "gradlew")) {
            Path script = Files.writeString(project.resolve(wrapper), marking("#!/bin/sh\ntouch MARK\n"));
            Files.setPosixFilePermissions(script, PosixFilePermissions.fromString("rwxr-xr-x"));
        }
        return project;
    }

    /** Looks at everything and works a change out. */
    private void work(Path project) {
        OpenRequest request = new OpenRequest(project, true, List.of(), List.of(processor), Optional.empty(),
                Optional.empty(), Set.of());
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            assertTrue(chisel.problems().in(chisel.problems().everywhere()).size() > 0);
            assertInstanceOf(Outcome.Preview.class, chisel.preview(chisel.place("harbour.Berth"), "rename",
                    Answers.of("name", "Mole")));
        }
        assertTrue(Files.notExists(mark), "something was run");
    }

    @Test
    void nothingOfAMavenProjectIsRun() throws IOException {
        Path project = project("maven");
        Files.writeString(project.resolve("pom.xml"), marking(POM));
        work(project);
    }

    @Test
    void nothingOfAGradleProjectIsRun() throws IOException {
        Path project = project("gradle");
        Files.writeString(project.resolve("settings.gradle"), marking("new File('MARK').text = 'run'\n"));
        Files.writeString(project.resolve("build.gradle"), marking(GRADLE));
        work(project);
    }

    @Test
    void aProcessorWouldLeaveItsMark() {
        assertEquals(0, ToolProvider.getSystemJavaCompiler().run(null, null, null, "-proc:only", "-processorpath",
                processor.toString(), "-cp", processor.toString(), "marks.Marks"));
        assertTrue(Files.exists(mark));
    }
}
