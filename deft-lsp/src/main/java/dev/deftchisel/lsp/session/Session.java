package dev.deftchisel.lsp.session;

import dev.deftchisel.Chisel;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;
import org.eclipse.lsp4j.MessageParams;
import org.eclipse.lsp4j.MessageType;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.services.LanguageClient;

/** What one client and this server have agreed on, and what the client has open. */
public final class Session implements AutoCloseable {

    private final Documents documents = new Documents();
    private final Worker worker = new Worker();
    private final Progress progress = new Progress(this);
    private final WorkspaceFolders folders = new WorkspaceFolders(worker.monitor(), progress, this::tell);
    private final Map<Path, SourceFile> texts = new ConcurrentHashMap<>();
    private final Optional<Path> pages;
    /** Of the worker's thread. */
    private Optional<Looked> looked = Optional.empty();
    private volatile Negotiated client = Negotiated.NOTHING;
    private volatile ServerSettings settings = ServerSettings.STANDARD;
    private volatile Optional<LanguageClient> editor = Optional.empty();

    /** What was found at the latest look at a file; actions ask for it right after the diagnostics. */
    private record Looked(Snapshot snapshot, Path file, List<Problem> problems) {
    }

    /** @param pages the folder with the pages of rules and errors, if there is one */
    public Session(Optional<Path> pages) {
        this.pages = pages;
    }

    /** From now on messages go there. */
    public void connect(LanguageClient other) {
        editor = Optional.of(other);
    }

    /** To whom messages go. */
    public LanguageClient editor() {
        return editor.orElseThrow(() -> new IllegalStateException("there is no client yet"));
    }

    private void tell(MessageParams message) {
        tell(message, message.getType() == MessageType.Log);
    }

    /** Shows a message, or only logs it; before there is a client nobody hears it. */
    public void tell(MessageParams message, boolean isOnlyLogged) {
        editor.ifPresent(client -> {
            if (isOnlyLogged) {
                client.logMessage(message);
            } else {
                client.showMessage(message);
            }
        });
    }

    public void agree(Negotiated negotiated) {
        this.client = negotiated;
    }

    public Negotiated client() {
        return client;
    }

    /** From now on these count; what is open opens anew where other things may be done. */
    public void set(ServerSettings other) {
        this.settings = other;
        worker.ask(Worker.Urgency.LOOK, () -> {
            folders.allow(other.permissions());
            return other;
        });
    }

    public ServerSettings settings() {
        return settings;
    }

    public Documents documents() {
        return documents;
    }

    public Worker worker() {
        return worker;
    }

    public Progress progress() {
        return progress;
    }

    public WorkspaceFolders folders() {
        return folders;
    }

    public Optional<Path> pages() {
        return pages;
    }

    /**
     * A file that something is asked about, and the workspace it is in, as the editor sees both.
     *
     * @param version of the document; 0 when it is not open
     */
    public record RequestContext(Session session, Chisel chisel, SourceFile file, int version) {

        public Positions positions() {
            return session.positions(file);
        }

        /** The caret at a position of the file. */
        public Place place(Position position) {
            int caret = positions().offset(position);
            return new Place(file.path(), new Range(caret, caret));
        }

        /** What is wrong with the file; looked for once, as long as nothing changes anywhere. */
        public List<Problem> problems() {
            Optional<Looked> latest = session.looked.filter(known ->
                    known.snapshot() == chisel.snapshot() && known.file().equals(file.path()));
            Looked looked = latest.orElseGet(() -> new Looked(chisel.snapshot(), file.path(),
                    chisel.problems().in(ProblemScope.of(List.of(file.path())))));
            session.looked = Optional.of(looked);
            return looked.problems();
        }

        /** Another file of the workspace. */
        public Optional<Positions> positions(Path other) {
            return chisel.snapshot().file(other).map(session::positions);
        }
    }

    /** A file for which no workspace is needed. */
    public record FileText(Session session, SourceFile file) {

        /** Its positions as the client counts them. */
        public Positions positions() {
            return session.positions(file);
        }
    }

    /** A file is not open any more. */
    public void closed(String uri) {
        documents.close(uri);
        Documents.path(uri).ifPresent(texts::remove);
    }

    public Positions positions(SourceFile file) {
        return new Positions(file.content(), file.lines(), client.units());
    }

    /**
     * Asks something about a place in a file, on the worker's thread. When the file was changed before its turn comes,
     * the place may be another one: the answer is that it was.
     *
     * @param otherwise the answer for what is no Java file of a workspace
     */
    public <T> CompletableFuture<T> ask(Worker.Urgency urgency, String uri, Supplier<T> otherwise,
            Function<RequestContext, T> question) {
        Optional<Integer> version = documents.of(uri).map(Document::version);
        return worker.ask(urgency, () -> {
            if (!documents.of(uri).map(Document::version).equals(version)) {
                throw RefusedRequest.outdated();
            }
            return asked(uri).map(question).orElseGet(otherwise);
        });
    }

    /** Asks something about the whole of a file, whatever its text is by then. */
    public <T> CompletableFuture<T> askWhole(String uri, Supplier<T> otherwise, Function<RequestContext, T> question) {
        return worker.ask(Worker.Urgency.WORK, () -> asked(uri).map(question).orElseGet(otherwise));
    }

    /** Asks what the text of a file alone tells; of an open one that waits for nothing else. */
    public <T> CompletableFuture<T> askText(String uri, Supplier<T> otherwise, Function<FileText, T> question) {
        Optional<Document> document = documents.of(uri);
        return document.isPresent()
                ? CompletableFuture.supplyAsync(() -> question.apply(text(document.get())), worker.texts())
                : worker.ask(Worker.Urgency.LOOK, () -> asked(uri)
                        .map(asked -> question.apply(new FileText(this, asked.file()))).orElseGet(otherwise));
    }

    private FileText text(Document document) {
        SourceFile file = texts.compute(document.path(), (path, known) -> known != null
                && known.content().equals(document.text()) ? known : SourceFile.alone(path, document.text()));
        return new FileText(this, file);
    }

    /** The project of a file or folder, with what is typed; for those who are on the thread that looks at code. */
    public Optional<Chisel> opened(Path path) {
        Optional<Chisel> chisel = folders.of(path);
        chisel.ifPresent(found -> found.edited(documents.texts()));
        return chisel;
    }

    /** The same, for those who are on that thread. */
    public Optional<RequestContext> asked(String uri) {
        Optional<Path> path = Documents.path(uri);
        Optional<Chisel> chisel = path.flatMap(this::opened);
        return chisel.flatMap(found -> found.snapshot().file(path.get())).map(file -> new RequestContext(this,
                chisel.get(), file,
                documents.of(path.get()).map(Document::version).orElse(0)));
    }

    @Override
    public void close() {
        worker.close();
        folders.close();
    }
}
