package dev.deftchisel.proving.shape;

import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Has Gradle itself compile a project, in a process of its own. Any version from 4.4 on. */
public final class GradleBuild {

    private static final Pattern ERROR = Pattern.compile("(/\\S+\\.java):(\\d+): error: ");

    private GradleBuild() {
    }

    /** Whether there is one on the path. */
    public static boolean isHere() {
        return Stream.of(System.getenv("PATH").split(File.pathSeparator)).anyMatch(folder -> Files.isExecutable(Path.of(folder, "gradle")));
    }

    /**
     * Where it has errors, as {@code path:line}.
     *
     * @throws IllegalStateException when it fails for another reason
     */
    static Set<String> errors(Path folder) throws IOException, InterruptedException {
        Path log = Files.createTempFile("prove-gradle", ".log");
        int code = new ProcessBuilder("gradle", "--offline", "--continue", "--console=plain", "testClasses")
                .directory(folder.toFile()).redirectErrorStream(true).redirectOutput(log.toFile()).start().waitFor();
        List<String> lines = Files.readAllLines(log, StandardCharsets.UTF_8);
        Files.delete(log);
        Set<String> errors = new TreeSet<>();
        for (String line : lines) {
            Matcher matcher = ERROR.matcher(line);
            if (matcher.find()) {
                errors.add(folder.relativize(Path.of(matcher.group(1))) + ":" + matcher.group(2));
            }
        }
        if (code != 0 && errors.isEmpty()) {
            throw new IllegalStateException(String.join(" ", lines.subList(Math.max(0, lines.size() - 20), lines.size())));
        }
        return errors;
    }
}
