package dev.deftchisel.lsp.feature;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.lsp.session.Document;
import dev.deftchisel.lsp.session.Negotiated;
import dev.deftchisel.lsp.session.Positions;
import dev.deftchisel.lsp.session.RefusedRequest;
import dev.deftchisel.lsp.session.Session;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.eclipse.lsp4j.AnnotatedTextEdit;
import org.eclipse.lsp4j.ChangeAnnotation;
import org.eclipse.lsp4j.CreateFile;
import org.eclipse.lsp4j.DeleteFile;
import org.eclipse.lsp4j.MessageParams;
import org.eclipse.lsp4j.MessageType;
import org.eclipse.lsp4j.RenameFile;
import org.eclipse.lsp4j.ResourceOperation;
import org.eclipse.lsp4j.TextDocumentEdit;
import org.eclipse.lsp4j.TextEdit;
import org.eclipse.lsp4j.VersionedTextDocumentIdentifier;
import org.eclipse.lsp4j.WorkspaceEdit;
import org.eclipse.lsp4j.jsonrpc.messages.Either;

/** Changes as the editor makes them: text by text, with the version each is meant for, and files that come or move. */
final class WorkspaceEdits {

    /** The annotation of what stands in text rather than in code. */
    private static final String MENTION = "mention";

    private final Session session;

    WorkspaceEdits(Session session) {
        this.session = session;
    }

    /**
     * What comes of asking for something.
     *
     * @throws org.eclipse.lsp4j.jsonrpc.ResponseErrorException when it is refused, or more than the client can do
     */
    WorkspaceEdit of(Outcome outcome, Chisel chisel) {
        Change change = accepted(outcome, chisel);
        if (canMake(change)) {
            return of(change);
        } else if (change.effective().stream().anyMatch(file -> file.isNew() || file.isGone())) {
            throw RefusedRequest.failed("this makes or removes files, which the editor says it cannot; take it"
                    + " with 'deft'");
        }
        String moves = change.effective().stream().flatMap(file -> file.target().stream()
                .map(target -> chisel.workspace().show(file.path()) + " to " + chisel.workspace().show(target)))
                .collect(Collectors.joining(", "));
        session.editor().showMessage(new MessageParams(MessageType.Warning,
                "The editor says that it cannot move files; move " + moves));
        return of(withoutMoves(change));
    }

    /** What it does to texts, for a client that moves the files itself. */
    WorkspaceEdit withoutMoves(Outcome outcome, Chisel chisel) {
        return of(withoutMoves(accepted(outcome, chisel)));
    }

    private static Change withoutMoves(Change change) {
        return new Change(change.title(), change.files().stream()
                .map(file -> new FileChange(file.path(), Optional.empty(), file.before(), file.edits(), file.fate()))
                .toList(), change.meaning(), change.notes());
    }

    private static Change accepted(Outcome outcome, Chisel chisel) {
        if (outcome instanceof Outcome.Refusal refusal) {
            throw RefusedRequest.because(refusal.reasons(), chisel);
        }
        return ((Outcome.Preview) outcome).change();
    }

    /** Whether the client can make all of a change; files that come or move need more than texts. */
    private boolean canMake(Change change) {
        return session.client().can(Negotiated.Ability.FILE_OPERATIONS, Negotiated.Ability.DOCUMENT_CHANGES)
                || change.effective().stream().noneMatch(file -> file.isNew() || file.isGone()
                        || file.target().isPresent());
    }

    private WorkspaceEdit of(Change change) {
        WorkspaceEdit edit = new WorkspaceEdit();
        if (!session.client().can(Negotiated.Ability.DOCUMENT_CHANGES)) {
            Map<String, List<TextEdit>> texts = new LinkedHashMap<>();
            change.effective().forEach(file -> texts.put(session.documents().uri(file.path()), texts(file, false)));
            edit.setChanges(texts);
            return edit;
        }
        boolean isAnnotated = session.client().can(Negotiated.Ability.ANNOTATIONS)
                && change.effective().stream().anyMatch(file -> file.takenEdits().stream()
                        .anyMatch(one -> one.kind().isMention()));
        List<Either<TextDocumentEdit, ResourceOperation>> steps = new ArrayList<>();
        for (FileChange file : change.effective()) {
            String uri = session.documents().uri(file.path());
            if (file.isNew()) {
                steps.add(Either.forRight(new CreateFile(uri)));
            }
            if (file.isGone()) {
                steps.add(Either.forRight(new DeleteFile(uri)));
            } else if (!file.takenEdits().isEmpty()) {
                steps.add(Either.forLeft(new TextDocumentEdit(new VersionedTextDocumentIdentifier(uri,
                        session.documents().of(file.path()).map(Document::version).orElse(null)),
                        texts(file, isAnnotated))));
            }
            file.target().ifPresent(target -> steps.add(
                    Either.forRight(new RenameFile(uri, target.toUri().toString()))));
        }
        edit.setDocumentChanges(steps);
        if (isAnnotated) {
            ChangeAnnotation mention = new ChangeAnnotation("mentions in text");
            mention.setNeedsConfirmation(true);
            mention.setDescription("the name in comments, strings and files that are not Java");
            edit.setChangeAnnotations(Map.of(MENTION, mention));
        }
        return edit;
    }

    private List<TextEdit> texts(FileChange file, boolean isAnnotated) {
        Positions positions = Positions.of(file.before().content(), session.client().units());
        List<TextEdit> texts = new ArrayList<>();
        for (Edit edit : file.takenEdits()) {
            org.eclipse.lsp4j.Range range = positions.of(edit.range());
            texts.add(isAnnotated && edit.kind().isMention() ? new AnnotatedTextEdit(range, edit.replacement(), MENTION)
                    : new TextEdit(range, edit.replacement()));
        }
        return texts;
    }
}
