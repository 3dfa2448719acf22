package dev.deftchisel.desk;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.desk.panel.TaskPurpose;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class PendingKeysTest {

    private final PendingKeys waiting = new PendingKeys();
    private final List<String> done = new ArrayList<>();

    @Test
    void keysForAListWaitForIt() {
        Object offers = waiting.begin(TaskPurpose.OFFERS);
        assertTrue(waiting.isHolding());
        waiting.hold(() -> done.add("Down"));
        waiting.hold(() -> done.add("Enter"));
        assertTrue(waiting.end(offers));
        waiting.release();
        assertEquals(List.of("Down", "Enter"), done);
    }

    @Test
    void aKeyThatAsksAgainHoldsTheRest() {
        Object offers = waiting.begin(TaskPurpose.OFFERS);
        waiting.hold(() -> waiting.begin(TaskPurpose.GO));
        waiting.hold(() -> done.add("later"));
        waiting.end(offers);
        waiting.release();
        assertEquals(List.of(), done);
        assertTrue(waiting.isHolding());
    }

    @Test
    void whoStopsWaitingGetsNeitherTheListNorWhatWasMeantForIt() {
        Object offers = waiting.begin(TaskPurpose.OFFERS);
        waiting.hold(() -> done.add("Enter"));
        assertTrue(waiting.stop());
        assertFalse(waiting.isHolding());
        assertFalse(waiting.end(offers), "the answer comes too late");
        waiting.release();
        assertEquals(List.of(), done);
    }

    @Test
    void whatIsWrittenCannotBeStopped() {
        Object write = waiting.begin(TaskPurpose.WRITE);
        waiting.hold(() -> done.add("x"));
        assertFalse(waiting.stop());
        assertTrue(waiting.end(write));
        waiting.release();
        assertEquals(List.of("x"), done);
    }

    @Test
    void whatIsLookedAtAsideHoldsNothing() {
        Object problems = waiting.begin(TaskPurpose.PROBLEMS);
        assertFalse(waiting.isHolding());
        assertTrue(waiting.end(problems));
    }
}
