package dev.deftchisel.analysis;

import dev.deftchisel.added.Added;
import dev.deftchisel.added.AdditionsReader;
import dev.deftchisel.analysis.declared.ClassFileWriter;
import dev.deftchisel.analysis.declared.DeclaredClass;
import dev.deftchisel.analysis.scope.CompilationScope;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.Elements;
import javax.lang.model.util.Types;

/**
 * The class files of what was read, for as long as no file declares anything else than it did: what one declares may
 * give another one's names another meaning, and its constants other values. Keys typed into bodies leave all of them
 * as they are.
 *
 * <p>They are written when they are needed for the first time, from what the compiler had read for the question
 * before. A file whose declarations name something that is not there is read from its text each time.
 */
public final class DeclaredClasses {

    private final AdditionsReader additions;
    private final Map<CompilationScope, Scoped> scopes = new HashMap<>();
    private Optional<Snapshot> latest = Optional.empty();

    public DeclaredClasses(AdditionsReader additions) {
        this.additions = additions;
    }

    /** What is kept of the files of one scope, and what the latest run in it read. */
    private static final class Scoped {

        private final Map<Path, ClassFileWriter.Written> kept = new HashMap<>();
        private final Map<String, Path> declaring = new HashMap<>();
        private final Set<Path> incomplete = new LinkedHashSet<>();
        private Optional<Run> run = Optional.empty();
    }

    /** A run of the compiler that is over, and the files that it read from their text. */
    private record Run(Elements elements, Types types, Set<SourceFile> read) {
    }

    /**
     * The class files that stand for files of a snapshot.
     *
     * @param wanted files that the compiler is given, which are read from their text in any case
     * @return by path; those that are missing are to be read from their text
     */
    Map<Path, List<DeclaredClass>> of(Snapshot snapshot, CompilationScope scope, Set<Path> wanted) {
        if (latest.isPresent() && !isDeclaringTheSame(latest.get(), snapshot)) {
            scopes.clear();
        }
        latest = Optional.of(snapshot);
        Scoped scoped = scopes.computeIfAbsent(scope, key -> new Scoped());
        if (scoped.declaring.isEmpty()) {
            snapshot.files().stream().filter(file -> scope.sees(file.module())).forEach(file -> file.header().types()
                    .forEach(type -> scoped.declaring.put(file.header().qualifiedName(type), file.path())));
        }
        // while they are written, the compiler may read further ones
        scoped.run.ifPresent(run -> List.copyOf(run.read()).forEach(file -> write(file, run, scoped)));
        scoped.run = Optional.empty();
        return consistent(scoped, wanted);
    }

    /**
     * Without those that name a type which is nested in one that is read from its text: the compiler looks for such a
     * type by the name of its class file.
     */
    private static Map<Path, List<DeclaredClass>> consistent(Scoped scoped, Set<Path> wanted) {
        Map<Path, ClassFileWriter.Written> left = new HashMap<>(scoped.kept);
        left.keySet().removeAll(wanted);
        while (left.values().removeIf(written -> written.outer().stream().map(scoped.declaring::get)
                .anyMatch(file -> file != null && !left.containsKey(file) && !wanted.contains(file)))) {
            continue;
        }
        Map<Path, List<DeclaredClass>> classes = new HashMap<>();
        left.forEach((file, written) -> classes.put(file, written.classes()));
        return classes;
    }

    private boolean isDeclaringTheSame(Snapshot before, Snapshot now) {
        if (before == now) {
            return true;
        }
        for (SourceFile file : now.files()) {
            Optional<SourceFile> known = before.file(file.path());
            if (known.isEmpty() || known.get() != file
                    && !additions.declarations(known.get()).equals(additions.declarations(file))) {
                return false;
            }
        }
        return before.files().size() == now.files().size();
    }

    private void write(SourceFile file, Run run, Scoped scoped) {
        if (scoped.kept.containsKey(file.path()) || scoped.incomplete.contains(file.path())) {
            return;
        }
        List<DeclaredClass> written = new ArrayList<>();
        Set<String> outer = new HashSet<>();
        boolean isComplete = additions.of(file).members().stream().flatMap(type -> type.members().stream())
                .noneMatch(Added::isBuilt);
        for (String type : file.header().types()) {
            TypeElement element = run.elements().getTypeElement(file.header().qualifiedName(type));
            Optional<ClassFileWriter.Written> classes = element == null ? Optional.empty()
                    : ClassFileWriter.write(element, run.elements(), run.types());
            isComplete &= classes.isPresent();
            classes.ifPresent(one -> {
                written.addAll(one.classes());
                outer.addAll(one.outer());
            });
        }
        if (isComplete) {
            scoped.kept.put(file.path(), new ClassFileWriter.Written(written, outer));
        } else {
            scoped.incomplete.add(file.path());
        }
    }

    /**
     * Remembers what a run has read, to be written when somebody asks again.
     *
     * @param scope of which it is
     * @param read  the files whose declarations it read from their text
     */
    void ran(CompilationScope scope, Elements elements, Types types, Set<SourceFile> read) {
        if (!read.isEmpty()) {
            scopes.computeIfAbsent(scope, key -> new Scoped()).run = Optional.of(new Run(elements, types, read));
        }
    }
}
