package dev.deftchisel.guard;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.MovedCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Code may go when other code does the same: by other names for variables, and with values that are passed. */
class EquivalentCodeTest {

    private static final String SOURCE = """
            class Berth {
                int depth;
                int low;
                void one(int length) {
                    int sum = length + 2; show(sum, depth);
                }
                void two(int metres) {
                    int all = metres + 2; show(all, depth);
                }
                void three(int metres) {
                    int all = metres + 2; show(metres, depth);
                }
                void four(int metres) {
                    int all = metres + 3; show(all, depth);
                }
                void five(int metres) {
                    int all = metres + 2; show(all, low);
                }
                void show(int a, int b) { }
            }
            """;

    @TempDir
    private Path folder;
    private Path file;
    private Analysis before;
    private SourceFile source;

    @BeforeEach
    void open() throws IOException {
        SampleWorkspace sample = new SampleWorkspace(folder);
        file = sample.write("Berth.java", SOURCE);
        before = sample.analyst().analyse(Focus.whole(Set.of(file)));
        source = before.snapshot().file(file).orElseThrow();
    }

    /** The statements of a method. */
    private static Range body(String method) {
        int start = SOURCE.indexOf("int", SOURCE.indexOf("{", SOURCE.indexOf("void " + method)));
        return new Range(start, SOURCE.indexOf("\n", start));
    }

    private static Range number(String method, String number) {
        int at = SOURCE.indexOf(number, body(method).start());
        return new Range(at, at + number.length());
    }

    private boolean areAlike(String gone, Edit edit, DuplicateClaim.Varied... varied) {
        return new EquivalentCode(before, source)
                .areAlike(edit, new DuplicateClaim(body(gone), body("one"), List.of(varied), true, Optional.empty()));
    }

    private static Edit nothing(String gone) {
        return Edit.of(body(gone), "", Edit.Kind.CODE);
    }

    @Test
    void variablesMayHaveOtherNames() {
        assertTrue(areAlike("two", nothing("two")));
    }

    @Test
    void eachNameStandsForOneOnly() {
        assertFalse(areAlike("three", nothing("three")));
    }

    @Test
    void fieldsAreNoVariablesOfABody() {
        assertFalse(areAlike("five", nothing("five")));
    }

    @Test
    void aValueMayDifferWhenItIsHandedOver() {
        DuplicateClaim.Varied value = new DuplicateClaim.Varied(number("four", "3"), number("one", "2"));
        assertFalse(areAlike("four", nothing("four")));
        assertFalse(areAlike("four", nothing("four"), value));
        Edit call = Edit.of(body("four"), "call(3)", Edit.Kind.CODE)
                .carrying(List.of(new MovedCode(file, number("four", "3"), 5)));
        assertTrue(areAlike("four", call, value));
    }
}
