package dev.deftchisel.lsp;

import com.google.gson.Gson;
import com.google.gson.JsonElement;
import com.google.gson.JsonParseException;
import dev.deftchisel.lsp.feature.Actions;
import dev.deftchisel.lsp.feature.Diagnostics;
import dev.deftchisel.lsp.feature.FileEvents;
import dev.deftchisel.lsp.feature.Navigation;
import dev.deftchisel.lsp.feature.Questions;
import dev.deftchisel.lsp.feature.Renames;
import dev.deftchisel.lsp.session.Documents;
import dev.deftchisel.lsp.session.Negotiated;
import dev.deftchisel.lsp.session.PartialResults;
import dev.deftchisel.lsp.session.RefusedRequest;
import dev.deftchisel.lsp.session.ServerSettings;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.lsp.session.Worker.Urgency;
import dev.deftchisel.operation.Question;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import org.eclipse.lsp4j.ApplyWorkspaceEditParams;
import org.eclipse.lsp4j.CreateFilesParams;
import org.eclipse.lsp4j.DeleteFilesParams;
import org.eclipse.lsp4j.DidChangeConfigurationParams;
import org.eclipse.lsp4j.DidChangeWatchedFilesParams;
import org.eclipse.lsp4j.DidChangeWorkspaceFoldersParams;
import org.eclipse.lsp4j.ExecuteCommandParams;
import org.eclipse.lsp4j.FileCreate;
import org.eclipse.lsp4j.FileDelete;
import org.eclipse.lsp4j.Location;
import org.eclipse.lsp4j.RenameFilesParams;
import org.eclipse.lsp4j.ShowDocumentParams;
import org.eclipse.lsp4j.SymbolInformation;
import org.eclipse.lsp4j.WorkspaceDiagnosticParams;
import org.eclipse.lsp4j.WorkspaceDiagnosticReport;
import org.eclipse.lsp4j.WorkspaceEdit;
import org.eclipse.lsp4j.WorkspaceFolder;
import org.eclipse.lsp4j.WorkspaceSymbol;
import org.eclipse.lsp4j.WorkspaceSymbolParams;
import org.eclipse.lsp4j.jsonrpc.messages.Either;
import org.eclipse.lsp4j.services.WorkspaceService;

/** What is asked and told about all files together. */
final class WorkspaceRequests implements WorkspaceService {

    private final Session session;
    private final Diagnostics diagnostics;
    private final Actions actions;
    private final Renames renames;
    private final FileEvents events;

    WorkspaceRequests(Session session, Diagnostics diagnostics, Actions actions, Renames renames) {
        this.session = session;
        this.diagnostics = diagnostics;
        this.actions = actions;
        this.renames = renames;
        this.events = new FileEvents(session);
    }

    @Override
    public CompletableFuture<Object> executeCommand(ExecuteCommandParams params) {
        List<Object> arguments = Optional.ofNullable(params.getArguments()).orElse(List.of());
        if (params.getCommand().equals(Actions.SHOW_COMMAND) && arguments.size() == 1) {
            return show((JsonElement) arguments.get(0));
        }
        boolean isAsking = params.getCommand().equals(Actions.ASKING_COMMAND);
        if (!isAsking && !params.getCommand().equals(Actions.COMMAND) || arguments.isEmpty() || arguments.size() > 2) {
            return CompletableFuture.failedFuture(RefusedRequest.invalid("there is no command '" + params.getCommand()
                    + "' with "
                    + arguments.size() + " arguments; there are '" + Actions.COMMAND + "' and '"
                    + Actions.ASKING_COMMAND
                    + "' with an action that was offered, and answers"));
        }
        JsonElement offered = (JsonElement) arguments.get(0);
        return session.worker().<Actions.Action>ask(Urgency.LOOK, () -> Actions.Action.of(offered))
                .thenCompose(action -> isAsking ? asked(action) : CompletableFuture.completedFuture(action))
                .thenCompose(action -> session.progress().<WorkspaceEdit>around(session.worker().ask(Urgency.WORK,
                        () -> actions.edit(arguments.size() == 2 ? action.and((JsonElement) arguments.get(1))
                        : action)), "Working out a change", Optional.empty()))
                .thenCompose(edit -> session.editor().applyEdit(new ApplyWorkspaceEditParams(edit)))
                .thenApply(done -> null);
    }

    private CompletableFuture<Object> show(JsonElement where) {
        try {
            Location place = new Gson().fromJson(where, Location.class);
            if (place == null || place.getUri() == null) {
                return CompletableFuture.failedFuture(RefusedRequest.invalid("this is no place"));
            }
            ShowDocumentParams shown = new ShowDocumentParams(place.getUri());
            shown.setTakeFocus(true);
            shown.setSelection(place.getRange());
            return session.editor().showDocument(shown).thenApply(done -> null);
        } catch (JsonParseException other) {
            return CompletableFuture.failedFuture(RefusedRequest.invalid("this is no place"));
        }
    }

    /** The action with what the user answers. */
    private CompletableFuture<Actions.Action> asked(Actions.Action action) {
        return session.worker().<List<Question>>ask(Urgency.WORK, () -> session.asked(action.uri())
                .map(asked -> Questions.of(asked, action))
                .orElse(List.of()))
                .thenCompose(new Questions(session)::ask)
                .thenApply(answers -> action.and(answers));
    }

    /** Asks for settings, if the client tells them. */
    void askSettings() {
        if (session.client().can(Negotiated.Ability.SETTINGS)) {
            ServerSettings.ask(session, session.settings()).thenAccept(told -> {
                session.set(told);
                diagnostics.changed();
            });
        }
    }

    @Override
    public CompletableFuture<Either<List<? extends SymbolInformation>, List<? extends WorkspaceSymbol>>> symbol(
            WorkspaceSymbolParams params) {
        PartialResults<WorkspaceSymbol> found = new PartialResults<>(session.editor(),
                Optional.ofNullable(params.getPartialResultToken()));
        return session.progress().around(session.worker().ask(Urgency.LOOK,
                () -> Either.forRight(Navigation.find(session, params.getQuery(), found))),
                "Finding symbols", Optional.ofNullable(params.getWorkDoneToken()));
    }

    @Override
    public CompletableFuture<WorkspaceDiagnosticReport> diagnostic(WorkspaceDiagnosticParams params) {
        Map<String, String> known = new HashMap<>();
        Optional.ofNullable(params.getPreviousResultIds()).orElse(List.of())
                .forEach(one -> known.put(one.getUri(), one.getValue()));
        return session.worker().ask(Urgency.WORK, () -> diagnostics.workspace().report(known));
    }

    @Override
    public CompletableFuture<WorkspaceEdit> willRenameFiles(RenameFilesParams params) {
        Map<Path, Path> moves = new TreeMap<>();
        params.getFiles().forEach(file -> Documents.path(file.getOldUri()).ifPresent(from ->
                Documents.path(file.getNewUri()).ifPresent(to -> moves.put(from, to))));
        return session.worker().ask(Urgency.WORK, () -> renames.filesRenamed(moves).orElse(null));
    }

    @Override
    public void didCreateFiles(CreateFilesParams params) {
        List<String> created = params.getFiles().stream().map(FileCreate::getUri).toList();
        session.worker().ask(Urgency.LOOK, () -> {
            events.created(created);
            return created;
        });
        diagnostics.changed();
    }

    @Override
    public CompletableFuture<WorkspaceEdit> willDeleteFiles(DeleteFilesParams params) {
        List<String> deleted = params.getFiles().stream().map(FileDelete::getUri).toList();
        return session.worker().ask(Urgency.WORK, () -> {
            events.deleted(deleted);
            return null;
        });
    }

    @Override
    public void didChangeConfiguration(DidChangeConfigurationParams params) {
        askSettings();
        diagnostics.changed();
    }

    @Override
    public void didChangeWatchedFiles(DidChangeWatchedFilesParams params) {
        List<Path> files = params.getChanges().stream().map(change -> Documents.path(change.getUri()))
                .flatMap(Optional::stream).toList();
        session.worker().ask(Urgency.LOOK, () -> {
            session.folders().refresh(files);
            return files;
        });
        diagnostics.changed();
    }

    @Override
    public void didChangeWorkspaceFolders(DidChangeWorkspaceFoldersParams params) {
        params.getEvent().getAdded().forEach(folder -> path(folder).ifPresent(session.folders()::add));
        session.worker().ask(Urgency.LOOK, () -> {
            params.getEvent().getRemoved().forEach(folder -> path(folder).ifPresent(session.folders()::remove));
            return params;
        });
        diagnostics.changed();
    }

    private static Optional<Path> path(WorkspaceFolder folder) {
        return Documents.path(folder.getUri());
    }
}
