package dev.deftchisel.problem;

import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.CompilerError;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;

/**
 * Where an error is.
 *
 * @param error    it
 * @param code     the file
 * @param analysis in which the file is attributed as a whole
 * @param around   the trees around what the compiler points at, innermost first
 */
public record ErrorSite(CompilerError error, Code code, Analysis analysis, List<TreePath> around) {

    /** Copies the list. */
    public ErrorSite {
        around = List.copyOf(around);
    }

    /** The innermost tree of a kind. */
    public <T extends Tree> Optional<TreePath> nearest(Class<T> kind) {
        return around.stream().filter(path -> kind.isInstance(path.getLeaf())).findFirst();
    }

    /** The expression or statement that the compiler complains about: what covers just the range it gives. */
    public Optional<TreePath> exact() {
        return around.stream().filter(path -> code.find(path.getLeaf()).filter(error.whole()::equals).isPresent()).findFirst();
    }

    /** The place of the error. */
    public Place place() {
        return new Place(code.file().path(), new Range(error.range().start(), error.range().start()));
    }
}
