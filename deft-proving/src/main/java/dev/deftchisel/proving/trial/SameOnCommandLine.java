package dev.deftchisel.proving.trial;

import dev.deftchisel.Chisel;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.DiffWriter;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Question;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.subject.Subject;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** The command prints the diff that the library computes. Asked before the change is applied. */
final class SameOnCommandLine {

    private final Path launcher;

    /** @param launcher the command {@code deft} */
    SameOnCommandLine(Path launcher) {
        this.launcher = launcher;
    }

    /** What is wrong, or empty. */
    Optional<String> objection(Chisel chisel, Corpus corpus, Subject subject, Place place, Change change)
            throws IOException {
        SourceFile file = chisel.snapshot().source(place.file());
        Range selection = place.selection();
        List<String> command = new ArrayList<>(List.of(launcher.toString(), subject.operation(),
                place.file() + ":" + file.position(selection.start())
                        + (selection.length() == 0 ? "" : "-" + file.position(selection.end()))));
        questions(subject).forEach(question -> command.addAll(answer(question, subject.answers())));
        command.addAll(List.of("--yes", "--quiet", "--workspace", corpus.request().folder().toString()));
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

    private static List<Question> questions(Subject subject) {
        return Chisel.operation(subject.operation()).questions();
    }

    /** The name that is always asked is a parameter, the rest are options. */
    private static List<String> answer(Question question, Answers answers) {
        String given = answers.single(question.key()).orElse("");
        if (given.isEmpty() || question instanceof Question.Flag && !given.equals("true")) {
            return List.of();
        } else if (question instanceof Question.Name) {
            return List.of(given);
        }
        return question instanceof Question.Flag ? List.of("--" + question.key())
                : List.of("--" + question.key(), given);
    }
}
