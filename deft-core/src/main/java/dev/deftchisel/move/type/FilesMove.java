package dev.deftchisel.move.type;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.move.moved.Destination;
import dev.deftchisel.move.moved.FileGoal;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import javax.lang.model.SourceVersion;

/**
 * What comes of files and folders that go elsewhere: each Java file in them gets the package of its folder.
 *
 * @param goals     what becomes of each file
 * @param types     where each of their top-level types goes
 * @param renamed   the file whose name becomes another, with a type that is called like it
 * @param obstacles what is in the way
 */
public record FilesMove(Map<Path, FileGoal> goals, Map<SymbolKey.Type, Destination> types, Optional<Path> renamed,
        List<Reason> obstacles) {

    /**
     * Follows each file.
     *
     * @param moves where files and folders go, absolute
     */
    public static FilesMove of(Map<Path, Path> moves, Snapshot snapshot) {
        Map<Path, FileGoal> goals = new TreeMap<>();
        Map<SymbolKey.Type, Destination> types = new LinkedHashMap<>();
        List<Reason> obstacles = new ArrayList<>();
        Optional<Path> renamed = Optional.empty();
        for (Map.Entry<Path, Path> move : moves.entrySet()) {
            List<SourceFile> files = snapshot.files().stream()
                    .filter(file -> file.path().startsWith(move.getKey())).toList();
            if (files.isEmpty()) {
                obstacles.add(Reason.of(snapshot.workspace().show(move.getKey())
                        + ": there is no Java file of the workspace"));
            }
            for (SourceFile file : files) {
                Path target = file.path().equals(move.getKey()) ? move.getValue()
                        : move.getValue().resolve(move.getKey().relativize(file.path())).normalize();
                if (isThere(file, target)) {
                    continue;
                }
                Optional<String> objection = objection(file, target, snapshot);
                if (objection.isPresent()) {
                    obstacles.add(Reason.at(file.path(), new Range(0, 0), objection.get()));
                    continue;
                }
                SourceRoot root = snapshot.workspace().rootOf(target).orElseThrow();
                String home = root.packageOf(target.getParent());
                goals.put(file.path(), new FileGoal(target, home));
                types(file).forEach(type -> types.put(type, new Destination.OwnFile(root, home)));
                if (!target.getFileName().equals(file.path().getFileName()) && file.outline().types().stream()
                        .anyMatch(type -> type.isTopLevel() && file.path().endsWith(type.name() + ".java"))) {
                    renamed = Optional.of(file.path());
                }
            }
        }
        return new FilesMove(goals, types, renamed, obstacles.isEmpty() && goals.isEmpty()
                ? List.of(Reason.of("all of it is there already")) : obstacles);
    }

    /** Whether a file stays where it is and its package is that of its folder. */
    private static boolean isThere(SourceFile file, Path target) {
        return target.equals(file.path()) && (file.isModuleInfo() || file.root().kind() != SourceRoot.Kind.SOURCE
                || file.root().packageOf(target.getParent()).equals(file.header().packageName()));
    }

    private static List<SymbolKey.Type> types(SourceFile file) {
        return file.outline().types().stream().filter(TypeOutline::isTopLevel)
                .map(type -> new SymbolKey.Type(file.outline().qualifiedName(type))).toList();
    }

    private static Optional<String> objection(SourceFile file, Path target, Snapshot snapshot) {
        Optional<SourceRoot> root = snapshot.workspace().rootOf(target)
                .filter(one -> one.kind() == SourceRoot.Kind.SOURCE);
        String shown = snapshot.workspace().show(target);
        if (file.root().kind() != SourceRoot.Kind.SOURCE) {
            return Optional.of("this file is generated; what it is made from must move");
        } else if (file.isModuleInfo()) {
            return Optional.of("the declaration of a module stays in its folder");
        } else if (root.isEmpty()) {
            return Optional.of(shown + " is in no source folder of the workspace");
        }
        String home = root.get().packageOf(target.getParent());
        boolean isTaken = Files.exists(target) && !target.equals(file.path());
        return isTaken ? Optional.of(shown + " is there already")
                : !home.isEmpty() && !SourceVersion.isName(home) ? Optional.of("'" + home + "' is no name of a package")
                : Optional.empty();
    }
}
