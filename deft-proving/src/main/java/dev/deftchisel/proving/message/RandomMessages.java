package dev.deftchisel.proving.message;

import com.google.gson.JsonObject;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/**
 * Sends random messages about some files that are open, half of them nonsense, and sees to it that each question is
 * answered, that the server has the texts that were typed, and that it ends in good order.
 */
public final class RandomMessages {

    private static final List<String> QUESTIONS = List.of("hover", "definition", "declaration", "references",
            "documentHighlight",
            "documentSymbol", "foldingRange", "prepareRename", "rename", "codeAction", "linkedEditingRange",
            "inlayHint",
            "selectionRange", "typeDefinition", "implementation", "semanticTokens/full", "semanticTokens/range",
            "documentLink", "codeLens", "diagnostic", "prepareCallHierarchy", "prepareTypeHierarchy", "signatureHelp");
    private static final List<String> PIECES = List.of("", " ", "\n", "}", "{", "int depth = 1;", "/* ⚓𝄞 */", "\"",
            "Berth", ";", "\r\n",
            "(");
    private static final List<String> NONSENSE = List.of("null", "[]", "{}", "7", "'text'", "{'textDocument':7}",
            "{'textDocument':{'uri':'file:///nowhere/None.java'},'position':{'line':1,'character':1}}",
            "{'textDocument':{'uri':'untitled:one'},'position':{'line':-5,'character':99999}}",
            "{'textDocument':{'uri':':'},'range':{}}");
    private static final int CHECKED_EACH = 100;
    private static final int PATIENCE = 120;

    private final Random random;
    private final List<Path> files;
    private final Map<String, String> texts = new TreeMap<>();
    private final Map<String, Integer> versions = new TreeMap<>();

    /**
     * @param files that are opened
     * @param seed  decides the messages
     */
    public RandomMessages(List<Path> files, long seed) {
        this.files = List.copyOf(files);
        this.random = new Random(seed);
    }

    /**
     * What came of it.
     *
     * @param answers how many questions were answered, by the word "result" or the code of the error
     * @param wrong   what was not as it should be
     */
    public record Result(Map<String, Integer> answers, List<String> wrong) {
    }

    /** Sends so many messages. */
    public Result send(Path folder, int count) throws IOException, InterruptedException {
        Map<String, Integer> answers = new TreeMap<>();
        List<String> wrong = new ArrayList<>();
        List<CompletableFuture<JsonObject>> asked = new ArrayList<>();
        try (Wire wire = new Wire()) {
            wait(wire.ask("initialize", Wire.json("{'capabilities':{},'workspaceFolders':[{'uri':%s,'name':'all'}]}",
                    Wire.text(folder.toUri().toString()))));
            wire.tell("initialized", "{}");
            for (Path file : files) {
                String text = Files.readString(file);
                texts.put(file.toUri().toString(), text);
                versions.put(file.toUri().toString(), 0);
                wire.tell("textDocument/didOpen",
                        Wire.json("{'textDocument':{'uri':%s,'languageId':'java','version':0,'text':%s}}",
                        Wire.text(file.toUri().toString()), Wire.text(text)));
            }
            for (int i = 1; i <= count; i++) {
                message(wire, asked);
                if (i % CHECKED_EACH == 0 || i == count) {
                    checkText(wire, wrong);
                    tally(asked, answers, wrong);
                }
            }
            wait(wire.ask("shutdown", "null"));
            wire.tell("exit", "null");
            if (!wait(wire.end())) {
                wrong.add("the server did not end in good order");
            }
        } catch (TimeoutException | ExecutionException failed) {
            wrong.add("the server does not answer any more: " + failed);
        }
        return new Result(answers, wrong);
    }

    private static <T> T wait(CompletableFuture<T> future)
            throws InterruptedException, TimeoutException, ExecutionException {
        return future.get(PATIENCE, TimeUnit.SECONDS);
    }

    private static void tally(List<CompletableFuture<JsonObject>> asked, Map<String, Integer> answers,
            List<String> wrong)
            throws InterruptedException, TimeoutException, ExecutionException {
        for (CompletableFuture<JsonObject> question : asked) {
            JsonObject answer = wait(question);
            String kind = answer.has("error") ? answer.getAsJsonObject("error").get("code").getAsString() : "result";
            answers.merge(kind, 1, Integer::sum);
            if (kind.equals("-32603")) {
                wrong.add("an error within: " + answer.getAsJsonObject("error").get("message"));
            }
        }
        asked.clear();
    }

    private void message(Wire wire, List<CompletableFuture<JsonObject>> asked) throws IOException {
        String uri = files.get(random.nextInt(files.size())).toUri().toString();
        String method = "textDocument/" + QUESTIONS.get(random.nextInt(QUESTIONS.size()));
        switch (random.nextInt(9)) {
            case 8 -> event(wire, uri);
            case 0, 1 -> type(wire, uri);
            case 2, 3, 4 -> asked.add(wire.ask(method, params(uri)));
            case 5 -> asked.add(wire.ask(random.nextInt(4) == 0 ? "workspace/nothing" : method, nonsense()));
            case 6 -> wire.tell("$/cancelRequest", Wire.json("{'id':%s}",
                    Math.max(1, wire.lastId() - random.nextInt(3))));
            default -> nonsense(wire, uri, asked);
        }
    }

    /** Things that are said to have happened to files and folders; most of it did not. */
    private void event(Wire wire, String uri) throws IOException {
        String other = random.nextBoolean() ? uri : uri.replaceFirst("[^/]+$", "None.java");
        String folder = Wire.json("{'uri':%s,'name':'part'}", Wire.text(uri.replaceFirst("/[^/]+$", "")));
        switch (random.nextInt(6)) {
            case 0, 1 -> wire.tell("workspace/didChangeWatchedFiles", Wire.json(
                    "{'changes':[{'uri':%s,'type':%s},{'uri':%s,'type':%s}]}", Wire.text(other),
                    1 + random.nextInt(3), Wire.text(other), 1 + random.nextInt(3)));
            case 2 -> wire.tell("textDocument/didSave", Wire.json("{'textDocument':{'uri':%s}}", Wire.text(other)));
            case 3 -> wire.tell("workspace/didChangeWorkspaceFolders", Wire.json(
                    "{'event':{'added':[%s],'removed':[]}}", folder));
            case 4 -> wire.tell("workspace/didChangeWorkspaceFolders", Wire.json(
                    "{'event':{'added':[],'removed':[%s]}}", folder));
            default -> wire.tell("workspace/didCreateFiles", Wire.json("{'files':[{'uri':%s}]}", Wire.text(other)));
        }
    }

    private void nonsense(Wire wire, String uri, List<CompletableFuture<JsonObject>> asked) throws IOException {
        switch (random.nextInt(5)) {
            case 0 -> wire.send(Wire.json("{'jsonrpc':'2.0','method':"));
            case 1 -> wire.tell("textDocument/didChange", nonsense());
            case 2 -> asked.add(wire.ask("codeAction/resolve", Wire.json("{'title':'x','data':%s}", nonsense())));
            // an older version, which must not be taken
            case 3 -> wire.tell("textDocument/didChange",
                    Wire.json("{'textDocument':{'uri':%s,'version':%s},'contentChanges':"
                    + "[{'text':'class Wrong { }'}]}", Wire.text(uri), versions.get(uri) - 1));
            default -> asked.add(wire.ask("workspace/executeCommand",
                    Wire.json("{'command':'deft.take','arguments':[null]}")));
        }
    }

    private String nonsense() {
        return Wire.json(NONSENSE.get(random.nextInt(NONSENSE.size())));
    }

    /** Types something somewhere, which lies within the text more often than not. */
    private void type(Wire wire, String uri) throws IOException {
        String text = texts.get(uri);
        int start = random.nextInt(text.length() + 1);
        int end = Math.min(text.length(), start + random.nextInt(6));
        String piece = PIECES.get(random.nextInt(PIECES.size()));
        if (isWithinPair(text, start) || isWithinPair(text, end)) {
            return;
        }
        texts.put(uri, text.substring(0, start) + piece + text.substring(end));
        int version = versions.merge(uri, 1, Integer::sum);
        wire.tell("textDocument/didChange", Wire
                .json("{'textDocument':{'uri':%s,'version':%s},'contentChanges':[{'range':"
                + "{'start':%s,'end':%s},'text':%s}]}", Wire.text(uri), version, position(text, start),
                position(text, end),
                Wire.text(piece)));
    }

    /** Within a line end of two characters or a character of two chars there is no position. */
    private static boolean isWithinPair(String text, int offset) {
        return offset > 0 && offset < text.length() && (text.charAt(offset - 1) == '\r' && text.charAt(offset) == '\n'
                || Character.isSurrogatePair(text.charAt(offset - 1), text.charAt(offset)));
    }

    private static String position(String text, int offset) {
        int line = 0;
        int start = 0;
        for (int i = 0; i < offset; i++) {
            boolean isEnd = text.charAt(i) == '\n' || text.charAt(i) == '\r'
                    && !(i + 1 < text.length() && text.charAt(i + 1) == '\n');
            if (isEnd) {
                line++;
                start = i + 1;
            }
        }
        return Wire.json("{'line':%s,'character':%s}", line, offset - start);
    }

    private String params(String uri) {
        String at = position(texts.get(uri), random.nextInt(texts.get(uri).length() + 1));
        String far = random.nextInt(3) == 0
                ? Wire.json("{'line':%s,'character':%s}", random.nextInt(500), random.nextInt(300)) : at;
        return Wire.json("{'textDocument':{'uri':%s},'position':%s,'positions':[%s],'range':{'start':%s,'end':%s},"
                + "'context':{'includeDeclaration':true,'diagnostics':[]},'newName':'zq%s'}", Wire.text(uri), at, at,
                at, far,
                random.nextInt(9));
    }

    /** The last step to which a selection grows is all of the text, so its end is the end of the text. */
    private void checkText(Wire wire, List<String> wrong) throws IOException, InterruptedException, TimeoutException,
            ExecutionException {
        String uri = files.get(random.nextInt(files.size())).toUri().toString();
        JsonObject answer = wait(wire.ask("textDocument/selectionRange", Wire.json(
                "{'textDocument':{'uri':%s},'positions':[{'line':0,'character':0}]}", Wire.text(uri))));
        JsonObject step = answer.getAsJsonArray("result").get(0).getAsJsonObject();
        while (step.has("parent")) {
            step = step.getAsJsonObject("parent");
        }
        String end = step.getAsJsonObject("range").getAsJsonObject("end").toString();
        String text = texts.get(uri);
        if (!text.isEmpty() && !end.equals(position(text, text.length()))) {
            wrong.add(uri + " ends at " + end + " for the server, at " + position(text, text.length()) + " for us");
        }
    }
}
