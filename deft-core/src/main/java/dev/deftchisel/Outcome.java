package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.operation.Reason;
import java.util.List;

/** What comes of asking for something to be done: it can be applied, or it is refused. */
public sealed interface Outcome {

    /**
     * A change that the guard has let through, with the edits that are taken now.
     *
     * @param change what would be done
     * @param before the analysis it rests on, needed when edits are taken or left out
     */
    record Preview(Change change, Analysis before) implements Outcome {

        /** The number of files that would change. */
        public int files() {
            return change.effective().size();
        }

        /** The number of taken edits of a kind. */
        public long count(Edit.Kind kind) {
            return change.files().stream()
                    .flatMap(file -> file.takenEdits().stream())
                    .filter(edit -> edit.kind() == kind)
                    .count();
        }

        /** The number of names in code and documentation that would change. */
        public long names() {
            return change.files().stream()
                    .flatMap(file -> file.takenEdits().stream())
                    .filter(edit -> edit.kind().isName())
                    .count();
        }

        /** The number of places in which code gives way to other code, or a call passes one value more. */
        public long places() {
            return change.files().stream()
                    .mapToLong(file -> file.takenEdits().stream()
                            .filter(edit -> edit.kind() == Edit.Kind.CODE && !edit.replacement().isBlank())
                            .filter(edit -> handsOver(edit) || !file.before().content()
                                    .substring(edit.range().start(), edit.range().end()).isBlank())
                            .count())
                    .sum();
        }

        /** The number of edits of whatever sort. */
        public long edits() {
            return change.effective().stream().mapToLong(file -> file.takenEdits().size()).sum();
        }

        /** The number of lines by which the code grows. */
        public long newLines() {
            return change.effective().stream()
                    .mapToLong(file -> file.after().content().lines().count() - file.before().content().lines().count())
                    .sum();
        }

        private boolean handsOver(Edit edit) {
            return !change.meaning().signatures().isEmpty() && !edit.carried().isEmpty();
        }

        /** The number of names that get a qualifier so that they keep their meaning. */
        public long qualified() {
            // the new name of a package is dotted anyway
            return change.files().stream()
                    .flatMap(file -> file.takenEdits().stream())
                    .filter(edit -> edit.kind() == Edit.Kind.QUALIFIER
                            || edit.kind() == Edit.Kind.REFERENCE && edit.replacement().indexOf('.') > 0
                            && change.meaning().packages().isEmpty() && change.meaning().owners().isEmpty())
                    .count();
        }

        /** The mentions in text that are taken, or left. */
        public long mentions(boolean taken) {
            return change.files().stream()
                    .flatMap(file -> file.edits().stream())
                    .filter(edit -> edit.kind().isMention() && edit.isTaken() == taken)
                    .count();
        }

        /** The files that would come to be. */
        public List<FileChange> created() {
            return change.effective().stream().filter(FileChange::isNew).toList();
        }

        /** The files that would move. */
        public List<FileChange> moves() {
            return change.effective().stream().filter(file -> file.target().isPresent()).toList();
        }
    }

    /**
     * It would change what the code means, or cannot be done.
     *
     * @param reasons at least one
     * @param notes   what else the user should know
     */
    record Refusal(List<Reason> reasons, List<String> notes) implements Outcome {

        /** Copies the lists. */
        public Refusal {
            reasons = List.copyOf(reasons);
            notes = List.copyOf(notes);
        }
    }
}
