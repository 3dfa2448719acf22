package dev.deftchisel.proving.message;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutionException;

/**
 * Works in a server for a long time, as an editor does: letters are typed, actions are asked for and computed, names
 * looked at.
 */
public final class Endurance {

    private static final int MEGABYTE = 1 << 20;
    private static final int LETTERS = 10;

    private final Random random;
    private int worked;
    private int refused;

    /** @param seed decides the places */
    public Endurance(long seed) {
        this.random = new Random(seed);
    }

    /**
     * What came of it.
     *
     * @param worked   how many actions were computed
     * @param refused  how many of them were refused
     * @param edits    how many changes were made to texts
     * @param memory   megabytes in use after a collection, at equal steps
     */
    public record Result(int worked, int refused, int edits, List<Long> memory) {
    }

    /**
     * Works.
     *
     * @param files of which one after the other is open for a while
     * @param steps how often the memory is looked at
     */
    public Result work(Path folder, List<SourceFile> files, int operations, int steps)
            throws IOException, InterruptedException, ExecutionException {
        List<Long> memory = new ArrayList<>();
        int edits = 0;
        try (Wire wire = new Wire()) {
            wire.agree(folder);
            for (int i = 0; i < operations; i++) {
                SourceFile file = files.get(i * files.size() / operations);
                String uri = Wire.text(file.path().toUri().toString());
                wire.tell("textDocument/didOpen",
                        Wire.json("{'textDocument':{'uri':%s,'languageId':'java','version':1,'text':%s}}", uri,
                        Wire.text(file.content())));
                String end = Wire.position(file.lines(), file.content().length());
                for (int letter = 0; letter < LETTERS; letter++) {
                    wire.tell("textDocument/didChange", Wire
                            .json("{'textDocument':{'uri':%s,'version':%s},'contentChanges':[{'range':"
                            + "{'start':%s,'end':%s},'text':%s}]}", uri, letter + 2, end, end,
                            Wire.text(letter == 0 ? "\n//" : "")));
                    edits++;
                }
                operation(wire, file, uri);
                wire.tell("textDocument/didClose", Wire.json("{'textDocument':{'uri':%s}}", uri));
                if ((i + 1) % Math.max(1, operations / steps) == 0) {
                    System.gc();
                    memory.add((Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory()) / MEGABYTE);
                }
            }
        }
        return new Result(worked, refused, edits, memory);
    }

    private void operation(Wire wire, SourceFile file, String uri)
            throws IOException, InterruptedException, ExecutionException {
        String at = Wire.position(file.lines(), random.nextInt(file.content().length() + 1));
        wire.ask("textDocument/hover", Wire.json("{'textDocument':{'uri':%s},'position':%s}", uri, at)).get();
        JsonObject answer = wire.ask("textDocument/codeAction",
                Wire.json("{'textDocument':{'uri':%s},'range':{'start':%s,'end':%s},"
                + "'context':{'diagnostics':[],'only':['refactor','source.generate','quickfix']}}", uri, at, at)).get();
        JsonArray actions = answer.has("result") ? answer.getAsJsonArray("result") : new JsonArray();
        if (!actions.isEmpty()) {
            worked++;
            JsonObject resolved = wire.ask("codeAction/resolve", actions.get(random.nextInt(actions.size())).toString())
                    .get();
            refused += resolved.has("error") ? 1 : 0;
        }
    }
}
