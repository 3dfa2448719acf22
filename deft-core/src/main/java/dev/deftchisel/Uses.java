package dev.deftchisel;

import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.source.Position;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceRoot;
import java.nio.file.Path;
import java.util.List;

/**
 * Where a symbol is used.
 *
 * @param symbol the symbol asked about
 * @param all    every use, its declarations among them, ordered by file and position
 */
public record Uses(Symbol symbol, List<Use> all) {

    /**
     * One use.
     *
     * @param file     absolute
     * @param range    of the name
     * @param position of its start
     * @param role     what it does there
     * @param code     whether it is in main or test code
     * @param line     the text of the line
     */
    public record Use(Path file, Range range, Position position, Role role, SourceRoot.Use code, String line) {
    }

    /** Copies the list. */
    public Uses {
        all = List.copyOf(all);
    }
}
