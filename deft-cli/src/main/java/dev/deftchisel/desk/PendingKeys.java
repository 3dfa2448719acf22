package dev.deftchisel.desk;

import dev.deftchisel.desk.panel.TaskPurpose;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/**
 * Keys that have to wait. What is typed while a file is written must not come between a text and what is written of it,
 * and what is typed in expectation of a list is meant for the list.
 */
final class PendingKeys {

    private final Set<Object> writing = new HashSet<>();
    private final Deque<Runnable> held = new ArrayDeque<>();
    /** What the user waits for; only the latest. */
    private Optional<Object> awaited = Optional.empty();

    /** Something was asked for; what is given back tells it from others. */
    Object begin(TaskPurpose lane) {
        Object ticket = new Ticket(lane);
        if (lane == TaskPurpose.WRITE) {
            writing.add(ticket);
        } else if (isAwaited(lane)) {
            awaited = Optional.of(ticket);
        }
        return ticket;
    }

    private static boolean isAwaited(TaskPurpose lane) {
        return lane == TaskPurpose.GO || lane == TaskPurpose.OFFERS;
    }

    /** Told apart by being themselves. */
    private static final class Ticket {

        private final TaskPurpose lane;

        Ticket(TaskPurpose lane) {
            this.lane = lane;
        }
    }

    /** There is an answer; whether it is wanted still. */
    boolean end(Object ticket) {
        writing.remove(ticket);
        boolean isWanted = !isAwaited(((Ticket) ticket).lane) || awaited.filter(ticket::equals).isPresent();
        awaited = awaited.filter(other -> !other.equals(ticket));
        return isWanted;
    }

    boolean isWriting() {
        return !writing.isEmpty();
    }

    boolean isHolding() {
        return !writing.isEmpty() || awaited.isPresent();
    }

    boolean hasHeld() {
        return !held.isEmpty();
    }

    void hold(Runnable later) {
        held.add(later);
    }

    /**
     * Waits no longer for what only tells something, and forgets what was meant for it; whether there was such a thing.
     */
    boolean stop() {
        boolean isStopped = writing.isEmpty() && awaited.isPresent();
        if (isStopped) {
            awaited = Optional.empty();
            held.clear();
        }
        return isStopped;
    }

    /** Does what had to wait, as far as nothing is waited for again. */
    void release() {
        while (!isHolding() && !held.isEmpty()) {
            held.poll().run();
        }
    }
}
