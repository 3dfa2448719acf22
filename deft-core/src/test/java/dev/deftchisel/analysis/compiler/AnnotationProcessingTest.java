package dev.deftchisel.analysis.compiler;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.ProcessedRoots;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A processor that is compiled here: for each type with {@code @Deprecated} it makes one with {@code Plan} after its
 * name.
 */
class AnnotationProcessingTest {

    private static final String PROCESSOR = """
            import java.io.*;
            import java.util.*;
            import javax.annotation.processing.*;
            import javax.lang.model.element.*;

            @SupportedAnnotationTypes("java.lang.Deprecated")
            @SupportedOptions("harbour.depth")
            public class Plans extends AbstractProcessor {
                @Override
                public javax.lang.model.SourceVersion getSupportedSourceVersion() { return javax.lang.model.SourceVersion.latest(); }
                @Override
                public boolean process(Set<? extends TypeElement> found, RoundEnvironment round) {
                    for (Element one : round.getElementsAnnotatedWith(Deprecated.class)) {
                        try (Writer out = processingEnv.getFiler().createSourceFile(one.getSimpleName() + "Plan").openWriter()) {
                            out.write("class " + one.getSimpleName() + "Plan { int depth = " + processingEnv.getOptions().get("harbour.depth") + "; }");
                        } catch (IOException failed) {
                            throw new UncheckedIOException(failed);
                        }
                    }
                    return false;
                }
            }
            """;

    @TempDir
    private Path folder;
    private final Libraries libraries = new Libraries();
    private Path main;
    private Path tests;

    @BeforeEach
    void write() throws IOException {
        folder = folder.toRealPath();
        Path plans = Files.createDirectories(folder.resolve("plans"));
        Path source = Files.writeString(folder.resolve("Plans.java"), PROCESSOR);
        assertEquals(0, ToolProvider.getSystemJavaCompiler()
                .run(null, null, null, "-proc:none", "-d", plans.toString(), source.toString()));
        Files.createDirectories(plans.resolve("META-INF/services"));
        Files.writeString(plans.resolve("META-INF/services/javax.annotation.processing.Processor"), "Plans\n");
        main = Files.createDirectories(folder.resolve("main"));
        tests = Files.createDirectories(folder.resolve("tests"));
        Files.writeString(main.resolve("Berth.java"), "@Deprecated class Berth { }\n");
        Files.writeString(tests.resolve("Tide.java"), "@Deprecated class Tide extends BerthPlan { }\n");
    }

    @AfterEach
    void close() {
        libraries.close();
    }

    private Snapshot read() throws IOException {
        Module module = new Module("berths", folder,
                List.of(new SourceRoot(main, SourceRoot.Use.MAIN, SourceRoot.Kind.SOURCE),
                new SourceRoot(tests, SourceRoot.Use.TEST, SourceRoot.Kind.SOURCE)),
                new Dependencies(List.of(), List.of(new Library(folder.resolve("plans"), "plans")), List.of()),
                List.of(),
                new JavaLevel(17, JavaLevel.Api.LEVEL, List.of("-Aharbour.depth=12")), StandardCharsets.UTF_8);
        Workspace workspace = ProcessedRoots.in(new Workspace(folder, List.of(module), List.of()), processor -> true);
        for (SourceRoot root : workspace.processedRoots()) {
            Files.createDirectories(root.folder());
        }
        return Snapshot.read(workspace);
    }

    private static String text(Snapshot snapshot, String name) {
        return snapshot.files().stream().filter(file -> file.path().endsWith(name))
                .map(file -> file.root().use() + " " + file.content())
                .findFirst().orElse("");
    }

    @Test
    void mainCodeAndTestsEachHaveTheirOwnWithOptions() throws IOException {
        Snapshot remade = libraries.processing().remade(read());
        assertEquals("MAIN class BerthPlan { int depth = 12; }", text(remade, "BerthPlan.java"));
        assertEquals("TEST class TidePlan { int depth = 12; }", text(remade, "TidePlan.java"));
        assertTrue(new Analyst(remade, libraries, Monitor.SILENT)
                .analyse(Focus.whole(remade.files().stream().map(SourceFile::path).toList()))
                .errors().isEmpty());
    }

    @Test
    void whatWasMadeStaysWhileCodeIsTypedThatDoesNotParse() throws IOException {
        Snapshot remade = libraries.processing().remade(read());
        Path berth = main.resolve("Berth.java");
        Snapshot half = remade.with(Map.of(berth, Optional.of("@Deprecated class Quay { } @Deprecated class {")),
                Map.of());
        assertEquals("", text(libraries.processing().remade(half), "BerthPlan.java"));
        assertEquals("MAIN class BerthPlan { int depth = 12; }",
                text(libraries.processing().remadeWhileTyped(half), "BerthPlan.java"));
        Snapshot whole = libraries.processing()
                .remadeWhileTyped(half.with(Map.of(berth, Optional.of("@Deprecated class Quay { }")), Map.of()));
        assertEquals("", text(whole, "BerthPlan.java"));
        assertEquals("MAIN class QuayPlan { int depth = 12; }", text(whole, "QuayPlan.java"));
    }
}
