package dev.deftchisel.proving.bench;

import dev.deftchisel.Chisel;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Commands over the same code, to be timed against each other. */
public final class CommandLines {

    private CommandLines() {
    }

    /**
     * The compiler over all files of a workspace, without annotation processing.
     *
     * @param options more of them, such as {@code -nowarn}
     */
    public static List<String> javac(Chisel chisel, List<String> options) throws IOException {
        Path out = Files.createTempDirectory("javac");
        Path list = out.resolve("files");
        Files.writeString(list, chisel.snapshot().files().stream()
                .filter(file -> !file.isModuleInfo())
                .map(SourceFile::path)
                .map(Path::toString)
                .collect(Collectors.joining("\n")));
        String classPath = chisel.workspace().modules().stream()
                .map(Module::classPath)
                .flatMap(List::stream)
                .map(Path::toString)
                .distinct()
                .collect(Collectors.joining(File.pathSeparator));
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "javac").toString(), "-proc:none"));
        command.addAll(options);
        command.addAll(List.of("-cp", classPath.isEmpty() ? "." : classPath, "-d", out.toString(), "@" + list));
        return command;
    }

    /**
     * Deft over a workspace.
     *
     * @param deft  its launcher
     * @param words the command with its options
     */
    public static List<String> deft(Path deft, OpenRequest request, List<String> words) {
        List<String> command = new ArrayList<>(List.of(deft.toString()));
        command.addAll(words);
        command.addAll(List.of("--workspace", request.folder().toString()));
        request.sources().forEach(source -> command.addAll(List.of("--source", source.toString())));
        if (!request.classPath().isEmpty()) {
            command.addAll(List.of("--class-path", request.classPath().stream()
                    .map(Path::toString).collect(Collectors.joining(File.pathSeparator))));
        }
        request.level().ifPresent(level -> command.addAll(List.of("--level", String.valueOf(level))));
        return command;
    }
}
