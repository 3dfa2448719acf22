package dev.deftchisel.proving.subject;

import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;

/**
 * What one trial is to do.
 *
 * @param number    of the trial in its run, from 0
 * @param operation the id of what is tried
 * @param place     in the untouched corpus
 * @param group     what it is counted under: the kind of symbol, or of code
 * @param title     what is to be done, for messages
 * @param answers   to the questions of the operation
 */
public record Subject(int number, String operation, Place place, String group, String title, Answers answers) {

    /** The same elsewhere. */
    public Subject at(Place other) {
        return new Subject(number, operation, other, group, title, answers);
    }
}
