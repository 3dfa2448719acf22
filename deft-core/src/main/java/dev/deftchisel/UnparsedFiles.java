package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.compiler.SyntaxCheck;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

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
        Map<SourceFile, CompilerError> unparsed = unparsed();
        for (SourceFile file : before.files()) {
            CompilerError error = unparsed.get(file);
            if (error != null && notes.size() < MOST_NAMED) {
                notes.add(before.snapshot().show(file.path(), error.range().start())
                        + ": the file does not parse as Java " + file.module().level() + " (" + error.message()
                        + "), so what stands around there was seen in part only");
            } else if (error != null) {
                more++;
            }
        }
        if (more > 0) {
            notes.add(more + " more " + (more == 1 ? "file does" : "files do") + " not parse");
        }
        return notes;
    }

    /** The first error of the parser in each; all of a level are parsed together, since a parser costs most. */
    private Map<SourceFile, CompilerError> unparsed() {
        Map<JavaLevel, List<SourceFile>> wrong = new HashMap<>();
        before.files().stream().filter(file -> !before.errors(file.path()).isEmpty()).forEach(file -> wrong
                .computeIfAbsent(file.module().java(), java -> new ArrayList<>()).add(file));
        Map<SourceFile, CompilerError> found = new HashMap<>();
        wrong.forEach((java, files) -> {
            List<List<CompilerError>> errors = new SyntaxCheck(files.get(0).path(), java)
                    .errors(files.stream().map(SourceFile::content).toList());
            for (int i = 0; i < files.size(); i++) {
                if (!errors.get(i).isEmpty()) {
                    found.put(files.get(i), errors.get(i).get(0));
                }
            }
        });
        return found;
    }
}
