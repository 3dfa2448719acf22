package dev.deftchisel.proving.compiled;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TestSuiteTest {

    @TempDir
    private Path reports;

    @Test
    void whatTheReportsSayIsCounted() throws IOException {
        Files.writeString(reports.resolve("TEST-one.xml"), """
                <testsuite name="One" tests="2" skipped="0" failures="1" errors="0">
                <testcase name="tooLong()" classname="BerthTest"><failure type="X"/></testcase>
                <testcase name="free()" classname="BerthTest"/>
                </testsuite>
                """);
        Files.writeString(reports.resolve("TEST-other.xml"), """
                <testsuite name="Other" tests="1" skipped="1" failures="0" errors="0">
                <testcase name="late()" classname="TideTest"><skipped/></testcase>
                </testsuite>
                """);
        assertEquals(new TestSuite.Result(3, 1, Set.of("BerthTest:tooLong()")), TestSuite.result(reports,
                Path.of("printed")));
    }

    @Test
    void noResultIsNoSuccess() throws IOException {
        assertEquals("the test suite did not run, see printed", assertThrows(IOException.class,
                () -> TestSuite.result(reports, Path.of("printed"))).getMessage());
        Files.writeString(reports.resolve("TEST-one.xml"), "<testsuite name='One' tests='0'/>");
        assertThrows(IOException.class, () -> TestSuite.result(reports, Path.of("printed")));
        Files.writeString(reports.resolve("TEST-one.xml"), "<testsuite");
        assertEquals("the report of the test suite cannot be read, see " + reports, assertThrows(IOException.class,
                () -> TestSuite.result(reports, Path.of("printed"))).getMessage());
    }
}
