package dev.deftchisel.lsp.feature;

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
import dev.deftchisel.source.outline.MemberOutline;
import java.nio.file.Path;
import java.util.Objects;
import java.util.Optional;
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
     * What else changes when the file of a type is given another name: the type gets that name. Empty for files that
     * only move to another folder, or have no type of their name.
     */
    public Optional<WorkspaceEdit> fileRenamed(Session.RequestContext asked, Path target) {
        String name = typeName(target);
        Optional<MemberOutline> type = asked.file().outline().members().stream()
                .filter(member -> member.name().equals(typeName(asked.file().path())))
                .filter(member -> asked.file().header().types().contains(member.name()))
                .findFirst();
        if (type.isEmpty() || name.equals(type.get().name())
                || !Objects.equals(target.getParent(), asked.file().path().getParent())) {
            return Optional.empty();
        }
        Place declared = new Place(asked.file().path(), type.get().nameRange());
        return Optional.of(edits.withoutMoves(asked.chisel().preview(declared, RENAME, Answers.of("name", name)),
                asked.chisel()));
    }

    private static String typeName(Path file) {
        return file.getFileName().toString().replaceFirst("\\.java$", "");
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
