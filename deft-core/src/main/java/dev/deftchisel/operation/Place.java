package dev.deftchisel.operation;

import dev.deftchisel.source.Range;
import java.nio.file.Path;

/**
 * A caret or a selection in a file.
 *
 * @param file      absolute
 * @param selection empty for a caret
 */
public record Place(Path file, Range selection) {

    /** Where the selection starts, or the caret stands. */
    public int caret() {
        return selection.start();
    }
}
