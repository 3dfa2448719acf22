package dev.deftchisel.analysis.compiler;

import com.sun.source.util.JavacTask;
import com.sun.source.util.TaskEvent;
import com.sun.source.util.TaskListener;
import dev.deftchisel.added.AdditionsReader;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.StringWriter;
import java.io.Writer;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Stream;
import javax.tools.FileObject;
import javax.tools.ForwardingJavaFileManager;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileManager;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.StandardJavaFileManager;
import javax.tools.StandardLocation;

/**
 * Runs the annotation processors of a build, in memory: over main code, then over tests, which see what was made of
 * that. What they make are the files of the roots of the kind {@link SourceRoot.Kind#PROCESSED}. Nothing is run in
 * modules without such a root. Processors see declarations, with the members that
 * {@link dev.deftchisel.added.AddedMembers} knows, and no bodies.
 */
public final class AnnotationProcessing {

    /** Enough for a change, what it was before, and to and fro while it is typed, in a build of many modules. */
    private static final int MOST_KNOWN = 400;

    private final JavaCompiler compiler;
    private final AdditionsReader additions;
    /** What was made of some declarations. */
    private final Map<String, Optional<Map<String, String>>> known = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Optional<Map<String, String>>> eldest) {
            return size() > MOST_KNOWN;
        }
    };

    public AnnotationProcessing(JavaCompiler compiler, AdditionsReader additions) {
        this.compiler = compiler;
        this.additions = additions;
    }

    /**
     * The same code with what processors make of it.
     *
     * @throws AnalysisException when a processor breaks down
     */
    public Snapshot remade(Snapshot snapshot) {
        return remade(snapshot, false);
    }

    /**
     * The same for code that is being typed: where it does not parse, no processor runs, and what was made of it before
     * stays.
     *
     * @throws AnalysisException when a processor breaks down
     */
    public Snapshot remadeWhileTyped(Snapshot snapshot) {
        return remade(snapshot, true);
    }

    private Snapshot remade(Snapshot snapshot, boolean isTyped) {
        Snapshot remade = snapshot;
        List<Module> open = new ArrayList<>(snapshot.workspace().modules());
        while (!open.isEmpty()) {
            // those first whose code others see; modules that need each other in any order
            Module next = open.stream().filter(module -> open.stream()
                    .noneMatch(other -> other != module && module.upstream().contains(other.name())))
                    .findFirst().orElse(open.get(0));
            open.remove(next);
            for (SourceRoot.Use use : List.of(SourceRoot.Use.MAIN, SourceRoot.Use.TEST)) {
                Optional<SourceRoot> root = next.roots().stream().filter(one -> one.isProcessed() && one.use() == use)
                        .findFirst();
                if (root.isPresent()) {
                    Optional<Map<String, String>> made = made(next, use, remade);
                    if (made.isPresent() || !isTyped) {
                        remade = remade.with(changes(root.get(), made.orElse(Map.of()), remade), Map.of());
                    }
                }
            }
        }
        return remade;
    }

    private static Map<Path, Optional<String>> changes(SourceRoot root, Map<String, String> made, Snapshot snapshot) {
        Map<Path, Optional<String>> changes = new HashMap<>();
        made.forEach((type, text) -> changes.put(root.folder().resolve(type.replace('.', '/') + ".java"),
                Optional.of(text)));
        snapshot.files().stream().filter(file -> file.root().equals(root) && !changes.containsKey(file.path()))
                .forEach(file -> changes.put(file.path(), Optional.empty()));
        return changes;
    }

    /** What is made of a module, empty where it does not parse. */
    private Optional<Map<String, String>> made(Module module, SourceRoot.Use use, Snapshot snapshot) {
        List<SourceFile> own = snapshot.files().stream()
                .filter(file -> file.module().equals(module) && file.root().use() == use
                && !file.root().isProcessed() && !file.isModuleInfo()).toList();
        List<SourceFile> seen = snapshot.files().stream()
                .filter(file -> module.upstream().contains(file.module().name())
                || use == SourceRoot.Use.TEST && file.module().equals(module) && file.root()
                .use() == SourceRoot.Use.MAIN && !file.isModuleInfo()).toList();
        return known.computeIfAbsent(hash(module, own, seen), hash -> run(module, own, seen));
    }

    private String hash(Module module, List<SourceFile> own, List<SourceFile> seen) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            digest.update(module.name().getBytes(StandardCharsets.UTF_8));
            Stream.concat(own.stream(), seen.stream()).forEach(file -> {
                digest.update(file.path().toString().getBytes(StandardCharsets.UTF_8));
                digest.update(additions.declarations(file).getBytes(StandardCharsets.UTF_8));
            });
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException impossible) {
            throw new AssertionError("every Java has SHA-256", impossible);
        }
    }

    /** The processors of a module that no service stands for, with what they need. */
    private List<Path> processors(Module module) {
        return Stream.concat(module.dependencies().processors().stream(), module.dependencies().libraries().stream())
                .filter(library -> !additions.standsFor(library)).map(Library::file).filter(Files::exists).distinct()
                .toList();
    }

    private Optional<Map<String, String>> run(Module module, List<SourceFile> own, List<SourceFile> seen) {
        List<String> options = new ArrayList<>(List.of("-proc:only", "-nowarn", "-Xlint:none", "-implicit:none"));
        options.addAll(module.java().compilerOptions());
        options.addAll(module.java().processorOptions());
        try (StandardJavaFileManager platform = compiler.getStandardFileManager(null, Locale.ROOT,
                StandardCharsets.UTF_8)) {
            platform.setLocationFromPaths(StandardLocation.CLASS_PATH, module.classPath().stream().filter(Files::exists)
                    .toList());
            platform.setLocationFromPaths(StandardLocation.ANNOTATION_PROCESSOR_PATH, processors(module));
            SnapshotFileManager sources = new SnapshotFileManager(platform, additions,
                    Stream.concat(own.stream(), seen.stream()));
            Made made = new Made(sources);
            List<JavaFileObject> units = own.stream()
                    .map(file -> (JavaFileObject) new SnapshotFileObject(file, file.header().packageName(),
                    file.path().getFileName().toString().replaceFirst("\\.java$", ""),
                    () -> additions.declarations(file))).toList();
            if (units.isEmpty()) {
                return Optional.of(Map.of());
            }
            JavacTask task = (JavacTask) compiler.getTask(null, made, found -> { }, options, null, units);
            AtomicBoolean isReached = new AtomicBoolean();
            task.addTaskListener(new TaskListener() {
                @Override
                public void started(TaskEvent event) {
                    isReached.compareAndSet(false, event.getKind() == TaskEvent.Kind.ANNOTATION_PROCESSING_ROUND);
                }
            });
            task.call();
            return isReached.get() ? Optional.of(made.texts()) : Optional.empty();
        } catch (IOException failed) {
            throw new AnalysisException("the libraries of " + module.name() + " cannot be read: " + failed.getMessage(),
                    failed);
        } catch (RuntimeException | LinkageError failed) {
            Throwable cause = failed.getCause() == null ? failed : failed.getCause();
            throw new AnalysisException("an annotation processor of " + module.name() + " breaks down: " + cause,
                    failed);
        }
    }

    /** Keeps what is written instead of writing it. */
    private static final class Made extends ForwardingJavaFileManager<JavaFileManager> {

        private final Map<String, StringBuilder> files = new TreeMap<>();

        Made(JavaFileManager manager) {
            super(manager);
        }

        Map<String, String> texts() {
            Map<String, String> texts = new TreeMap<>();
            files.forEach((name, text) -> texts.put(name, text.toString()));
            return texts;
        }

        @Override
        public JavaFileObject getJavaFileForOutput(Location location, String name, JavaFileObject.Kind kind,
                FileObject sibling) {
            StringBuilder text = new StringBuilder();
            if (kind == JavaFileObject.Kind.SOURCE) {
                files.put(name, text);
            }
            return new InMemory(URI.create("made:///" + name.replace('.', '/') + kind.extension), kind, text);
        }

        @Override
        public FileObject getFileForOutput(Location location, String home, String name, FileObject sibling) {
            // a resource, which no code depends on
            return new InMemory(URI.create("made:///resource"), JavaFileObject.Kind.OTHER, new StringBuilder());
        }

        @Override
        public FileObject getFileForInput(Location location, String home, String name) throws IOException {
            throw new IOException("there is no resource " + name);
        }

        @Override
        public boolean hasLocation(Location location) {
            return location == StandardLocation.SOURCE_OUTPUT || location == StandardLocation.CLASS_OUTPUT
                    || super.hasLocation(location);
        }

        @Override
        public boolean isSameFile(FileObject one, FileObject other) {
            return one.toUri().equals(other.toUri());
        }

        @Override
        public String inferBinaryName(Location location, JavaFileObject file) {
            return file instanceof InMemory ? file.getName().substring(1).replaceFirst("\\.java$", "").replace('/', '.')
                    : super.inferBinaryName(location, file);
        }
    }

    /** A file that a processor makes. */
    private static final class InMemory extends SimpleJavaFileObject {

        private final StringBuilder text;

        InMemory(URI place, Kind kind, StringBuilder text) {
            super(place, kind);
            this.text = text;
        }

        @Override
        public CharSequence getCharContent(boolean ignoreEncodingErrors) {
            return text;
        }

        @Override
        public OutputStream openOutputStream() {
            return new ByteArrayOutputStream() {
                @Override
                public void close() {
                    text.setLength(0);
                    text.append(toString(StandardCharsets.UTF_8));
                }
            };
        }

        @Override
        public InputStream openInputStream() {
            return new ByteArrayInputStream(text.toString().getBytes(StandardCharsets.UTF_8));
        }

        @Override
        public Writer openWriter() {
            return new StringWriter() {
                @Override
                public void close() {
                    text.setLength(0);
                    text.append(getBuffer());
                }
            };
        }
    }
}
