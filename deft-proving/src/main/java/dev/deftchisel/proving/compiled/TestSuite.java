package dev.deftchisel.proving.compiled;

import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Runs the tests of a workspace in a process of their own, with the console of the JUnit platform. */
public final class TestSuite {

    /** What older libraries reach into by reflection. */
    private static final List<String> OPENED = List.of("java.lang", "java.lang.reflect", "java.lang.invoke",
            "java.util",
            "java.util.concurrent", "java.time", "java.time.chrono", "java.text", "java.io", "java.net", "java.math");
    private static final Pattern COUNT = Pattern.compile("\\[\\s*(\\d+) tests (found|successful|failed)");
    private static final Pattern FAILURE = Pattern.compile("(?m)^\\s*(?:JUnit Jupiter|JUnit Vintage):(.*)$");

    private final Path console;

    /** @param console the archive of the console with all it needs */
    public TestSuite(Path console) {
        this.console = console;
    }

    /**
     * What a run gave.
     *
     * @param found  how many tests there are
     * @param passed how many of them passed
     * @param failed those that did not, as the console calls them
     */
    public record Result(int found, int passed, Set<String> failed) {
    }

    /**
     * Runs all tests.
     *
     * @param workspace whose folder is the working folder
     * @param code      its classes
     * @throws IOException when the run gave no result
     */
    public Result run(Workspace workspace, CompiledCode code) throws IOException, InterruptedException {
        Path classes = Files.createTempDirectory("prove-classes");
        code.writeTo(classes);
        Path printed = Files.createTempFile("prove-suite", ".txt");
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx2g",
                "-Djava.awt.headless=true"));
        OPENED.forEach(name -> command.addAll(List.of("--add-opens", "java.base/" + name + "=ALL-UNNAMED")));
        command.addAll(List.of("-cp", classPath(workspace, classes), "org.junit.platform.console.ConsoleLauncher",
                "execute",
                "--disable-banner", "--disable-ansi-colors", "--details=none", "--include-classname=.*",
                // measures of speed are no tests, and leave the process
                "--exclude-classname=.*PerformanceTest",
                "--scan-class-path=" + classes));
        new ProcessBuilder(command).directory(workspace.root().toFile())
                .redirectErrorStream(true).redirectOutput(printed.toFile()).start().waitFor();
        return result(Files.readString(printed, StandardCharsets.UTF_8), printed);
    }

    private String classPath(Workspace workspace, Path classes) {
        Stream<Path> resources = workspace.modules().stream()
                .flatMap(module -> module.roots().stream())
                .filter(root -> root.kind() == SourceRoot.Kind.RESOURCE)
                .map(SourceRoot::folder);
        Stream<Path> libraries = workspace.modules().stream().map(Module::classPath).flatMap(List::stream);
        return Stream.of(Stream.of(console, classes), resources, libraries)
                .flatMap(paths -> paths)
                .distinct()
                .map(Path::toString)
                .collect(Collectors.joining(File.pathSeparator));
    }

    static Result result(String printed, Path file) throws IOException {
        int found = -1;
        int passed = -1;
        Matcher counts = COUNT.matcher(printed);
        while (counts.find()) {
            int count = Integer.parseInt(counts.group(1));
            found = counts.group(2).equals("found") ? count : found;
            passed = counts.group(2).equals("successful") ? count : passed;
        }
        if (found <= 0) {
            throw new IOException("the test suite did not run, see " + file);
        }
        Set<String> failed = new TreeSet<>();
        Matcher failures = FAILURE.matcher(printed);
        while (failures.find()) {
            failed.add(failures.group(1).strip());
        }
        return new Result(found, passed, failed);
    }
}
