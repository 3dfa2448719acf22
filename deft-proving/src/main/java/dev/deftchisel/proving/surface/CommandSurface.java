package dev.deftchisel.proving.surface;

import dev.deftchisel.proving.corpus.Corpus;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** The command, as a process of its own. */
record CommandSurface(Corpus corpus) implements Surface {

    @Override
    public String name() {
        return "command line";
    }

    @Override
    public Optional<String> take(Taken taken) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(Path.of(System.getProperty("java.home"), "bin", "java")
                .toString(),
                "-cp", System.getProperty("java.class.path"), "dev.deftchisel.cli.Deft", taken.offer().operation(),
                taken.shown()));
        taken.name().ifPresent(command::add);
        command.addAll(List.of("--yes", "--quiet", "--apply", "--workspace", corpus.request().folder().toString()));
        corpus.request().sources().forEach(source -> command.addAll(List.of("--source", source.toString())));
        if (!corpus.request().classPath().isEmpty()) {
            command.addAll(List.of("--class-path", corpus.request().classPath().stream().map(Path::toString)
                    .collect(Collectors.joining(File.pathSeparator))));
        }
        corpus.request().level().ifPresent(level -> command.addAll(List.of("--level", String.valueOf(level))));
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return process.waitFor() == 0 ? Optional.empty()
                : Optional.of(said.lines().findFirst().orElse("nothing was said"));
    }
}
