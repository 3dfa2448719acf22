package dev.deftchisel.move.type;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.move.moved.FileGoal;
import dev.deftchisel.move.moved.Moves;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Imports;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.ImportOutline;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** The files that go as a whole: their package, and the imports that they no longer need. */
final class WholeFiles {

    private final Analysis before;
    private final Moves moves;
    private final EditsByFile edits;

    WholeFiles(Analysis before, Moves moves, EditsByFile edits) {
        this.before = before;
        this.moves = moves;
        this.edits = edits;
    }

    /** Adds the edits, after all others. */
    void write() {
        moves.files().forEach((path, goal) -> {
            SourceFile file = before.snapshot().source(path);
            packageClause(file, goal.packageName()).ifPresent(edits.of(path)::add);
            without(file, file.outline().imports().stream().filter(line -> isNeedless(line, goal)).toList());
        });
        Set<String> emptied = emptied();
        before.files().forEach(file -> without(file, file.outline().imports().stream()
                .filter(line -> !line.isStatic() && line.isOnDemand() && emptied.contains(line.name())).toList()));
    }

    private void without(SourceFile file, List<ImportOutline> lines) {
        List<Edit> own = edits.of(file.path());
        List<ImportOutline> free = lines.stream().filter(line -> own.stream()
                .noneMatch(edit -> edit.range().overlaps(line.range()))).toList();
        own.addAll(Imports.without(file, free, List.copyOf(own)));
    }

    /** What is of the package is found without an import. */
    private static boolean isNeedless(ImportOutline line, FileGoal goal) {
        return !line.isStatic() && !line.isOnDemand() && line.name().equals(goal.packageName() + "."
                + line.simpleName());
    }

    /** The packages in which no type is left (JLS 7.5.2). */
    private Set<String> emptied() {
        Set<String> left = before.snapshot().files().stream()
                .filter(file -> !file.isModuleInfo() && !file.isPackageInfo() && !moves.isWhole(file.path()))
                .map(file -> file.header().packageName()).collect(Collectors.toSet());
        moves.files().values().forEach(goal -> left.add(goal.packageName()));
        return moves.files().keySet().stream().map(path -> before.snapshot().source(path).header().packageName())
                .filter(name -> !left.contains(name)).collect(Collectors.toSet());
    }

    private static Optional<Edit> packageClause(SourceFile file, String name) {
        Range clause = file.outline().packageRange();
        if (name.equals(file.header().packageName())) {
            return Optional.empty();
        } else if (clause.length() == 0) {
            String end = Layout.of(file).lineEnd();
            return Optional.of(Edit.of(new Range(0, 0), "package " + name + ";" + end + end, Edit.Kind.CODE));
        }
        return Optional.of(Edit.of(clause, name, Edit.Kind.DECLARATION));
    }

    /** The change, in which the files go where they are to be. */
    Change moved(Change change) {
        List<FileChange> files = new ArrayList<>(change.files().stream().map(this::moved).toList());
        moves.files().forEach((path, goal) -> {
            if (change.file(path).isEmpty() && !goal.path().equals(path)) {
                files.add(new FileChange(path, Optional.of(goal.path()), before.snapshot().source(path).text(),
                        List.of()));
            }
        });
        return new Change(change.title(), files, change.meaning(), change.notes());
    }

    private FileChange moved(FileChange file) {
        Optional<Path> to = Optional.ofNullable(moves.files().get(file.path())).map(FileGoal::path)
                .filter(path -> !path.equals(file.path()));
        return to.isEmpty() ? file : new FileChange(file.path(), to, file.before(), file.edits());
    }
}
