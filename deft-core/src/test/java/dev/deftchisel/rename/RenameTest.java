package dev.deftchisel.rename;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assertions.fail;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;

/** Plays every case in the folder {@code rename} of the test resources through the public API, with apply and undo. */
class RenameTest {

    @TempDir
    private Path temporary;

    @TestFactory
    Stream<DynamicTest> everyCase() throws Exception {
        Path folder = Path.of(RenameTest.class.getResource("/rename").toURI());
        List<Path> files;
        try (Stream<Path> found = Files.list(folder)) {
            files = found.sorted().toList();
        }
        assertTrue(files.size() > 40, "the cases are there");
        return files.stream().map(file -> DynamicTest.dynamicTest(
                file.getFileName().toString().replace(".txt", ""), () -> play(file)));
    }

    private void play(Path file) throws IOException {
        RenameCase example = RenameCase.read(file);
        Path root = Files.createTempDirectory(temporary, "workspace").toRealPath();
        for (Map.Entry<String, String> source : example.before().entrySet()) {
            Path path = root.resolve(source.getKey());
            Files.createDirectories(path.getParent());
            Files.writeString(path, source.getValue());
        }
        OpenRequest request = new OpenRequest(
                root, true, List.of(root), List.of(), Optional.of(17), Optional.empty(), Set.of());
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            Place place = new Place(root.resolve(example.markedFile()), new Range(example.caret(), example.caret()));
            Outcome outcome = chisel.preview(place, "rename", answers(example));
            if (!example.refusal().isEmpty()) {
                assertEquals(example.refusal(), reasons(chisel, outcome));
                return;
            }
            if (outcome instanceof Outcome.Refusal) {
                fail(example.title() + " -- refused: " + reasons(chisel, outcome));
            }
            if (!example.notes().isEmpty()) {
                assertEquals(example.notes(), ((Outcome.Preview) outcome).change().notes());
            }
            chisel.apply((Outcome.Preview) outcome);
            assertEquals(expected(example), contents(root));
            chisel.undo();
            assertEquals(new TreeMap<>(example.before()), contents(root));
            assertFalse(chisel.history().isEmpty());
        }
    }

    private static Answers answers(RenameCase example) {
        Answers answers = Answers.of("name", example.newName());
        for (int i = 0; i < example.options().size(); i++) {
            if (List.of("mentions", "related", "external").contains(example.options().get(i))) {
                answers = answers.and(example.options().get(i), example.options().get(i + 1));
            } else if (example.options().get(i).equals("subpackages")) {
                answers = answers.and("subpackages", "true");
            }
        }
        return answers;
    }

    private static List<String> reasons(Chisel chisel, Outcome outcome) {
        if (!(outcome instanceof Outcome.Refusal refusal)) {
            return List.of("not refused: " + ((Outcome.Preview) outcome).change().title());
        }
        return refusal.reasons().stream().map(reason -> where(chisel, reason) + reason.sentence()).toList();
    }

    private static String where(Chisel chisel, Reason reason) {
        return reason.file()
                .map(file -> chisel.workspace().show(file) + ":"
                        + chisel.snapshot().file(file).orElseThrow().position(reason.range().start()) + ": ")
                .orElse("");
    }

    private static Map<String, String> expected(RenameCase example) {
        Map<String, String> expected = new TreeMap<>(example.before());
        example.gone().forEach(expected::remove);
        expected.putAll(example.after());
        return expected;
    }

    private static Map<String, String> contents(Path root) throws IOException {
        Map<String, String> contents = new TreeMap<>();
        try (Stream<Path> files = Files.walk(root)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                String name = root.relativize(file).toString();
                if (!name.startsWith(".deft")) {
                    contents.put(name, Files.readString(file));
                }
            }
        }
        return contents;
    }
}
