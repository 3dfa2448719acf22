package dev.deftchisel.header.edited;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class EditedHeaderTest {

    private static final String AGREED = """
            package harbour;

            public abstract class Tariff {
                Tariff() {
                }

                /** Dues. */
                @Deprecated
                public int due(int days) throws java.io.IOException {
                    return days;
                }

                abstract int due(String name);

                record Season(String name, int rate) implements Comparable<Season> {
                    int twice() {
                        return rate * 2;
                    }
                }
            }
            """;

    private static Optional<EditedHeader> at(String text, String caret) {
        Path path = Path.of("/harbour/Tariff.java");
        return EditedHeader.at(SourceFile.alone(path, text), SourceFile.alone(path, AGREED), text.indexOf(caret));
    }

    private static String agreed(String part, String instead) {
        return at(AGREED.replace(part, instead), instead).map(EditedHeader::agreed).orElse("");
    }

    @Test
    void theHeaderThatStoodThereIsFound() {
        assertEquals("@Deprecated\n    public int due(int days) throws java.io.IOException",
                agreed("int due(int days)", "long due(int nights, int rate = 3)"));
        assertEquals("abstract int due(String name)", agreed("due(String name)", "fee(String name, int rate)"));
        assertEquals("Tariff()", agreed("Tariff() {", "Tariff(int rate) {"));
        assertEquals("record Season(String name, int rate)", agreed("(String name, int rate)", "(int rate)"));
        assertEquals("int twice()", agreed("int twice()", "long twice()"));
    }

    @Test
    void theTextWithItIsTheOneToPlanOn() {
        EditedHeader header = at(AGREED.replace("due(int days)", "due(int days, int rate)"), "due(int").orElseThrow();
        assertEquals(AGREED, header.base());
        assertEquals(AGREED.indexOf("due(int"), header.place().caret());
    }

    @Test
    void aBodyOrABlankIsNoOtherHeader() {
        assertTrue(at(AGREED.replace("return days;", "return days + 1;"), "due(int").isEmpty());
        assertTrue(at(AGREED.replace("due(int days)", "due( int  days )"), "due( int").isEmpty());
    }

    @Test
    void whatCannotBeReadYetIsNotOffered() {
        assertTrue(at(AGREED.replace("due(int days)", "due(int days, )"), "due(int").isEmpty());
        assertTrue(at(AGREED.replace("due(int days)", "due(int days, long)"), "due(int").isEmpty());
    }

    @Test
    void aNewMethodBesideIsNone() {
        String text = AGREED.replace("    abstract int due", "    int fee() {\n        return 3;\n    }\n\n"
                + "    abstract int due");
        assertTrue(at(text, "fee()").isEmpty());
        assertEquals("abstract int due(String name)", at(text.replace("due(String name)", "due(String title)"),
                "due(String").map(EditedHeader::agreed).orElse(""));
    }
}
