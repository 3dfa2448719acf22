package dev.deftchisel.problem.detection;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What counts, and what is left alone. */
class ProblemScopeTest {

    private static final Path BERTH = Path.of("/harbour/Berth.java");
    private static final Path TIDE = Path.of("/harbour/tides/Tide.java");

    @Test
    void aWholeFileCountsEverywhere() {
        ProblemScope scope = ProblemScope.of(List.of(BERTH));
        assertTrue(scope.contains(BERTH, 0) && scope.contains(BERTH, 99));
        assertFalse(scope.contains(TIDE, 0));
    }

    @Test
    void aFolderIsLeftAloneWithAllThatIsInIt() {
        assertEquals(Set.of(BERTH), ProblemScope.of(List.of(BERTH, TIDE)).without(Path.of("/harbour/tides")).files());
    }

    @Test
    void aStretchIsLeftAloneAndWhatIsAroundItIsNot() {
        ProblemScope scope = ProblemScope.of(List.of(BERTH)).without(BERTH, new Range(10, 20), 50);
        assertEquals(List.of(new Range(0, 10), new Range(20, 50)), scope.stretches().get(BERTH));
        assertFalse(scope.contains(BERTH, 15));
    }

    @Test
    void aStretchMayCoverAllThatCounts() {
        assertEquals(Set.of(), ProblemScope.of(BERTH, new Range(12, 18)).without(BERTH, new Range(10, 20), 50).files());
        assertEquals(List.of(new Range(12, 18)), ProblemScope.of(BERTH, new Range(12, 18))
                .without(BERTH, new Range(30, 40), 50)
                .stretches().get(BERTH));
    }
}
