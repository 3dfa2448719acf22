package dev.deftchisel.proving;

import dev.deftchisel.workspace.OpenRequest;
import java.io.File;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** The command of the proving ground. */
@Command(name = "prove", mixinStandardHelpOptions = true,
        description = "Renames random symbols in a workspace that may be written to, and judges the result.")
public final class Prove implements Callable<Integer> {

    @Option(names = "--workspace", required = true, description = "the folder of the workspace; a copy, it is changed")
    private Path workspace;

    @Option(names = "--source", description = "a source folder; several may be given")
    private List<Path> sources = List.of();

    @Option(names = "--class-path", description = "class files it needs")
    private String classPath = "";

    @Option(names = "--count", description = "how many renames to try (${DEFAULT-VALUE})")
    private int count = 100;

    @Option(names = "--seed", description = "makes a run repeatable (${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--batch", description = "how many renames are judged together (${DEFAULT-VALUE})")
    private int batch = 10;

    @Option(names = "--clashing", description = "take new names from the file, so that clashes are likely")
    private boolean clashing;

    /** Runs the command; exits with 1 when an oracle failed. */
    public static void main(String[] arguments) {
        System.exit(new CommandLine(new Prove()).execute(arguments));
    }

    @Override
    public Integer call() {
        List<Path> paths = Arrays.stream(classPath.split(File.pathSeparator))
                .filter(path -> !path.isEmpty())
                .map(Path::of)
                .toList();
        OpenRequest request = new OpenRequest(
                workspace, true, sources, paths, Optional.empty(), Optional.empty(), false);
        return new RandomRenames(request, System.out).run(count, seed, batch, clashing) ? 0 : 1;
    }
}
