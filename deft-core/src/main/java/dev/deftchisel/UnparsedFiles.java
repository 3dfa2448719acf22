package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.compiler.SyntaxCheck;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Names the files that take part in a change although they cannot be parsed: what stands after such a place may mean
 * something that was not seen.
 */
final class UnparsedFiles {

    private static final int MOST_NAMED = 3;

    private final Analysis before;

    UnparsedFiles(Analysis before) {
        this.before = before;
    }

    /** A line for each file, in the order of the analysis; of many only the first. */
    List<String> notes() {
        List<String> notes = new ArrayList<>();
        int more = 0;
        for (SourceFile file : before.files()) {
            Optional<CompilerError> error = before.errors(file.path()).isEmpty()
                    ? Optional.empty()
                    : new SyntaxCheck(file.path(), file.module().java()).errors(file.content()).stream().findFirst();
            if (error.isPresent() && notes.size() < MOST_NAMED) {
                notes.add(before.snapshot().workspace().show(file.path()) + ":"
                        + file.position(error.get().range().start())
                        + ": the file does not parse as Java " + file.module().level() + " (" + error.get().message()
                        + "), so what stands around there was seen in part only");
            } else if (error.isPresent()) {
                more++;
            }
        }
        if (more > 0) {
            notes.add(more + " more " + (more == 1 ? "file does" : "files do") + " not parse");
        }
        return notes;
    }
}
