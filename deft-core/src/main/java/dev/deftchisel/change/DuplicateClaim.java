package dev.deftchisel.change;

import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * Code of a file that need not be written again, since other code that stays or is carried does the same: it
 * reads the same but for variables of the body, which may have other names, each always the same one, and for values
 * that are passed.
 *
 * @param gone      what an edit takes away
 * @param other     what stands for it; does not overlap
 * @param varied    the values in which they differ
 * @param isRenamed whether variables of the body may have other names
 * @param file      in which the other code stands; empty when it is the same
 */
public record DuplicateClaim(Range gone, Range other, List<Varied> varied, boolean isRenamed, Optional<Path> file) {

    /**
     * A value that is another in both.
     *
     * @param gone  in the code that is taken away; the edit carries it
     * @param other in the code that stands for it
     */
    public record Varied(Range gone, Range other) {
    }

    /** Copies the list. */
    public DuplicateClaim {
        varied = List.copyOf(varied);
    }

    /** Code that reads just the same. */
    public DuplicateClaim(Range gone, Range other) {
        this(gone, other, List.of(), false, Optional.empty());
    }
}
