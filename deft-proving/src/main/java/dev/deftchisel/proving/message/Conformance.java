package dev.deftchisel.proving.message;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ExecutionException;

/**
 * Asks a server everything that the protocol has, claimed or not, at places drawn from a seed: how is it answered, and
 * how long does a client wait, when nothing changed and right after a key was typed into a method.
 */
public final class Conformance {

    private static final int NANOS_IN_MICRO = 1000;
    /** Rounds of everything before anything is timed. */
    private static final int WARM_UP = 3;
    private static final List<ProtocolMethod> METHODS = ProtocolMethod.all();

    private final Wire wire;
    private final SourceFile file;
    private final String folder;
    private final Random random;
    private final List<Integer> names;
    private final Map<String, JsonElement> latest = new LinkedHashMap<>();
    private String text;
    private int version = 1;
    private int caret;

    private Conformance(Wire wire, Path folder, SourceFile file, long seed) {
        this.wire = wire;
        this.folder = folder.toUri().toString();
        this.file = file;
        this.text = file.content();
        this.random = new Random(seed);
        this.names = names(file);
    }

    /**
     * One row.
     *
     * @param method    what was asked
     * @param isClaimed whether the server said that it does this
     * @param answers   how often it answered with what: {@code result}, {@code empty}, or the code of an error
     * @param warm      microseconds that the client waited, nothing having changed since the question before
     * @param afterKey  the same with a key typed right before
     */
    public record Row(ProtocolMethod method, boolean isClaimed, Map<String, Integer> answers, List<Long> warm,
            List<Long> afterKey) {

        /** Of sorted times. */
        private static long median(List<Long> times) {
            return times.isEmpty() ? 0 : times.get(times.size() / 2);
        }

        public long warmMedian() {
            return median(warm);
        }

        public long warmLongest() {
            return warm.isEmpty() ? 0 : warm.get(warm.size() - 1);
        }

        public long afterKeyMedian() {
            return median(afterKey);
        }

        public long afterKeyLongest() {
            return afterKey.isEmpty() ? 0 : afterKey.get(afterKey.size() - 1);
        }
    }

    /**
     * Asks.
     *
     * @param abilities of the client, as JSON
     * @param file      that is open and typed in
     * @param rounds    how often each claimed request is timed; as often before that, uncounted
     */
    public static List<Row> ask(Path folder, String abilities, SourceFile file, int rounds, long seed)
            throws IOException, InterruptedException, ExecutionException {
        try (Wire wire = new Wire()) {
            JsonObject capabilities = wire.ask("initialize", Wire.json("{'processId':null,'rootUri':null,"
                    + "'capabilities':%s,'workspaceFolders':[{'uri':%s,'name':'all'}]}", abilities,
                    Wire.text(folder.toUri().toString()))).get().getAsJsonObject("result")
                    .getAsJsonObject("capabilities");
            wire.tell("initialized", "{}");
            Conformance conformance = new Conformance(wire, folder, file, seed);
            wire.tell("textDocument/didOpen",
                    Wire.json("{'textDocument':{'uri':%s,'languageId':'java','version':1,'text':%s}}",
                    Wire.text(file.path().toUri().toString()), Wire.text(file.content())));
            for (ProtocolMethod method : METHODS) {
                if (isAsked(method) && rounds > 1 && isClaimed(method, capabilities, wire)) {
                    conformance.row(method, true, WARM_UP);
                }
            }
            List<Row> rows = new ArrayList<>();
            for (ProtocolMethod method : METHODS) {
                if (isAsked(method)) {
                    rows.add(conformance.row(method, isClaimed(method, capabilities, wire), rounds));
                } else {
                    rows.add(new Row(method, method.isAlwaysThere() || isClaimed(method, capabilities, wire), Map.of(),
                            List.of(), List.of()));
                }
            }
            wire.ask("shutdown", "null").get();
            wire.tell("exit", "null");
            return rows;
        }
    }

    private static boolean isAsked(ProtocolMethod method) {
        return method.isRequest() && !List.of("initialize", "shutdown").contains(method.name());
    }

    private static boolean isClaimed(ProtocolMethod method, JsonObject capabilities, Wire wire) {
        JsonElement at = capabilities;
        for (String step : method.capability().split("/")) {
            at = at != null && at.isJsonObject() ? at.getAsJsonObject().get(step) : null;
        }
        boolean isSaid = at != null && !at.isJsonNull()
                && !(at.isJsonPrimitive() && List.of("false", "0").contains(at.getAsString()));
        return isSaid || wire.registered().contains(method.name());
    }

    private Row row(ProtocolMethod method, boolean isClaimed, int rounds)
            throws IOException, InterruptedException, ExecutionException {
        Map<String, Integer> answers = new TreeMap<>();
        List<Long> warm = new ArrayList<>();
        List<Long> afterKey = new ArrayList<>();
        int often = isClaimed ? rounds : 1;
        for (int i = 0; i < 2 * often; i++) {
            prepare(method);
            type();
            long first = timed(method, answers);
            prepare(method);
            timed(method, new TreeMap<>());
            long second = timed(method, new TreeMap<>());
            if (i >= often) {
                afterKey.add(first);
                warm.add(second);
            }
        }
        Collections.sort(warm);
        Collections.sort(afterKey);
        return new Row(method, isClaimed, answers, warm, afterKey);
    }

    /** What a request follows up must have been asked before. */
    private void prepare(ProtocolMethod method) throws IOException, InterruptedException, ExecutionException {
        caret = names.get(random.nextInt(names.size()));
        int colon = method.parameters().indexOf(':');
        if (colon > 0) {
            String before = method.parameters().substring(colon + 1);
            String parameters = METHODS.stream().filter(one -> one.name().equals(before)).findFirst()
                    .orElseThrow().parameters();
            answer(before, parameters(parameters, Optional.empty()));
        }
    }

    private String parameters(String name, Optional<JsonElement> previous) {
        int type = file.outline().types().get(0).nameRange().start();
        return new RequestParameters(file.path().toUri().toString(), text, caret, type, folder).json(name, previous);
    }

    private long timed(ProtocolMethod method, Map<String, Integer> answers)
            throws IOException, InterruptedException, ExecutionException {
        int colon = method.parameters().indexOf(':');
        Optional<JsonElement> previous = colon < 0
                ? Optional.ofNullable(latest.get("textDocument/semanticTokens/full"))
                        .filter(found -> found.isJsonObject()).map(found -> found.getAsJsonObject().get("resultId"))
                : Optional.ofNullable(latest.get(method.parameters().substring(colon + 1)))
                        .filter(found -> found.isJsonArray() && !found.getAsJsonArray().isEmpty())
                        .map(found -> found.getAsJsonArray().get(0));
        String parameters = parameters(method.parameters(), previous);
        long start = System.nanoTime();
        JsonObject answer = answer(method.name(), parameters);
        long waited = (System.nanoTime() - start) / NANOS_IN_MICRO;
        answers.merge(kind(answer), 1, Integer::sum);
        return waited;
    }

    private JsonObject answer(String method, String parameters)
            throws IOException, InterruptedException, ExecutionException {
        JsonObject answer = wire.ask(method, parameters).get();
        latest.put(method, answer.get("result"));
        return answer;
    }

    private static String kind(JsonObject answer) {
        if (answer.has("error")) {
            return answer.getAsJsonObject("error").get("code").getAsString();
        }
        JsonElement result = answer.get("result");
        boolean isEmpty = result == null || result.isJsonNull()
                || result instanceof JsonArray list && list.isEmpty();
        return isEmpty ? "empty" : "result";
    }

    /** One more empty statement in the first body, or one less. */
    private void type() throws IOException {
        int start = file.outline().bodies().get(0).start() + 1;
        boolean isThere = text.length() > file.content().length();
        LineMap lines = LineMap.of(text);
        wire.tell("textDocument/didChange", Wire.json("{'textDocument':{'uri':%s,'version':%s},'contentChanges':["
                + "{'range':{'start':%s,'end':%s},'text':%s}]}", Wire.text(file.path().toUri().toString()), ++version,
                Wire.position(lines, start), Wire.position(lines, isThere ? start + 1 : start),
                Wire.text(isThere ? "" : ";")));
        text = text.substring(0, start) + (isThere ? "" : ";") + text.substring(isThere ? start + 1 : start);
    }

    /** Offsets of names in bodies after the first one, where all can be asked. */
    private static List<Integer> names(SourceFile file) {
        Tokens tokens = file.tokens();
        int first = file.outline().bodies().get(0).end();
        List<Integer> names = new ArrayList<>();
        for (int token = 0; token < tokens.count(); token++) {
            int start = tokens.start(token);
            if (start > first && tokens.kind(token) == TokenKind.IDENTIFIER
                    && file.outline().bodies().stream().anyMatch(body -> body.start() < start && start < body.end())) {
                names.add(start);
            }
        }
        return names;
    }

    /** A client that can do everything, as far as the protocol lets it say so. */
    public static String allAbilities() {
        return JsonParser.parseString("""
                {'general':{'positionEncodings':['utf-16']},
                 'window':{'workDoneProgress':true,'showDocument':{'support':true},'showMessage':{}},
                 'workspace':{'applyEdit':true,'workspaceFolders':true,'configuration':true,
                  'workspaceEdit':{'documentChanges':true,'resourceOperations':['create','rename','delete'],
                   'changeAnnotationSupport':{'groupsOnLabel':true}},
                  'symbol':{'dynamicRegistration':true,'resolveSupport':{'properties':['location.range']}},
                  'didChangeWatchedFiles':{'dynamicRegistration':true,'relativePatternSupport':true},
                  'didChangeConfiguration':{'dynamicRegistration':true},
                  'semanticTokens':{'refreshSupport':true},'codeLens':{'refreshSupport':true},
                  'inlayHint':{'refreshSupport':true},'diagnostics':{'refreshSupport':true},
                  'fileOperations':{'willCreate':true,'willRename':true,'willDelete':true,'didCreate':true,
                   'didRename':true,'didDelete':true}},
                 'textDocument':{'synchronization':{'didSave':true,'willSave':true,'willSaveWaitUntil':true},
                  'hover':{'contentFormat':['markdown']},'definition':{'linkSupport':true},
                  'declaration':{'linkSupport':true},'typeDefinition':{'linkSupport':true},
                  'implementation':{'linkSupport':true},
                  'documentSymbol':{'hierarchicalDocumentSymbolSupport':true},
                  'codeAction':{'codeActionLiteralSupport':{'codeActionKind':{'valueSet':[]}},'dataSupport':true,
                   'disabledSupport':true,'isPreferredSupport':true,'resolveSupport':{'properties':['edit']}},
                  'rename':{'prepareSupport':true,'honorsChangeAnnotations':true},
                  'diagnostic':{'relatedDocumentSupport':true},'inlayHint':{'resolveSupport':{'properties':['tooltip']}},
                  'semanticTokens':{'requests':{'full':{'delta':true},'range':true},'tokenTypes':[],
                   'tokenModifiers':[],'formats':['relative']},
                  'codeLens':{},'documentLink':{'tooltipSupport':true},'foldingRange':{},'selectionRange':{},
                  'callHierarchy':{},'typeHierarchy':{},'signatureHelp':{},'references':{},
                  'completion':{},'formatting':{},'linkedEditingRange':{},'moniker':{},'inlineValue':{}}}
                """.replace('\'', '"')).toString();
    }
}
