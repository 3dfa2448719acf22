package dev.deftchisel.guard.comparison;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.UnseenType;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Whether code comes to need a type that its build does not let it see: what is compiled together here, the build
 * compiles module by module.
 */
public final class VisibilityComparison {

    private final Analysis before;
    private final Analysis after;
    private final Change change;

    public VisibilityComparison(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.change = change;
    }

    public List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        for (FileChange file : change.effective()) {
            List<UnseenType> now = after.unseen(file.pathAfter(), true);
            // there is seldom one, and then nobody need look at what there was before
            Set<String> known = now.isEmpty() ? Set.of()
                    : before.unseen(file.path(), true).stream().map(UnseenType::type).collect(Collectors.toSet());
            now.stream().filter(unseen -> !known.contains(unseen.type())).findFirst().ifPresent(unseen ->
                    differences.add(new Difference(Difference.Kind.ERROR, file.path(), place(file), Optional.empty(),
                            Optional.empty(),
                            "this would no longer compile: " + unseen.sentence())));
        }
        return differences;
    }

    /** The first edit, since the place itself is one of afterwards. */
    private static Range place(FileChange file) {
        return file.takenEdits().stream().findFirst().map(edit -> edit.range()).orElse(new Range(0, 0));
    }
}
