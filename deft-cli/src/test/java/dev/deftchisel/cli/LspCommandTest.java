package dev.deftchisel.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.cli.console.ExitCode;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

class LspCommandTest {

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    private int run(String messages, String... arguments) {
        return Deft.run(Deft.plainConsole(new ByteArrayInputStream(messages.getBytes(StandardCharsets.UTF_8)),
                new PrintStream(out, true), new PrintStream(err, true)), arguments);
    }

    private static String message(String json) {
        return "Content-Length: " + json.getBytes(StandardCharsets.UTF_8).length + "\r\n\r\n" + json;
    }

    @Test
    void overTheStandardStreamsThereIsNothingButTheProtocol() {
        int code = run(message("{\"jsonrpc\":\"2.0\",\"id\":1,\"method\":\"initialize\","
                + "\"params\":{\"capabilities\":{}}}")
                + message("{\"jsonrpc\":\"2.0\",\"id\":2,\"method\":\"shutdown\"}")
                + message("{\"jsonrpc\":\"2.0\",\"method\":\"exit\"}"), "lsp");
        assertEquals(ExitCode.DONE, code);
        String said = out.toString(StandardCharsets.UTF_8);
        assertTrue(said.startsWith("Content-Length: ")
                && said.contains("\"renameProvider\":{\"prepareProvider\":true}"), said);
        assertEquals("", err.toString(StandardCharsets.UTF_8));
    }

    @Test
    void aClientThatIsGoneWithoutAWordIsNoGoodEnd() {
        assertEquals(ExitCode.REFUSED, run("", "lsp"));
    }

    @Test
    void aPortThatIsTakenIsSaid() throws IOException {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            assertEquals(ExitCode.USAGE, run("", "lsp", "--port", String.valueOf(taken.getLocalPort())));
            assertTrue(err.toString(StandardCharsets.UTF_8).contains("is taken; choose another"),
                    err.toString(StandardCharsets.UTF_8));
        }
        assertEquals(ExitCode.USAGE, run("", "lsp", "--port", "70000"));
    }
}
