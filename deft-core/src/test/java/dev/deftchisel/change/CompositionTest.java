package dev.deftchisel.change;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * Two changes one after the other are one, whose text is the same and whose carried code is found where it stood first.
 */
class CompositionTest {

    private static final Path FILE = Path.of("/Berth.java");
    private static final String TEXT = "abcdefghij";

    private static Change change(String text, Edit... edits) {
        return new Change("test", List.of(new FileChange(FILE, Optional.empty(),
                SourceText.decode(text.getBytes(StandardCharsets.UTF_8), StandardCharsets.UTF_8), List.of(edits))),
                SymbolEffects.same(),
                        List.of());
    }

    private static String after(Change change) {
        return change.file(FILE).orElseThrow().after().content();
    }

    private static Edit code(int start, int end, String text, MovedCode... carried) {
        return Edit.of(new Range(start, end), text, Edit.Kind.CODE).carrying(List.of(carried));
    }

    private static MovedCode from(int start, int end, int at) {
        return new MovedCode(FILE, new Range(start, end), at);
    }

    /** Composes, and checks that the text is that of one after the other. */
    private static Change composed(Change first, Edit... second) {
        Change next = change(after(first), second);
        Change both = Composition.of(first, next);
        assertEquals(after(next), after(both));
        both.file(FILE).orElseThrow().takenEdits().forEach(edit -> edit.carried().forEach(piece -> assertEquals(
                TEXT.substring(piece.from().start(), piece.from().end()),
                edit.replacement().substring(piece.at(), piece.at() + piece.from().length()))));
        return both;
    }

    private static List<MovedCode> carried(Change change) {
        return change.file(FILE).orElseThrow().takenEdits().stream().flatMap(edit -> edit.carried().stream()).toList();
    }

    @Test
    void aNewFileThatIsWrittenOnStaysOneThatIsNew() {
        Change first = new Change("test", List.of(FileChange.created(FILE, StandardCharsets.UTF_8, "class Berth { }")),
                SymbolEffects.same(),
                List.of());
        Change both = Composition.of(first, change("class Berth { }", code(14, 14, "int depth; ")));
        FileChange file = both.file(FILE).orElseThrow();
        assertEquals("class Berth { int depth; }", file.after().content());
        assertTrue(file.isNew());
        assertEquals("", file.before().content());
    }

    @Test
    void editsApartStayApart() {
        Change both = composed(change(TEXT, code(1, 2, "BB")), code(6, 7, "F"));
        assertEquals(2, both.file(FILE).orElseThrow().takenEdits().size());
    }

    @Test
    void anEditWithinWhatWasWrittenIsOneWithIt() {
        Change both = composed(change(TEXT, code(1, 3, "[de]", from(3, 5, 1))), code(2, 3, "D"));
        assertEquals(1, both.file(FILE).orElseThrow().takenEdits().size());
        assertEquals(List.of(from(4, 5, 2)), carried(both));
    }

    @Test
    void codeThatIsCarriedTwiceIsFoundWhereItStoodFirst() {
        // "ab(gh)ghij": what the first change copied is copied on
        Change first = change(TEXT, code(2, 6, "(gh)", from(6, 8, 1)));
        Change both = composed(first, code(10, 10, "gh", from(3, 5, 0)));
        assertEquals(List.of(from(6, 8, 1), from(6, 8, 0)), carried(both));
    }

    @Test
    void codeFromPartlyNewTextIsCarriedAsFarAsItIsOld() {
        Change first = change(TEXT, code(2, 4, "X"));
        Change both = composed(first, code(9, 9, "bXe", from(1, 4, 0)));
        assertEquals(List.of(from(1, 2, 0), from(4, 5, 2)), carried(both));
    }

    @Test
    void whatTheSecondTakesBackIsGone() {
        Change both = composed(change(TEXT, code(3, 3, "new")), code(3, 6, ""));
        assertEquals(TEXT, after(both));
        assertEquals(List.of(), both.file(FILE).orElseThrow().takenEdits());
    }
}
