package dev.deftchisel.proving.oracle.step;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.oracle.Applied;
import dev.deftchisel.proving.oracle.TrialOracle;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * A type that went to another package with its file comes back by the same operation: the sources are the same, byte by
 * byte, but for the order of imports, and unless something was opened or qualified, which nothing takes away again.
 */
public final class MovedBack implements TrialOracle {

    @Override
    public String name() {
        return "moving back gives the source back";
    }

    @Override
    public Optional<String> objection(Chisel chisel, Applied applied) throws IOException {
        Path file = applied.place().file();
        Optional<FileChange> own = applied.change().file(file).filter(change -> change.target().isPresent());
        String home = own.map(change -> packageOf(change.before().content())).orElse("");
        boolean writesMore = applied.change().files().stream().anyMatch(changed -> changed.takenEdits().stream()
                .anyMatch(edit -> edit.kind() == Edit.Kind.ACCESS || edit.kind() == Edit.Kind.QUALIFIER
                        || edit.kind() == Edit.Kind.CODE
                        || edit.kind() == Edit.Kind.DOCUMENTATION && edit.replacement().contains(".")));
        if (home.isEmpty() || writesMore) {
            return Optional.empty();
        }
        int caret = applied.change().mapping().code(file, applied.place().selection()).start();
        Outcome back = chisel.preview(new Place(own.get().pathAfter(), new Range(caret, caret)),
                "move-type", Answers.of("to", home));
        if (back instanceof Outcome.Refusal refusal) {
            return Optional.of("the way back is refused: " + refusal.reasons().get(0).sentence());
        }
        for (FileChange changed : ((Outcome.Preview) back).change().effective()) {
            byte[] original = applied.before().getOrDefault(changed.pathAfter(), applied.before().get(file));
            boolean isSame = original != null && lines(changed.after().content())
                    .equals(lines(SourceText.decode(original, changed.after().charset()).content()));
            if (!isSame) {
                return Optional.of("the way back leaves " + changed.pathAfter() + " different");
            }
        }
        return Optional.empty();
    }

    private static String packageOf(String content) {
        return content.lines().filter(line -> line.startsWith("package ")).findFirst()
                .map(line -> line.substring("package ".length(), line.indexOf(';'))).orElse("");
    }

    /** What is imported counts, not in which order. */
    private static List<String> lines(String content) {
        List<String> imports = content.lines().filter(line -> line.startsWith("import ")).sorted().toList();
        return List.of(String.join("\n", imports), content.lines().filter(line -> !line.startsWith("import "))
                .reduce("", (one, other) -> one + "\n" + other));
    }
}
