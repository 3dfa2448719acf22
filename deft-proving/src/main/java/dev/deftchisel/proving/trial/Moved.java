package dev.deftchisel.proving.trial;

import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;

/** Follows a place of the untouched corpus through changes that were applied since. */
final class Moved {

    private Moved() {
    }

    /**
     * Where the name at a place is now.
     *
     * @param place   at the start of a name
     * @param changes in the order in which they were applied
     * @return empty when something else was written in its place
     */
    static Optional<Place> place(Place place, List<Change> changes) {
        Optional<Place> at = Optional.of(place);
        for (Change change : changes) {
            at = at.flatMap(here -> place(here, change));
        }
        return at;
    }

    private static Optional<Place> place(Place place, Change change) {
        if (place.selection().length() > 0) {
            return selection(place, change);
        }
        // edits replace whole names, so look for the one around the place
        Range name = change.file(place.file()).stream()
                .flatMap(file -> file.takenEdits().stream())
                .map(Edit::range)
                .filter(range -> range.contains(place.caret()))
                .findFirst()
                .orElse(new Range(place.caret(), place.caret() + 1));
        return change.mapping().name(place.file(), name)
                .map(range -> new Place(change.mapping().file(place.file()), new Range(range.start(), range.start())));
    }

    /** Where selected code is now; empty when a change touches it. */
    private static Optional<Place> selection(Place place, Change change) {
        Range selected = place.selection();
        boolean isTouched = change.file(place.file()).stream()
                .flatMap(file -> file.takenEdits().stream())
                .map(Edit::range)
                .anyMatch(range -> range.start() <= selected.end() && selected.start() <= range.end());
        return isTouched
                ? Optional.empty()
                : Optional.of(new Place(change.mapping().file(place.file()), change.mapping()
                        .code(place.file(), selected)));
    }
}
