package dev.deftchisel.proving.desk;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.proving.Harbour;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RandomKeysTest {

    @TempDir
    private Path folder;

    @Test
    void theScreenTakesWhateverIsPressed() throws IOException {
        RandomKeys.Result result = new RandomKeys(3).press(Harbour.copy(folder).request(), 4000);
        assertEquals(List.of(), result.wrong());
        assertTrue(result.desks() > 1, "it was left and begun again");
    }
}
