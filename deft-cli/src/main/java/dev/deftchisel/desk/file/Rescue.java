package dev.deftchisel.desk.file;

import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.surroundings.StateFolder;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Keeps what was typed and not saved when the desk ends without having been left. */
public final class Rescue {

    private Rescue() {
    }

    /**
     * Writes texts beside the journal, each under its path.
     *
     * @return where they are
     */
    public static List<Path> keep(Map<Path, String> texts, Workspace workspace) {
        List<Path> kept = new ArrayList<>();
        if (texts.isEmpty()) {
            return kept;
        }
        StateFolder folder = new StateFolder(workspace);
        texts.forEach((path, text) -> {
            Path target = folder.path().resolve("unsaved").resolve(workspace.root().relativize(path).toString());
            try {
                folder.make();
                Files.createDirectories(target.getParent());
                Files.write(target, text.getBytes(StandardCharsets.UTF_8));
                kept.add(target);
            } catch (IOException lost) {
                // there is nobody left to tell, and the others are still to be kept
                kept.remove(target);
            }
        });
        return kept;
    }
}
