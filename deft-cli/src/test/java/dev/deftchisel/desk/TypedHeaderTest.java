package dev.deftchisel.desk;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.desk.background.ImmediateTasks;
import dev.deftchisel.desk.key.DefaultKeys;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.nio.file.Files;
import java.nio.file.Path;
import dev.deftchisel.desk.key.Command;
import dev.deftchisel.desk.key.KeyContext;
import dev.deftchisel.desk.picture.Picture;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A header that is typed on the desk, and carried to its calls. */
class TypedHeaderTest {

    private static final String TARIFF = """
            package harbour;

            class Tariff {
                int due(int days) {
                    return days * 3;
                }
            }
            """;
    private static final String OFFICE = """
            package harbour;

            class Office {
                int week() {
                    return new Tariff().due(7);
                }
            }
            """;

    @TempDir
    private Path folder;
    private Chisel chisel;
    private Desk desk;

    @BeforeEach
    void begin() throws Exception {
        folder = folder.toRealPath();
        Path home = Files.createDirectories(folder.resolve("src/main/java/harbour"));
        Files.writeString(folder.resolve("settings.gradle"), "");
        Path tariff = Files.writeString(home.resolve("Tariff.java"), TARIFF);
        Files.writeString(home.resolve("Office.java"), OFFICE);
        chisel = Chisel.open(OpenRequest.at(folder), Monitor.SILENT);
        CommandList commandList = CommandList.installed();
        desk = new Desk(chisel.workspace(), new CaretInFile(chisel.snapshot().file(tariff).orElseThrow(),
                TARIFF.indexOf(")", TARIFF.indexOf("due"))), new ImmediateTasks(chisel),
                DefaultKeys.with(commandList.operations()), commandList);
    }

    @AfterEach
    void close() {
        chisel.close();
    }

    private void press(String keys) {
        Key.chord(keys).orElseThrow().forEach(desk::press);
    }

    private boolean isTold() {
        Picture drawn = desk.draw(40, 120);
        return IntStream.range(0, drawn.height()).mapToObj(drawn::row)
                .anyMatch(row -> row.contains("carries this header"));
    }

    private String read(String name) throws Exception {
        return Files.readString(folder.resolve("src/main/java/harbour").resolve(name));
    }

    @Test
    void theOfferStandsFirstAndChangesBothFiles() throws Exception {
        desk.paste(", int rate = 4");
        assertTrue(isTold(), "it is told");
        DefaultKeys.with(List.of()).keys(KeyContext.CODE, Command.OFFERS.id()).orElseThrow().forEach(desk::press);
        press("Enter");
        press("Enter");
        assertEquals(TARIFF.replace("int days", "int days, int rate"), read("Tariff.java"));
        assertEquals(OFFICE.replace("due(7)", "due(7, 4)"), read("Office.java"));
        assertEquals(read("Tariff.java"), desk.draft().content());
        assertTrue(!isTold(), "all agree");
    }

    @Test
    void aHeaderWithoutMoreToWriteIsSavedWithItsCalls() throws Exception {
        press("Left Left Left Left");
        desk.paste("x");
        assertEquals(TARIFF.replace("int days)", "int xdays)"), desk.draft().content());
        DefaultKeys.with(List.of()).keys(KeyContext.CODE, Command.OFFERS.id()).orElseThrow().forEach(desk::press);
        press("Enter");
        press("Enter");
        assertEquals(TARIFF.replace("days", "xdays"), read("Tariff.java"));
        assertEquals(OFFICE, read("Office.java"));
    }
}
