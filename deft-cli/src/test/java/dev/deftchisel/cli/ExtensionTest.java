package dev.deftchisel.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.examples.DemoWorkspace;
import java.io.File;
import java.io.IOException;
import java.io.OutputStream;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.jar.JarOutputStream;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** An operation and a rule of somebody else, in a jar of their own; docs/extending.md shows them. */
class ExtensionTest {

    private static final Path EXTENSION = Path.of("..", "deft-examples", "extension");

    @TempDir
    private Path folder;
    private Path jar;
    private Path harbour;

    /** The sources are a module, so that they compile only against what the core exports. */
    @BeforeEach
    void build() throws IOException {
        Path classes = folder.resolve("classes");
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        StringWriter said = new StringWriter();
        try (StandardJavaFileManager manager = compiler.getStandardFileManager(null, null, null);
                Stream<Path> sources = Files.walk(EXTENSION.resolve("src"))) {
            boolean compiles = compiler.getTask(said, manager, null,
                    List.of("-proc:none", "-d", classes.toString(), "--module-path", modulePath()), null,
                    manager.getJavaFileObjectsFromPaths(sources.filter(Files::isRegularFile).toList())).call();
            assertTrue(compiles, said::toString);
        }
        jar = folder.resolve("extension.jar");
        try (OutputStream out = Files.newOutputStream(jar); JarOutputStream packed = new JarOutputStream(out)) {
            add(packed, classes, classes);
            add(packed, EXTENSION, EXTENSION.resolve("META-INF"));
        }
        harbour = DemoWorkspace.beside().copyTo(folder.resolve("harbour"));
    }

    /** The core and the modules it requires: not all that is on the class path could be modules together. */
    private static String modulePath() {
        return Stream.of(System.getProperty("java.class.path").split(File.pathSeparator))
                .filter(path -> path.matches(".*[/\\\\](deft-core[/\\\\]target[/\\\\]classes|deft-core-|gson-|ec4j-|"
                        + "org\\.eclipse\\.jgit-|slf4j-api-)"
                        + "[^/\\\\]*"))
                .collect(Collectors.joining(File.pathSeparator));
    }

    private static void add(JarOutputStream packed, Path root, Path part) throws IOException {
        try (Stream<Path> files = Files.walk(part)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                packed.putNextEntry(new ZipEntry(root.relativize(file).toString().replace(File.separatorChar, '/')));
                Files.copy(file, packed);
                packed.closeEntry();
            }
        }
    }

    private String run(int expected, String... arguments) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(DeftProcess.command(harbour, List.of(arguments)));
        int classPath = command.indexOf("-cp") + 1;
        command.set(classPath, command.get(classPath) + File.pathSeparator + jar);
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        process.getOutputStream().close();
        String said = new String(process.getInputStream().readAllBytes());
        assertEquals(expected, process.waitFor(), said);
        return said;
    }

    private Path write() throws IOException {
        Path file = harbour.resolve("src/main/java/harbour/dues/Till.java");
        return Files.writeString(file, """
                package harbour.dues;

                class Till {
                    boolean isPaid(Money due, Money paid, boolean isWaived) {
                        return isWaived || due == paid && paid != null;
                    }
                }
                """);
    }

    @Test
    void anOperationFromAnotherJarIsACommand() throws Exception {
        Path file = write();
        assertTrue(run(0, "--help").contains("Put parentheses around an operation within another."));
        assertTrue(run(0, "offers", file + ":5:40").contains("put parentheses around 'due == paid && paid != null'"));
        run(0, "parenthesize", file + ":5:40", "--apply", "--yes");
        assertTrue(Files.readString(file).contains("return isWaived || (due == paid && paid != null);"), () -> file
                + " is not as it should be");
    }

    @Test
    void aRuleFromAnotherJarReportsAndMends() throws Exception {
        Path file = write();
        String said = run(0, "problems", "--rules", "money-by-reference", "--fail-at", "off");
        assertTrue(said.contains("'==' compares two sums of money by reference"), said);
        run(0, "fix", "--rules", "money-by-reference", "--apply", "--yes");
        assertTrue(Files.readString(file).contains("due.equals(paid)"), () -> file + " is not as it should be");
    }
}
