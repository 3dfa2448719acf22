package dev.deftchisel.rename;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Edit;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** Turns every name that refers to the renamed symbols into an edit. */
final class ReferenceEdits {

    private final Analysis analysis;
    private final Set<SymbolKey> keys;
    private final String newName;
    private final Map<Path, Map<Range, Edit>> edits = new TreeMap<>();

    ReferenceEdits(Analysis analysis, Set<SymbolKey> keys, String newName) {
        this.analysis = analysis;
        this.keys = keys;
        this.newName = newName;
    }

    /** The edits by file and range. */
    Map<Path, Map<Range, Edit>> all() {
        for (SymbolKey key : keys) {
            for (Binding binding : analysis.uses(key)) {
                if (isRemade(binding.file())) {
                    continue;
                }
                if (binding.isNamed()) {
                    named(binding);
                } else if (binding.role() == Role.WRITE) {
                    annotationValue(binding);
                }
            }
        }
        return edits;
    }

    /** Whether annotation processors make the file anew, so that its names follow by themselves. */
    private boolean isRemade(Path file) {
        return analysis.snapshot().file(file).filter(found -> found.root().isProcessed()).isPresent();
    }

    private void named(Binding binding) {
        boolean isShared = binding.role() == Role.IMPORT && analysis.bindings(binding.file()).stream()
                .anyMatch(other -> other.range().equals(binding.range()) && !keys.contains(other.key())
                        && isUsedElsewhere(other));
        if (isShared) {
            addImport(binding);
            return;
        }
        Edit.Kind kind = switch (binding.role()) {
            case DECLARATION -> Edit.Kind.DECLARATION;
            case DOC -> Edit.Kind.DOCUMENTATION;
            default -> Edit.Kind.REFERENCE;
        };
        put(binding.file(), Edit.of(binding.range(), newName, kind));
    }

    /** Whether a static import is also needed for a member that keeps its name. */
    private boolean isUsedElsewhere(Binding imported) {
        return analysis.bindings(imported.file()).stream()
                .anyMatch(use -> use.key().equals(imported.key()) && use.role() != Role.IMPORT);
    }

    /** A static import of several members of the name stays, and one of the new name follows it. */
    private void addImport(Binding binding) {
        SourceFile file = analysis.snapshot().source(binding.file());
        file.outline().imports().stream()
                .filter(line -> line.range().encloses(binding.range()))
                .findFirst()
                .ifPresent(line -> {
                    String written = file.content().substring(line.range().start(), binding.range().start());
                    String lineEnd = file.content().contains("\r\n") ? "\r\n" : "\n";
                    Range behind = new Range(line.range().end(), line.range().end());
                    put(binding.file(), Edit.of(behind, lineEnd + written + newName + ";", Edit.Kind.IMPORT));
                });
    }

    /**
     * {@code @Fee(3)} names its element only by leaving it out, which is allowed for {@code value} alone (JLS 9.7.3).
     */
    private void annotationValue(Binding binding) {
        int start = binding.range().start();
        put(binding.file(), Edit.of(new Range(start, start), newName + " = ", Edit.Kind.QUALIFIER));
    }

    private void put(Path file, Edit edit) {
        edits.computeIfAbsent(file, path -> new LinkedHashMap<>()).putIfAbsent(edit.range(), edit);
    }
}
