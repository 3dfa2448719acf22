package dev.deftchisel.proving.trial;

import dev.deftchisel.change.Change;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.subject.Subject;
import dev.deftchisel.source.Range;
import java.util.Optional;

/** Inlines the variable or method that was extracted. */
public final class InlinedBack implements Inverse {

    @Override
    public Optional<Subject> of(Subject subject, Change change) {
        boolean isOne = change.notes().stream().noneMatch(note -> note.contains("becomes the variable"));
        FileChange file = change.files().get(0);
        // the name of a trial stands nowhere else, so the first is its declaration, or the call of the method
        int name = file.after().content().indexOf(subject.answers().single("name").orElseThrow());
        return isOne
                ? Optional.of(new Subject(subject.number(), "inline",
                        new Place(file.pathAfter(), new Range(name, name)),
                        subject.group(), "inline back, after " + subject.title(), Answers.of("places", "all")))
                : Optional.empty();
    }
}
