package dev.deftchisel.proving.surface;

import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import java.util.Optional;

/**
 * An offer that is taken.
 *
 * @param place   where
 * @param shown   the same as people write it, with lines and columns
 * @param name    to be given, for an operation that cannot do without
 */
record Taken(Place place, String shown, Offer offer, Optional<String> name) {

    Answers answers() {
        return name.map(given -> Answers.of("name", given)).orElse(Answers.none());
    }

    @Override
    public String toString() {
        return offer.operation() + " at " + shown + " (" + offer.title() + ")";
    }
}
