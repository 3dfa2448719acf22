package dev.deftchisel.proving.message;

import com.google.gson.JsonObject;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/**
 * What a client sends while somebody works, faster than anybody does: statements are written key by key into bodies and
 * taken out again, and after each key the client asks what editors ask unasked, and takes back what it has no use for
 * any more. Between them somebody looks at things, finds uses, and renames.
 */
public final class EditingSession {

    private static final int MEGABYTE = 1 << 20;
    private static final int KEYS_A_MINUTE = 200;
    private static final long PATIENCE_SECONDS = 60;
    /** Cancelled, text changed, refused: what a client must expect. */
    private static final List<String> EXPECTED = List.of("-32800", "-32801", "-32803");
    private static final String STATEMENT = "int depth = 3; if (depth > 2) { depth--; }\n";
    /** One in so many statements is followed by something that takes longer. */
    private static final List<String> SELDOM = List.of("textDocument/references", "textDocument/implementation",
            "textDocument/rename", "textDocument/hover", "textDocument/definition", "textDocument/documentSymbol");
    private static final List<String> AFTER_EACH_KEY = List.of("textDocument/documentHighlight",
            "textDocument/codeAction", "textDocument/foldingRange");
    private static final List<String> AFTER_EACH_STATEMENT = List.of("textDocument/semanticTokens/full",
            "textDocument/inlayHint", "textDocument/diagnostic", "textDocument/codeLens");

    private final Wire wire;
    private final Random random;
    private final long pauseMillis;
    private final Map<String, Integer> errors = new TreeMap<>();
    private final List<Asked> unanswered = new ArrayList<>();
    private final Set<Integer> taken = new HashSet<>();
    private int keys;
    private int answered;
    private final List<String> silent = new ArrayList<>();

    private record Asked(String method, int id, CompletableFuture<JsonObject> answer) {
    }

    private EditingSession(Wire wire, int speed, long seed) {
        this.wire = wire;
        this.random = new Random(seed);
        this.pauseMillis = Duration.ofMinutes(1).toMillis() / KEYS_A_MINUTE / speed;
    }

    /**
     * What came of it.
     *
     * @param keys     how many were typed
     * @param answered requests with a result
     * @param taken    requests that the client took back
     * @param errors   by method and code, others than a client must expect
     * @param silent   methods of requests without an answer after a minute
     * @param memory   megabytes in use after a collection, at equal steps
     */
    public record Result(int keys, int answered, int taken, Map<String, Integer> errors, List<String> silent,
            List<Long> memory) {
    }

    /**
     * Works.
     *
     * @param files   that are worked in
     * @param minutes how long
     * @param speed   how often faster than 200 keys a minute
     * @param steps   how often the memory is looked at
     */
    public static Result work(Path folder, List<SourceFile> files, int minutes, int speed, int steps, long seed)
            throws IOException, InterruptedException, ExecutionException {
        try (Wire wire = new Wire()) {
            wire.agree(folder);
            return new EditingSession(wire, speed, seed).work(files, minutes, steps);
        }
    }

    private Result work(List<SourceFile> files, int minutes, int steps)
            throws IOException, InterruptedException, ExecutionException {
        List<Long> memory = new ArrayList<>();
        long start = System.nanoTime();
        long step = Duration.ofMinutes(minutes).toNanos() / steps;
        while (memory.size() < steps) {
            statements(files.get(random.nextInt(files.size())));
            if (System.nanoTime() - start > (memory.size() + 1) * step) {
                settle();
                wire.forgetDiagnostics();
                System.gc();
                memory.add((Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory()) / MEGABYTE);
            }
        }
        return new Result(keys, answered, taken.size(), errors, silent, memory);
    }

    /** Some statements in the bodies of a file, which is open for them. */
    private void statements(SourceFile file) throws IOException, InterruptedException, ExecutionException {
        String uri = Wire.text(file.path().toUri().toString());
        wire.tell("textDocument/didOpen", Wire.json("{'textDocument':{'uri':%s,'languageId':'java','version':1,"
                + "'text':%s}}", uri, Wire.text(file.content())));
        int version = 1;
        for (int i = 0; i < 3; i++) {
            int start = file.outline().bodies().get(random.nextInt(file.outline().bodies().size())).start();
            LineMap lines = file.lines();
            String before = Wire.position(lines, start);
            StringBuilder typed = new StringBuilder();
            for (char key : STATEMENT.toCharArray()) {
                String at = Wire.position(LineMap.of(file.content().substring(0, start) + typed),
                        start + typed.length());
                change(uri, ++version, at, at, String.valueOf(key));
                typed.append(key);
                keys++;
                takeBack();
                for (String method : AFTER_EACH_KEY) {
                    ask(method, uri, at);
                }
                Thread.sleep(pauseMillis);
            }
            String end = Wire.position(LineMap.of(file.content().substring(0, start) + typed),
                    start + typed.length());
            for (String method : AFTER_EACH_STATEMENT) {
                ask(method, uri, end);
            }
            ask(SELDOM.get(random.nextInt(SELDOM.size())), uri,
                    Wire.position(LineMap.of(file.content().substring(0, start) + typed), start + "int de".length()));
            Thread.sleep(pauseMillis * STATEMENT.length());
            change(uri, ++version, before, end, "");
        }
        takeBack();
        settle();
        wire.tell("textDocument/didClose", Wire.json("{'textDocument':{'uri':%s}}", uri));
    }

    private void change(String uri, int version, String start, String end, String text) throws IOException {
        wire.tell("textDocument/didChange", Wire.json("{'textDocument':{'uri':%s,'version':%s},'contentChanges':["
                + "{'range':{'start':%s,'end':%s},'text':%s}]}", uri, version, start, end, Wire.text(text)));
    }

    private void ask(String method, String uri, String at) throws IOException {
        CompletableFuture<JsonObject> answer = wire.ask(method, Wire.json("{'textDocument':{'uri':%s},'position':%s,"
                + "'range':{'start':%s,'end':%s},'newName':'draught','context':{'includeDeclaration':true,"
                + "'diagnostics':[]}}", uri, at, at, at));
        unanswered.add(new Asked(method, wire.lastId(), answer));
    }

    /** The client has no use for answers about what was there before the latest key. */
    private void takeBack() throws IOException, InterruptedException, ExecutionException {
        for (Asked asked : List.copyOf(unanswered)) {
            if (asked.answer().isDone()) {
                count(asked);
            } else if (AFTER_EACH_KEY.contains(asked.method()) && taken.add(asked.id())) {
                wire.tell("$/cancelRequest", "{\"id\":" + asked.id() + "}");
            }
        }
    }

    private void settle() throws InterruptedException, ExecutionException {
        for (Asked asked : List.copyOf(unanswered)) {
            try {
                asked.answer().get(PATIENCE_SECONDS, TimeUnit.SECONDS);
                count(asked);
            } catch (TimeoutException late) {
                silent.add(asked.method());
                unanswered.remove(asked);
            }
        }
    }

    private void count(Asked asked) throws InterruptedException, ExecutionException {
        unanswered.remove(asked);
        JsonObject answer = asked.answer().get();
        if (!answer.has("error")) {
            answered++;
        } else if (!EXPECTED.contains(answer.getAsJsonObject("error").get("code").getAsString())) {
            errors.merge(asked.method() + " " + answer.getAsJsonObject("error").get("code").getAsString(), 1,
                    Integer::sum);
        }
    }
}
