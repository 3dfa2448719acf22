package dev.deftchisel.proving.corpus;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CorpusListTest {

    @Test
    void linesAreNamesAndCoordinates() {
        CorpusList list = CorpusList.parse("# harbours\nquay  harbour:quay:1.0  # the old one\n\n");
        assertEquals(Map.of("quay", "harbour:quay:1.0"), list.coordinates());
        assertEquals("harbour:quay:1.0", list.resolve("quay"));
        assertEquals("a:b:2", list.resolve("a:b:2"));
        assertEquals("there is no corpus 'mole'; there are quay, or give group:artifact:version",
                assertThrows(CorpusException.class, () -> list.resolve("mole")).getMessage());
    }

    @Test
    void theListThatComesAlongNamesTheFour() {
        assertEquals(4, CorpusList.standard().coordinates().size());
    }

    @Test
    void whatIsNotHereIsSaidInOneLine(@TempDir Path cache) {
        CorpusException absent = assertThrows(CorpusException.class,
                () -> new Depot(cache, false).corpus("mole", "harbour.none:mole:9"));
        assertEquals("harbour.none:mole:9 is not on this machine; fetch it with --online", absent.getMessage());
        assertTrue(absent.getMessage().lines().count() == 1);
    }
}
