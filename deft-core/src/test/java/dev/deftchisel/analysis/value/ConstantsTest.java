package dev.deftchisel.analysis.value;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Values of constant expressions, against what the language says of them (JLS 15.29). */
class ConstantsTest {

    @TempDir
    private Path folder;

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "3 + 4 * 2 | 11",
        "-7 / 2 | -3",
        "-7 % 4 | -3",
        "1 << 33 | 2",
        "-1 >>> 28 | 15",
        "1L << 33 | 8589934592",
        "2147483647 + 1 | -2147483648",
        "(byte) 200 | -56",
        "(char) 66 | B",
        "'a' + 1 | 98",
        "7 / 2.0 | 3.5",
        "1f / 3 | 0.33333334",
        "(int) 2.9 | 2",
        "\"berth \" + 3 + 'b' | berth 3b",
        "3 < 4 && 'a' == 97 | true",
        "!(0.0 / 0 == 0.0 / 0) | true",
        "true ^ false | true",
        "LONGEST > 300 ? 1 : 2 | 1",
        "~5 | -6"
    })
    void areWorkedOut(String expression, String value) throws Exception {
        assertEquals(Optional.of(value), value(expression).map(String::valueOf));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"1 / 0", "other", "\"a\".length()", "null", "new int[0].length",
            "other > 2 || true"})
    void othersAreNot(String expression) throws Exception {
        assertEquals(Optional.empty(), value(expression));
    }

    private Optional<Object> value(String expression) throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        Path file = workspace.write("Berth.java", """
                class Berth {
                    static final int LONGEST = 400;
                    static int other = 3;
                    Object value = %s;
                }
                """.formatted(expression));
        AttributedFile code = workspace.analyst().analyse(Focus.whole(Set.of(file))).code(file).orElseThrow();
        TreePath field = code.around(code.members().get(2)).stream()
                .filter(path -> path.getLeaf() instanceof VariableTree).findFirst().orElseThrow();
        return Constants.value(code, new TreePath(field, ((VariableTree) field.getLeaf()).getInitializer()));
    }
}
