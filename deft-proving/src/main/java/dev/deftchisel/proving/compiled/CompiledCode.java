package dev.deftchisel.proving.compiled;

import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import javax.tools.Diagnostic;
import javax.tools.DiagnosticCollector;
import javax.tools.FileObject;
import javax.tools.ForwardingJavaFileManager;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileManager;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.StandardJavaFileManager;
import javax.tools.StandardLocation;
import javax.tools.ToolProvider;

/**
 * The class files that the compiler makes of a whole workspace, without debug information.
 *
 * @param classes  the bytes by binary name
 * @param errors   what the compiler reports, one line each
 * @param broken   the files with errors
 * @param warnings the codes of the warnings, each once
 */
public record CompiledCode(Map<String, byte[]> classes, List<String> errors, Set<Path> broken, Set<String> warnings) {

    private static final List<String> OPTIONS = List.of(
            "-g:none", "-proc:none", "-Xlint:all", "-Xmaxwarns", "1000000", "-implicit:none", "-Xmaxerrs", "1000000");

    /** Compiles every source of the snapshot in one go. */
    public static CompiledCode of(Snapshot snapshot) {
        return of(snapshot, OPTIONS);
    }

    /** The same with the annotation processors that are on the class path. */
    public static CompiledCode processed(Snapshot snapshot) {
        List<String> options = new ArrayList<>(OPTIONS);
        // since JDK 23 they run only when somebody says so
        options.replaceAll(option -> option.equals("-proc:none") ? Runtime.version().feature() < 21
                ? "-Xlint:-processing" : "-proc:full" : option);
        return of(snapshot, options);
    }

    private static CompiledCode of(Snapshot snapshot, List<String> options) {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        DiagnosticCollector<JavaFileObject> found = new DiagnosticCollector<>();
        try (StandardJavaFileManager files = compiler.getStandardFileManager(found, Locale.ROOT, null)) {
            files.setLocationFromPaths(StandardLocation.CLASS_PATH, snapshot.workspace().modules().stream()
                    .map(Module::classPath)
                    .flatMap(List::stream)
                    .distinct()
                    .toList());
            Memory memory = new Memory(files);
            List<JavaFileObject> sources = new ArrayList<>();
            for (SourceFile file : snapshot.files()) {
                // what processors make is made by them again
                if (!file.isModuleInfo() && !file.root().isProcessed()) {
                    sources.add(new Source(file));
                }
            }
            compiler.getTask(null, memory, found, options, null, sources).call();
            return new CompiledCode(memory.classes(), found.getDiagnostics().stream()
                    .filter(one -> one.getKind() == Diagnostic.Kind.ERROR)
                    .map(CompiledCode::line)
                    .toList(), found.getDiagnostics().stream()
                    .filter(one -> one.getKind() == Diagnostic.Kind.ERROR && one.getSource() != null
                            && "file".equals(one.getSource().toUri().getScheme()))
                    .map(one -> Path.of(one.getSource().toUri()))
                    .collect(Collectors.toCollection(TreeSet::new)), found.getDiagnostics().stream()
                    .filter(one -> one.getKind() != Diagnostic.Kind.ERROR && one.getKind() != Diagnostic.Kind.NOTE)
                    .map(Diagnostic::getCode)
                    .collect(Collectors.toCollection(TreeSet::new)));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static String line(Diagnostic<? extends JavaFileObject> one) {
        return (one.getSource() == null ? "" : one.getSource().getName()) + ":" + one.getLineNumber()
                + ": " + one.getMessage(Locale.ROOT).lines().collect(Collectors.joining(" "));
    }

    /** Writes the class files where a Java program can be started from. */
    public void writeTo(Path folder) throws IOException {
        for (Map.Entry<String, byte[]> entry : classes.entrySet()) {
            Path file = folder.resolve(entry.getKey().replace('.', '/') + ".class");
            Files.createDirectories(file.getParent());
            Files.write(file, entry.getValue());
        }
    }

    private static final class Source extends SimpleJavaFileObject {

        private final SourceFile file;

        Source(SourceFile file) {
            super(file.path().toUri(), Kind.SOURCE);
            this.file = file;
        }

        @Override
        public CharSequence getCharContent(boolean ignoreEncodingErrors) {
            return file.content();
        }
    }

    private static final class Memory extends ForwardingJavaFileManager<JavaFileManager> {

        private final Map<String, ByteArrayOutputStream> written = new TreeMap<>();
        private final Map<String, ByteArrayOutputStream> sources = new TreeMap<>();

        Memory(JavaFileManager files) {
            super(files);
        }

        @Override
        public JavaFileObject getJavaFileForOutput(
                Location location, String className, JavaFileObject.Kind kind, FileObject sibling) {
            return new SimpleJavaFileObject(URI.create("memory:///" + className.replace('.', '/') + kind.extension),
                    kind) {
                @Override
                public OutputStream openOutputStream() {
                    ByteArrayOutputStream out = new ByteArrayOutputStream();
                    (kind == JavaFileObject.Kind.CLASS ? written : sources).put(className, out);
                    return out;
                }

                @Override
                public CharSequence getCharContent(boolean ignoreEncodingErrors) {
                    return sources.get(className).toString(StandardCharsets.UTF_8);
                }
            };
        }

        @Override
        public FileObject getFileForOutput(Location location, String home, String name, FileObject sibling) {
            // a resource of a processor, which the program does not need
            return new SimpleJavaFileObject(URI.create("memory:///" + name), JavaFileObject.Kind.OTHER) {
                @Override
                public OutputStream openOutputStream() {
                    return OutputStream.nullOutputStream();
                }
            };
        }

        Map<String, byte[]> classes() {
            Map<String, byte[]> classes = new TreeMap<>();
            written.forEach((name, out) -> classes.put(name, out.toByteArray()));
            return classes;
        }
    }
}
