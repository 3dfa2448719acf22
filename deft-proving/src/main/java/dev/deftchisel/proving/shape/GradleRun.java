package dev.deftchisel.proving.shape;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Has Gradle itself compile a project. Any version from 4.4 on. */
public final class GradleRun {

    private static final BuildProcess PROCESS =
            new BuildProcess(List.of("gradle", "--offline", "--continue", "--console=plain", "testClasses"), Map.of(),
            Pattern.compile("(/\\S+\\.java):(\\d+): error: "),
            Pattern.compile("^(?:Execution failed|A problem occurred|Could not|> )"));

    private GradleRun() {
    }

    /** Whether there is one on the path. */
    public static boolean isHere() {
        return Stream.of(System.getenv("PATH").split(File.pathSeparator))
                .anyMatch(folder -> Files.isExecutable(Path.of(folder, "gradle")));
    }

    /** Where it has errors, as {@code path:line}. */
    static Set<String> errors(Path folder) throws IOException, InterruptedException {
        return PROCESS.errors(folder);
    }
}
