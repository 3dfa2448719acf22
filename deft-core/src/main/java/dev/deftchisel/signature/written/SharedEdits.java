package dev.deftchisel.signature.written;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.TypeWriter;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The edits of all files: stretches of code within each other, and the imports that they need. */
public final class SharedEdits {

    private final EditsByFile edits;
    private final Map<Path, NestedEdits> nested = new HashMap<>();

    /** @param before the code that is edited */
    public SharedEdits(Analysis before) {
        this.edits = new EditsByFile(before);
    }

    /** Those of a file. */
    public NestedEdits in(AttributedFile code) {
        return nested.computeIfAbsent(code.file().path(), path -> new NestedEdits(code.file()));
    }

    /** Writes types in a file. */
    public TypeWriter writer(AttributedFile code) {
        return edits.writer(code);
    }

    /** All of it as a change; asked once. */
    public Change change(String title, SymbolEffects meaning, List<String> notes) {
        nested.forEach((path, pieces) -> edits.of(path).addAll(pieces.edits()));
        return edits.change(title, meaning, notes);
    }
}
