package dev.deftchisel.rewrite;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.sun.source.tree.ReturnTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.source.Range;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The opposite of a condition reads as plainly as a person would write it, and is false just where that is true. */
class NegationTest {

    @TempDir
    private Path folder;

    private String opposite(String condition, String... replacedNames) throws IOException {
        SampleWorkspace sample = new SampleWorkspace(folder);
        String source = "class Berth { int a, b; double d; boolean p, q, r; Object o;\n boolean one() { return "
                + condition + "; } }\n";
        Path file = sample.write("Berth.java", source);
        AttributedFile code = sample.analyst().analyse(Focus.whole(Set.of(file))).code(file).orElseThrow();
        int at = source.indexOf("return");
        TreePath way = code.around(new Range(at, at + 6)).stream()
                .filter(path -> path.getLeaf() instanceof ReturnTree).findFirst().orElseThrow();
        NewCode text = new NewCode(code.file());
        new Negation(code, (to, range) -> to.carry(range),
                path -> List.of(replacedNames).contains(code.text(path.getLeaf())))
                .write(text, new TreePath(way, ((ReturnTree) way.getLeaf()).getExpression()));
        return text.at(0).replacement();
    }

    @Test
    void comparisonsTurnRound() throws IOException {
        assertEquals("a != b", opposite("a == b"));
        assertEquals("a == b", opposite("a != b"));
        assertEquals("a >= b", opposite("a < b"));
        assertEquals("a < b", opposite("a >= b"));
        assertEquals("a <= b", opposite("a > b"));
        assertEquals("o == null", opposite("o != null"));
    }

    @Test
    void whatIsNoNumberIsNeitherLessNorMore() throws IOException {
        assertEquals("!(d < a)", opposite("d < a"));
        assertEquals("d != a", opposite("d == a"));
    }

    @Test
    void twoNegationsAreNone() throws IOException {
        assertEquals("p", opposite("!p"));
        assertEquals("p", opposite("!(p)"));
        assertEquals("p == q", opposite("!(p == q)"));
    }

    @Test
    void itGoesIntoTheParts() throws IOException {
        assertEquals("!p || a != b", opposite("p && a == b"));
        assertEquals("!p && !q", opposite("p || q"));
        assertEquals("(!p || !q) && r", opposite("p && q || !r"));
        assertEquals("!p && !q || !r", opposite("(p || q) && r"));
    }

    @Test
    void whateverElseStaysBehindOne() throws IOException {
        assertEquals("!(o instanceof String)", opposite("o instanceof String"));
        assertEquals("!one()", opposite("one()"));
        assertEquals("!(p ? q : r)", opposite("p ? q : r"));
        assertEquals("false", opposite("true"));
    }

    @Test
    void aNameForWhichMoreIsWrittenKeepsTogether() throws IOException {
        assertEquals("!(p)", opposite("p", "p"));
        assertEquals("(p)", opposite("!(p)", "p"));
    }
}
