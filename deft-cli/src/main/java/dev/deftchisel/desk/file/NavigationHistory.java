package dev.deftchisel.desk.file;

import dev.deftchisel.operation.Place;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;

/** Where one was, to go back to, and forth again. */
public final class NavigationHistory {

    private static final int MOST = 200;

    private final Deque<Place> back = new ArrayDeque<>();
    private final Deque<Place> forth = new ArrayDeque<>();

    /** Notes where one goes away from. */
    public void leave(Place from) {
        if (!from.equals(back.peek())) {
            back.push(from);
        }
        forth.clear();
        if (back.size() > MOST) {
            back.removeLast();
        }
    }

    /** Where one may want to go next. */
    public void offer(Place to) {
        forth.push(to);
    }

    /** The place before. */
    public Optional<Place> back(Place from) {
        return step(from, back, forth);
    }

    /** The place after. */
    public Optional<Place> forth(Place from) {
        return step(from, forth, back);
    }

    private static Optional<Place> step(Place from, Deque<Place> source, Deque<Place> target) {
        Optional<Place> to = Optional.ofNullable(source.poll());
        to.ifPresent(place -> target.push(from));
        return to;
    }
}
