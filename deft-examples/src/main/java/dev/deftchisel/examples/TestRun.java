package dev.deftchisel.examples;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.net.MalformedURLException;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.tools.Diagnostic;
import javax.tools.DiagnosticCollector;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileObject;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;

/**
 * Compiles all sources of a folder and calls the tests of one class, to see whether they pass.
 *
 * @param passed names of tests
 * @param failed what the compiler says, or the name of a test with what it threw
 */
public record TestRun(List<String> passed, List<String> failed) {

    /** Copies the lists. */
    public TestRun {
        passed = List.copyOf(passed);
        failed = List.copyOf(failed);
    }

    /**
     * Runs a test class.
     *
     * @param folder    that holds sources
     * @param classPath with JUnit
     * @param classes   where class files go
     * @param test      binary name of the class
     */
    public static TestRun of(Path folder, List<Path> classPath, Path classes, String test) {
        List<String> errors = compile(folder, classPath, classes);
        return errors.isEmpty() ? run(classPath, classes, test) : new TestRun(List.of(), errors);
    }

    private static List<String> compile(Path folder, List<Path> classPath, Path classes) {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        DiagnosticCollector<JavaFileObject> said = new DiagnosticCollector<>();
        try (StandardJavaFileManager files = compiler.getStandardFileManager(said, null, null); Stream<Path> all =
                Files.walk(folder)) {
            Files.createDirectories(classes);
            List<Path> sources = all.filter(path -> path.toString().endsWith(".java")).toList();
            String jars = classPath.stream().map(Path::toString).collect(Collectors.joining(File.pathSeparator));
            compiler.getTask(null, files, said, List.of("-d", classes.toString(), "-cp", jars, "-proc:none"), null,
                    files.getJavaFileObjectsFromPaths(sources)).call();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return said.getDiagnostics().stream().filter(one -> one.getKind() == Diagnostic.Kind.ERROR)
                .map(Object::toString).toList();
    }

    private static TestRun run(List<Path> classPath, Path classes, String test) {
        List<String> passed = new ArrayList<>();
        List<String> failed = new ArrayList<>();
        URL[] urls = Stream.concat(Stream.of(classes), classPath.stream()).map(TestRun::url).toArray(URL[]::new);
        try (URLClassLoader loader = new URLClassLoader(urls, ClassLoader.getPlatformClassLoader())) {
            Class<?> type = loader.loadClass(test);
            Constructor<?> constructor = type.getDeclaredConstructor();
            constructor.setAccessible(true);
            for (Method method : type.getDeclaredMethods()) {
                boolean isTest = Stream.of(method.getAnnotations())
                        .anyMatch(one -> one.annotationType().getSimpleName().equals("Test"));
                if (isTest) {
                    method.setAccessible(true);
                    try {
                        method.invoke(constructor.newInstance());
                        passed.add(method.getName());
                    } catch (InvocationTargetException thrown) {
                        failed.add(method.getName() + ": " + thrown.getCause());
                    }
                }
            }
        } catch (ReflectiveOperationException | IOException impossible) {
            failed.add(impossible.toString());
        }
        return new TestRun(passed, failed);
    }

    private static URL url(Path path) {
        try {
            return path.toUri().toURL();
        } catch (MalformedURLException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }
}
