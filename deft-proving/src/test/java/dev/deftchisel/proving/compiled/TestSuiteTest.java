package dev.deftchisel.proving.compiled;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Set;
import org.junit.jupiter.api.Test;

class TestSuiteTest {

    @Test
    void whatTheConsolePrintsIsRead() throws IOException {
        TestSuite.Result result = TestSuite.result("""
                Failures (1):
                  JUnit Jupiter:BerthTest:tooLong()
                    => java.lang.AssertionError

                [         4 containers found      ]
                [        12 tests found           ]
                [        11 tests successful      ]
                [         1 tests failed          ]
                """, Path.of("printed"));
        assertEquals(new TestSuite.Result(12, 11, Set.of("BerthTest:tooLong()")), result);
    }

    @Test
    void noResultIsNoSuccess() {
        assertEquals("the test suite did not run, see printed", assertThrows(IOException.class,
                () -> TestSuite.result("Error: could not find the main class", Path.of("printed"))).getMessage());
        assertThrows(IOException.class, () -> TestSuite.result("[ 0 tests found ]", Path.of("printed")));
    }
}
