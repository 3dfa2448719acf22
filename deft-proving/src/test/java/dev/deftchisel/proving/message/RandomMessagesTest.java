package dev.deftchisel.proving.message;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.logging.LogManager;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RandomMessagesTest {

    @TempDir
    private Path folder;

    @Test
    void theServerAnswersWhateverItIsSent() throws IOException, InterruptedException {
        LogManager.getLogManager().reset();
        Path root = folder.toRealPath();
        Path home = Files.createDirectories(root.resolve("src/main/java/harbour"));
        Files.writeString(root.resolve("settings.gradle"), "");
        Path berth = Files.writeString(home.resolve("Berth.java"),
                "package harbour;\n\nclass Berth {\n    int depth = 3;\n}\n");
        Path quay = Files.writeString(home.resolve("Quay.java"),
                "package harbour;\r\n\r\nclass Quay {\r\n    Berth first;\r\n}\r\n");
        RandomMessages.Result result = new RandomMessages(List.of(berth, quay), 5).send(root, 300);
        assertEquals(List.of(), result.wrong());
        assertTrue(result.answers().get("result") > 30, result.answers().toString());
    }
}
