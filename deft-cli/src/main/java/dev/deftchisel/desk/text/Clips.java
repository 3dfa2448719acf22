package dev.deftchisel.desk.text;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/** What was cut and copied, the latest first. */
public final class Clips {

    private static final int MOST = 50;

    private final Deque<Clip> kept = new ArrayDeque<>();

    /** Keeps something; the same thing is kept once. */
    public void keep(Clip clip) {
        if (!clip.text().isEmpty()) {
            kept.remove(clip);
            kept.push(clip);
            if (kept.size() > MOST) {
                kept.removeLast();
            }
        }
    }

    /** What was kept last. */
    public Optional<Clip> latest() {
        return Optional.ofNullable(kept.peek());
    }

    /** All that is kept. */
    public List<Clip> all() {
        return List.copyOf(kept);
    }
}
