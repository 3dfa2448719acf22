package dev.deftchisel.proving.subject;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.Harbour;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.opening.Workspaces;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class RenameSubjectsTest {

    private final Snapshot snapshot = Snapshot.read(Workspaces.installed().open(Harbour.office().request()));

    private Subjects subjects(long seed, int clashing, Set<SymbolKind> skipped) {
        return new RenameSubjects(new Analyst(snapshot, new Libraries(), Monitor.SILENT), Draw.of(seed), clashing,
                skipped);
    }

    private static String newName(Subject subject) {
        return subject.answers().single("name").orElseThrow();
    }

    private static List<Subject> first(Subjects subjects, int count) {
        return IntStream.range(0, count).mapToObj(subjects::subject).toList();
    }

    @Test
    void aSeedDecidesEverything() {
        assertEquals(first(subjects(1, 30, Set.of()), 12), first(subjects(1, 30, Set.of()), 12));
        assertNotEquals(first(subjects(1, 30, Set.of()), 12), first(subjects(2, 30, Set.of()), 12));
    }

    @Test
    void aTrialIsTheSameWhicheverCameBefore() {
        assertEquals(first(subjects(1, 0, Set.of()), 6).get(5), subjects(1, 0, Set.of()).subject(5));
    }

    @Test
    void manyKindsComeUpButNotThoseSkipped() {
        Set<String> kinds = new TreeSet<>();
        first(subjects(3, 0, Set.of(SymbolKind.PACKAGE, SymbolKind.METHOD)), 40)
                .forEach(subject -> kinds.add(subject.group()));
        assertTrue(kinds.size() > 6, kinds.toString());
        assertTrue(!kinds.contains("package") && !kinds.contains("method"), kinds.toString());
    }

    @Test
    void freshNamesStandNowhereAndTakenOnesInTheFile() {
        first(subjects(4, 0, Set.of()), 15).forEach(subject ->
                assertTrue(snapshot.mentioning(Set.of(newName(subject))).isEmpty(), subject.toString()));
        first(subjects(4, 100, Set.of(SymbolKind.PACKAGE)), 15).forEach(subject -> {
            SourceFile file = snapshot.file(subject.place().file()).orElseThrow();
            assertTrue(newName(subject).equals("zqName") || file.content().contains(newName(subject)),
                    subject.toString());
        });
    }

    @Test
    void barrenPlacesAreNoNames() {
        Subjects subjects = subjects(5, 0, Set.of());
        for (int number = 0; number < 30; number++) {
            Place place = subjects.barren(number);
            var tokens = snapshot.file(place.file()).orElseThrow().tokens();
            assertNotEquals(TokenKind.IDENTIFIER, tokens.kind(tokens.at(place.caret())));
        }
    }
}
