package dev.deftchisel.proving.trial;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class SmallestTest {

    private static final List<Integer> HUNDRED = IntStream.range(0, 100).boxed().toList();

    @Test
    void whatIsNeededIsAllThatIsLeft() {
        AtomicInteger asked = new AtomicInteger();
        assertEquals(List.of(3, 40, 97), Smallest.of(HUNDRED, some -> {
            asked.incrementAndGet();
            return some.containsAll(List.of(3, 40, 97));
        }));
        assertTrue(asked.get() < 80, "far fewer questions than subsets: " + asked);
    }

    @Test
    void nothingMayBeLeftAtAll() {
        assertEquals(List.of(), Smallest.of(HUNDRED, some -> true));
    }

    @Test
    void everythingMayBeNeeded() {
        assertEquals(List.of(1, 2), Smallest.of(List.of(1, 2), some -> some.size() == 2));
    }
}
