package dev.deftchisel;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.DeclaredClasses;
import dev.deftchisel.analysis.ImplicitOrigin;
import dev.deftchisel.analysis.compiler.DeepStack;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.header.edited.EditedHeader;
import dev.deftchisel.journal.Entry;
import dev.deftchisel.journal.Journal;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Counterparts;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.PlaceReader;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.problem.detection.Repairs;
import dev.deftchisel.problem.detection.Rules;
import dev.deftchisel.rewrite.NewFile;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import dev.deftchisel.workspace.opening.ProcessedRoots;
import dev.deftchisel.workspace.opening.Workspaces;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.BiPredicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A workspace that is being worked on. From a place in the code to an applied change and back:
 * <pre>{@code
 * try (Chisel chisel = Chisel.open(OpenRequest.around(folder), Monitor.SILENT)) {
 *     Place place = chisel.place("harbour.Berth#moor(Vessel)");
 *     chisel.offers(place).forEach(offer -> System.out.println(offer.title()));
 *     Outcome outcome = chisel.preview(place, "rename", Answers.of("name", "dock"));
 *     if (outcome instanceof Outcome.Preview preview) {
 *         chisel.apply(preview);
 *         chisel.undo();
 *     }
 * }
 * }</pre>
 * To be used by one thread at a time. Texts are read when the workspace is opened, and again for files that this object
 * changed; {@link #refresh} reads everything anew.
 */
public final class Chisel implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Chisel.class);

    /** The brace at the end of a line that opens a body, and what is before its first word. */
    private static final Pattern BODY = Pattern.compile("\\{\\R\\s*(?=[^\\s}])");

    private final Workspace workspace;
    private final Libraries libraries = new Libraries();
    private final ProcessorRefresh remade;
    private final Journal journal;
    private final Monitor monitor;
    private final List<Operation> operations;
    /** Looked for when they are first needed, since most commands never ask. */
    private Optional<Rules> rules = Optional.empty();
    private Optional<Repairs> repairs = Optional.empty();
    /** What is on disk, as far as is known. */
    private Snapshot saved;
    /** What stands instead in files that are being edited. */
    private Map<Path, String> unsaved = Map.of();
    private Snapshot snapshot;
    private Analyst analyst;
    private final DeclaredClasses declared = new DeclaredClasses(libraries.additions());
    /** Of the same snapshot as the analyst, for what changes nothing. */
    private Analyst looking;

    private Chisel(Workspace read, boolean isProcessing, Monitor monitor, List<Operation> operations) {
        this.workspace = isProcessing ? ProcessedRoots.in(read, processor -> !libraries.standsFor(processor)) : read;
        this.remade = new ProcessorRefresh(workspace, libraries.processing());
        this.monitor = monitor;
        this.operations = operations;
        this.journal = new Journal(workspace);
        journal.recover();
        this.saved = remade.kept(Snapshot.read(workspace));
        this.snapshot = saved;
        this.analyst = new Analyst(snapshot, libraries, monitor);
        this.looking = analyst.looking(declared);
    }

    /**
     * Opens a workspace with the readers and operations on the class path. A change that a killed process left half
     * written is taken back first.
     *
     * @throws dev.deftchisel.workspace.WorkspaceException when there is no workspace, or it cannot be read
     * @throws dev.deftchisel.journal.JournalException     when an interrupted change cannot be taken back
     */
    public static Chisel open(OpenRequest request, Monitor monitor) {
        Workspace workspace = Workspaces.installed().open(request);
        // reading the build takes most of the time; whoever has changed his mind by now need not wait for the texts
        monitor.check();
        Chisel chisel = new Chisel(workspace, request.allows(Permission.RUN_PROCESSORS), monitor, operations());
        monitor.check();
        return chisel;
    }

    /** All operations on the class path, by id. */
    public static List<Operation> operations() {
        // plain code on purpose: every start of the command comes here, and a stream that sorts takes a quarter of it
        List<Operation> found = new ArrayList<>();
        ServiceLoader.load(Operation.class, Chisel.class.getClassLoader()).forEach(found::add);
        found.sort((one, other) -> one.id().compareTo(other.id()));
        return List.copyOf(found);
    }

    /**
     * The operation of an id.
     *
     * @throws IllegalArgumentException when there is none
     */
    public static Operation operation(String id) {
        return named(operations(), id);
    }

    static Operation named(List<Operation> all, String id) {
        return all.stream()
                .filter(operation -> operation.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no operation '" + id + "'; there are "
                        + all.stream().map(Operation::id).collect(Collectors.joining(", "))));
    }

    /** The workspace that is open. */
    public Workspace workspace() {
        return workspace;
    }

    /** The texts as they were read last, or as they are being edited. */
    public Snapshot snapshot() {
        return snapshot;
    }

    /** Reads all texts anew; files that are being edited stay as they are. */
    public void refresh() {
        refresh(saved.readAgain());
    }

    /** Reads some files anew that another program may have written, or removed. */
    public void refresh(Collection<Path> files) {
        refresh(saved.reread(files));
    }

    private void refresh(Snapshot read) {
        saved = remade.kept(read);
        snapshot = unsaved.isEmpty() ? saved : remade.typed(saved.with(contents(unsaved), Map.of()));
    }

    /**
     * Says what stands in files that are being edited elsewhere and are not saved. It counts instead of what is on
     * disk, until something else is said; a file that is not among them any more is as it is on disk.
     *
     * @param texts by path; files outside of the source folders are left out
     */
    public void edited(Map<Path, String> texts) {
        Map<Path, Optional<String>> changed = new HashMap<>();
        texts.forEach((path, text) -> {
            if (!text.equals(unsaved.get(path))) {
                changed.put(path, Optional.of(text));
            }
        });
        unsaved.keySet().stream().filter(path -> !texts.containsKey(path))
                .forEach(path -> changed.put(path, saved.file(path).map(SourceFile::content)));
        unsaved = Map.copyOf(texts);
        if (!changed.isEmpty()) {
            snapshot = remade.typed(snapshot.with(changed, Map.of()));
        }
    }

    private static Map<Path, Optional<String>> contents(Map<Path, String> texts) {
        Map<Path, Optional<String>> contents = new HashMap<>();
        texts.forEach((path, text) -> contents.put(path, Optional.of(text)));
        return contents;
    }

    /** One analyst for each snapshot: he remembers his last answer. */
    private Analyst analyst() {
        if (analyst.snapshot() != snapshot) {
            analyst = new Analyst(snapshot, libraries, monitor);
            looking = analyst.looking(declared);
        }
        return analyst;
    }

    private Analyst looking() {
        analyst();
        return looking;
    }

    /**
     * Reads a place as people write it, see {@link PlaceReader}; relative paths start from the working folder.
     *
     * @throws dev.deftchisel.operation.PlaceException when nothing is there
     */
    public Place place(String text) {
        return new PlaceReader(analyst(), Path.of("").toAbsolutePath()).read(text);
    }

    /**
     * What the code at a place means.
     *
     * @throws dev.deftchisel.workspace.WorkspaceException when the place is in no Java file of the workspace
     */
    public ResolvedPlace resolved(Place place) {
        return resolved(place, analyst());
    }

    private ResolvedPlace resolved(Place place, Analyst by) {
        SourceFile file = snapshot.source(place.file());
        Focus focus = nameAt(file.tokens(), place.caret())
                .map(name -> Focus.on(Set.of(file.path()), Set.of(name)))
                .orElseGet(() -> Focus.around(file.path(), place.selection()));
        return new ResolvedPlace(place, file, by.analyse(focus));
    }

    /** The same for those who only look: what is known of the file already will do, whatever it was asked for. */
    private ResolvedPlace look(Place place) {
        return looking().known(place.file())
                .flatMap(known -> snapshot.file(place.file()).map(file -> new ResolvedPlace(place, file, known)))
                .orElseGet(() -> resolved(place, looking()));
    }

    private static Optional<String> nameAt(Tokens tokens, int caret) {
        return Stream.of(caret, caret - 1)
                .filter(offset -> offset >= 0 && offset < tokens.content().length())
                .map(tokens::at)
                .filter(token -> token >= 0 && tokens.kind(token) == TokenKind.IDENTIFIER)
                .map(tokens::name)
                .findFirst();
    }

    /** What can be done at a place, best first: what is about all that is selected, then what is about least. */
    public List<Offer> offers(Place place) {
        return DeepStack.call(() -> offers(look(place)));
    }

    private List<Offer> offers(ResolvedPlace resolved) {
        return operations.stream()
                .flatMap(operation -> offer(operation, resolved).stream())
                .sorted(Comparator.comparing((Offer offer) -> !offer.range().encloses(resolved.place().selection()))
                        .thenComparing(offer -> offer.range().length()))
                .toList();
    }

    /**
     * Why offers of a place would be refused as soon as they are taken without any answer. Of those for which it would
     * take an analysis to know, and of those whose turn has not come in time, nothing is said.
     *
     * @param offers in the order in which they are looked at
     * @param limit  after which none is looked at any more
     */
    public Map<Offer, Reason> objections(Place place, List<Offer> offers, Duration limit) {
        return DeepStack.call(() -> {
            OfferCheck check = new OfferCheck(look(place), looking());
            Map<Offer, Reason> found = new HashMap<>();
            long start = System.nanoTime();
            for (Offer offer : offers) {
                if (System.nanoTime() - start < limit.toNanos()) {
                    check.objection(named(operations, offer.operation()))
                            .ifPresent(reason -> found.put(offer, reason));
                }
            }
            return found;
        });
    }

    /** Half-written code can be of any shape, and an operation may be somebody else's: the others are still offered. */
    private static Optional<Offer> offer(Operation operation, ResolvedPlace resolved) {
        try {
            return operation.offer(resolved);
        } catch (CancellationException stopped) {
            throw stopped;
        } catch (RuntimeException | StackOverflowError failed) {
            LOG.warn("'{}' failed at {} and is not offered there", operation.id(), resolved.place().file(), failed);
            return Optional.empty();
        }
    }

    /** Where things are declared and used, in the code as it is now. */
    public Navigator navigator() {
        return new Navigator(looking(), this::look);
    }

    /** Who calls whom, and which type is above which, in the code as it is now. */
    public Hierarchy hierarchy() {
        return new Hierarchy(looking(), navigator(), this::look);
    }

    /** Every use of the symbol at a place; empty when no name stands there. */
    public Optional<Uses> uses(Place place) {
        return navigator().uses(place);
    }

    /**
     * Works out a change and has the guard judge it.
     *
     * @param place     where
     * @param operation id of an operation
     * @param answers   to its questions
     * @throws IllegalArgumentException when there is no such operation
     */
    public Outcome preview(Place place, String operation, Answers answers) {
        Planner planner = new Planner(named(operations, operation), analyst());
        return DeepStack.call(() -> planner.plan(resolved(place), answers));
    }

    /**
     * The header at a place, when somebody types it where it stands and the code does not follow yet.
     *
     * @param agreed the text of the file as it was when all calls and overrides agreed with its headers
     */
    public Optional<EditedHeader> editedHeader(Place place, String agreed) {
        return snapshot.file(place.file()).flatMap(file -> EditedHeader.at(file,
                SourceFile.alone(file.path(), agreed), place.caret()))
                .map(header -> header.in(snapshot.mentioning(Set.of(header.named())).size()));
    }

    /** What carries a header that is typed already to all calls, overrides and documentation. */
    public Outcome preview(EditedHeader header) {
        Analyst before = analyst().of(remade.typed(snapshot.with(
                Map.of(header.file().path(), Optional.of(header.base())), Map.of())));
        Outcome outcome = DeepStack.call(() -> new Planner(named(operations, "change-signature"), before)
                .plan(new ResolvedPlace(header.place(), before.snapshot().source(header.file().path()),
                        before.analyse(Focus.around(header.file().path(), header.place().selection()))),
                        Answers.of("to", header.typed())));
        return !(outcome instanceof Outcome.Preview preview) ? outcome : header.onto(preview.change())
                .map(change -> (Outcome) new Outcome.Preview(change, preview.before()))
                .orElseGet(() -> new Outcome.Refusal(List.of(Reason.at(header.file().path(), header.name(),
                        "modifiers that stood here are not left out this way; type them again")), List.of()));
    }

    /**
     * The same change with edits taken or left out. What that would break is found by the guard.
     *
     * @param preview as it is
     * @param choice  whether an edit is to take part
     */
    public Outcome choose(Outcome.Preview preview, BiPredicate<FileChange, Edit> choice) {
        Change chosen = preview.change().choose(choice);
        return DeepStack.call(() -> new ChangeVerifier(analyst()).judge(chosen, preview.before()));
    }

    /**
     * Writes a change: all of it, or nothing.
     *
     * @throws dev.deftchisel.journal.JournalException when it cannot be written, or a file changed since the preview
     */
    public Entry apply(Outcome.Preview preview) {
        return reread(journal.apply(preview.change()));
    }

    /**
     * Takes the latest change back.
     *
     * @throws dev.deftchisel.journal.JournalException when there is none, or a file of it was changed since
     */
    public Entry undo() {
        return reread(journal.undo());
    }

    /**
     * Does the change again that was taken back last.
     *
     * @throws dev.deftchisel.journal.JournalException when there is none, or a file of it was changed since
     */
    public Entry redo() {
        return reread(journal.redo());
    }

    /** All changes of this workspace, oldest first. */
    public List<Entry> history() {
        return journal.history();
    }

    /**
     * Writes a file that somebody edited, whatever is there.
     *
     * @throws dev.deftchisel.journal.JournalException when it cannot be written
     */
    public void save(Path file, SourceText text) {
        journal.save(file, text.bytes());
        refresh(List.of(file));
    }

    private Entry reread(Entry entry) {
        refresh(entry.files().stream()
                .flatMap(image -> Stream.of(image.before(), image.after()))
                .map(shown -> workspace.root().resolve(shown))
                .collect(Collectors.toSet()));
        return entry;
    }

    /** The name that stands at a place now and every place that carries it in a change, for typing over. */
    public static List<Place> linkedPlaces(Change change) {
        Mapping mapping = change.mapping();
        return change.effective().stream()
                .flatMap(file -> file.takenEdits().stream()
                        .flatMap(edit -> linkedPlaces(mapping, file, edit))
                        .map(range -> new Place(file.pathAfter(), range)))
                .toList();
    }

    /**
     * Where somebody goes on writing after a change: in each file that gets new code at the first of it, in its body
     * where it has one.
     */
    public static List<Place> writtenPlaces(Change change) {
        Mapping mapping = change.mapping();
        return change.effective().stream()
                .flatMap(file -> file.takenEdits().stream()
                        .filter(edit -> edit.kind() == Edit.Kind.CODE && !edit.replacement().isBlank())
                        .findFirst()
                        .map(edit -> writtenPlace(mapping, file, edit)).stream())
                .toList();
    }

    private static Place writtenPlace(Mapping mapping, FileChange file, Edit edit) {
        String text = edit.replacement();
        Matcher body = BODY.matcher(text);
        int own = body.find() ? body.end() : text.length() - text.stripLeading().length();
        int start = mapping.written(file.path(), edit).start() + own;
        return new Place(file.pathAfter(), new Range(start, start));
    }

    private static Stream<Range> linkedPlaces(Mapping mapping, FileChange file, Edit edit) {
        if (edit.kind().isName()) {
            return mapping.name(file.path(), edit.range()).stream();
        }
        int start = mapping.written(file.path(), edit).start();
        return edit.linked().stream().map(name -> new Range(start + name.start(), start + name.end()));
    }

    /** The tests of the type in the file of a place, or the types that the test there is for; best first. */
    public List<Place> counterparts(Place place) {
        return snapshot.file(place.file()).map(file -> new Counterparts(snapshot).of(file)).orElse(List.of());
    }

    /** What a new file begins with, see {@link NewFile#begun}; empty where it belongs to no source folder. */
    public Optional<String> begun(Path newFile) {
        return NewFile.begun(newFile, snapshot);
    }

    /** What is wrong with the code as it is now, by all rules on the class path. */
    public Problems problems() {
        return problems(analyst(), looking());
    }

    /** What is wrong with other code of the workspace, such as files with changes that are not saved. */
    public Problems problems(Snapshot code) {
        return problems(analyst().of(code), analyst().of(code));
    }

    private Problems problems(Analyst of, Analyst looking) {
        if (rules.isEmpty()) {
            rules = Optional.of(Rules.installed());
            repairs = Optional.of(Repairs.installed());
        }
        return new Problems(of, looking, operations, rules.orElseThrow(), repairs.orElseThrow());
    }

    /** What is known of the symbol at a place. */
    public Optional<Symbol> symbol(Place place) {
        return look(place).symbol();
    }

    /**
     * Where a symbol comes from that nobody wrote, for instance {@code made by an annotation processor}; empty for what
     * is written.
     */
    public Optional<String> origin(Symbol symbol) {
        return ImplicitOrigin.origin(symbol, analyst());
    }

    @Override
    public void close() {
        libraries.close();
    }
}
