package dev.deftchisel.guard;

import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.RemadeFiles;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Whether annotation processors make the same of the changed code, but for names: a processor that goes by a name which is gone, such as
 * one that maps properties of the same name, silently makes something else.
 */
final class RemadeComparison {

    private final Snapshot before;
    private final Snapshot after;
    private final Change change;

    RemadeComparison(Snapshot before, Snapshot after, Change change) {
        this.before = before;
        this.after = after;
        this.change = change;
    }

    List<Difference> differences() {
        // where members come and go, something else is wanted; code that uses what is made is compared like any other
        if (change.meaning().names().isEmpty()) {
            return List.of();
        }
        RemadeFiles remade = RemadeFiles.of(before, after);
        List<Difference> differences = new ArrayList<>();
        for (SourceFile file : remade.others()) {
            differences.add(new Difference(Difference.Kind.UNPROVEN, change.effective().get(0).path(), new Range(0, 0), Optional.empty(),
                    Optional.empty(), "an annotation processor would make something else of it, not only other names: "
                    + before.workspace().show(file.path())));
        }
        return differences;
    }
}
