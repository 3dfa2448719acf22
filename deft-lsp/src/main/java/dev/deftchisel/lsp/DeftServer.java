package dev.deftchisel.lsp;

import dev.deftchisel.lsp.feature.Actions;
import dev.deftchisel.lsp.feature.Diagnostics;
import dev.deftchisel.lsp.feature.Renames;
import dev.deftchisel.lsp.insight.NameTokens;
import dev.deftchisel.lsp.session.Documents;
import dev.deftchisel.lsp.session.Negotiated;
import dev.deftchisel.lsp.session.ServerSettings;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.workspace.Build;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.eclipse.lsp4j.CodeActionOptions;
import org.eclipse.lsp4j.CodeLensOptions;
import org.eclipse.lsp4j.DiagnosticRegistrationOptions;
import org.eclipse.lsp4j.DidChangeWatchedFilesRegistrationOptions;
import org.eclipse.lsp4j.DocumentLinkOptions;
import org.eclipse.lsp4j.ExecuteCommandOptions;
import org.eclipse.lsp4j.FileOperationFilter;
import org.eclipse.lsp4j.FileOperationOptions;
import org.eclipse.lsp4j.FileOperationPattern;
import org.eclipse.lsp4j.FileOperationPatternKind;
import org.eclipse.lsp4j.FileOperationsServerCapabilities;
import org.eclipse.lsp4j.FileSystemWatcher;
import org.eclipse.lsp4j.InitializeParams;
import org.eclipse.lsp4j.InitializeResult;
import org.eclipse.lsp4j.InitializedParams;
import org.eclipse.lsp4j.ImplementationRegistrationOptions;
import org.eclipse.lsp4j.MessageParams;
import org.eclipse.lsp4j.MessageType;
import org.eclipse.lsp4j.ReferenceOptions;
import org.eclipse.lsp4j.Registration;
import org.eclipse.lsp4j.RegistrationParams;
import org.eclipse.lsp4j.RenameOptions;
import org.eclipse.lsp4j.SaveOptions;
import org.eclipse.lsp4j.SemanticTokensServerFull;
import org.eclipse.lsp4j.SemanticTokensWithRegistrationOptions;
import org.eclipse.lsp4j.ServerCapabilities;
import org.eclipse.lsp4j.ServerInfo;
import org.eclipse.lsp4j.SignatureHelpOptions;
import org.eclipse.lsp4j.TextDocumentSyncKind;
import org.eclipse.lsp4j.TextDocumentSyncOptions;
import org.eclipse.lsp4j.WorkDoneProgressCancelParams;
import org.eclipse.lsp4j.WorkspaceFolder;
import org.eclipse.lsp4j.WorkspaceFoldersOptions;
import org.eclipse.lsp4j.WorkspaceServerCapabilities;
import org.eclipse.lsp4j.WorkspaceSymbolOptions;
import org.eclipse.lsp4j.jsonrpc.Launcher;
import org.eclipse.lsp4j.jsonrpc.ResponseErrorException;
import org.eclipse.lsp4j.jsonrpc.messages.Either;
import org.eclipse.lsp4j.jsonrpc.messages.ResponseError;
import org.eclipse.lsp4j.jsonrpc.messages.ResponseErrorCode;
import org.eclipse.lsp4j.launch.LSPLauncher;
import org.eclipse.lsp4j.services.LanguageClient;
import org.eclipse.lsp4j.services.LanguageServer;
import org.eclipse.lsp4j.services.TextDocumentService;
import org.eclipse.lsp4j.services.WorkspaceService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The language server for one client:
 * <pre>{@code
 * new DeftServer(Optional.empty()).serve(System.in, System.out);
 * }</pre>
 */
public final class DeftServer implements LanguageServer {

    private static final Logger LOG = LoggerFactory.getLogger(DeftServer.class);

    private final Session session;
    private final TextRequests texts;
    private final WorkspaceRequests workspace;
    private final CompletableFuture<Boolean> ended = new CompletableFuture<>();
    private volatile boolean isShut;

    /** @param pages the folder with the pages of rules and errors, to which diagnostics lead */
    public DeftServer(Optional<Path> pages) {
        this.session = new Session(pages);
        Diagnostics diagnostics = new Diagnostics(session);
        Actions actions = new Actions(session);
        Renames renames = new Renames(session);
        this.texts = new TextRequests(session, diagnostics, actions, renames);
        this.workspace = new WorkspaceRequests(session, diagnostics, actions, renames);
    }

    /**
     * Answers a client until it says that it leaves, or is gone.
     *
     * @return whether it left in good order: asked to shut down first (LSP 3.17, exit)
     */
    public boolean serve(InputStream in, OutputStream out) throws InterruptedException {
        Launcher<LanguageClient> launcher = new LSPLauncher.Builder<LanguageClient>().setLocalService(this)
                .setRemoteInterface(LanguageClient.class).setInput(in).setOutput(out)
                .setExceptionHandler(DeftServer::said)
                .validateMessages(true).wrapMessages(new MessageGate(this, texts, workspace)::before).create();
        session.connect(launcher.getRemoteProxy());
        Future<Void> reading = launcher.startListening();
        Thread watch = new Thread(() -> {
            try {
                reading.get();
            } catch (InterruptedException | ExecutionException gone) {
                // that it ended is all that matters
            }
            ended.complete(isShut);
        }, "deft-watch");
        watch.setDaemon(true);
        watch.start();
        try {
            return ended.get();
        } catch (ExecutionException never) {
            throw new IllegalStateException(never);
        } finally {
            session.close();
        }
    }

    /**
     * Puts a line into the output that the client keeps for its user; nobody hears it before there is a client.
     *
     * @param isFailure whether something went wrong
     */
    public void log(String line, boolean isFailure) {
        session.tell(new MessageParams(isFailure ? MessageType.Warning : MessageType.Log, line), true);
    }

    /** What the protocol allows to be said of a failure: no traces, which tell the user nothing. */
    private static ResponseError said(Throwable failed) {
        Throwable cause = failed instanceof CompletionException wrapped && wrapped.getCause() != null
                ? wrapped.getCause() : failed;
        if (cause instanceof ResponseErrorException known) {
            return known.getResponseError();
        }
        LOG.warn("a request failed", cause);
        return new ResponseError(ResponseErrorCode.InternalError, "this could not be answered: "
                + cause.getClass().getSimpleName() + (cause.getMessage() == null ? "" : ", " + cause.getMessage()),
                null);
    }

    @Override
    public CompletableFuture<InitializeResult> initialize(InitializeParams params) {
        session.agree(Negotiated.of(params.getCapabilities()));
        session.set(ServerSettings.of(params.getInitializationOptions(), ServerSettings.STANDARD));
        folders(params).flatMap(uri -> Documents.path(uri).stream()).forEach(session.folders()::add);
        Optional.ofNullable(params.getProcessId()).flatMap(ProcessHandle::of)
                .ifPresent(client -> client.onExit().thenRun(() -> ended.complete(isShut)));
        return CompletableFuture.completedFuture(new InitializeResult(capabilities(), new ServerInfo("Deft Chisel")));
    }

    /** The folders that the client has open, however it says so (LSP 3.17, initialize). */
    @SuppressWarnings("deprecation") // what older clients send
    private static Stream<String> folders(InitializeParams params) {
        if (params.getWorkspaceFolders() != null && !params.getWorkspaceFolders().isEmpty()) {
            return params.getWorkspaceFolders().stream().map(WorkspaceFolder::getUri);
        }
        return Optional.ofNullable(params.getRootUri())
                .or(() -> Optional.ofNullable(params.getRootPath()).map(path -> Path.of(path).toUri().toString()))
                .stream();
    }

    private ServerCapabilities capabilities() {
        ServerCapabilities can = new ServerCapabilities();
        can.setPositionEncoding(session.client().units().word());
        TextDocumentSyncOptions sync = new TextDocumentSyncOptions();
        sync.setOpenClose(true);
        sync.setChange(TextDocumentSyncKind.Incremental);
        sync.setSave(new SaveOptions(false));
        can.setTextDocumentSync(sync);
        CodeActionOptions actions = new CodeActionOptions(Actions.kinds());
        actions.setResolveProvider(true);
        can.setCodeActionProvider(actions);
        can.setExecuteCommandProvider(new ExecuteCommandOptions(List.of(Actions.COMMAND, Actions.ASKING_COMMAND,
                Actions.SHOW_COMMAND)));
        RenameOptions rename = new RenameOptions();
        rename.setPrepareProvider(true);
        rename.setWorkDoneProgress(true);
        can.setRenameProvider(rename);
        can.setDefinitionProvider(true);
        can.setDeclarationProvider(true);
        can.setTypeDefinitionProvider(true);
        ImplementationRegistrationOptions implementations = new ImplementationRegistrationOptions();
        implementations.setWorkDoneProgress(true);
        can.setImplementationProvider(implementations);
        ReferenceOptions references = new ReferenceOptions();
        references.setWorkDoneProgress(true);
        can.setReferencesProvider(references);
        can.setDocumentHighlightProvider(true);
        can.setDocumentSymbolProvider(true);
        can.setHoverProvider(true);
        can.setInlayHintProvider(true);
        can.setLinkedEditingRangeProvider(true);
        can.setFoldingRangeProvider(true);
        can.setSelectionRangeProvider(true);
        WorkspaceSymbolOptions symbols = new WorkspaceSymbolOptions();
        symbols.setWorkDoneProgress(true);
        can.setWorkspaceSymbolProvider(symbols);
        can.setSignatureHelpProvider(new SignatureHelpOptions(List.of("(", ",")));
        can.setCallHierarchyProvider(true);
        can.setTypeHierarchyProvider(true);
        if (session.client().can(Negotiated.Ability.PULLING_DIAGNOSTICS)) {
            DiagnosticRegistrationOptions diagnostic = new DiagnosticRegistrationOptions(true, true);
            diagnostic.setIdentifier(Diagnostics.SOURCE);
            can.setDiagnosticProvider(diagnostic);
        }
        can.setDocumentLinkProvider(new DocumentLinkOptions(true));
        can.setCodeLensProvider(new CodeLensOptions(true));
        SemanticTokensServerFull full = new SemanticTokensServerFull(true);
        can.setSemanticTokensProvider(new SemanticTokensWithRegistrationOptions(NameTokens.legend(), full, true));
        WorkspaceFoldersOptions folders = new WorkspaceFoldersOptions();
        folders.setSupported(true);
        folders.setChangeNotifications(true);
        WorkspaceServerCapabilities workspaces = new WorkspaceServerCapabilities(folders);
        FileOperationsServerCapabilities files = new FileOperationsServerCapabilities();
        FileOperationOptions java = new FileOperationOptions(
                List.of(new FileOperationFilter(new FileOperationPattern("**/*.java"), "file")));
        FileOperationPattern anyFolder = new FileOperationPattern("**");
        anyFolder.setMatches(FileOperationPatternKind.Folder);
        files.setWillRename(new FileOperationOptions(List.of(java.getFilters().get(0),
                new FileOperationFilter(anyFolder, "file"))));
        files.setDidCreate(java);
        files.setWillDelete(java);
        workspaces.setFileOperations(files);
        can.setWorkspace(workspaces);
        return can;
    }

    /** Asks to be told when files change on disk, where the client does that on request. */
    @Override
    public void initialized(InitializedParams params) {
        workspace.askSettings();
        if (session.client().can(Negotiated.Ability.WATCHING_FILES)) {
            DidChangeWatchedFilesRegistrationOptions options = new DidChangeWatchedFilesRegistrationOptions(
                    Stream.concat(Stream.of("**/*.java"), Build.FILE_PATTERNS.stream().map(pattern -> "**/" + pattern))
                            .map(pattern -> new FileSystemWatcher(Either.forLeft(pattern))).toList());
            session.editor().registerCapability(new RegistrationParams(List.of(
                    new Registration("files", "workspace/didChangeWatchedFiles", options))));
        }
    }

    /** The user wants something that takes its time to stop: an answer, or else what is opened now. */
    @Override
    public void cancelProgress(WorkDoneProgressCancelParams params) {
        if (!session.progress().cancel(params.getToken())) {
            session.worker().stop();
        }
    }

    @Override
    public CompletableFuture<Object> shutdown() {
        isShut = true;
        return CompletableFuture.completedFuture(null);
    }

    @Override
    public void exit() {
        ended.complete(isShut);
    }

    @Override
    public TextDocumentService getTextDocumentService() {
        return texts;
    }

    @Override
    public WorkspaceService getWorkspaceService() {
        return workspace;
    }
}
