package dev.deftchisel.examples;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A feature that is not there is used in a test, and all that is missing comes to be by offers, one after the other.
 */
public final class TestFirst {

    private TestFirst() {
    }

    /** @param arguments the folder of a copy of the harbour office, then the jars of JUnit */
    public static void main(String[] arguments) {
        List<Path> jars = List.of(arguments).subList(1, arguments.length).stream().map(Path::of).toList();
        run(Path.of(arguments[0]), jars, System.out);
    }

    /** The story. */
    public static Story story() {
        try (InputStream text = TestFirst.class.getResourceAsStream("/test-first.txt")) {
            return Story.read(new String(text.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    static void run(Path folder, List<Path> classPath, PrintStream out) {
        OpenRequest request = new OpenRequest(folder, true, List.of(), classPath, Optional.of(17), Optional.empty(),
                Set.of());
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            for (Story.Step step : story().steps()) {
                if (step instanceof Story.Tell told) {
                    out.println(told.sentence());
                } else if (step instanceof Story.Type typed) {
                    Story.type(folder, typed);
                    chisel.refresh();
                } else {
                    take(chisel, (Story.Take) step, out);
                }
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static void take(Chisel chisel, Story.Take take, PrintStream out) {
        Path file = chisel.workspace().root().resolve(take.file());
        int caret = Story.caret(chisel.snapshot().source(file).content(), take);
        Answers answers = Answers.none();
        for (Map.Entry<String, String> answer : take.answers().entrySet()) {
            boolean isList = answer.getKey().equals("members");
            answers = isList ? answers.and(answer.getKey(), List.of(answer.getValue().split(",")))
                    : answers.and(answer.getKey(), answer.getValue());
        }
        Outcome outcome = chisel.preview(new Place(file, new Range(caret, caret)), take.operation(), answers);
        if (outcome instanceof Outcome.Preview preview) {
            chisel.apply(preview);
            out.println("  " + preview.change().title());
        } else if (outcome instanceof Outcome.Refusal refusal) {
            throw new IllegalStateException(take.operation() + " at " + take.at() + ": " + refusal.reasons());
        }
    }
}
