package dev.deftchisel.operation;

import dev.deftchisel.source.Range;
import java.util.List;

/**
 * Something that can be done at a place.
 *
 * @param operation id of the operation that makes the offer
 * @param title     what would be done, with the names concerned
 * @param kind      what sort of thing it is
 * @param range     the code it is about
 * @param questions what needs to be told, in the order to ask
 */
public record Offer(String operation, String title, Kind kind, Range range, List<Question> questions) {

    /** The sort of an offer. */
    public enum Kind { EXTRACT, INLINE, REFACTORING, FIX, GENERATE, RESHAPE }

    /** Copies the list. */
    public Offer {
        questions = List.copyOf(questions);
    }
}
