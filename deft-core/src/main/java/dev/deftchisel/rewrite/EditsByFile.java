package dev.deftchisel.rewrite;

import com.sun.source.tree.Tree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Collects what is written in several files, with the imports that this needs and leaves behind. */
public final class EditsByFile {

    private final Analysis before;
    private final Map<Path, List<Edit>> edits = new LinkedHashMap<>();
    private final Map<Path, TypeWriter> writers = new HashMap<>();

    /** @param before the analysis the change is planned with */
    public EditsByFile(Analysis before) {
        this.before = before;
    }

    /** The writer of types in a file, which collects what must be imported there. */
    public TypeWriter writer(AttributedFile code) {
        return writers.computeIfAbsent(code.file().path(), path -> new TypeWriter(code));
    }

    /** The edits of a file so far, to which others can be added. */
    public List<Edit> of(Path file) {
        return edits.computeIfAbsent(file, path -> new ArrayList<>());
    }

    /** The edits of all files so far. */
    public List<Edit> all() {
        return edits.values().stream().flatMap(List::stream).toList();
    }

    /** Takes away a member with its documentation and comments. */
    public void remove(AttributedFile code, Tree member) {
        of(code.file().path()).add(Edit.of(Layout.removed(code.file(),
                Layout.withComments(code.file(), code.range(member))), "", Edit.Kind.CODE));
    }

    /**
     * The change that all this is.
     *
     * @param title   what it does
     * @param meaning what it does to symbols
     * @param notes   what the user should know
     */
    public Change change(String title, SymbolEffects meaning, List<String> notes) {
        writers.forEach((path, writer) -> of(path).addAll(writer.imports()));
        edits.forEach((path, own) -> own.addAll(Imports.unneeded(before.snapshot().source(path), own).stream()
                // an import in which a name becomes another is needed for that
                .filter(gone -> own.stream().noneMatch(edit -> gone.range().overlaps(edit.range()))).toList()));
        List<FileChange> files = edits.entrySet().stream()
                .map(entry -> new FileChange(entry.getKey(), Optional.empty(),
                        before.snapshot().source(entry.getKey()).text(), entry.getValue()))
                .toList();
        return new Change(title, files, meaning, notes);
    }
}
