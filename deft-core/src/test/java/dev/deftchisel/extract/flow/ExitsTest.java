package dev.deftchisel.extract.flow;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What becomes of the jumps out of a fragment. */
class ExitsTest {

    @TempDir
    private Path folder;

    private Exits.Kind kind(String members) throws IOException {
        Exits exits = FragmentSample.of(folder, members).exits();
        assertTrue(exits.objection().isEmpty(), exits.toString());
        return exits.kind();
    }

    private String objection(String members) throws IOException {
        return FragmentSample.of(folder, members).exits().objection().orElseThrow().sentence();
    }

    @Test
    void noJumps() throws IOException {
        assertEquals(Exits.Kind.NONE, kind("void pay(int days) { «rate = days;» }"));
    }

    @Test
    void aJumpThatEndsInsideIsNone() throws IOException {
        assertEquals(Exits.Kind.NONE,
                kind("void pay(int days) { «while (true) { if (days > rate) { break; } rate--; }» }"));
        assertEquals(Exits.Kind.NONE, kind("void pay() { «Runnable r = () -> { return; };» }"));
    }

    @Test
    void aValueOnAllWaysIsReturned() throws IOException {
        assertEquals(Exits.Kind.RETURNED, kind("int due(int days) { «if (days > 3) { return 1; } return rate;» }"));
    }

    @Test
    void aReturnAtTheEndOfAMethodIsDropped() throws IOException {
        assertEquals(Exits.Kind.DROPPED, kind("void pay(int days) { «if (days > 3) { return; } rate = 1;» }"));
    }

    @Test
    void aContinueAtTheEndOfARoundIsDropped() throws IOException {
        assertEquals(Exits.Kind.DROPPED,
                kind("void pay(int[] all) { for (int days : all) { «if (days > 3) { continue; } rate = 1;» } }"));
    }

    @Test
    void aBreakOnAllWaysFollowsTheCall() throws IOException {
        assertEquals(Exits.Kind.FOLLOWING,
                kind("void pay(int[] all) { for (int days : all) { «rate = days; break;» } }"));
    }

    @Test
    void aBreakOnSomeWaysIsAsked() throws IOException {
        assertEquals(Exits.Kind.FLAGGED,
                kind("void pay(int[] all) { for (int days : all) { «if (days > 3) { break; }» rate = 1; } }"));
    }

    @Test
    void oneConstantOnSomeWaysIsAsked() throws IOException {
        assertEquals(Exits.Kind.FLAGGED, kind("int due(int days) { «if (days > 3) { return 7; }» return rate; }"));
    }

    @Test
    void anObjectOnSomeWaysIsTold() throws IOException {
        assertEquals(Exits.Kind.MARKED,
                kind("Object due(int days) { «if (days > 3) { return new Object(); } if (days > 2) { return \"two\"; "
                        + "}» return this; }"));
    }

    @Test
    void whatAlwaysFailsInAMethodWithAValueIsThrown() throws IOException {
        assertEquals(Exits.Kind.THROWN, kind("int due() { «throw new IllegalStateException();» }"));
    }

    @Test
    void differentValuesOnSomeWaysAreInTheWay() throws IOException {
        assertEquals("this leaves the selected code on some paths only, with a value that cannot tell them from the "
                + "others",
                objection("int due(int days) { «if (days > 3) { return days; }» return rate; }"));
    }

    @Test
    void differentTargetsAreInTheWay() throws IOException {
        assertEquals("this leaves the selected code to somewhere else than 'break;' in line 4 does",
                objection("int due(int[] all) { for (int d : all) { «if (d > 3) { break; } if (d > 2) { return 1; }» "
                        + "} return 2; }"));
    }

    @Test
    void aValueThatIsNeededOnTheOtherWaysIsInTheWay() throws IOException {
        assertEquals("this leaves the selected code on some paths only, and 'due' is needed on the others",
                objection("int due(int days) { «int due = days; if (days > 3) { return 1; }» return due; }"));
    }

    @Test
    void theEndOfAFinallyBlockIsNotTheEndOfTheMethod() throws IOException {
        assertEquals(Exits.Kind.FLAGGED,
                kind("void pay(int days) { try { rate = 1; } finally { «if (days > 3) { return; } rate = 2;» } }"));
    }
}
