package dev.deftchisel.proving.mend;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.proving.Harbour;
import dev.deftchisel.proving.corpus.Corpus;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The measures of problems and fixes, on code small enough to know what they must say. */
class MendTest {

    private static final String CODE = """
            package harbour;

            import java.util.List;
            import java.util.Map;

            class Berths {
                private final List<String> names = List.of("east", "west");

                boolean isKnown(String name) {
                    int spare = 0;
                    return names.contains(name) ? true : false;
                }

                Object size() {
                    return (Object) (names.size());
                }
            }
            """;

    @TempDir
    private Path folder;
    private Corpus corpus;

    @BeforeEach
    void write() throws Exception {
        Files.createDirectories(folder.resolve("harbour"));
        corpus = Harbour.of(folder, "harbour/Berths.java", CODE);
    }

    private FixedEverywhere.Result fixed(String rule, boolean keepsClasses) throws Exception {
        return new FixedEverywhere(corpus, Optional.empty())
                .run(List.of(new FixedEverywhere.Turn(rule, Set.of(rule), keepsClasses, true))).get(0);
    }

    @Test
    void fixesAreCountedAndTakenBack() throws Exception {
        FixedEverywhere.Result result = fixed("unused-import", true);
        assertEquals(Map.of("unused-import", 1), result.fixes());
        assertEquals(List.of(), result.objections());
        assertEquals(CODE, Files.readString(folder.toRealPath().resolve("harbour/Berths.java")));
    }

    @Test
    void aRuleThatChangesClassesIsFoundOut() throws Exception {
        assertEquals(List.of(), fixed("unused-variable", false).objections());
        List<String> objections = fixed("unused-variable", true).objections();
        assertEquals(1, objections.size());
        assertTrue(objections.get(0).startsWith("harbour/Berths"), objections.get(0));
    }

    @Test
    void whatIsBrokenIsMended() {
        List<Mended.Result> told = new ArrayList<>();
        List<Mended.Result> results = new Mended(corpus, 1, told::add).run(9);
        assertEquals(told, results);
        assertTrue(results.stream().anyMatch(result -> result.kind().equals("IMPORT") && result.fix() == 1),
                results::toString);
        assertTrue(results.stream().anyMatch(result -> result.kind().equals("RETURN") && result.fix() > 0),
                results::toString);
    }
}
