package dev.deftchisel.proving.message;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.google.gson.JsonPrimitive;
import dev.deftchisel.lsp.DeftServer;
import dev.deftchisel.source.LineMap;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.PipedInputStream;
import java.io.PipedOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;

/** A connection to a server in this process, message by message as they go over the wire (LSP 3.17, base protocol). */
public final class Wire implements AutoCloseable {

    private static final int PIPE = 1 << 22;

    private final OutputStream toServer;
    private final InputStream fromServer;
    private final Map<Integer, CompletableFuture<JsonObject>> waiting = new ConcurrentHashMap<>();
    private final BlockingQueue<JsonObject> told = new LinkedBlockingQueue<>();
    private final CompletableFuture<Boolean> end = new CompletableFuture<>();
    private final Set<String> registered = ConcurrentHashMap.newKeySet();
    private int lastId;

    /** Starts a server. */
    public Wire() throws IOException {
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
                String text = new String(fromServer.readNBytes(length), StandardCharsets.UTF_8);
                JsonObject message = JsonParser.parseString(text).getAsJsonObject();
                boolean isAnswer = message.has("id") && !message.has("method") && message.get("id").isJsonPrimitive();
                CompletableFuture<JsonObject> asked = isAnswer ? waiting.remove(message.get("id").getAsInt()) : null;
                if (asked != null) {
                    asked.complete(message);
                } else if (message.has("method") && message.get("method").getAsString()
                        .equals("textDocument/publishDiagnostics")) {
                    told.add(message.getAsJsonObject("params"));
                } else if (message.has("id") && message.has("method")) {
                    if (message.get("method").getAsString().equals("client/registerCapability")) {
                        message.getAsJsonObject("params").getAsJsonArray("registrations").forEach(one ->
                                registered.add(one.getAsJsonObject().get("method").getAsString()));
                    }
                    // the server asks something; nothing is an answer to all of it
                    send(json("{'jsonrpc':'2.0','id':%s,'result':null}", message.get("id")));
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
        return Integer.parseInt(header.toString(StandardCharsets.US_ASCII)
                .replaceAll("(?s).*Content-Length: (\\d+).*", "$1"));
    }

    /**
     * JSON from a template.
     *
     * @param template with single quotes for double ones, and {@code %s} for values
     * @param values   which are JSON already
     */
    public static String json(String template, Object... values) {
        return template.replace('\'', '"').formatted(values);
    }

    /** A text as JSON. */
    public static String text(String text) {
        return new JsonPrimitive(text).toString();
    }

    /** A position as JSON, with columns in UTF-16. */
    public static String position(LineMap lines, int offset) {
        int line = lines.line(offset);
        return json("{'line':%s,'character':%s}", line - 1, offset - lines.rangeOf(line).start());
    }

    /** Agrees on what a client can do that makes and moves files and works actions out when they are taken. */
    public void agree(Path folder) throws IOException, InterruptedException {
        CompletableFuture<JsonObject> agreed = ask("initialize", json("{'capabilities':{'workspace':{'workspaceEdit':{"
                + "'documentChanges':true,'resourceOperations':['create','rename','delete']}},'textDocument':{"
                + "'codeAction':{'codeActionLiteralSupport':{'codeActionKind':"
                + "{'valueSet':[]}},'dataSupport':true,'resolveSupport':{'properties':['edit']}}}},'workspaceFolders':"
                + "[{'uri':%s,'name':'all'}]}", text(folder.toUri().toString())));
        try {
            agreed.get();
        } catch (ExecutionException gone) {
            throw new IllegalStateException("the server is gone", gone);
        }
        tell("initialized", "{}");
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

    /** Tells something that has no answer. */
    public void tell(String method, String params) throws IOException {
        send(json("{'jsonrpc':'2.0','method':%s,'params':%s}", text(method), params));
    }

    /** Asks something; the answer is a result or an error. */
    public CompletableFuture<JsonObject> ask(String method, String params) throws IOException {
        int id = ++lastId;
        CompletableFuture<JsonObject> answer = new CompletableFuture<>();
        waiting.put(id, answer);
        send(json("{'jsonrpc':'2.0','id':%s,'method':%s,'params':%s}", id, text(method), params));
        return answer;
    }

    /** Waits until problems are told of a file in a version. */
    void awaitDiagnostics(String uri, int version, int seconds) throws InterruptedException {
        JsonObject next;
        do {
            next = told.poll(seconds, TimeUnit.SECONDS);
            if (next == null) {
                throw new IllegalStateException("no diagnostics of version " + version + " came in " + seconds + " s");
            }
        } while (!next.get("uri").getAsString().equals(uri) || !next.has("version") || next.get("version")
                .getAsInt() != version);
    }

    /** Nobody waits for those that came so far. */
    void forgetDiagnostics() {
        told.clear();
    }

    /** What the server asked the client to send it. */
    Set<String> registered() {
        return Set.copyOf(registered);
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
