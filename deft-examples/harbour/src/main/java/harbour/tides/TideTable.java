package harbour.tides;

import java.time.Duration;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** High and low water of one day. A TideWindow opens an hour before each high water. */
public class TideTable {

    private static final Duration HALF_WIDTH = Duration.ofHours(1);

    private final List<Entry> entries = new ArrayList<>();

    /** One line of the table. */
    public record Entry(Tide tide, LocalTime time) {
    }

    public TideTable high(LocalTime time) {
        return add(Tide.HIGH, time);
    }

    public TideTable low(LocalTime time) {
        return add(Tide.LOW, time);
    }

    private TideTable add(Tide tide, LocalTime time) {
        entries.add(new Entry(tide, time));
        return this;
    }

    /** The window that is open now or opens next. */
    public Optional<TideWindow> window(LocalTime now) {
        return entries.stream()
                .filter(entry -> entry.tide() == Tide.HIGH)
                .map(entry -> new TideWindow(entry.time().minus(HALF_WIDTH), HALF_WIDTH.multipliedBy(2), now))
                .filter(window -> window.isOpen() || window.opens().isAfter(now))
                .findFirst();
    }
}
