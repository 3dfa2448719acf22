package dev.deftchisel.buildtool;

import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import dev.deftchisel.workspace.surroundings.StateFolder;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * What the build tool said of a build. Kept in {@code .deft/build}, and taken as long as the build files are those for
 * which it was said; the tool is run only when the user allows it.
 */
public final class BuildAnswers {

    private static final int MINUTES = 15;
    private static final String HASH = "hash";
    private static final String FILES = "files";
    private static final String OUTPUT = "output.txt";

    private final Path root;
    private final StateFolder state;
    private final Path home;
    private final BuildTool tool;

    /** @param root of the build */
    public BuildAnswers(Path root, BuildTool tool) {
        this.root = root;
        this.state = new StateFolder(root);
        this.home = state.path().resolve("build");
        this.tool = tool;
    }

    /**
     * What is known from the build tool.
     *
     * @param files  as the tool wrote them, in the order of their names; empty where nothing is known
     * @param inputs the build files for which it said so
     * @param gaps   what went wrong, one line each
     */
    public record Answer(List<Path> files, List<Path> inputs, List<String> gaps) {

        private static Answer none(String... gaps) {
            return new Answer(List.of(), List.of(), List.of(gaps));
        }

        /** Whether the tool said something that counts. */
        public boolean isGiven() {
            return !files.isEmpty();
        }
    }

    /** What is kept, if it still counts; or what the tool says now, if it may be run. */
    public Answer get(OpenRequest request) {
        boolean isAllowed = request.allows(Permission.ASK_BUILD);
        if (!isAllowed && !Files.isDirectory(home)) {
            return Answer.none();
        }
        try {
            BuildFiles inputs = BuildFiles.in(root);
            boolean isCurrent = kept(HASH).filter(inputs.hash()::equals).isPresent();
            if (!isCurrent && isAllowed) {
                Optional<String> failure = run(request.allows(Permission.FETCH_LIBRARIES));
                if (failure.isPresent()) {
                    return Answer.none(failure.get());
                }
                // a run may write lock files
                inputs = BuildFiles.in(root);
                Files.writeString(home.resolve(HASH), inputs.hash());
            } else if (!isCurrent) {
                return kept(HASH).isEmpty() ? Answer.none()
                        : Answer.none("build files have changed since the build was asked; until it is asked again "
                                + "(--ask-build), what they say plainly counts");
            }
            return new Answer(listed(home.resolve(FILES)), inputs.paths(), List.of());
        } catch (IOException failed) {
            return Answer.none("what the build says cannot be kept in " + shown(home) + " (" + failed.getMessage()
                    + ")");
        }
    }

    private Optional<String> kept(String name) throws IOException {
        Path file = home.resolve(name);
        return Files.isRegularFile(file) ? Optional.of(Files.readString(file)) : Optional.empty();
    }

    private String shown(Path path) {
        return root.relativize(path).toString().replace('\\', '/');
    }

    /** Runs the tool, in place of what it said before; what went wrong, if anything. */
    private Optional<String> run(boolean isOnline) throws IOException {
        state.make();
        delete(home);
        Path answer = Files.createDirectories(home.resolve(FILES));
        Path output = home.resolve(OUTPUT);
        List<String> command = tool.command(root, answer, isOnline);
        String name = Path.of(command.get(0)).getFileName().toString();
        Process process;
        try {
            process = new ProcessBuilder(command).directory(root.toFile()).redirectErrorStream(true)
                    .redirectOutput(output.toFile()).start();
        } catch (IOException absent) {
            return Optional.of("the build cannot be asked: there is no " + name + " here (" + absent.getMessage()
                    + ")");
        }
        Thread end = new Thread(process::destroy, "deft-end-of-build");
        Runtime.getRuntime().addShutdownHook(end);
        try {
            process.getOutputStream().close();
            if (!process.waitFor(MINUTES, TimeUnit.MINUTES)) {
                return Optional.of("the build did not say what it consists of within " + MINUTES
                        + " minutes; its output is in " + shown(output));
            }
        } catch (InterruptedException cancelled) {
            Thread.currentThread().interrupt();
            return Optional.of("the build was not asked to the end");
        } finally {
            process.destroy();
            Runtime.getRuntime().removeShutdownHook(end);
        }
        return process.exitValue() == 0 && !listed(answer).isEmpty() ? Optional.empty()
                : Optional.of("the build could not say what it consists of: " + name + " ended with "
                        + process.exitValue()
                + complaint(output).map(line -> " (" + line + ")").orElse("") + "; its output is in " + shown(output));
    }

    /** The first line that looks like the reason. */
    private static Optional<String> complaint(Path output) throws IOException {
        List<String> lines = Files.readAllLines(output, StandardCharsets.ISO_8859_1).stream().map(String::strip)
                .filter(line -> !line.isEmpty()).toList();
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).equals("* What went wrong:") && i + 1 < lines.size()) {
                return Optional.of(lines.get(i + 1));
            }
        }
        return lines.stream().filter(line -> line.startsWith("[ERROR]"))
                .map(line -> line.substring("[ERROR]".length()).strip())
                .filter(line -> !line.isEmpty()).findFirst().or(() -> lines.stream().reduce((one, other) -> other));
    }

    private static List<Path> listed(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return new ArrayList<>(files.sorted().toList());
        }
    }

    private static void delete(Path folder) throws IOException {
        if (Files.isDirectory(folder)) {
            try (Stream<Path> all = Files.walk(folder)) {
                for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(path);
                }
            }
        }
    }
}
