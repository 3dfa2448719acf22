package dev.deftchisel.extract.flow;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Which values a fragment needs, and which it leaves behind. */
class FlowTest {

    @TempDir
    private Path folder;

    /** For instance {@code "in: days, fee; out: sum; own: step"}. */
    private String flow(String members) throws IOException {
        Flow flow = FragmentSample.of(folder, members).flow();
        return "in: " + names(flow.inputs()) + "; out: " + names(flow.outputs()) + "; own: "
                + names(flow.movedInside());
    }

    private static String names(List<Flow.Variable> variables) {
        return variables.stream().map(Flow.Variable::name).collect(Collectors.joining(", "));
    }

    private static boolean isReadAfterFailure(Flow flow, String name) {
        return flow.variables().stream().anyMatch(variable -> variable.name().equals(name)
                && variable.readAfterFailure().isPresent());
    }

    @Test
    void whatIsReadGoesIn() throws IOException {
        assertEquals("in: days, fee; out: ; own: ", flow("""
                void pay(int days, int fee, int other) {
                    «System.out.println(days * fee + rate);»
                }"""));
    }

    @Test
    void whatIsDeclaredInsideAndReadBehindComesOut() throws IOException {
        assertEquals("in: days; out: due; own: ", flow("""
                int due(int days) {
                    «int due = days * rate;
                    int unused = due;»
                    return due;
                }"""));
    }

    @Test
    void whatGetsItsValueFirstNeedNotGoIn() throws IOException {
        assertEquals("in: days; out: due; own: due", flow("""
                int due(int days) {
                    int due;
                    «due = days;
                    due += rate;»
                    return due;
                }"""));
    }

    @Test
    void whatIsWrittenOnSomeWaysGoesInToo() throws IOException {
        assertEquals("in: days, due; out: due; own: ", flow("""
                int due(int days) {
                    int due = 1;
                    «if (days > 3) {
                        due = days;
                    }»
                    return due;
                }"""));
    }

    @Test
    void aScratchVariableMovesInside() throws IOException {
        assertEquals("in: days; out: ; own: step", flow("""
                void pay(int days) {
                    int step;
                    «step = days;
                    System.out.println(step);»
                }"""));
    }

    @Test
    void theNextRoundOfALoopNeedsWhatThisOneLeaves() throws IOException {
        assertEquals("in: sum, day; out: sum; own: ", flow("""
                void pay(int[] days) {
                    int sum = 0;
                    for (int day : days) {
                        «sum = sum + day;»
                    }
                }"""));
    }

    @Test
    void aRoundThatStartsAfreshNeedsNothingOfTheLast() throws IOException {
        assertEquals("in: day; out: ; own: last", flow("""
                void pay(int[] days) {
                    int last;
                    for (int day : days) {
                        «last = day;
                        System.out.println(last);»
                    }
                }"""));
    }

    @Test
    void nothingIsNeededBehindWhatNeverGoesOn() throws IOException {
        assertEquals("in: days; out: ; own: due", flow("""
                int due(int days) {
                    int due = 0;
                    if (days > 3) {
                        «due = days;
                        throw new IllegalStateException("" + due + days);»
                    }
                    return due;
                }"""));
    }

    @Test
    void aFieldIsNoVariableOfTheBody() throws IOException {
        assertEquals("in: ; out: ; own: ", flow("void set() { «rate = rate + 1;» }"));
    }

    @Test
    void aPatternCannotBeDeclaredAgainBehind() throws IOException {
        Flow flow = FragmentSample.of(folder, """
                boolean isLong(Object o) {
                    return «o instanceof String s» && s.length() > 3;
                }""").flow();
        assertEquals("s", names(flow.outputs()));
        assertTrue(flow.outputs().get(0).isDeclaredOnlyInside());
    }

    @Test
    void aHandlerReadsWhatATryHasWritten() throws IOException {
        Flow flow = FragmentSample.of(folder, """
                int read(String text) {
                    int at = 0;
                    try {
                        «at = 1;
                        at = Integer.parseInt(text);»
                    } catch (NumberFormatException e) {
                        return at;
                    }
                    return 0;
                }""").flow();
        assertTrue(isReadAfterFailure(flow, "at"));
    }

    @Test
    void oneAssignmentThatFailsHasWrittenNothing() throws IOException {
        Flow flow = FragmentSample.of(folder, """
                int read(String text) {
                    int at = 0;
                    try {
                        «at = Integer.parseInt(text);»
                    } catch (NumberFormatException e) {
                        return at;
                    }
                    return 0;
                }""").flow();
        assertFalse(isReadAfterFailure(flow, "at"));
    }
}
