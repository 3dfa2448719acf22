package dev.deftchisel.proving.surface;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.proving.message.Wire;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.stream.StreamSupport;

/** The language server, whose edits are made here as a client makes them, with columns in UTF-16. */
final class ServerSurface implements Surface {

    private final Wire wire;
    private final Charset charset;

    ServerSurface(Corpus corpus, Charset charset) throws IOException, InterruptedException {
        this.wire = new Wire();
        this.charset = charset;
        wire.agree(corpus.request().folder());
    }

    @Override
    public String name() {
        return "server";
    }

    private JsonElement answer(String method, String params) throws IOException, InterruptedException {
        try {
            JsonObject answer = wire.ask(method, params).get();
            if (answer.has("error")) {
                throw new IllegalStateException(answer.getAsJsonObject("error").get("message").getAsString());
            }
            return answer.get("result");
        } catch (ExecutionException gone) {
            throw new IllegalStateException("the server is gone", gone);
        }
    }

    @Override
    public Optional<String> take(Taken taken) throws IOException, InterruptedException {
        String uri = Wire.text(taken.place().file().toUri().toString());
        SourceText text = read(taken.place().file());
        LineMap lines = LineMap.of(text.content());
        String start = Wire.position(lines, taken.place().selection().start());
        String end = Wire.position(lines, taken.place().selection().end());
        try {
            // somebody else wrote files since the last time
            wire.tell("workspace/didChangeWatchedFiles", Wire.json("{'changes':[{'uri':%s,'type':2}]}", uri));
            JsonObject edit;
            if (taken.name().isPresent()) {
                edit = answer("textDocument/rename", Wire.json("{'textDocument':{'uri':%s},'position':%s,'newName':%s}",
                        uri, start,
                        Wire.text(taken.name().get()))).getAsJsonObject();
            } else {
                JsonArray actions = answer("textDocument/codeAction",
                        Wire.json("{'textDocument':{'uri':%s},'range':{'start':%s,'end':%s},"
                        + "'context':{'diagnostics':[],'only':['refactor','source','quickfix']}}", uri, start, end))
                        .getAsJsonArray();
                Optional<JsonObject> action = StreamSupport.stream(actions.spliterator(), false)
                        .map(JsonElement::getAsJsonObject)
                        .filter(one -> one.has("data") && one.get("title").getAsString().equals(taken.offer().title())
                                && one.getAsJsonObject("data").get("id").getAsString()
                                .equals(taken.offer().operation())).findFirst();
                if (action.isEmpty()) {
                    return Optional.of("it is not offered");
                }
                edit = answer("codeAction/resolve", action.get().toString()).getAsJsonObject().getAsJsonObject("edit");
            }
            apply(edit);
            return Optional.empty();
        } catch (IllegalStateException refused) {
            return Optional.of(String.valueOf(refused.getMessage()));
        }
    }

    private SourceText read(Path file) throws IOException {
        return SourceText.decode(Files.readAllBytes(file), charset);
    }

    private void apply(JsonObject edit) throws IOException {
        for (JsonElement one : edit.getAsJsonArray("documentChanges")) {
            JsonObject change = one.getAsJsonObject();
            String kind = change.has("kind") ? change.get("kind").getAsString() : "";
            switch (kind) {
                case "create" -> {
                    Path created = path(change.get("uri"));
                    Files.createDirectories(created.getParent());
                    Files.createFile(created);
                }
                case "rename" -> {
                    Path target = path(change.get("newUri"));
                    Files.createDirectories(target.getParent());
                    Files.move(path(change.get("oldUri")), target);
                }
                case "delete" -> Files.delete(path(change.get("uri")));
                default -> edit(path(change.getAsJsonObject("textDocument").get("uri")),
                        change.getAsJsonArray("edits"));
            }
        }
    }

    private static Path path(JsonElement uri) {
        return Path.of(URI.create(uri.getAsString()));
    }

    private void edit(Path file, JsonArray edits) throws IOException {
        SourceText before = read(file);
        LineMap lines = LineMap.of(before.content());
        record Edit(Range range, String text) {
        }
        List<Edit> all = StreamSupport.stream(edits.spliterator(), false).map(JsonElement::getAsJsonObject)
                .map(one -> new Edit(new Range(offset(lines, one.getAsJsonObject("range").getAsJsonObject("start")),
                        offset(lines, one.getAsJsonObject("range").getAsJsonObject("end"))), one.get("newText")
                        .getAsString()))
                .sorted(Comparator.comparing(Edit::range)).toList();
        StringBuilder text = new StringBuilder();
        int at = 0;
        for (Edit one : all) {
            text.append(before.content(), at, one.range().start()).append(one.text());
            at = one.range().end();
        }
        Files.write(file, before.with(text.append(before.content(), at, before.content().length()).toString()).bytes());
    }

    private static int offset(LineMap lines, JsonObject position) {
        return lines.rangeOf(position.get("line").getAsInt() + 1).start() + position.get("character").getAsInt();
    }

    @Override
    public void close() throws IOException {
        wire.close();
    }
}
