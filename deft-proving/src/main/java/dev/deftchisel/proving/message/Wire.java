package dev.deftchisel.proving.message;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import dev.deftchisel.lsp.DeftServer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.PipedInputStream;
import java.io.PipedOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;

/** A connection to a server in this process, message by message as they go over the wire (LSP 3.17, base protocol). */
final class Wire implements AutoCloseable {

    private static final int PIPE = 1 << 22;

    private final OutputStream toServer;
    private final InputStream fromServer;
    private final Map<Integer, CompletableFuture<JsonObject>> waiting = new ConcurrentHashMap<>();
    private final CompletableFuture<Boolean> end = new CompletableFuture<>();
    private int lastId;

    Wire() throws IOException {
        PipedInputStream serverIn = new PipedInputStream(PIPE);
        PipedInputStream clientIn = new PipedInputStream(PIPE);
        toServer = new PipedOutputStream(serverIn);
        fromServer = clientIn;
        PipedOutputStream serverOut = new PipedOutputStream(clientIn);
        start("server", () -> {
            try {
                end.complete(new DeftServer(Optional.empty()).serve(serverIn, serverOut));
            } catch (InterruptedException stopped) {
                end.complete(false);
            }
        });
        start("reader", this::read);
    }

    private static void start(String name, Runnable work) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        thread.start();
    }

    private void read() {
        try {
            while (true) {
                int length = length();
                if (length < 0) {
                    return;
                }
                JsonObject message = JsonParser.parseString(new String(fromServer.readNBytes(length), StandardCharsets.UTF_8)).getAsJsonObject();
                boolean isAnswer = message.has("id") && !message.has("method") && message.get("id").isJsonPrimitive();
                CompletableFuture<JsonObject> asked = isAnswer ? waiting.remove(message.get("id").getAsInt()) : null;
                if (asked != null) {
                    asked.complete(message);
                } else if (message.has("id") && message.has("method")) {
                    // the server asks something; nothing is an answer to all of it
                    send("{\"jsonrpc\":\"2.0\",\"id\":" + message.get("id") + ",\"result\":null}");
                }
            }
        } catch (IOException gone) {
            waiting.values().forEach(asked -> asked.completeExceptionally(gone));
        }
    }

    /** The length that a header says; below 0 at the end. */
    private int length() throws IOException {
        ByteArrayOutputStream header = new ByteArrayOutputStream();
        while (!header.toString(StandardCharsets.US_ASCII).endsWith("\r\n\r\n")) {
            int next = fromServer.read();
            if (next < 0) {
                return -1;
            }
            header.write(next);
        }
        return Integer.parseInt(header.toString(StandardCharsets.US_ASCII).replaceAll("(?s).*Content-Length: (\\d+).*", "$1"));
    }

    /** Sends any text as one message. */
    void send(String text) throws IOException {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        synchronized (toServer) {
            toServer.write(("Content-Length: " + bytes.length + "\r\n\r\n").getBytes(StandardCharsets.US_ASCII));
            toServer.write(bytes);
            toServer.flush();
        }
    }

    void tell(String method, String params) throws IOException {
        send("{\"jsonrpc\":\"2.0\",\"method\":\"" + method + "\",\"params\":" + params + "}");
    }

    /** Asks something; the answer is a result or an error. */
    CompletableFuture<JsonObject> ask(String method, String params) throws IOException {
        int id = ++lastId;
        CompletableFuture<JsonObject> answer = new CompletableFuture<>();
        waiting.put(id, answer);
        send("{\"jsonrpc\":\"2.0\",\"id\":" + id + ",\"method\":\"" + method + "\",\"params\":" + params + "}");
        return answer;
    }

    /** The id of the latest question. */
    int lastId() {
        return lastId;
    }

    /** Whether the server ended in good order. */
    CompletableFuture<Boolean> end() {
        return end;
    }

    @Override
    public void close() throws IOException {
        toServer.close();
    }
}
