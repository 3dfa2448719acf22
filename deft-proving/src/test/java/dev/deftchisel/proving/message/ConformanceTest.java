package dev.deftchisel.proving.message;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.proving.Harbour;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Each request of the protocol is answered as it must be: what is claimed without failures, the rest as not there. */
class ConformanceTest {

    private static final String NOT_FOUND = "-32601";
    /** Invalid parameters, content modified, request failed: a client may see these where it asks for what is not. */
    private static final Set<String> ANSWERS = Set.of("result", "empty", "-32602", "-32801", "-32803", "-32700");

    @TempDir
    private Path folder;

    private List<Conformance.Row> rows(String abilities) throws Exception {
        Corpus harbour = Harbour.copy(folder);
        SourceFile open;
        try (Chisel chisel = Chisel.open(harbour.request(), Monitor.SILENT)) {
            open = chisel.snapshot().files().stream()
                    .filter(file -> file.path().endsWith("BerthPlan.java")).findFirst().orElseThrow();
        }
        return Conformance.ask(harbour.request().folder(), abilities, open, 1, 1);
    }

    private static void check(List<Conformance.Row> rows) {
        rows.stream().filter(row -> !row.answers().isEmpty()).forEach(row -> {
            Set<String> kinds = row.answers().keySet();
            if (row.isClaimed() || row.method().name().endsWith("iagnostic")) {
                assertTrue(ANSWERS.containsAll(kinds), row.method().name() + " " + kinds);
            } else {
                assertEquals(Set.of(NOT_FOUND), kinds, row.method().name());
            }
        });
        assertTrue(rows.stream().filter(Conformance.Row::isClaimed).count() > 40);
    }

    @Test
    void toAClientWithAllAbilities() throws Exception {
        check(rows(Conformance.allAbilities()));
    }

    @Test
    void toAClientWithNone() throws Exception {
        check(rows("{}"));
    }

    @Test
    void theListHoldsEachMethodOnce() {
        List<String> names = ProtocolMethod.all().stream().map(ProtocolMethod::name).toList();
        assertEquals(names.stream().distinct().toList(), names);
        assertTrue(names.contains("textDocument/hover") && names.size() > 60, names.size() + " methods");
    }
}
