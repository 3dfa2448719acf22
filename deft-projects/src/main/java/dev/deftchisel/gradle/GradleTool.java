package dev.deftchisel.gradle;

import dev.deftchisel.buildtool.BuildTool;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * Has Gradle say what a build consists of: an init script gives every project a task that writes it. Nothing is
 * compiled.
 */
final class GradleTool implements BuildTool {

    private static final String SCRIPT = "describe.gradle";

    @Override
    public List<String> command(Path root, Path answer, boolean isOnline) throws IOException {
        Path script = answer.resolveSibling(SCRIPT);
        try (InputStream text = GradleTool.class.getResourceAsStream(SCRIPT)) {
            Files.copy(text, script);
        }
        List<String> command = new ArrayList<>(List.of(BuildTool.script(root, "gradlew", "gradle", ".bat"),
                "--init-script", script.toString(),
                "--no-daemon", "--console=plain", "--continue", "-Dorg.gradle.configuration-cache=false",
                "-Dorg.gradle.unsafe.configuration-cache=false", "-Ddev.deftchisel.answer=" + answer));
        if (!isOnline) {
            command.add("--offline");
        }
        command.add("deftDescribe");
        return command;
    }
}
