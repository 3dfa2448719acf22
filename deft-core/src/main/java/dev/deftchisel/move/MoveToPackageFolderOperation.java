package dev.deftchisel.move;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Moves a file to the folder that its package names (JLS 7.2.1). No name changes, since the package stays. */
public final class MoveToPackageFolderOperation implements Operation {

    @Override
    public String id() {
        return "move-to-package-folder";
    }

    @Override
    public String summary() {
        return "Move a file to the folder of its package";
    }

    @Override
    public List<Question> questions() {
        return List.of();
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        Range clause = resolved.file().outline().packageRange();
        return target(resolved.file()).filter(target -> clause.touches(resolved.place().caret()))
                .map(target -> new Offer(id(), title(resolved.file(), target), Offer.Kind.REFACTORING, clause,
                        List.of()));
    }

    private static String title(SourceFile file, Path target) {
        return "move the file to " + file.root().folder().relativize(target.getParent());
    }

    /** Where the file should be; empty when it is there. */
    private static Optional<Path> target(SourceFile file) {
        Path folder = file.root().folderOf(file.header().packageName());
        return file.isModuleInfo() || file.root().kind() != SourceRoot.Kind.SOURCE
                || folder.equals(file.path().getParent())
                ? Optional.empty() : Optional.of(folder.resolve(file.path().getFileName()));
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        SourceFile file = resolved.file();
        Optional<Path> target = target(file);
        if (target.isEmpty()) {
            return Plan.refused(resolved, "this file is in the folder of its package already, or is generated");
        } else if (Files.exists(target.get())) {
            return Plan.refused(Reason.at(target.get(), new Range(0, 0), "this file is in the way"));
        }
        FileChange moved = new FileChange(file.path(), target, file.text(), List.of());
        return new Plan.Ready(new Change(title(file, target.get()), List.of(moved), SymbolEffects.same(), List.of()),
                analyst.analyse(Focus.whole(Set.of(file.path()))));
    }
}
