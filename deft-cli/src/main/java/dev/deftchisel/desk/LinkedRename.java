package dev.deftchisel.desk;

import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.desk.text.Caret;
import dev.deftchisel.desk.text.Draft;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A new name that stands ready to be typed over, at all its places at once. What is typed is only shown; when it is
 * done the text is again as it was, and the name is changed by a rename, so that it is proven like any other change.
 *
 * @param buffer where it is typed
 * @param ready  the text with the names selected
 */
record LinkedRename(Buffer buffer, Draft ready) {

    /** The places of a name in a file; empty when it has none there. */
    static Optional<LinkedRename> at(Buffer buffer, List<Place> places) {
        Draft draft = buffer.draft();
        List<Range> here = places.stream().filter(place -> place.file().equals(buffer.path())).map(Place::selection)
                .filter(range -> range.end() <= draft.content().length()).distinct().toList();
        // names that had to come along are declared before the one that was asked for
        Map<String, Range> first = new HashMap<>();
        here.forEach(range -> first.merge(draft.text(range), range, (one, other) -> one.compareTo(other) <= 0 ? one
                : other));
        return first.values().stream().max(Comparator.naturalOrder()).map(draft::text).map(name -> {
            List<Caret> carets = here.stream().filter(range -> draft.text(range).equals(name)).map(Caret::over)
                    .toList();
            return new LinkedRename(buffer, draft.with(carets, carets.get(0)));
        });
    }

    /** The name that is typed now. */
    String typed() {
        // the first place begins where it began; all that was added or taken away is in the names
        int count = ready.carets().size();
        int before = ready.carets().get(0).range().length();
        int growth = (buffer.draft().content().length() - ready.content().length()) / count;
        int start = ready.carets().get(0).range().start();
        return buffer.draft().content().substring(start, Math.max(start, start + before + growth));
    }

    /** Whether another name is typed than the one that is there. */
    boolean isChanged() {
        return !buffer.draft().content().equals(ready.content());
    }

    /** Whether all carets are still in their names, so that what is typed there is part of them. */
    boolean isInside() {
        int length = typed().length();
        List<Caret> carets = buffer.draft().carets();
        int shift = 0;
        for (int i = 0; i < ready.carets().size(); i++) {
            Range name = ready.carets().get(i).range();
            int start = name.start() + shift;
            boolean isIn = i < carets.size() && carets.get(i).range().start() >= start && carets.get(i).range()
                    .end() <= start + length;
            if (!isIn) {
                return false;
            }
            shift += length - name.length();
        }
        return carets.size() == ready.carets().size();
    }

    /** The first of the names, as it is without what was typed. */
    Place place() {
        int start = ready.carets().get(0).range().start();
        return new Place(buffer.path(), new Range(start, start));
    }

    /** Selects the names; what is typed from now on is only shown. */
    void begin() {
        buffer.move(ready);
        buffer.tryOut();
    }

    /** Shows the text without what was typed. */
    void restore() {
        buffer.settle(ready);
    }
}
