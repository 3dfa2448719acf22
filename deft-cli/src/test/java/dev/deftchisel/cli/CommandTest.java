package dev.deftchisel.cli;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import dev.deftchisel.examples.DemoWorkspace;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Leads the command through the harbour office as a user or a script does. */
class CommandTest {

    private static final String BERTH = "src/main/java/harbour/berths/Berth.java";

    @TempDir
    private Path folder;

    @BeforeEach
    void copy() throws IOException {
        DemoWorkspace.beside().copyTo(folder);
    }

    private DeftProcess.Result deft(String... arguments) {
        return DeftProcess.call(folder, arguments);
    }

    private String berth() throws IOException {
        return Files.readString(folder.resolve(BERTH));
    }

    @Test
    void previewIsADiffThatPatchTakesAndWritesNothing() throws Exception {
        String before = berth();
        DeftProcess.Result preview = DeftProcess.run(folder, "rename", "harbour.berths.Berth#moor(Vessel)", "dock");
        assertEquals(0, preview.code(), preview.err());
        assertEquals(before, berth());
        assertTrue(preview.err().contains("6 names in 3 files"), preview.err());

        Path diff = Files.write(folder.resolve("change.diff"), preview.out());
        Process patch = new ProcessBuilder("patch", "-p1", "-s", "-i", diff.toString())
                .directory(folder.toFile()).inheritIO().start();
        assertEquals(0, patch.waitFor());
        String patched = berth();
        assertTrue(patched.contains("public void dock(Vessel vessel) {"), patched);

        Files.writeString(folder.resolve(BERTH), before);
        copyBack("src/main/java/harbour/berths/BerthPlan.java");
        copyBack("src/test/java/harbour/berths/BerthTest.java");
        assertEquals(0, deft("rename", "harbour.berths.Berth#moor(Vessel)", "dock", "--apply").code());
        assertEquals(patched, berth());
    }

    private void copyBack(String path) throws IOException {
        Files.copy(Path.of("..", "deft-examples", "harbour").resolve(path), folder.resolve(path),
                StandardCopyOption.REPLACE_EXISTING);
    }

    @Test
    void applyUndoRedoHistory() throws Exception {
        String before = berth();
        assertEquals(0, deft("rename", BERTH + ":14:20", "guest", "--apply").code());
        String after = berth();
        assertTrue(after.contains("private Vessel guest;"), after);
        assertTrue(deft("history").text().contains("rename the field Berth.occupant to guest, 1 file"));
        assertEquals(0, deft("undo").code());
        assertEquals(before, berth());
        assertEquals(0, deft("redo").code());
        assertEquals(after, berth());
        assertEquals(0, deft("undo").code());
        DeftProcess.Result nothing = deft("undo");
        assertEquals(1, nothing.code());
        assertEquals("deft: there is nothing to undo\n", nothing.err());
    }

    @Test
    void aRefusalSaysWhereAndWhy() throws Exception {
        DeftProcess.Result refused = DeftProcess.run(folder, "rename", "harbour.office.Log#note(Object)", "warn",
                "--apply");
        assertEquals(1, refused.code());
        assertEquals("", refused.text());
        assertEquals("""
                refused, nothing was changed:
                  src/main/java/harbour/office/HarbourOffice.java:34:13: 'warn' would mean the method Log.warn(String) instead of the method Log.note(Object)
                """, refused.err());
    }

    @Test
    void jsonSaysTheSame() throws Exception {
        JsonObject preview = JsonParser.parseString(
                deft("rename", "harbour.tides.TideWindow", "Slack", "--json").text()).getAsJsonObject();
        assertEquals("preview", preview.get("outcome").getAsString());
        assertTrue(preview.getAsJsonArray("files").toString().contains(
                "\"moves-to\":\"src/main/java/harbour/tides/Slack.java\""), preview.toString());
        JsonObject refusal = JsonParser.parseString(
                deft("rename", "harbour.office.Log#note(Object)", "warn", "--json").text()).getAsJsonObject();
        assertEquals(34, refusal.getAsJsonArray("reasons").get(0).getAsJsonObject().get("line").getAsInt());
    }

    @Test
    void offersAndUses() throws Exception {
        // what is about the name itself comes first
        assertEquals("""
                change-signature  change the signature of TideWindow(LocalTime, Duration, LocalTime)
                move-type  move TideWindow to another package or type
                rename  rename the record harbour.tides.TideWindow
                generate-constructor  generate a constructor of TideWindow
                generate-equality  generate the equality of TideWindow
                generate-ordering  generate an ordering of TideWindow
                generate-test  generate tests of TideWindow
                generate-text-form  generate the text form of TideWindow
                implement-methods  override methods in TideWindow
                """, deft("offers", "harbour.tides.TideWindow").text());
        String uses = deft("uses", "harbour.berths.Berth#occupant()").text();
        assertTrue(uses.startsWith("method Berth.occupant(): 7 places in 5 files\n"), uses);
        assertTrue(uses.contains("src/test/java/harbour/berths/BerthTest.java:24:36 (test)"), uses);
        assertFalse(deft("uses", "harbour.berths.Berth#occupant()", "--code", "main").text().contains("(test)"));
    }

    @Test
    void testsAndWhatTheyTestAreFound() throws Exception {
        assertEquals("src/test/java/harbour/berths/BerthTest.java:16:7\n", deft("counterpart", "harbour.berths.Berth")
                .text());
        assertEquals("src/main/java/harbour/berths/Berth.java:9:14\n", deft("counterpart", "harbour.berths.BerthTest")
                .text());
        JsonObject found = JsonParser.parseString(deft("counterpart", "harbour.berths.Berth", "--json").text())
                .getAsJsonArray().get(0)
                .getAsJsonObject();
        assertEquals(16, found.get("line").getAsInt());
        DeftProcess.Result none = deft("counterpart", "harbour.dues.Money");
        assertEquals("", none.text());
        assertTrue(none.err().contains("'deft generate-test' writes a test"), none.err());
    }

    @Test
    void aTestComesToBeBesideTheOthers() throws Exception {
        String diff = deft("generate-test", "harbour.dues.Money", "--members", "plus", "--set-up").text();
        assertTrue(diff.contains("--- /dev/null\n+++ b/src/test/java/harbour/dues/MoneyTest.java"), diff);
        assertTrue(diff.contains("+    @BeforeEach\n+    void setUp() {\n+        money = new Money("), diff);
        assertTrue(deft("generate-test", "harbour.berths.Berth", "--members", "moor").text()
                .contains("+    void moor() {"));
        assertTrue(deft("generate-test", "harbour.berths.BerthTest").err()
                .contains("there is no top-level type of the main code here"));
    }

    @Test
    void mentionsAreTakenAndLeftOutAsTold() throws Exception {
        assertEquals(0, deft("rename", "harbour.reports.DayReport", "BerthReport", "--mentions", "all",
                "--omit", "src/main/resources/harbour/board.xml:3", "--apply").code());
        String board = Files.readString(folder.resolve("src/main/resources/harbour/board.xml"));
        assertTrue(board.contains("<!-- the DayReport is shown first -->"), board);
        assertTrue(board.contains("<panel type=\"harbour.reports.BerthReport\""), board);
    }

    @Test
    void leavingOutAReferenceIsRefused() throws Exception {
        DeftProcess.Result refused = deft("rename", "harbour.berths.Berth#moor(Vessel)", "dock",
                "--omit", "src/main/java/harbour/berths/BerthPlan.java");
        assertEquals(1, refused.code());
        assertTrue(refused.err().contains("BerthPlan.java:26:19"), refused.err());
    }

    @Test
    void everyByteOutsideTheEditsStays() throws Exception {
        Path file = folder.resolve("src/main/java/harbour/office/Odd.java");
        byte[] before = ("\uFEFFpackage harbour.office;\r\n\tclass Odd {\t\r\n  String s = \"\uD83D\uDEA2\"; int "
                + "a\\u0062c; // \uD83D\uDEA2\r"
                + "  int d() { return abc ; }\n\n}").getBytes(StandardCharsets.UTF_8);
        Files.write(file, before);
        assertEquals(0, deft("rename", "harbour.office.Odd#abc", "xyz", "--apply").code());
        byte[] expected = new String(before, StandardCharsets.UTF_8)
                .replace("a\\u0062c", "xyz").replace("abc", "xyz").getBytes(StandardCharsets.UTF_8);
        assertArrayEquals(expected, Files.readAllBytes(file));
        DeftProcess.Result diff = deft("rename", "harbour.office.Odd#xyz", "xy");
        assertTrue(diff.text().contains("\\ No newline at end of file"), diff.text());
    }

    @Test
    void theCharsetOfTheBuildIsKept() throws Exception {
        Path pom = folder.resolve("pom.xml");
        Files.writeString(pom, Files.readString(pom).replace(
                "<project.build.sourceEncoding>UTF-8", "<project.build.sourceEncoding>ISO-8859-1"));
        Path file = folder.resolve("src/main/java/harbour/office/Latin.java");
        Files.write(file, "package harbour.office; class Latin { String h\u00E4fen = \"\u00FC\"; }\n"
                .getBytes(StandardCharsets.ISO_8859_1));
        assertEquals(0, deft("rename", "harbour.office.Latin#h\u00E4fen", "k\u00FCste", "--apply").code());
        assertArrayEquals("package harbour.office; class Latin { String k\u00FCste = \"\u00FC\"; }\n"
                .getBytes(StandardCharsets.ISO_8859_1), Files.readAllBytes(file));
        DeftProcess.Result refused = deft("rename", "harbour.office.Latin#k\u00FCste", "\u0142\u00F3d\u017A");
        assertEquals(1, refused.code());
        assertTrue(refused.err().contains("cannot be written in ISO-8859-1"), refused.err());
    }
}
