package dev.deftchisel.proving.shape;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Has a build tool compile a project, in a process of its own, and reads off what it prints where there are errors. */
final class BuildProcess {

    private final List<String> command;
    private final Map<String, String> environment;
    private final Pattern error;
    private final Pattern complaint;

    /**
     * @param environment what the process has besides ours
     * @param error       finds an error of the compiler in a line; its groups are the file and the line
     * @param complaint   a line that says why it failed, when there is no such error
     */
    BuildProcess(List<String> command, Map<String, String> environment, Pattern error, Pattern complaint) {
        this.command = command;
        this.environment = environment;
        this.error = error;
        this.complaint = complaint;
    }

    /**
     * Where there are errors, as {@code path:line}.
     *
     * @throws IllegalStateException when it fails for another reason
     */
    Set<String> errors(Path folder) throws IOException, InterruptedException {
        Path log = Files.createTempFile("prove-build", ".log");
        ProcessBuilder builder = new ProcessBuilder(command).directory(folder.toFile()).redirectErrorStream(true)
                .redirectOutput(log.toFile());
        builder.environment().putAll(environment);
        int code = builder.start().waitFor();
        List<String> lines = Files.readAllLines(log, StandardCharsets.UTF_8);
        Files.delete(log);
        Set<String> errors = new TreeSet<>();
        for (String line : lines) {
            Matcher matcher = error.matcher(line);
            if (matcher.find()) {
                errors.add(folder.relativize(Path.of(matcher.group(1))) + ":" + matcher.group(2));
            }
        }
        if (code != 0 && errors.isEmpty()) {
            throw new IllegalStateException(lines.stream().filter(line -> complaint.matcher(line).find()).findFirst()
                    .orElse(command.get(0) + " ends with " + code));
        }
        return errors;
    }
}
