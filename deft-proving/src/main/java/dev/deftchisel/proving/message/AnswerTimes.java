package dev.deftchisel.proving.message;

import com.google.gson.JsonObject;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;

/**
 * How long a client waits for answers, over the wire, in a server that is warm; and what the server keeps in memory.
 */
public final class AnswerTimes {

    private static final int PATIENCE = 120;
    private static final int MEGABYTE = 1 << 20;

    private final Wire wire;
    private final SourceFile file;
    private final String uri;
    private final Random random;
    private String text;
    private int version = 1;

    private AnswerTimes(Wire wire, SourceFile file, long seed) {
        this.wire = wire;
        this.file = file;
        this.uri = file.path().toUri().toString();
        this.text = file.content();
        this.random = new Random(seed);
    }

    /**
     * Milliseconds, sorted.
     *
     * @param byWhat   what was asked
     * @param memory   megabytes in use after a collection, at the beginning and at the end
     * @param typed    how many changes were made to the text
     */
    public record Times(Map<String, List<Long>> byWhat, List<Long> memory, int typed) {
    }

    /**
     * Asks everything some times.
     *
     * @param folder of the workspace
     * @param file   that is open and typed in
     * @param renamed a file with the name of a type that many others use
     * @param rounds how often; as many before that are not counted
     */
    public static Times measure(Path folder, SourceFile file, SourceFile renamed, int rounds, long seed)
            throws IOException, InterruptedException, ExecutionException {
        try (Wire wire = new Wire()) {
            wire.ask("initialize", Wire.json("{'capabilities':{'workspace':{'workspaceEdit':{'documentChanges':true,"
                    + "'resourceOperations':['create','rename','delete']}}},'workspaceFolders':[{'uri':%s,"
                    + "'name':'all'}]}",
                    Wire.text(folder.toUri().toString()))).get();
            AnswerTimes times = new AnswerTimes(wire, file, seed);
            wire.tell("textDocument/didOpen",
                    Wire.json("{'textDocument':{'uri':%s,'languageId':'java','version':1,'text':%s}}",
                    Wire.text(times.uri), Wire.text(times.text)));
            wire.awaitDiagnostics(times.uri, 1, PATIENCE);
            times.round(new LinkedHashMap<>(), renamed, rounds);
            long before = used();
            Map<String, List<Long>> found = new LinkedHashMap<>();
            times.round(found, renamed, rounds);
            found.values().forEach(Collections::sort);
            return new Times(found, List.of(before, used()), times.version);
        }
    }

    private void round(Map<String, List<Long>> times, SourceFile renamed, int rounds)
            throws IOException, InterruptedException, ExecutionException {
        for (int i = 0; i < rounds; i++) {
            type();
            long start = System.nanoTime();
            wire.awaitDiagnostics(uri, version, PATIENCE);
            note(times, "diagnostics after the last key", start);
            ask(times, "offers at a caret", "textDocument/codeAction", actions("'refactor','source'"));
            ask(times, "fixes at a caret", "textDocument/codeAction", actions("'quickfix'"));
            ask(times, "symbols by initials", "workspace/symbol", Wire.json("{'query':%s}",
                    Wire.text("IndexWriter".substring(0, 1 + random.nextInt(6)))));
            ask(times, "hover", "textDocument/hover",
                    Wire.json("{'textDocument':{'uri':%s},'position':%s}", Wire.text(uri), caret()));
            if (i % 5 == 0) {
                ask(times, "rename over many files", "textDocument/rename", Wire.json(
                        "{'textDocument':{'uri':%s},'position':%s,'newName':'Zq%s'}",
                        Wire.text(renamed.path().toUri().toString()),
                        at(renamed.content(), renamed.outline().types().get(0).nameRange().start()), i));
                takenBack(times);
            }
        }
    }

    private String actions(String only) {
        String at = caret();
        return Wire.json("{'textDocument':{'uri':%s},'range':{'start':%s,'end':%s},'context':{'diagnostics':[],'only':["
                + only + "]}}",
                Wire.text(uri), at, at);
    }

    /** A question that is taken back at once: how long until the server is free for the next. */
    private void takenBack(Map<String, List<Long>> times) throws IOException, InterruptedException, ExecutionException {
        type();
        CompletableFuture<JsonObject> asked = wire.ask("textDocument/diagnostic", document());
        long start = System.nanoTime();
        wire.tell("$/cancelRequest", Wire.json("{'id':%s}", wire.lastId()));
        wire.ask("textDocument/foldingRange", document()).get();
        note(times, "answer after a question taken back", start);
        asked.get();
        wire.awaitDiagnostics(uri, version, PATIENCE);
    }

    private void ask(Map<String, List<Long>> times, String what, String method, String params)
            throws IOException, InterruptedException, ExecutionException {
        long start = System.nanoTime();
        JsonObject answer = wire.ask(method, params).get();
        if (answer.has("error")) {
            throw new IllegalStateException(what + ": " + answer.get("error"));
        }
        note(times, what, start);
    }

    private static void note(Map<String, List<Long>> times, String what, long start) {
        times.computeIfAbsent(what, key -> new ArrayList<>()).add((System.nanoTime() - start) / 1_000_000);
    }

    /** One letter at the end of the file, in a comment. */
    private void type() throws IOException {
        String more = text.length() == file.content().length() ? "\n// " : "x";
        String end = at(text, text.length());
        text += more;
        version++;
        wire.tell("textDocument/didChange", Wire
                .json("{'textDocument':{'uri':%s,'version':%s},'contentChanges':[{'range':"
                + "{'start':%s,'end':%s},'text':%s}]}", Wire.text(uri), version, end, end, Wire.text(more)));
    }

    private String document() {
        return Wire.json("{'textDocument':{'uri':%s}}", Wire.text(uri));
    }

    private String caret() {
        return at(text, random.nextInt(file.content().length()));
    }

    private static String at(String text, int offset) {
        int line = (int) text.substring(0, offset).chars().filter(c -> c == '\n').count();
        return Wire.json("{'line':%s,'character':%s}", line, offset - 1 - text.lastIndexOf('\n', offset - 1));
    }

    private static long used() {
        System.gc();
        return (Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory()) / MEGABYTE;
    }
}
