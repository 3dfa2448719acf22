package dev.deftchisel.proving.compiled;

import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import java.io.File;
import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;

/** Runs the tests of a workspace in a process of their own, with the console of the JUnit platform. */
public final class TestSuite {

    /** What older libraries reach into by reflection. */
    private static final List<String> OPENED = List.of("java.lang", "java.lang.reflect", "java.lang.invoke",
            "java.util",
            "java.util.concurrent", "java.time", "java.time.chrono", "java.text", "java.io", "java.net", "java.math");

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
     * @param failed those that did not, each as its class and its name
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
        // some tests close the stream that the console would print its counts to
        Path reports = Files.createTempDirectory("prove-reports");
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx2g",
                "-Djava.awt.headless=true"));
        OPENED.forEach(name -> command.addAll(List.of("--add-opens", "java.base/" + name + "=ALL-UNNAMED")));
        command.addAll(List.of("-cp", classPath(workspace, classes), "org.junit.platform.console.ConsoleLauncher",
                "execute",
                "--disable-banner", "--disable-ansi-colors", "--details=none", "--include-classname=.*",
                // measures of speed are no tests, and leave the process
                "--exclude-classname=.*PerformanceTest",
                "--reports-dir=" + reports,
                "--scan-class-path=" + classes));
        new ProcessBuilder(command).directory(workspace.root().toFile())
                .redirectErrorStream(true).redirectOutput(printed.toFile()).start().waitFor();
        return result(reports, printed);
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

    /**
     * What the reports of a run say.
     *
     * @param reports folder of the reports, one for each engine
     * @param printed what the run printed, for whoever wants to know why there is none
     */
    static Result result(Path reports, Path printed) throws IOException {
        int found = 0;
        int passed = 0;
        Set<String> failed = new TreeSet<>();
        try (DirectoryStream<Path> files = Files.newDirectoryStream(reports, "TEST-*.xml")) {
            for (Path file : files) {
                for (Element test : tests(file)) {
                    boolean isFailed = has(test, "failure") || has(test, "error");
                    found++;
                    passed += isFailed || has(test, "skipped") ? 0 : 1;
                    if (isFailed) {
                        failed.add(test.getAttribute("classname") + ":" + test.getAttribute("name"));
                    }
                }
            }
        } catch (SAXException | ParserConfigurationException unreadable) {
            throw new IOException("the report of the test suite cannot be read, see " + reports, unreadable);
        }
        if (found == 0) {
            throw new IOException("the test suite did not run, see " + printed);
        }
        return new Result(found, passed, failed);
    }

    private static List<Element> tests(Path report) throws IOException, SAXException, ParserConfigurationException {
        NodeList cases = DocumentBuilderFactory.newDefaultInstance().newDocumentBuilder().parse(report.toFile())
                .getElementsByTagName("testcase");
        return IntStream.range(0, cases.getLength()).mapToObj(i -> (Element) cases.item(i)).toList();
    }

    private static boolean has(Element test, String outcome) {
        return test.getElementsByTagName(outcome).getLength() > 0;
    }
}
