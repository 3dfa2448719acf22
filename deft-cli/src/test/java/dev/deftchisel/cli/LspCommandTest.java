package dev.deftchisel.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.cli.console.ExitCode;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PipedInputStream;
import java.io.PipedOutputStream;
import java.io.PrintStream;
import java.net.ConnectException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.UnixDomainSocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.SocketChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

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
                && said.contains("\"renameProvider\":{\"prepareProvider\":true"), said);
        assertEquals("", err.toString(StandardCharsets.UTF_8));
    }

    @Test
    void aClientThatIsGoneWithoutAWordIsNoGoodEnd() {
        assertEquals(ExitCode.REFUSED, run("", "lsp"));
    }

    @Test
    void failuresAreLoggedToAFileOrToTheClient(@TempDir Path folder) throws IOException {
        String broken = message("{\"jsonrpc\":\"2.0\",\"id\":1,\"method\":\"initialize\",\"params\":{\"processId\":"
                + "null,\"capabilities\":{}}}") + message("{\"jsonrpc\":\"2.0\",\"method\":\"textDocument/didChange\","
                + "\"params\":{\"textDocument\":{\"uri\":\"file:///harbour/None.java\",\"version\":1},"
                + "\"contentChanges\":[]}}") + message("{\"jsonrpc\":\"2.0\",\"id\":2,\"method\":\"shutdown\"}")
                + message("{\"jsonrpc\":\"2.0\",\"method\":\"exit\"}");
        Path log = folder.resolve("deft.log");
        assertEquals(ExitCode.DONE, run(broken, "lsp", "--log", log.toString(), "--log-level", "debug"));
        assertTrue(Files.readString(log).contains("file:///harbour/None.java is not open"), Files.readString(log));
        assertFalse(out.toString(StandardCharsets.UTF_8).contains("window/logMessage"));
        assertEquals(ExitCode.DONE, run(broken, "lsp", "--log-level", "debug"));
        assertTrue(out.toString(StandardCharsets.UTF_8).contains("window/logMessage"));
        assertEquals(ExitCode.USAGE, run(broken, "lsp", "--log", folder.toString()));
        assertEquals(ExitCode.USAGE, run(broken, "lsp", "--log-level", "loud"));
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

    private static final String LEAVE = message("{\"jsonrpc\":\"2.0\",\"id\":1,\"method\":\"initialize\",\"params\":"
            + "{\"processId\":null,\"capabilities\":{}}}") + message("{\"jsonrpc\":\"2.0\",\"id\":2,\"method\":"
            + "\"shutdown\"}") + message("{\"jsonrpc\":\"2.0\",\"method\":\"exit\"}");

    /** A server in another thread, and what it says. */
    private record Serving(CompletableFuture<Integer> end, BufferedReader said) {

        static Serving with(String... arguments) throws IOException {
            PipedInputStream said = new PipedInputStream();
            PrintStream err = new PrintStream(new PipedOutputStream(said), true);
            CompletableFuture<Integer> end = CompletableFuture.supplyAsync(() -> Deft.run(Deft.plainConsole(
                    new ByteArrayInputStream(new byte[0]), new PrintStream(new ByteArrayOutputStream()), err),
                    arguments));
            return new Serving(end, new BufferedReader(new InputStreamReader(said, StandardCharsets.UTF_8)));
        }

        int port() throws IOException {
            return Integer.parseInt(said.readLine().replaceAll(".*at port (\\d+).*", "$1"));
        }

        int code() throws Exception {
            return end.get(1, TimeUnit.MINUTES);
        }
    }

    @Test
    void aPortIsOfThisMachineOnlyForOneClientAndEndsWithIt() throws Exception {
        Serving server = Serving.with("lsp", "--port", "0");
        int port = server.port();
        try (Socket client = new Socket(InetAddress.getLoopbackAddress(), port)) {
            assertTrue(client.getInetAddress().isLoopbackAddress());
            client.getOutputStream().write(LEAVE.getBytes(StandardCharsets.UTF_8));
            client.getOutputStream().flush();
            assertTrue(new String(client.getInputStream().readAllBytes(), StandardCharsets.UTF_8)
                    .contains("capabilities"));
            assertEquals(ExitCode.DONE, server.code());
        }
        assertThrows(ConnectException.class, () -> new Socket(InetAddress.getLoopbackAddress(), port).close());
    }

    @Test
    void theServerEndsWhenItsClientIsGone() throws Exception {
        Serving server = Serving.with("lsp", "--port", "0");
        int port = server.port();
        new Socket(InetAddress.getLoopbackAddress(), port).close();
        assertEquals(ExitCode.REFUSED, server.code());
    }

    @Test
    void aSocketFileIsInAFolderThatOnlyTheUserCanEnter(@TempDir Path folder) throws Exception {
        Path open = Files.createDirectory(folder.resolve("open"));
        Files.setPosixFilePermissions(open, PosixFilePermissions.fromString("rwxr-xr-x"));
        assertEquals(ExitCode.USAGE, run("", "lsp", "--socket", open.resolve("deft").toString()));
        assertTrue(err.toString(StandardCharsets.UTF_8).contains("others can enter " + open), err.toString());
        Path own = Files.createDirectory(folder.resolve("own"));
        Files.setPosixFilePermissions(own, PosixFilePermissions.fromString("rwx------"));
        Path file = own.resolve("deft");
        Serving server = Serving.with("lsp", "--socket", file.toString());
        assertTrue(server.said().readLine().contains("waiting for a client at " + file));
        try (SocketChannel client = SocketChannel.open(UnixDomainSocketAddress.of(file))) {
            client.write(ByteBuffer.wrap(LEAVE.getBytes(StandardCharsets.UTF_8)));
            assertEquals(ExitCode.DONE, server.code());
        }
        assertTrue(Files.notExists(file));
    }
}
