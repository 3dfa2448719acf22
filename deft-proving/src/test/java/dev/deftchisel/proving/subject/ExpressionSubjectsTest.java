package dev.deftchisel.proving.subject;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.Harbour;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.opening.Workspaces;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ExpressionSubjectsTest {

    @TempDir
    private Path folder;

    private ExpressionSubjects subjects(String source) throws Exception {
        Snapshot snapshot = Snapshot.read(Workspaces.installed()
                .open(Harbour.of(folder, "Berth.java", source).request()));
        return new ExpressionSubjects(new Analyst(snapshot, new Libraries(), Monitor.SILENT), Draw.of(3),
                "extract-variable", true);
    }

    @Test
    void onlyExpressionsWithAValueInABodyComeUp() throws Exception {
        ExpressionSubjects subjects = subjects("""
                class Berth {
                    int depth = 1 + 2;
                    @SuppressWarnings("none")
                    Berth(Object other) {
                        this.depth = 5;
                        if (other instanceof Berth berth) {
                            Math.abs(berth.depth);
                        }
                    }
                }
                """);
        Set<String> titles = new TreeSet<>();
        for (int number = 0; number < 60; number++) {
            titles.add(subjects.subject(number).title());
            assertEquals(subjects.subject(number), subjects.subject(number));
        }
        assertEquals(Set.of("extract-variable of '5'", "extract-variable of 'other'", "extract-variable of 'berth'",
                "extract-variable of 'berth.depth'"), titles);
    }

    @Test
    void barrenPlacesAreKeywordsOfDeclarations() throws Exception {
        String source = "public class Berth { private int depth; Class<?> type = int.class; }";
        ExpressionSubjects subjects = subjects(source);
        for (int number = 0; number < 20; number++) {
            Place place = subjects.barren(number);
            String word = source.substring(place.selection().start(), place.selection().end());
            assertTrue(Set.of("public", "class", "private").contains(word), word);
        }
    }
}
