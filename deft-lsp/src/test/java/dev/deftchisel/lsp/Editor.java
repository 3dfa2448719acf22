package dev.deftchisel.lsp;

import dev.deftchisel.lsp.session.PositionEncoding;
import dev.deftchisel.lsp.session.Positions;
import java.io.IOException;
import java.io.PipedInputStream;
import java.io.PipedOutputStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.logging.LogManager;
import org.eclipse.lsp4j.ApplyWorkspaceEditParams;
import org.eclipse.lsp4j.ApplyWorkspaceEditResponse;
import org.eclipse.lsp4j.ClientCapabilities;
import org.eclipse.lsp4j.CodeActionCapabilities;
import org.eclipse.lsp4j.CodeActionKindCapabilities;
import org.eclipse.lsp4j.CodeActionLiteralSupportCapabilities;
import org.eclipse.lsp4j.CodeActionResolveSupportCapabilities;
import org.eclipse.lsp4j.ConfigurationParams;
import org.eclipse.lsp4j.DidChangeConfigurationParams;
import org.eclipse.lsp4j.DidChangeTextDocumentParams;
import org.eclipse.lsp4j.DidOpenTextDocumentParams;
import org.eclipse.lsp4j.DocumentSymbolCapabilities;
import org.eclipse.lsp4j.InitializeParams;
import org.eclipse.lsp4j.InitializeResult;
import org.eclipse.lsp4j.MessageActionItem;
import org.eclipse.lsp4j.MessageParams;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.ProgressParams;
import org.eclipse.lsp4j.PublishDiagnosticsParams;
import org.eclipse.lsp4j.RenameFile;
import org.eclipse.lsp4j.ShowDocumentParams;
import org.eclipse.lsp4j.ShowDocumentResult;
import org.eclipse.lsp4j.ShowMessageRequestParams;
import org.eclipse.lsp4j.TextDocumentClientCapabilities;
import org.eclipse.lsp4j.TextDocumentContentChangeEvent;
import org.eclipse.lsp4j.TextDocumentEdit;
import org.eclipse.lsp4j.TextDocumentIdentifier;
import org.eclipse.lsp4j.TextDocumentItem;
import org.eclipse.lsp4j.TextEdit;
import org.eclipse.lsp4j.VersionedTextDocumentIdentifier;
import org.eclipse.lsp4j.WorkspaceClientCapabilities;
import org.eclipse.lsp4j.WorkspaceEdit;
import org.eclipse.lsp4j.WorkspaceEditCapabilities;
import org.eclipse.lsp4j.WorkspaceFolder;
import org.eclipse.lsp4j.launch.LSPLauncher;
import org.eclipse.lsp4j.services.LanguageClient;
import org.eclipse.lsp4j.services.LanguageServer;

/** A client that is connected to a server through pipes, and keeps what it has open as an editor would. */
final class Editor implements LanguageClient, AutoCloseable {

    private static final int PIPE = 1 << 20;

    private final LanguageServer server;
    private final InitializeResult agreed;
    private final Map<String, String> texts = new ConcurrentHashMap<>();
    private final Map<String, Integer> versions = new ConcurrentHashMap<>();
    private final BlockingQueue<PublishDiagnosticsParams> diagnostics = new LinkedBlockingQueue<>();
    private final BlockingQueue<WorkspaceEdit> edits = new LinkedBlockingQueue<>();
    private final BlockingQueue<String> messages = new LinkedBlockingQueue<>();
    private final List<String> clicks = new CopyOnWriteArrayList<>();
    private final List<String> questions = new CopyOnWriteArrayList<>();
    private final List<ShowDocumentParams> shown = new CopyOnWriteArrayList<>();
    private final List<ProgressParams> told = new CopyOnWriteArrayList<>();
    private volatile Object settings = "";
    private final CompletableFuture<Boolean> end = new CompletableFuture<>();

    Editor(Path folder, Consumer<ClientCapabilities> abilities) throws IOException {
        this(folder, abilities, params -> { });
    }

    /** @param more what is said at the beginning, beside the folder and the abilities */
    Editor(Path folder, Consumer<ClientCapabilities> abilities, Consumer<InitializeParams> more) throws IOException {
        // a pipe that breaks at the end is no news
        LogManager.getLogManager().reset();
        PipedInputStream toServer = new PipedInputStream(PIPE);
        PipedInputStream toClient = new PipedInputStream(PIPE);
        PipedOutputStream fromClient = new PipedOutputStream(toServer);
        PipedOutputStream fromServer = new PipedOutputStream(toClient);
        Thread thread = new Thread(() -> {
            try {
                end.complete(new DeftServer(Optional.empty()).serve(toServer, fromServer));
            } catch (InterruptedException stopped) {
                end.completeExceptionally(stopped);
            }
        });
        thread.setDaemon(true);
        thread.start();
        var launcher = LSPLauncher.createClientLauncher(this, toClient, fromClient);
        launcher.startListening();
        server = launcher.getRemoteProxy();
        InitializeParams params = new InitializeParams();
        params.setWorkspaceFolders(List.of(new WorkspaceFolder(folder.toUri().toString(), "harbour")));
        params.setCapabilities(abilities(abilities));
        more.accept(params);
        agreed = server.initialize(params).join();
    }

    private static ClientCapabilities abilities(Consumer<ClientCapabilities> more) {
        ClientCapabilities can = new ClientCapabilities();
        WorkspaceEditCapabilities edit = new WorkspaceEditCapabilities();
        edit.setDocumentChanges(true);
        edit.setResourceOperations(List.of("create", "rename", "delete"));
        can.setWorkspace(new WorkspaceClientCapabilities());
        can.getWorkspace().setWorkspaceEdit(edit);
        CodeActionCapabilities actions = new CodeActionCapabilities();
        actions.setCodeActionLiteralSupport(new CodeActionLiteralSupportCapabilities(
                new CodeActionKindCapabilities(List.of())));
        actions.setResolveSupport(new CodeActionResolveSupportCapabilities(List.of("edit")));
        actions.setDataSupport(true);
        can.setTextDocument(new TextDocumentClientCapabilities());
        can.getTextDocument().setCodeAction(actions);
        can.getTextDocument().setDocumentSymbol(new DocumentSymbolCapabilities());
        can.getTextDocument().getDocumentSymbol().setHierarchicalDocumentSymbolSupport(true);
        more.accept(can);
        return can;
    }

    @Override
    public void notifyProgress(ProgressParams params) {
        told.add(params);
    }

    /** What came under tokens, in order. */
    List<ProgressParams> told() {
        return told;
    }

    LanguageServer server() {
        return server;
    }

    InitializeResult agreed() {
        return agreed;
    }

    TextDocumentIdentifier open(Path file, String text) {
        String uri = file.toUri().toString();
        texts.put(uri, text);
        versions.put(uri, 1);
        server.getTextDocumentService()
                .didOpen(new DidOpenTextDocumentParams(new TextDocumentItem(uri, "java", 1, text)));
        return new TextDocumentIdentifier(uri);
    }

    /** Types something in place of a part of the text that stands there once. */
    void type(TextDocumentIdentifier document, String part, String instead) {
        String text = text(document);
        org.eclipse.lsp4j.Range range = new org.eclipse.lsp4j.Range(at(document, part, 0),
                at(document, part, part.length()));
        texts.put(document.getUri(), text.replace(part, instead));
        int version = versions.merge(document.getUri(), 1, Integer::sum);
        server.getTextDocumentService().didChange(new DidChangeTextDocumentParams(
                new VersionedTextDocumentIdentifier(document.getUri(), version),
                List.of(new TextDocumentContentChangeEvent(range, instead))));
    }

    /** Where a part of the text stands, and so many chars after it. */
    Position at(TextDocumentIdentifier document, String part, int behind) {
        return Positions.of(text(document), PositionEncoding.UTF16).at(text(document).indexOf(part) + behind);
    }

    String text(TextDocumentIdentifier document) {
        return texts.get(document.getUri());
    }

    /** The next diagnostics that are told of a file. */
    PublishDiagnosticsParams diagnostics() throws InterruptedException {
        return Optional.ofNullable(diagnostics.poll(1, TimeUnit.MINUTES))
                .orElseThrow(() -> new AssertionError("no diagnostics came"));
    }

    WorkspaceEdit asked() throws InterruptedException {
        return Optional.ofNullable(edits.poll(1, TimeUnit.MINUTES))
                .orElseThrow(() -> new AssertionError("no edit came"));
    }

    /** The text of an open file after an edit of the workspace. */
    String after(TextDocumentIdentifier document, WorkspaceEdit edit) {
        List<? extends TextEdit> own = edit.getDocumentChanges() == null ? edit.getChanges()
                .getOrDefault(document.getUri(), List.of())
                : edit.getDocumentChanges().stream().filter(step -> step.isLeft()).map(step -> step.getLeft())
                        .filter(step -> step.getTextDocument().getUri().equals(document.getUri()))
                        .map(TextDocumentEdit::getEdits).findFirst().orElse(List.of());
        Positions positions = Positions.of(text(document), PositionEncoding.UTF16);
        StringBuilder text = new StringBuilder(text(document));
        own.stream().sorted((one, other) -> positions.offset(other.getRange().getStart())
                - positions.offset(one.getRange().getStart()))
                .forEach(one -> text.replace(positions.offset(one.getRange().getStart()),
                        positions.offset(one.getRange().getEnd()),
                        one.getNewText()));
        return text.toString();
    }

    static List<String> moved(WorkspaceEdit edit) {
        return edit.getDocumentChanges().stream()
                .filter(step -> step.isRight() && step.getRight() instanceof RenameFile)
                .map(step -> Path.of(java.net.URI.create(((RenameFile) step.getRight()).getNewUri())).getFileName()
                        .toString()).toList();
    }

    /** Waits until the server has ended; whether it was in good order. */
    boolean ended() throws Exception {
        return end.get(1, TimeUnit.MINUTES);
    }

    /** Leaves in good order, or not. */
    boolean leave(boolean inOrder) {
        if (inOrder) {
            server.shutdown().join();
        }
        server.exit();
        return end.join();
    }

    @Override
    public void close() {
        server.exit();
    }

    @Override
    public void publishDiagnostics(PublishDiagnosticsParams params) {
        diagnostics.add(params);
    }

    @Override
    public CompletableFuture<ApplyWorkspaceEditResponse> applyEdit(ApplyWorkspaceEditParams params) {
        edits.add(params.getEdit());
        return CompletableFuture.completedFuture(new ApplyWorkspaceEditResponse(true));
    }

    @Override
    public void telemetryEvent(Object object) {
    }

    @Override
    public void showMessage(MessageParams message) {
        messages.add(message.getMessage());
    }

    /** The next message that the user sees. */
    String message() throws InterruptedException {
        return Optional.ofNullable(messages.poll(1, TimeUnit.MINUTES))
                .orElseThrow(() -> new AssertionError("no message came"));
    }

    @Override
    public CompletableFuture<MessageActionItem> showMessageRequest(ShowMessageRequestParams params) {
        questions.add(params.getMessage());
        return CompletableFuture.completedFuture(params.getActions().stream()
                .filter(item -> clicks.contains(item.getTitle())).findFirst()
                .orElse(null));
    }

    @Override
    public CompletableFuture<ShowDocumentResult> showDocument(ShowDocumentParams params) {
        shown.add(params);
        return CompletableFuture.completedFuture(new ShowDocumentResult(true));
    }

    /** The latest place that the server wanted to be shown. */
    ShowDocumentParams shown() {
        return shown.get(shown.size() - 1);
    }

    @Override
    public CompletableFuture<List<Object>> configuration(ConfigurationParams params) {
        return CompletableFuture.completedFuture(params.getItems().stream().map(item -> settings).toList());
    }

    /** From now on questions are answered by one of these titles, or closed. */
    void click(String... titles) {
        clicks.addAll(List.of(titles));
    }

    /** What the server has asked the user. */
    List<String> questions() {
        return questions;
    }

    /** Another setting, of which the server is told that there is one. */
    void set(Object other) {
        settings = other;
        server.getWorkspaceService().didChangeConfiguration(new DidChangeConfigurationParams(new Object()));
    }

    @Override
    public void logMessage(MessageParams message) {
    }
}
