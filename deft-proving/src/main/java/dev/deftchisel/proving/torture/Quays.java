package dev.deftchisel.proving.torture;

import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.workspace.Workspace;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * A folder with many small files, and a change that touches all of them; every tenth moves to another folder, and one
 * more comes to be.
 *
 * @param folder of the workspace
 * @param files  how many
 */
record Quays(Path folder, int files) {

    private static final String OLD = "low";
    private static final String NEW = "high water";
    private static final int MOVES_EVERY = 10;

    void fill() throws IOException {
        for (int i = 0; i < files; i++) {
            Files.createDirectories(folder);
            Files.writeString(before(i), content(OLD, i));
        }
    }

    private Path before(int i) {
        return folder.resolve("Quay" + i + ".txt");
    }

    private Path after(int i) {
        return i % MOVES_EVERY == 0 ? folder.resolve("moved").resolve("Quay" + i + ".txt") : before(i);
    }

    private Path added() {
        return folder.resolve("added").resolve("Quay.txt");
    }

    private static String content(String tide, int i) {
        return tide + " at quay " + i + "\n";
    }

    Workspace workspace() {
        return new Workspace(folder, List.of(), List.of());
    }

    Change change() {
        List<FileChange> changes = new ArrayList<>();
        for (int i = 0; i < files; i++) {
            SourceText text = SourceText.decode(content(OLD, i).getBytes(StandardCharsets.UTF_8),
                    StandardCharsets.UTF_8);
            changes.add(new FileChange(before(i),
                    after(i).equals(before(i)) ? Optional.empty() : Optional.of(after(i)), text,
                    List.of(Edit.of(new Range(0, OLD.length()), NEW, Edit.Kind.RESOURCE))));
        }
        changes.add(FileChange.created(added(), StandardCharsets.UTF_8, NEW));
        return new Change("let the tide in", changes, SymbolEffects.same(), List.of());
    }

    /** What the folder holds beside the history. */
    enum State { OLD, NEW, MIXED }

    State state() throws IOException {
        Map<Path, String> old = new TreeMap<>();
        Map<Path, String> fresh = new TreeMap<>();
        for (int i = 0; i < files; i++) {
            old.put(before(i), content(OLD, i));
            fresh.put(after(i), content(NEW, i));
        }
        fresh.put(added(), NEW);
        Map<Path, String> now = new TreeMap<>();
        try (Stream<Path> paths = Files.walk(folder)) {
            for (Path path : paths.filter(Files::isRegularFile).toList()) {
                if (!path.startsWith(folder.resolve(".deft"))) {
                    now.put(path, Files.readString(path));
                }
            }
        }
        if (now.equals(old)) {
            return State.OLD;
        }
        return now.equals(fresh) ? State.NEW : State.MIXED;
    }
}
