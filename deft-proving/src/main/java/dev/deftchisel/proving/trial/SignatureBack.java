package dev.deftchisel.proving.trial;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.oracle.Applied;
import dev.deftchisel.proving.oracle.TrialOracle;
import dev.deftchisel.proving.subject.SignatureSubjects;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import javax.lang.model.SourceVersion;

/**
 * A header that only gave parameters another order or name, or one more of them, is taken back by the one that was
 * there: the sources are the same, byte by byte, unless the first had to write an import or a qualifier, a lambda
 * for a reference, parentheses around the parameter of a lambda, or a variable for an argument, which the second has
 * no reason to take away.
 */
public final class SignatureBack implements TrialOracle {

    @Override
    public String name() {
        return "the old header gives the source back";
    }

    @Override
    public Optional<String> objection(Chisel chisel, Applied applied) throws IOException {
        String header = applied.answers().single(SignatureSubjects.BACK).orElse("");
        boolean writesMore = applied.change().files().stream()
                .anyMatch(changed -> changed.takenEdits().stream().anyMatch(edit -> writesMore(changed, edit)));
        Path file = applied.place().file();
        Optional<Range> name = applied.change().file(file).stream()
                .flatMap(changed -> changed.takenEdits().stream())
                .filter(edit -> edit.kind().isName() && edit.range().start() == applied.place().caret())
                .findFirst().flatMap(edit -> applied.change().mapping().name(file, edit.range()))
                .or(() -> applied.change().mapping().name(file, new Range(applied.place().caret(),
                applied.place().caret() + 1)));
        // an earlier change of the same batch may have given it another header
        boolean isUntouched = applied.change().title().contains(header);
        if (header.isEmpty() || writesMore || !isUntouched) {
            return Optional.empty();
        }
        int caret = name.map(Range::start).orElse(applied.place().caret());
        Outcome back = chisel.preview(new Place(file, new Range(caret, caret)), "change-signature",
                Answers.of("to", header));
        if (back instanceof Outcome.Refusal refusal) {
            return Optional.of("the old header is refused: " + refusal.reasons().get(0).sentence());
        }
        for (FileChange changed : ((Outcome.Preview) back).change().effective()) {
            byte[] original = applied.before().get(changed.pathAfter());
            boolean isSame = original != null && changed.after().content()
                    .equals(SourceText.decode(original, changed.after().charset()).content());
            if (!isSame) {
                return Optional.of("the old header leaves " + changed.pathAfter() + " different");
            }
        }
        return Optional.empty();
    }

    /** A lambda for a reference, or a variable for an argument, says the same in another way. */
    private static boolean writesMore(FileChange file, Edit edit) {
        String gone = file.before().content().substring(edit.range().start(), edit.range().end());
        boolean isOtherForm = edit.kind() == Edit.Kind.CODE && (gone.contains("::") || gone.isEmpty()
                && edit.replacement().contains(";"));
        boolean isList = edit.kind() == Edit.Kind.CODE && edit.replacement().startsWith("(") && SourceVersion
                .isIdentifier(gone);
        return isOtherForm || isList || edit.kind() == Edit.Kind.IMPORT || edit.kind() == Edit.Kind.QUALIFIER
                || edit.kind() == Edit.Kind.REFERENCE && edit.replacement().indexOf('.') >= 0;
    }
}
