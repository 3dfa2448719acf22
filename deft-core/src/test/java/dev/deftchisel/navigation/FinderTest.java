package dev.deftchisel.navigation;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.navigation.declaration.DeclarationTree;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FinderTest {

    @TempDir
    private Path folder;
    private SampleWorkspace workspace;

    @BeforeEach
    void write() throws Exception {
        workspace = new SampleWorkspace(folder);
        workspace.write("harbour/Berth.java", """
                package harbour;

                class Berth {
                    int berth;

                    Berth() {
                    }

                    void berthAll() {
                    }

                    enum Side { LEFT_BERTH }
                }
                """);
        workspace.write("Quay.java", "class Quay { Berth broken(");
    }

    @Test
    void typesComeBeforeMembersAndBetterMatchesBeforeBoth() {
        assertEquals(List.of("Berth in harbour", "berth in Berth", "berthAll in Berth", "LEFT_BERTH in Side"),
                found("berth", 9));
        assertEquals(List.of("Berth in harbour"), found("berth", 1));
        assertEquals(List.of("berthAll in Berth"), found("bA", 9));
    }

    private List<String> found(String typed, int most) {
        return new Finder(workspace.snapshot()).find(typed, most).stream()
                .map(found -> found.member().name() + " in " + found.container()).toList();
    }

    @Test
    void aFileIsATreeOfTypesAndMembers() {
        SourceFile file = workspace.snapshot().files().stream().filter(one -> one.path().endsWith("Berth.java"))
                .findFirst().orElseThrow();
        assertEquals("Berth(berth, Berth(), berthAll(), Side(LEFT_BERTH))",
                shown(DeclarationTree.in(file), file.content()));
    }

    private static String shown(List<DeclarationTree> all, String content) {
        return all.stream().map(one -> one.member().signature(content)
                + (one.children().isEmpty() ? "" : "(" + shown(one.children(), content) + ")"))
                .collect(Collectors.joining(", "));
    }
}
