package dev.deftchisel.cli;

import dev.deftchisel.jdk.Jdk;
import dev.deftchisel.workspace.surroundings.StateFolder;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Starts the same command once more with another JDK, since the running one cannot read the project. The new process
 * has the streams of this one. Which JDK it was is written down in the workspace, so that the launcher takes it at once
 * the next time.
 */
final class Restart {

    /** Where the launcher looks for the folder of a JDK, below the workspace's own folder. */
    static final String REMEMBERED = "java";

    private static final String MARK = "deft.restarted";
    private static final Set<String> LONG_LIVED = Set.of("lsp", "desk");

    private final Optional<List<String>> arguments;

    private Restart(Optional<List<String>> arguments) {
        this.arguments = arguments;
    }

    /** For a process whose streams can be passed on. */
    static Restart of(String... arguments) {
        return new Restart(System.getProperty(MARK) == null ? Optional.of(List.of(arguments)) : Optional.empty());
    }

    /** Where a command runs within another program, and in a process that was started by this one. */
    static Restart never() {
        return new Restart(Optional.empty());
    }

    boolean isPossible() {
        return arguments.isPresent();
    }

    /** Notes which JDK a workspace needs; where nothing can be written, it is found again the next time. */
    static void remember(Path workspace, Jdk jdk) {
        try {
            StateFolder folder = new StateFolder(workspace);
            folder.make();
            Files.writeString(folder.path().resolve(REMEMBERED), jdk.home() + "\n", StandardCharsets.UTF_8);
        } catch (IOException readOnly) {
            return;
        }
    }

    /** Runs the command to its end, and gives its exit code. */
    int with(Jdk jdk) throws IOException, InterruptedException {
        List<String> given = arguments.orElseThrow();
        List<String> command = new ArrayList<>(List.of(jdk.java().toString(), "-XX:-UsePerfData", "-Xshare:auto"));
        command.addAll(!given.isEmpty() && LONG_LIVED.contains(given.get(0))
                ? List.of("-XX:+UseParallelGC", "-Xmn300m")
                : List.of("-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC"));
        for (String property : List.of("deft.home", "deft.terminal", "deft.log")) {
            Optional.ofNullable(System.getProperty(property))
                    .ifPresent(value -> command.add("-D" + property + "=" + value));
        }
        command.addAll(List.of("-D" + MARK + "=true", "-cp", System.getProperty("java.class.path"),
                Deft.class.getName()));
        command.addAll(given);
        return new ProcessBuilder(command).inheritIO().start().waitFor();
    }
}
