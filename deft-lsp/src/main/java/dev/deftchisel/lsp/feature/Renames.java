package dev.deftchisel.lsp.feature;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.lsp.session.Negotiated;
import dev.deftchisel.lsp.session.RefusedRequest;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.PrepareRenameResult;
import org.eclipse.lsp4j.WorkspaceEdit;

/** Renames: whether there is a name, and what another one would change. */
public final class Renames {

    private static final String RENAME = "rename";

    private final Session session;
    private final WorkspaceEdits edits;

    public Renames(Session session) {
        this.session = session;
        this.edits = new WorkspaceEdits(session);
    }

    /**
     * Where the name stands and how it reads; empty where no name stands.
     *
     * @throws org.eclipse.lsp4j.jsonrpc.ResponseErrorException where one stands that cannot be changed
     */
    public Optional<PrepareRenameResult> prepare(Session.RequestContext asked, Position position) {
        Place place = asked.place(position);
        Optional<Offer> offer = asked.chisel().offers(place).stream().filter(one -> one.operation().equals(RENAME))
                .findFirst();
        ResolvedPlace resolved = asked.chisel().resolved(place);
        if (offer.isEmpty()) {
            resolved.symbol().filter(symbol -> !symbol.isSource()).ifPresent(symbol -> {
                throw RefusedRequest.failed("the " + symbol.describe()
                        + " is declared in a library, so it cannot be renamed");
            });
        }
        asked.chisel().navigator().libraryMethodAbove(place).ifPresent(above -> {
            throw RefusedRequest.failed("this overrides or implements " + above.signature()
                    + ", which is declared in a library and cannot be renamed");
        });
        return offer.flatMap(known -> resolved.bindings().stream().findFirst().map(Binding::range)
                .map(range -> new PrepareRenameResult(asked.positions().of(range), current(known, asked, range))));
    }

    private static String current(Offer offer, Session.RequestContext asked, Range range) {
        return offer.questions().stream().filter(question -> question instanceof Question.Name)
                .map(question -> ((Question.Name) question).current()).filter(name -> !name.isEmpty()).findFirst()
                .orElseGet(() -> asked.file().content().substring(range.start(), range.end()));
    }

    /**
     * What else changes when files and folders are given other names: types follow their files, packages their folders.
     * Empty where no Java file is among them.
     *
     * @param moves where each goes
     * @throws org.eclipse.lsp4j.jsonrpc.ResponseErrorException when code would not mean the same then
     */
    public Optional<WorkspaceEdit> filesRenamed(Map<Path, Path> moves) {
        Optional<Chisel> chisel = moves.keySet().stream().findFirst().flatMap(session::opened);
        Optional<SourceFile> first = chisel.stream().flatMap(found -> found.snapshot().files().stream())
                .filter(file -> moves.keySet().stream().anyMatch(from -> file.path().startsWith(from))).findFirst();
        if (first.isEmpty()) {
            return Optional.empty();
        }
        Map<Path, Path> ofJava = new TreeMap<>(moves);
        ofJava.keySet().removeIf(from -> chisel.get().snapshot().files().stream()
                .noneMatch(file -> file.path().startsWith(from)));
        Outcome outcome = chisel.get().preview(new Place(first.get().path(), new Range(0, 0)), "move-file",
                Answers.none().and("moves", ofJava.entrySet().stream().map(move -> move.getKey() + "="
                        + move.getValue()).toList()));
        return Optional.of(edits.withoutMoves(outcome, chisel.get()))
                .filter(edit -> edit.getDocumentChanges() != null || !edit.getChanges().isEmpty());
    }

    /**
     * What a rename changes. Mentions of the name in text are part of it only for a client that has them confirmed.
     *
     * @throws org.eclipse.lsp4j.jsonrpc.ResponseErrorException when it is refused
     */
    public WorkspaceEdit rename(Session.RequestContext asked, Position position, String newName) {
        Answers answers = Answers.of("name", newName);
        boolean asksForMentions = session.client().can(Negotiated.Ability.ANNOTATIONS,
                Negotiated.Ability.DOCUMENT_CHANGES);
        Outcome outcome = asked.chisel().preview(asked.place(position), RENAME,
                asksForMentions ? answers.and("mentions", "all") : answers);
        return edits.of(outcome, asked.chisel());
    }
}
