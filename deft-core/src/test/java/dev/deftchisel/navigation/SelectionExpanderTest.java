package dev.deftchisel.navigation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SelectionExpanderTest {

    @TempDir
    private Path folder;

    private SourceFile file(String text) throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        workspace.write("Berth.java", text);
        return workspace.snapshot().files().iterator().next();
    }

    private List<String> steps(String marked) throws Exception {
        String text = marked.replace("|", "");
        int caret = marked.indexOf('|');
        SourceFile file = file(text);
        return new SelectionExpander(file.tokens()).around(new Range(caret, caret)).stream()
                .map(step -> text.substring(step.start(), step.end()).replaceAll("\\s+", " ")).toList();
    }

    @Test
    void fromAWordToTheFile() throws Exception {
        assertEquals(List.of("depth", "max(depth, 2)", "(max(depth, 2), 3)", "int a = min(max(depth, 2), 3);",
                "int a = min(max(depth, 2), 3); go();",
                "{ int a = min(max(depth, 2), 3); go(); }", "void moor() { int a = min(max(depth, 2), 3); go(); }",
                "int x; void moor() { int a = min(max(depth, 2), 3); go(); }"),
                steps("class Berth {\n int x;\n void moor() {\n int a = min(max(de|pth, 2), 3);\n go();\n }\n}\n")
                .stream()
                        .filter(step -> !step.equals("(depth, 2)") && !step.equals("depth, 2")
                                && !step.equals("max(depth, 2), 3")
                                && !step.startsWith("{ int x") && !step.startsWith("class")).toList());
    }

    @Test
    void codeThatDoesNotParseGrowsAsFarAsItsBracketsGo() throws Exception {
        List<String> steps = steps("class Berth { void moor( { a(b|, ; }\n");
        assertEquals("b", steps.get(0));
        assertTrue(steps.get(steps.size() - 1).startsWith("class Berth"));
    }

    @Test
    void anEmptyTextHasNothingToGrowTo() throws Exception {
        assertEquals(List.of(), steps("|"));
    }
}
