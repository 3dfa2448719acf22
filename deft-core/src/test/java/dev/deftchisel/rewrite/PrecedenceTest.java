package dev.deftchisel.rewrite;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.source.Range;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Parentheses are put where the code would be read otherwise, and nowhere else. */
class PrecedenceTest {

    @TempDir
    private Path folder;

    /** Whether an expression needs parentheses in the place of {@code hole} in another one. */
    private boolean needs(String moved, String around) throws IOException {
        SampleWorkspace sample = new SampleWorkspace(folder);
        String source = "class Berth { int a, b, hole; int[] c; String t;\n Object one() { return " + moved
                + "; }\n Object other() { return " + around + "; } }\n";
        Path file = sample.write("Berth.java", source);
        AttributedFile code = sample.analyst().analyse(Focus.whole(Set.of(file))).code(file).orElseThrow();
        int start = source.indexOf("hole", source.indexOf("other"));
        TreePath hole = code.around(new Range(start, start + 4)).get(0);
        int one = source.indexOf("return");
        ExpressionTree value = code.around(new Range(one, one + 6)).stream()
                .filter(path -> path.getLeaf() instanceof ReturnTree)
                .map(path -> ((ReturnTree) path.getLeaf()).getExpression())
                .findFirst().orElseThrow();
        return Precedence.needsParentheses(value, hole.getLeaf(), hole.getParentPath().getLeaf());
    }

    @Test
    void aWeakerOperatorNeedsThem() throws IOException {
        assertTrue(needs("a + b", "hole * 2"));
        assertFalse(needs("a * b", "hole + 2"));
        assertTrue(needs("a > b ? a : b", "hole + 2"));
        assertTrue(needs("a + b", "-hole"));
    }

    @Test
    void onTheRightAnEqualOperatorNeedsThem() throws IOException {
        assertTrue(needs("a - b", "2 - hole"));
        assertFalse(needs("a - b", "hole - 2"));
    }

    @Test
    void signsMustNotGrowTogether() throws IOException {
        assertTrue(needs("-a", "-hole"));
        assertFalse(needs("~a", "-hole"));
    }

    @Test
    void asArgumentOrWholeNothingNeedsThem() throws IOException {
        assertFalse(needs("a + b", "String.valueOf(hole)"));
        assertFalse(needs("a + b", "c[hole]"));
        assertFalse(needs("a + b", "(hole) * 2"));
    }
}
