package dev.deftchisel.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.examples.DemoWorkspace;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** The real screen on a real terminal, and what the command says without one. */
@Timeout(120)
class DeskCommandTest {

    private static final String BERTH = "src/main/java/harbour/berths/Berth.java";
    /** The other screen of a terminal, to and fro (xterm, mode 1049). */
    private static final String ENTER = "\u001b[?1049h";
    private static final String EXIT = "\u001b[?1049l";

    @TempDir
    private Path folder;

    @BeforeEach
    void copy() throws IOException {
        DemoWorkspace.beside().copyTo(folder);
    }

    private DeftProcess.Result deft(String... arguments) throws IOException, InterruptedException {
        return DeftProcess.run(folder, arguments);
    }

    private TerminalSession desk(String... arguments) throws IOException {
        return new TerminalSession(folder, Stream.concat(Stream.of("desk"), Stream.of(arguments))
                .toArray(String[]::new));
    }

    @Test
    void thePageOfKeysIsWhatTheKeysAre() throws Exception {
        assertEquals(Files.readString(Path.of("..", "docs", "keys.md")), deft("desk", "--keys", "--page").text(),
                "docs/keys.md is not what 'deft desk --keys --page' prints");
    }

    @Test
    void itNeedsATerminal() throws Exception {
        DeftProcess.Result result = deft("desk");
        assertEquals(2, result.code());
        assertEquals("deft: 'deft desk' needs a terminal; 'deft desk --keys' prints what its keys do", result.err()
                .strip());
    }

    @Test
    void ownKeysThatClashAreTold() throws Exception {
        Path keys = Files.writeString(folder.resolve("keys"), "uses = Alt-r\n");
        DeftProcess.Result result = deft("desk", "--keys", "--key-file", keys.toString());
        assertEquals(1, result.code());
        assertEquals("keys:1: Alt-r is for 'uses' and 'rename'; the first of them counts", result.err().strip());
        assertTrue(result.text().lines().anyMatch(line -> line.matches("\\s+Alt-r\\s+uses\\s.*")), result.text());
    }

    @Test
    void aKeyFileThatIsNotThereIsTold() throws Exception {
        DeftProcess.Result result = deft("desk", "--keys", "--key-file", "nowhere");
        assertEquals(2, result.code());
        assertEquals("deft: nowhere: there is no such file", result.err().strip());
    }

    @Test
    void aRenameOnARealTerminalAndTheTerminalAsItWas() throws Exception {
        try (TerminalSession session = desk("harbour.berths.Berth#occupant")) {
            session.await(0, shown -> shown.contains("Berth.java") && shown.contains("occupant"));
            session.send("\u001br", shown -> shown.contains("type a name"));
            session.send("vessel", shown -> shown.contains("6 names in 1 file"));
            session.send("\r", shown -> shown.contains("apply"));
            session.send("\r", shown -> shown.contains("done: rename the field"));
            assertTrue(Files.readString(folder.resolve(BERTH)).contains("private Vessel vessel;"));
            session.send("\u001a", shown -> shown.contains("taken back"));
            assertTrue(Files.readString(folder.resolve(BERTH)).contains("private Vessel occupant;"));
            String end = session.send("\u0011", shown -> shown.contains(EXIT));
            assertTrue(end.contains("\u001b[?25h"), "the caret is to be seen again");
            assertEquals(0, session.end());
            assertTrue(session.await(0, shown -> shown.contains(ENTER)).indexOf(ENTER) < session.await(0, shown -> true)
                    .indexOf(EXIT));
        }
    }

    @Test
    void whatIsTypedBeforeTheFirstScreenIsNotForTheText() throws Exception {
        try (TerminalSession session = desk("harbour.berths.Berth#occupant")) {
            session.send("early", shown -> shown.contains(ENTER));
            session.await(0, shown -> shown.contains("occupant") && shown.contains("Berth.java"));
            session.send("late_", shown -> shown.contains("not saved"));
            session.send("\u0013", shown -> shown.contains("saved src"));
            assertTrue(Files.readString(folder.resolve(BERTH)).contains("private Vessel late_occupant;"));
            session.send("\u0011", shown -> shown.contains(EXIT));
            assertEquals(0, session.end());
        }
    }

    @Test
    void keysOfTheTerminalItselfDoNotEndIt() throws Exception {
        try (TerminalSession session = desk("harbour.berths.Berth#occupant")) {
            session.await(0, shown -> shown.contains("occupant"));
            // they would interrupt, stop, and stop output
            session.send("\u0003", shown -> true);
            session.send("x", shown -> shown.contains("not saved"));
            session.send("\u0013", shown -> shown.contains("saved src"));
            assertTrue(Files.readString(folder.resolve(BERTH)).contains("private Vessel xoccupant;"));
            session.send("\u0011", shown -> shown.contains(EXIT));
            assertEquals(0, session.end());
        }
    }

    @Test
    void whatWasTypedOutlivesAKill() throws Exception {
        try (TerminalSession session = desk("harbour.berths.Berth#occupant")) {
            session.await(0, shown -> shown.contains("occupant"));
            session.send("unsaved_", shown -> shown.contains("not saved"));
            session.terminate();
            session.await(0, shown -> shown.contains(EXIT));
            session.end();
        }
        assertFalse(Files.readString(folder.resolve(BERTH)).contains("unsaved_"));
        List<Path> kept;
        try (Stream<Path> all = Files.walk(folder.resolve(".deft").resolve("unsaved"))) {
            kept = all.filter(Files::isRegularFile).toList();
        }
        assertEquals(1, kept.size());
        assertTrue(Files.readString(kept.get(0)).contains("unsaved_"), "what was typed is kept");
    }
}
