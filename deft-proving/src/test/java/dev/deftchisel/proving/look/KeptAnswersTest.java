package dev.deftchisel.proving.look;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.proving.Harbour;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** On the harbour office: what is kept changes no answer, and uses are those of the class files. */
class KeptAnswersTest {

    @TempDir
    private Path folder;

    @Test
    void whatIsKeptChangesNoAnswer() throws Exception {
        for (KeptAnswers.Row row : KeptAnswers.ask(Harbour.copy(folder), 12, 3)) {
            assertEquals(12, row.kept().size());
            assertEquals(List.of(), row.different(), row.question());
        }
    }

    @Test
    void allUsesInClassFilesAreFound() throws Exception {
        ClassFileUses.Found found = ClassFileUses.ask(Harbour.copy(folder), 40, 3);
        assertTrue(found.files() > 20, found.toString());
        assertEquals(List.of(), found.missed());
    }
}
