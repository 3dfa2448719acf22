package dev.deftchisel.proving.oracle;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import java.util.Optional;

/** What was just done is not done again. */
public final class TwiceIsOnce implements TrialOracle {

    @Override
    public String name() {
        return "twice is once";
    }

    @Override
    public Optional<String> objection(Chisel chisel, Applied applied) {
        Place place = applied.place();
        Range caret = applied.change().mapping().name(place.file(), place.selection()).orElse(place.selection());
        Outcome again = chisel.preview(new Place(place.file(), caret), applied.operation(), applied.answers());
        return again instanceof Outcome.Preview preview
                ? Optional.of("it would be done again: " + preview.change().title())
                : Optional.empty();
    }
}
