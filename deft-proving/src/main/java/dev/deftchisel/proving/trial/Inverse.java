package dev.deftchisel.proving.trial;

import dev.deftchisel.change.Change;
import dev.deftchisel.proving.subject.Subject;
import java.util.Optional;

/** Takes a change back by another operation: together the two must leave the class files as they were. */
public interface Inverse {

    /**
     * What takes the change back.
     *
     * @param subject what was done
     * @param change  which stands in the workspace
     * @return empty when the change made more than one thing
     */
    Optional<Subject> of(Subject subject, Change change);
}
