package dev.deftchisel.proving.torture;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A few kills, so that the torture itself is known to work; thousands are for the command. */
class JournalTortureTest {

    @TempDir
    private Path folder;

    @Test
    void aKilledProcessLeavesAllOldOrAllNew() throws Exception {
        JournalTorture.Kills kills = new JournalTorture(folder.toRealPath()).kill(4, 1, 3, () -> { });
        assertEquals(4, kills.kills());
        assertEquals(List.of(), kills.wrong());
    }

    @Test
    void twoThatWriteAtOnceDoNotMixTheirFiles() throws Exception {
        assertEquals(List.of(), new JournalTorture(folder.toRealPath()).kill(2, 2, 5, () -> { }).wrong());
    }
}
