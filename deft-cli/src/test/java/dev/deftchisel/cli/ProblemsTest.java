package dev.deftchisel.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import dev.deftchisel.examples.DemoWorkspace;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Leads the command from problem to problem, as a user or a build does. */
class ProblemsTest {

    private static final String FILE = "src/main/java/harbour/office/Clearance.java";
    private static final String CODE = """
            package harbour.office;

            import harbour.tides.Tide;

            public class Clearance {

                private boolean paid;

                public void settle(boolean paid) {
                    paid = paid;
                }

                public boolean isPaid() {
                    return (paid);
                }
            }
            """;

    @TempDir
    private Path folder;

    @BeforeEach
    void copy() throws IOException {
        DemoWorkspace.beside().copyTo(folder);
        Files.writeString(folder.resolve(FILE), CODE);
    }

    private DeftProcess.Result deft(String... arguments) {
        return DeftProcess.call(folder, arguments);
    }

    private String code() throws IOException {
        return Files.readString(folder.resolve(FILE));
    }

    @Test
    void showsEachWithItsPlaceItsCodeAndItsFixes() throws Exception {
        DeftProcess.Result found = DeftProcess.run(folder, "problems", FILE);
        assertEquals(0, found.code(), found.err());
        assertEquals("""
                src/main/java/harbour/office/Clearance.java:3:1  warning  nothing here needs the import of 'harbour.tides.Tide'
                     3  \u00bbimport harbour.tides.Tide;\u00ab
                        unused-import  fix: remove the import

                src/main/java/harbour/office/Clearance.java:10:9  warning  'paid' is assigned to itself
                    10  \u00bbpaid = paid\u00ab;
                        self-assignment  fix: assign the field

                2 problems in 1 file: 2 warnings
                     1  self-assignment
                     1  unused-import
                and 1 quieter one (--least hint shows more)
                """, found.text());
    }

    @Test
    void failsFromAChosenSeverityOn() throws Exception {
        assertEquals(1, deft("problems", FILE, "--fail-at", "warning").code());
        assertEquals(0, deft("problems", FILE, "--fail-at", "warning", "--rules", "redundant-parentheses").code());
        assertEquals(2, deft("problems", FILE, "--fail-at", "never").code());
        DeftProcess.Result unknown = deft("problems", "--rules", "self-assign");
        assertEquals(2, unknown.code());
        assertEquals("deft: there is no rule or tag 'self-assign' (did you mean 'self-assignment'?); 'deft rules' "
                + "lists them\n",
                unknown.err());
        assertEquals(2, deft("problems", "no/such/folder").code());
    }

    @Test
    void goesFromOneToTheNext() throws Exception {
        DeftProcess.Result next = deft("next", FILE + ":4:1", "--json");
        JsonObject problem = JsonParser.parseString(next.text()).getAsJsonArray().get(0).getAsJsonObject();
        assertEquals("self-assignment", problem.get("rule").getAsString());
        assertEquals(10, problem.get("line").getAsInt());
        assertEquals(9, problem.get("column").getAsInt());
        assertEquals("assign the field", problem.getAsJsonArray("fixes").get(0).getAsString());
    }

    @Test
    void fixesOneAndAllAndTakesThemBack() throws Exception {
        DeftProcess.Result one = deft("fix", FILE + ":10:9");
        assertTrue(one.text().contains("+        this.paid = paid;"), one.text());
        assertEquals(CODE, code());
        assertEquals(0, deft("fix", FILE, "--rules", "suspicious,unused,redundant", "--apply").code());
        assertTrue(code().contains("this.paid = paid;"), code());
        assertTrue(code().contains("return paid;"), code());
        assertFalse(code().contains("import"), code());
        assertEquals(0, deft("undo").code());
        assertEquals(CODE, code());
        assertEquals(2, deft("fix").code());
        assertEquals(1, deft("fix", FILE + ":7:1").code());
    }

    @Test
    void leavesAloneWhatIsOmitted() throws Exception {
        DeftProcess.Result some = deft("fix", FILE, "--rules", "suspicious,unused", "--omit", FILE + ":10");
        assertTrue(some.text().contains("-import harbour.tides.Tide;"), some.text());
        assertFalse(some.text().contains("this.paid"), some.text());
        DeftProcess.Result none = deft("fix", "--rules", "suspicious,unused", "--omit", FILE);
        assertFalse(none.text().contains("Clearance"), none.text());
        assertEquals(2, deft("fix", FILE, "--rules", "suspicious", "--omit", "no/Such.java:1").code());
    }

    @Test
    void aSecondLookTellsTheSame() throws Exception {
        String first = deft("problems", "--least", "hint").text();
        assertTrue(Files.exists(folder.resolve(".deft/problems.json")), first);
        assertEquals(first, deft("problems", "--least", "hint").text());
        assertEquals(first, deft("problems", "--least", "hint", "--fresh").text());
        Files.writeString(folder.resolve(FILE), CODE.replace("return (paid);", "return paid;"));
        String changed = deft("problems", "--least", "hint").text();
        assertFalse(changed.contains("redundant-parentheses"), changed);
        assertEquals(deft("problems", "--least", "hint", "--fresh").text(), changed);
    }

    @Test
    void aBaselineKnowsWhatWasThereBefore() throws Exception {
        assertEquals(0, deft("problems", FILE, "--write-baseline", folder.resolve("known.json").toString()).code());
        DeftProcess.Result nothing = deft("problems", FILE, "--baseline", folder.resolve("known.json")
                .toString(), "--fail-at", "hint");
        assertEquals(0, nothing.code(), nothing.text());
        Files.writeString(folder.resolve(FILE), "// moved\n" + CODE.replace("return (paid);", "return (this.paid);"));
        JsonArray left = JsonParser.parseString(
                deft("problems", FILE, "--baseline", folder.resolve("known.json").toString(), "--least", "hint",
                        "--json").text()).getAsJsonArray();
        assertEquals(1, left.size(), left.toString());
        assertEquals("redundant-parentheses", left.get(0).getAsJsonObject().get("rule").getAsString());
        assertEquals(2, deft("problems", FILE, "--baseline", folder.resolve("none.json").toString()).code());
    }

    @Test
    void severitiesAreReadFromEditorConfig() throws Exception {
        Files.writeString(folder.resolve(".editorconfig"), """
                root = true
                [*.java]
                deft_self-assignment = error
                deft_all_unused = off
                """);
        JsonArray found = JsonParser.parseString(deft("problems", FILE, "--json").text()).getAsJsonArray();
        assertEquals(1, found.size(), found.toString());
        assertEquals("error", found.get(0).getAsJsonObject().get("severity").getAsString());
        assertEquals(1, deft("problems", FILE).code());
    }

    @Test
    void sarifIsValid() throws Exception {
        String log = deft("problems", FILE, "--least", "hint", "--format", "sarif").text();
        try (InputStream published = getClass().getResourceAsStream("/schema/sarif-schema-2.1.0.json")) {
            JsonSchema schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V7)
                    .getSchema(new String(published.readAllBytes(), StandardCharsets.UTF_8));
            assertEquals(List.of(), List.copyOf(schema.validate(log, InputFormat.JSON)));
        }
        JsonObject run = JsonParser.parseString(log).getAsJsonObject().getAsJsonArray("runs").get(0).getAsJsonObject();
        assertEquals(3, run.getAsJsonArray("results").size());
        JsonObject place = run.getAsJsonArray("results").get(1).getAsJsonObject().getAsJsonArray("locations").get(0)
                .getAsJsonObject().getAsJsonObject("physicalLocation");
        assertEquals(FILE, place.getAsJsonObject("artifactLocation").get("uri").getAsString());
        assertEquals(10, place.getAsJsonObject("region").get("startLine").getAsInt());
    }

    @Test
    void rulesAreListedAndExplained() throws Exception {
        assertTrue(deft("rules").text().contains("self-assignment"));
        String one = deft("rules", "self-assignment").text();
        assertTrue(one.contains("this.length = length;"), one);
        assertEquals(2, deft("rules", "self").code());
        assertEquals(Files.readString(Path.of("..", "docs", "rules.md")), deft("rules", "--page").text(),
                "docs/rules.md is not what 'deft rules --page' prints");
    }
}
