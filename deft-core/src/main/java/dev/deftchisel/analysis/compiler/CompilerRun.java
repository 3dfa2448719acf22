package dev.deftchisel.analysis.compiler;

import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.util.DocTrees;
import com.sun.source.util.JavacTask;
import com.sun.source.util.SourcePositions;
import com.sun.source.util.TaskEvent;
import com.sun.source.util.TaskListener;
import dev.deftchisel.added.Additions;
import dev.deftchisel.added.AdditionsReader;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.Function;
import javax.tools.Diagnostic;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileManager;
import javax.tools.JavaFileObject;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * One run of the JDK's compiler over some files of a snapshot, up to attribution or flow analysis.
 *
 * <p>The compiler can fail on code it does not expect. The file it was at is then tried again without its bodies, and
 * at last left out; each such step is told as a gap.
 */
public final class CompilerRun {

    private static final Logger LOG = LoggerFactory.getLogger(CompilerRun.class);
    private static final int MOST_ATTEMPTS = 12;

    private final JavaCompiler compiler;
    private final AdditionsReader additions;
    private final JavaFileManager manager;
    private final List<String> options;
    private final JavaLevel java;
    private final boolean isDeep;
    private final Monitor monitor;
    private final List<String> gaps = new ArrayList<>();

    /**
     * What a run reads.
     *
     * @param additions what types have beyond their text
     * @param manager   shows sources and class files
     * @param isNaming  whether parameters of class files keep the names that those tell, which takes a little longer
     */
    public record Input(
            JavaCompiler compiler, AdditionsReader additions, JavaFileManager manager, boolean isNaming) {
    }

    /**
     * A run that has not begun.
     *
     * @param java  the level of the code, with the options of its build
     * @param focus how deep the code is looked at
     */
    public CompilerRun(Input input, JavaLevel java, Focus focus, Monitor monitor) {
        this.compiler = input.compiler();
        this.additions = input.additions();
        this.manager = input.manager();
        this.monitor = monitor;
        this.java = java;
        this.isDeep = focus.isDeep();
        String depth = isDeep ? "FLOW" : "ATTR";
        this.options = new ArrayList<>(List.of("-proc:none", "-nowarn", "-Xlint:none", "-Xmaxerrs", "100000",
                "-XDshould-stop.ifError=" + depth, "-XDshould-stop.ifNoError=" + depth));
        if (input.isNaming()) {
            options.add("-parameters");
        }
        // the API of an older level is read anew in each run, which doubles the time of a short one: whoever only
        // follows names, twice and in the same way, does without; whoever is told of errors does not
        options.addAll(isDeep && !focus.isPartial() ? java.compilerOptions() : java.quickOptions());
    }

    /** The outcome: trees with their attributes, by path, and the errors in them. */
    public record Attributed(
            JavacTask task,
            DocTrees trees,
            SourcePositions positions,
            Map<Path, CompilationUnitTree> units,
            List<CompilerError> errors,
            List<String> gaps) {

        /** What the compiler saw of a file beyond its text. */
        public Additions additions(CompilationUnitTree unit) {
            return positions instanceof ShiftedPositions shifted ? shifted.additions(unit) : Additions.NONE;
        }
    }

    /**
     * Attributes the files.
     *
     * @param visible what the compiler is to see of a file
     * @throws AnalysisException when the compiler fails again and again
     */
    public Attributed attribute(List<SourceFile> files, Function<SourceFile, String> visible) {
        Set<Path> blanked = new HashSet<>();
        Set<Path> dropped = new HashSet<>();
        RuntimeException last = null;
        for (int attempt = 0; attempt < MOST_ATTEMPTS; attempt++) {
            Progress progress = new Progress(files, isDeep, monitor);
            try {
                return attempt(files, visible, blanked, dropped, progress);
            } catch (RuntimeException | StackOverflowError | AssertionError failed) {
                if (failed.getCause() instanceof CancellationException cancelled) {
                    throw cancelled;
                }
                LOG.debug("the compiler failed", failed);
                last = failed instanceof RuntimeException unchecked ? unchecked : new IllegalStateException(failed);
                Optional<Path> culprit = progress.culprit();
                if (culprit.isEmpty() || dropped.contains(culprit.get())) {
                    break;
                }
                if (blanked.add(culprit.get())) {
                    gaps.add(culprit.get() + ": the compiler failed on this file; its bodies are not analysed");
                } else {
                    dropped.add(culprit.get());
                    gaps.add(culprit.get() + ": the compiler failed on this file again; it is left out");
                }
            }
        }
        throw new AnalysisException("the compiler failed on this code, last with " + last, last);
    }

    private Attributed attempt(
            List<SourceFile> files,
            Function<SourceFile, String> visible,
            Set<Path> blanked,
            Set<Path> dropped,
            Progress progress) {
        Map<Path, SourceFile> wanted = new LinkedHashMap<>();
        List<JavaFileObject> objects = new ArrayList<>();
        for (SourceFile file : files) {
            if (!dropped.contains(file.path()) && !file.isModuleInfo()) {
                wanted.put(file.path(), file);
                String text = blanked.contains(file.path())
                        ? file.outline().blank(file.content(), body -> false, kept -> true)
                        : visible.apply(file);
                objects.add(new SnapshotFileObject(file, file.header().packageName(), simpleName(file),
                        () -> additions.of(file).into(text)));
            }
        }
        List<CompilerError> problems = new ArrayList<>();
        JavacTask task = (JavacTask) compiler.getTask(
                null, manager, found -> collect(found, wanted, problems), options, null, objects);
        task.addTaskListener(progress);
        Map<Path, CompilationUnitTree> units = new HashMap<>();
        try {
            for (CompilationUnitTree unit : task.parse()) {
                units.put(path(unit.getSourceFile()), unit);
            }
            analyse(task, progress);
            progress.end();
        } catch (IOException impossible) {
            throw new AssertionError("all sources are in memory", impossible);
        }
        problems.removeIf(problem -> !wanted.containsKey(problem.file()));
        // what the parser says of bodies that broke the compiler later is still true
        blanked.stream().filter(wanted::containsKey)
                .forEach(path -> problems.addAll(new SyntaxCheck(path, java).errors(wanted.get(path).content())));
        DocTrees trees = DocTrees.instance(task);
        Map<CompilationUnitTree, Additions> added = new HashMap<>();
        units.forEach((path, unit) -> {
            if (wanted.containsKey(path) && !additions.of(wanted.get(path)).isEmpty()) {
                added.put(unit, additions.of(wanted.get(path)));
            }
        });
        SourcePositions positions = added.isEmpty() ? trees.getSourcePositions()
                : new ShiftedPositions(trees.getSourcePositions(), added);
        return new Attributed(task, trees, positions, units, List.copyOf(problems), List.copyOf(gaps));
    }

    private static void analyse(JavacTask task, Progress progress) throws IOException {
        try {
            task.analyze();
        } catch (RuntimeException thrown) {
            if (!progress.isDone()) {
                throw thrown;
            }
        }
    }

    private static String simpleName(SourceFile file) {
        String name = file.path().getFileName().toString();
        return name.endsWith(".java") ? name.substring(0, name.length() - ".java".length()) : name;
    }

    /** The compiler wraps the objects it was given, so they are told by their address. */
    private static Path path(JavaFileObject object) {
        return Path.of(object.toUri());
    }

    private void collect(Diagnostic<? extends JavaFileObject> found, Map<Path, SourceFile> wanted,
            List<CompilerError> problems) {
        if (found.getKind() != Diagnostic.Kind.ERROR || found.getSource() == null) {
            return;
        }
        Path path = path(found.getSource());
        Additions added = wanted.containsKey(path) ? additions.of(wanted.get(path)) : Additions.NONE;
        CompilerError error = CompilerError.of(path, found, added);
        boolean isAllowed = error.code().contains(".unreported.exception")
                && added.throwing().stream().anyMatch(range -> range.encloses(error.range()));
        if (!isAllowed) {
            problems.add(error);
        }
    }

    /**
     * Remembers which file the compiler is at, to know the culprit when it fails, and ends the run when the types that
     * matter are done.
     *
     * <p>The compiler attributes every source that it read to resolve a name, in an order of its own. Nobody asked for
     * those, so {@link Enough} is thrown, which is the only way the public API leaves to stop there: when all types of
     * the wanted files are attributed and another one begins, or in a deep run, where flow analysis comes after the
     * attribution of all, when they are finished. Should a type never be reported, the run merely goes to its end.
     */
    private static final class Progress implements TaskListener {

        private final Set<String> open = new HashSet<>();
        private final Set<String> ahead = new HashSet<>();
        private final boolean isDeep;
        private final Monitor monitor;
        private final int total;
        private JavaFileObject at;
        private boolean isDone;
        /**
         * Later on the compiler still reads classes when somebody asks for them, who does not expect to be stopped
         * there.
         */
        private boolean isOver;

        /** @param wanted the files that matter */
        Progress(List<SourceFile> wanted, boolean isDeep, Monitor monitor) {
            for (SourceFile file : wanted) {
                file.header().types().forEach(type -> open.add(file.header().qualifiedName(type)));
            }
            this.ahead.addAll(open);
            this.isDeep = isDeep;
            this.monitor = monitor;
            this.total = open.size();
        }

        @Override
        public void started(TaskEvent event) {
            if (event.getSourceFile() != null) {
                at = event.getSourceFile();
            }
            if (!isOver) {
                monitor.check();
            }
            if (event.getKind() == TaskEvent.Kind.ANALYZE && event.getTypeElement() != null && !isOver) {
                boolean isWanted = ahead.remove(event.getTypeElement().getQualifiedName().toString());
                if (isWanted) {
                    monitor.at("analysing", total - ahead.size(), total);
                } else if (!isDeep && total > 0 && ahead.isEmpty()) {
                    isDone = true;
                    throw new Enough();
                }
            }
        }

        @Override
        public void finished(TaskEvent event) {
            if (event.getKind() == TaskEvent.Kind.ANALYZE && event.getTypeElement() != null
                    && open.remove(event.getTypeElement().getQualifiedName().toString()) && open.isEmpty()) {
                isDone = true;
                throw new Enough();
            }
        }

        boolean isDone() {
            return isDone;
        }

        void end() {
            isOver = true;
        }

        Optional<Path> culprit() {
            return Optional.ofNullable(at).map(CompilerRun::path);
        }
    }

    /** Ends a run early; carries nothing. */
    private static final class Enough extends RuntimeException {

        private static final long serialVersionUID = 1L;

        Enough() {
            super("all files that matter are analysed", null, false, false);
        }
    }
}
