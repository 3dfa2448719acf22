package dev.deftchisel.guard;

import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.MovedCode;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;

/**
 * Finds the value of a variable that is written elsewhere while the variable keeps it: it is evaluated in both places,
 * which must not be to be noticed.
 */
final class DoubleEvaluation {

    private final Analysis before;
    private final Change change;

    DoubleEvaluation(Analysis before, Change change) {
        this.before = before;
        this.change = change;
    }

    List<Difference> differences() {
        return change.effective().stream()
                .flatMap(file -> file.takenEdits().stream())
                .flatMap(edit -> edit.carried().stream())
                .flatMap(piece -> before.code(piece.file()).flatMap(code -> twice(piece, code)).stream())
                .distinct()
                .toList();
    }

    private Optional<Difference> twice(MovedCode piece, AttributedFile code) {
        Optional<TreePath> value = code.around(piece.from()).stream()
                .filter(path -> path.getParentPath() != null && path.getParentPath()
                        .getLeaf() instanceof VariableTree variable
                        && variable.getInitializer() == path.getLeaf() && piece.from()
                        .encloses(code.range(path.getLeaf())))
                .findFirst();
        if (value.isEmpty()) {
            return Optional.empty();
        }
        Range range = code.range(value.get().getLeaf());
        Range name = code.name(value.get().getParentPath().getLeaf());
        boolean stays = !change.mapping().isReplaced(piece.file(), range) && !change.mapping()
                .isReplaced(piece.file(), name);
        Effects effects = code.effects(value.get());
        return stays && (effects.isVisible() || effects.isFresh())
                ? Optional.of(new Difference(Difference.Kind.UNPROVEN, piece.file(), range,
                Optional.empty(), Optional.empty(), "this would be evaluated twice")) : Optional.empty();
    }
}
