package dev.deftchisel.proving.oracle;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;

/**
 * The same rename the other way round is possible and gives back the source, unless the first one had to write more
 * than a name (a qualifier, an import), which the second has no reason to take away.
 */
public final class RenamedBack implements TrialOracle {

    @Override
    public String name() {
        return "renaming back gives the source";
    }

    @Override
    public Optional<String> objection(Chisel chisel, Applied applied) throws IOException {
        boolean onlyNames = applied.change().files().stream()
                .flatMap(file -> file.takenEdits().stream())
                .allMatch(RenamedBack::isName);
        Optional<Range> name = applied.change().mapping()
                .name(applied.place().file(), new Range(applied.place().caret(), applied.place().caret() + 1));
        if (!onlyNames) {
            return Optional.empty();
        }
        Path file = applied.change().mapping().file(applied.place().file());
        int caret = name.or(() -> start(applied)).map(Range::start).orElse(applied.place().caret());
        Outcome back = chisel.preview(new Place(file, new Range(caret, caret)), "rename",
                Answers.of("name", applied.oldName()).and("mentions", "none"));
        if (back instanceof Outcome.Refusal refusal) {
            return Optional.of("renaming back is refused: " + refusal.reasons().get(0).sentence());
        }
        for (FileChange changed : ((Outcome.Preview) back).change().effective()) {
            byte[] original = applied.before().get(changed.pathAfter());
            boolean isSame = original != null
                    && changed.after().content().equals(
                            SourceText.decode(original, changed.after().charset()).content());
            if (!isSame) {
                return Optional.of("renaming back leaves " + changed.pathAfter() + " different");
            }
        }
        return Optional.empty();
    }

    private static boolean isName(Edit edit) {
        return edit.kind().isName() && edit.replacement().indexOf('.') < 0;
    }

    /** Where the edit that replaces the name at the place puts the new one. */
    private static Optional<Range> start(Applied applied) {
        return applied.change().file(applied.place().file()).stream()
                .flatMap(file -> file.takenEdits().stream())
                .filter(edit -> edit.range().touches(applied.place().caret()))
                .findFirst()
                .flatMap(edit -> applied.change().mapping().name(applied.place().file(), edit.range()));
    }
}
