package dev.deftchisel.proving.surface;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.proving.Harbour;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.logging.LogManager;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SameEverywhereTest {

    @TempDir
    private Path folder;

    @Test
    void anOfferGivesTheSameBytesThroughEverySurface() throws IOException, InterruptedException {
        LogManager.getLogManager().reset();
        SameEverywhere.Result result = new SameEverywhere(Harbour.copy(folder), 4).run(1, 12);
        assertEquals(List.of(), result.wrong());
        assertTrue(result.taken().size() >= 4, result.taken().toString());
    }
}
