package dev.deftchisel.proving.subject;

import dev.deftchisel.operation.Place;

/** Where the subjects of a run come from: random places with random answers, decided by a seed. */
public interface Subjects {

    /** The subject of a trial; always the same for the same number. */
    Subject subject(int number);

    /**
     * A random place where the operation has nothing to do.
     *
     * @param number decides it
     */
    Place barren(int number);
}
