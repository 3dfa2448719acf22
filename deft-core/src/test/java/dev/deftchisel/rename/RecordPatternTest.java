package dev.deftchisel.rename;

import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledForJreRange;
import org.junit.jupiter.api.condition.JRE;
import org.junit.jupiter.api.io.TempDir;

/** Constructs that only a JDK newer than the floor understands. */
class RecordPatternTest {

    @TempDir
    private Path root;

    @Test
    @EnabledForJreRange(min = JRE.JAVA_21, disabledReason = "record patterns came with Java 21")
    void aRecordAndABindingWithinItsPattern() throws Exception {
        Files.writeString(root.resolve("Window.java"), """
                record Window(int opens, int length) {
                    static int end(Object any) {
                        return switch (any) {
                            case Window(int first, var size) when size > 0 -> first + size;
                            case Window w -> w.opens();
                            default -> 0;
                        };
                    }
                }
                """);
        OpenRequest request = new OpenRequest(
                root, true, List.of(root), List.of(), Optional.of(21), Optional.empty(), Set.of());
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            String type = after(chisel, "Window", "Gate");
            assertTrue(type.contains("case Gate(int first, var size)") && type.contains("case Gate w"), type);
            String binding = after(chisel, "Window.java:4:40", "extent");
            assertTrue(binding.contains("case Window(int first, var extent) when extent > 0 -> first + extent"),
                    binding);
            String component = after(chisel, "Window#opens", "start");
            assertTrue(component.contains("Window(int start, int length)") && component.contains("w.start()"),
                    component);
        }
    }

    private static String after(Chisel chisel, String place, String name) {
        Outcome outcome = chisel.preview(chisel.place(place), "rename", Answers.of("name", name));
        Outcome.Preview preview = assertInstanceOf(Outcome.Preview.class, outcome, outcome::toString);
        return preview.change().effective().get(0).after().content();
    }
}
