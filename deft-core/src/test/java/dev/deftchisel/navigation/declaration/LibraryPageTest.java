package dev.deftchisel.navigation.declaration;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LibraryPageTest {

    private static final String TIDE = """
            package sea;

            /** Water that comes and goes. */
            public class Tide {
                /** How high. */
                public final int height;

                public Tide(int height) { this.height = height; }

                public Tide(java.util.List<int[]> gauges, final String... names) { this(names.length); }

                /** At an hour. */
                public int at(int hour) { return height; }

                public int at(String place, int hour) { return height; }

                public static class Gauge<T extends Comparable<T>> { public T mark; }
            }
            """;
    private static final String QUAY = """
            class Quay {
                sea.Tide tide = new sea.Tide(5);
                sea.Tide other = new sea.Tide(java.util.List.of(), "north");
                int high = tide.at(3) + tide.at("north", 4) + tide.height;
                sea.Tide.Gauge<String> gauge;
                String name = gauge.mark.strip();
            }
            """;

    @TempDir
    private Path folder;
    private Path jar;
    private Path quay;

    @BeforeEach
    void makeTheLibrary() throws IOException {
        folder = folder.toRealPath();
        Path source = Files.createDirectories(folder.resolve("library/sea")).resolve("Tide.java");
        Files.writeString(source, TIDE);
        assertEquals(0, ToolProvider.getSystemJavaCompiler().run(null, null, null, "-d",
                folder.resolve("library").toString(), source.toString()));
        jar = folder.resolve("tides-1.jar");
        zip(jar, "sea/Tide.class", "sea/Tide$Gauge.class");
        Path sources = Files.createDirectories(folder.resolve("code"));
        quay = Files.writeString(sources.resolve("Quay.java"), QUAY);
    }

    private void zip(Path archive, String... names) throws IOException {
        try (OutputStream out = Files.newOutputStream(archive); ZipOutputStream zip = new ZipOutputStream(out)) {
            for (String name : names) {
                zip.putNextEntry(new ZipEntry(name));
                zip.write(Files.readAllBytes(folder.resolve("library").resolve(name)));
                zip.closeEntry();
            }
        }
    }

    /** The line that the declaration is on, and the file's first line. */
    private List<String> page(String part, int behind) {
        OpenRequest request = new OpenRequest(folder.resolve("code"), true, List.of(folder.resolve("code")),
                List.of(jar), Optional.empty(), Optional.empty(), Set.of());
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            int offset = QUAY.indexOf(part) + behind;
            LibraryPage page = chisel.navigator().libraryDeclaration(new Place(quay, new Range(offset, offset)))
                    .orElseThrow();
            return List.of(page.file().lines().text(page.file().lines().line(page.name().start())).strip(),
                    page.file().lines().text(1).strip());
        }
    }

    @Test
    void withAnArchiveOfTheSourceItIsTheSource() throws IOException {
        zip(folder.resolve("tides-1-sources.jar"), "sea/Tide.java");
        assertEquals(List.of("public int at(int hour) { return height; }", "package sea;"), page("at(3)", 0));
        assertEquals("public int at(String place, int hour) { return height; }", page("at(\"north\"", 0).get(0));
        assertEquals("public Tide(int height) { this.height = height; }", page("Tide(5)", 0).get(0));
        assertEquals("public Tide(java.util.List<int[]> gauges, final String... names) { this(names.length); }",
                page("Tide(java", 0).get(0));
        assertEquals("public final int height;", page("height", 0).get(0));
        assertEquals("public class Tide {", page("Tide tide", 0).get(0));
        assertTrue(page("mark", 0).get(0).contains("public T mark;"));
    }

    @Test
    void anArchiveMayLieInAFolderBesideThatOfTheJar() throws IOException {
        Path cache = Files.createDirectories(folder.resolve("cache/aa"));
        Files.copy(jar, cache.resolve("tides-1.jar"));
        jar = cache.resolve("tides-1.jar");
        zip(Files.createDirectories(folder.resolve("cache/bb")).resolve("tides-1-sources.jar"), "sea/Tide.java");
        assertEquals("package sea;", page("at(3)", 0).get(1));
    }

    @Test
    void withoutOneItIsWhatTheClassFileSays() {
        String first = "// What the class file says; there is no archive of the source.";
        List<String> at = page("at(\"north\"", 0);
        assertTrue(at.get(0).startsWith("public int at(") && at.get(0).contains("String"), at.toString());
        assertEquals(first, at.get(1));
        assertTrue(page("Tide tide", 0).get(0).contains("class Tide"));
    }

    @Test
    void theJdkIsALibraryToo() {
        assertTrue(page("strip()", 0).get(0).contains("String strip()"));
        assertTrue(page("String>", 0).get(0).contains("class String"));
    }

    @Test
    void theFileIsWrittenOnceIntoTheStateFolder() throws IOException {
        OpenRequest request = new OpenRequest(folder.resolve("code"), true, List.of(folder.resolve("code")),
                List.of(jar), Optional.empty(), Optional.empty(), Set.of());
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            int offset = QUAY.indexOf("Tide tide");
            LibraryPage page = chisel.navigator().libraryDeclaration(new Place(quay, new Range(offset, offset)))
                    .orElseThrow();
            page.write(folder.resolve("code"));
            page.write(folder.resolve("code"));
            assertEquals(folder.resolve("code/.deft/libraries/sea/Tide.java"), page.file().path());
            assertEquals(page.file().content(), Files.readString(page.file().path(), StandardCharsets.UTF_8));
            assertTrue(Files.exists(folder.resolve("code/.deft/.gitignore")));
        }
    }
}
