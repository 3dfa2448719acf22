package dev.deftchisel.proving.trial;

import dev.deftchisel.Chisel;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.DiffWriter;
import dev.deftchisel.operation.Place;
import dev.deftchisel.proving.corpus.Corpus;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** The command prints the diff that the library works out. Asked before the change is applied. */
final class SameOnCommandLine {

    private final Path launcher;

    /** @param launcher the command {@code deft} */
    SameOnCommandLine(Path launcher) {
        this.launcher = launcher;
    }

    /** What is wrong, or empty. */
    Optional<String> objection(Chisel chisel, Corpus corpus, Place place, String newName, Change change)
            throws IOException {
        var position = chisel.snapshot().file(place.file()).orElseThrow().position(place.caret());
        List<String> command = new ArrayList<>(List.of(launcher.toString(), "rename", place.file() + ":" + position, newName,
                "--mentions", "none", "--yes", "--quiet", "--workspace", corpus.request().folder().toString()));
        corpus.request().sources().forEach(source -> command.addAll(List.of("--source", source.toString())));
        if (!corpus.request().classPath().isEmpty()) {
            command.addAll(List.of("--class-path", corpus.request().classPath().stream()
                    .map(Path::toString).collect(Collectors.joining(File.pathSeparator))));
        }
        corpus.request().level().ifPresent(level -> command.addAll(List.of("--level", String.valueOf(level))));
        Process process = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        byte[] printed = process.getInputStream().readAllBytes();
        return Arrays.equals(printed, new DiffWriter(chisel.workspace()).write(change))
                ? Optional.empty()
                : Optional.of("the command prints something else: "
                        + new String(printed, StandardCharsets.UTF_8).lines().findFirst().orElse("nothing"));
    }
}
