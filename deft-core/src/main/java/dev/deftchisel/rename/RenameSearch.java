package dev.deftchisel.rename;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.SearchWords;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Where the old or the new name of a symbol could be, or become, a reference. */
final class RenameSearch {

    private RenameSearch() { }

    /** The files in which the old or the new name could be or become a reference. */
    static Focus focus(ResolvedPlace resolved, Symbol target, String newName, Analyst analyst) {
        Set<String> names = new HashSet<>(SearchWords.of(target, resolved.analysis()));
        names.add(newName);
        if (target.kind().isLocal()) {
            return Focus.on(Set.of(resolved.file().path()), names);
        }
        Set<Path> files = new HashSet<>();
        if (target.isPrivate()) {
            // code uses it in its own file only, but documentation can refer to it from others, and under its new name
            // it can hide an inherited one anywhere
            files.addAll(analyst.snapshot().pathsMentioning(Set.of(newName)));
            files.addAll(paths(analyst.snapshot().files().stream()
                    .filter(file -> file.content().contains("#" + target.name()))
                    .toList()));
            analyst.declaring(target.key()).map(SourceFile::path).ifPresent(files::add);
        } else {
            files.addAll(analyst.snapshot().pathsMentioning(names));
        }
        if (!resolved.file().root().isProcessed()) {
            files.add(resolved.file().path());
        }
        Set<String> owner = target.kind().isMethod()
                ? target.owner().flatMap(resolved.analysis()::symbol).map(Symbol::name).map(Set::of).orElse(Set.of())
                : Set.of();
        return Focus.on(files, names).withTypes(owner);
    }

    private static List<Path> paths(List<SourceFile> files) {
        return files.stream().map(SourceFile::path).toList();
    }

    /** The same, and the files that mention one of more names. */
    static Focus and(Focus focus, Collection<String> names, Analyst analyst) {
        return names.isEmpty() ? focus
                : focus.andNames(names).andFiles(analyst.snapshot().pathsMentioning(Set.copyOf(names)));
    }
}
