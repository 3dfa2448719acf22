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

        private final Map<Path, List<DeclaredClass>> kept = new HashMap<>();
        private final Set<Path> incomplete = new LinkedHashSet<>();
        private Optional<Run> run = Optional.empty();
    }

    /** A run of the compiler that is over, and the files that it read from their text. */
    private record Run(Elements elements, Types types, Set<SourceFile> read) {
    }

    /**
     * The class files that stand for files of a snapshot.
     *
     * @return by path; those that are missing are to be read from their text
     */
    Map<Path, List<DeclaredClass>> of(Snapshot snapshot, CompilationScope scope) {
        if (latest.isPresent() && !isDeclaringTheSame(latest.get(), snapshot)) {
            scopes.clear();
        }
        latest = Optional.of(snapshot);
        Scoped scoped = scopes.computeIfAbsent(scope, key -> new Scoped());
        // while they are written, the compiler may read further ones
        scoped.run.ifPresent(run -> List.copyOf(run.read()).forEach(file -> write(file, run, scoped)));
        scoped.run = Optional.empty();
        return scoped.kept;
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
        boolean isComplete = additions.of(file).members().stream().flatMap(type -> type.members().stream())
                .noneMatch(Added::isBuilt);
        for (String type : file.header().types()) {
            TypeElement element = run.elements().getTypeElement(file.header().qualifiedName(type));
            Optional<List<DeclaredClass>> classes = element == null ? Optional.empty()
                    : ClassFileWriter.write(element, run.elements(), run.types());
            isComplete &= classes.isPresent();
            classes.ifPresent(written::addAll);
        }
        if (isComplete) {
            scoped.kept.put(file.path(), List.copyOf(written));
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
