package harbour.tides;

import java.time.Duration;
import java.time.LocalTime;

/**
 * The time around high water in which deep ships can pass the bar.
 *
 * @param opens  first minute
 * @param length how long it stays open
 * @param now    the time by the harbour clock
 */
public record TideWindow(LocalTime opens, Duration length, LocalTime now) {

    public boolean isOpen() {
        return !now.isBefore(opens) && now.isBefore(opens.plus(length));
    }

    public TideWindow at(LocalTime time) {
        return new TideWindow(opens, length, time);
    }
}
