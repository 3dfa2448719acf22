package dev.deftchisel.buildtool;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A build tool is stood for by a small program in a process of its own, which is how all of them are run. */
class BuildAnswersTest {

    @TempDir
    private Path root;
    private final List<Boolean> runs = new ArrayList<>();
    private String program = "java.nio.file.Files.writeString(java.nio.file.Path.of(args[0], \"0.txt\"), \"berths\");";

    @BeforeEach
    void build() throws IOException {
        Files.writeString(root.resolve("build.gradle"), "plugins { }\n");
    }

    private BuildAnswers answers() {
        return new BuildAnswers(root, (folder, answer, isOnline) -> {
            runs.add(isOnline);
            Path source = Files.writeString(folder.resolve("Tool.java"),
                    "class Tool { public static void main(String[] args) throws Exception { " + program + " } }");
            return List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), source.toString(),
                    answer.toString());
        });
    }

    private BuildAnswers.Answer ask(Permission... more) {
        OpenRequest request = OpenRequest.at(root).with(Permission.ASK_BUILD);
        for (Permission permission : more) {
            request = request.with(permission);
        }
        return answers().get(request);
    }

    @Test
    void nothingIsRunWithoutBeingAllowed() {
        assertFalse(answers().get(OpenRequest.at(root)).isGiven());
        assertEquals(List.of(), runs);
    }

    @Test
    void anAnswerIsKeptAsLongAsNoBuildFileChanges() throws IOException {
        BuildAnswers.Answer first = ask();
        assertEquals("berths", Files.readString(first.files().get(0)));
        assertEquals(List.of(root.resolve("build.gradle")), first.inputs());
        assertEquals(first, ask());
        assertEquals(first, answers().get(OpenRequest.at(root)));
        assertEquals(List.of(false), runs);

        Files.createDirectories(root.resolve("buildSrc/src/main/java"));
        Files.writeString(root.resolve("buildSrc/src/main/java/Shared.java"), "class Shared { }");
        BuildAnswers.Answer old = answers().get(OpenRequest.at(root));
        assertFalse(old.isGiven());
        assertEquals(List.of("build files have changed since the build was asked; until it is asked again "
                + "(--ask-build), what they say plainly counts"),
                old.gaps());
        assertTrue(ask(Permission.FETCH_LIBRARIES).isGiven());
        assertEquals(List.of(false, true), runs);
    }

    @Test
    void filesThatAreNoBuildFilesDoNotCount() throws IOException {
        ask();
        Files.createDirectories(root.resolve("src"));
        Files.writeString(root.resolve("src/build.gradle"), "of a sample");
        Files.writeString(root.resolve("readme.txt"), "read");
        assertTrue(answers().get(OpenRequest.at(root)).isGiven());
    }

    @Test
    void aToolThatFailsIsSaidWithItsReason() {
        program = "System.out.println(\"* What went wrong:\"); System.out.println(\"the tide is out\"); "
                + "System.exit(3);";
        BuildAnswers.Answer answer = ask();
        assertFalse(answer.isGiven());
        assertEquals(List.of("the build could not say what it consists of: java ended with 3 (the tide is out); its "
                + "output is in .deft/build/output.txt"),
                answer.gaps());
        assertTrue(Files.isRegularFile(root.resolve(".deft/build/output.txt")));
    }

    @Test
    void aToolThatSaysNothingFails() {
        program = "System.out.println(\"[ERROR] no such profile\");";
        assertEquals(List.of("the build could not say what it consists of: java ended with 0 (no such profile); its "
                + "output is in .deft/build/output.txt"),
                ask().gaps());
    }

    @Test
    void aToolThatIsNotHere() {
        BuildAnswers.Answer answer = new BuildAnswers(root, (folder, into, isOnline) -> List.of("no-such-tool")).get(
                OpenRequest.at(root).with(Permission.ASK_BUILD));
        assertTrue(answer.gaps().get(0).startsWith("the build cannot be asked: there is no no-such-tool here"),
                answer.gaps().toString());
    }

    @Test
    void theWrapperOfTheBuildIsPreferred() throws IOException {
        assertEquals("gradle", BuildTool.script(root, "gradlew", "gradle", ".bat"));
        Files.writeString(root.resolve("gradlew"), "#!/bin/sh\n");
        assertTrue(root.resolve("gradlew").toFile().setExecutable(true));
        assertEquals(root.resolve("gradlew").toString(), BuildTool.script(root, "gradlew", "gradle", ".bat"));
    }
}
