package dev.deftchisel.proving.shape;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * What we see of a project.
 *
 * @param errors where errors are, as {@code path:line}
 * @param words  what they are
 * @param gaps   what is said about what cannot be known
 */
public record OpenedShape(Set<String> errors, List<String> words, List<String> gaps) {

    /** Opens a project. */
    public static OpenedShape of(Shape shape, Path folder) {
        OpenRequest request = new OpenRequest(folder, true, List.of(), List.of(), Optional.empty(), Optional.empty(),
                shape.permissions());
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            TreeMap<String, String> found = new TreeMap<>();
            chisel.problems().in(chisel.problems().everywhere()).stream().filter(problem -> problem.tag() == Tag.ERROR)
                    .forEach(problem -> found.putIfAbsent(chisel.snapshot().workspace().show(problem.file()) + ":"
                            + problem.position().line(),
                            problem.rule() + " " + problem.sentence()));
            return new OpenedShape(new TreeSet<>(found.keySet()),
                    found.entrySet().stream().map(entry -> entry.getKey() + " " + entry.getValue())
                    .toList(), chisel.snapshot().workspace().gaps());
        }
    }
}
