package dev.deftchisel.analysis.compiler;

import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.SourcePositions;
import dev.deftchisel.added.Additions;
import java.util.Map;

/**
 * Where trees stand in files of which the compiler saw more than their text. A tree that is not in the text has no
 * place, like those that the compiler makes up itself.
 */
final class ShiftedPositions implements SourcePositions {

    private final SourcePositions seen;
    private final Map<CompilationUnitTree, Additions> additions;

    /** @param additions of the files that have some */
    ShiftedPositions(SourcePositions seen, Map<CompilationUnitTree, Additions> additions) {
        this.seen = seen;
        this.additions = additions;
    }

    /** Of one file. */
    Additions additions(CompilationUnitTree file) {
        return additions.getOrDefault(file, Additions.NONE);
    }

    @Override
    public long getStartPosition(CompilationUnitTree file, Tree tree) {
        long start = seen.getStartPosition(file, tree);
        Additions added = additions.get(file);
        return start < 0 || added == null ? start : added.original(start);
    }

    @Override
    public long getEndPosition(CompilationUnitTree file, Tree tree) {
        long end = seen.getEndPosition(file, tree);
        Additions added = additions.get(file);
        return end < 0 || added == null ? end : added.originalEnd(end);
    }
}
