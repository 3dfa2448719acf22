package dev.deftchisel.lsp.session;

import java.util.List;
import java.util.Optional;
import org.eclipse.lsp4j.ClientCapabilities;
import org.eclipse.lsp4j.CodeActionCapabilities;
import org.eclipse.lsp4j.GeneralClientCapabilities;
import org.eclipse.lsp4j.ShowDocumentCapabilities;
import org.eclipse.lsp4j.TextDocumentClientCapabilities;
import org.eclipse.lsp4j.WindowClientCapabilities;
import org.eclipse.lsp4j.WorkspaceClientCapabilities;
import org.eclipse.lsp4j.WorkspaceEditCapabilities;

/**
 * What the client can do, as far as it makes a difference here.
 *
 * @param units             in which columns are counted
 * @param documentChanges   changes may come as a list of steps with versions
 * @param fileOperations    among the steps files may be made and moved
 * @param annotations       steps may say what they are, and that they want to be confirmed
 * @param actionObjects     code actions may be more than commands
 * @param resolvesEdits     the edit of a code action is asked for when it is wanted
 * @param pullsDiagnostics  the client asks for diagnostics
 * @param progress          long work may be told
 * @param watchesFiles      the client tells of files that change on disk, when it is asked to
 * @param symbolTrees       what a file declares may be a tree
 * @param settings          the client tells settings when it is asked for them
 * @param showsDocuments    the client goes to a place when it is asked to
 */
public record Negotiated(PositionEncoding units, boolean documentChanges, boolean fileOperations, boolean annotations,
        boolean actionObjects,
        boolean resolvesEdits, boolean pullsDiagnostics, boolean progress, boolean watchesFiles, boolean symbolTrees,
        boolean settings, boolean showsDocuments) {

    /** Nothing is known of the client yet. */
    static final Negotiated NOTHING = new Negotiated(PositionEncoding.UTF16, false, false, false, false, false, false,
            false, false,
            false, false, false);

    public static Negotiated of(ClientCapabilities capabilities) {
        Optional<ClientCapabilities> client = Optional.ofNullable(capabilities);
        Optional<WorkspaceEditCapabilities> edits = client.map(ClientCapabilities::getWorkspace)
                .map(WorkspaceClientCapabilities::getWorkspaceEdit);
        Optional<TextDocumentClientCapabilities> texts = client.map(ClientCapabilities::getTextDocument);
        Optional<CodeActionCapabilities> actions = texts.map(TextDocumentClientCapabilities::getCodeAction);
        List<String> files = edits.map(WorkspaceEditCapabilities::getResourceOperations).orElse(List.of());
        return new Negotiated(
                PositionEncoding.of(client.map(ClientCapabilities::getGeneral)
                        .map(GeneralClientCapabilities::getPositionEncodings).orElse(List.of())),
                edits.map(WorkspaceEditCapabilities::getDocumentChanges).orElse(false),
                files.contains("create") && files.contains("rename"),
                edits.map(WorkspaceEditCapabilities::getChangeAnnotationSupport).isPresent(),
                actions.map(CodeActionCapabilities::getCodeActionLiteralSupport).isPresent(),
                actions.map(CodeActionCapabilities::getResolveSupport)
                .filter(can -> can.getProperties().contains("edit")).isPresent()
                        && actions.map(CodeActionCapabilities::getDataSupport).orElse(false),
                texts.map(TextDocumentClientCapabilities::getDiagnostic).isPresent(),
                client.map(ClientCapabilities::getWindow).map(can -> Boolean.TRUE.equals(can.getWorkDoneProgress()))
                .orElse(false),
                client.map(ClientCapabilities::getWorkspace).map(WorkspaceClientCapabilities::getDidChangeWatchedFiles)
                        .map(can -> Boolean.TRUE.equals(can.getDynamicRegistration())).orElse(false),
                texts.map(TextDocumentClientCapabilities::getDocumentSymbol)
                        .map(can -> Boolean.TRUE.equals(can.getHierarchicalDocumentSymbolSupport())).orElse(false),
                client.map(ClientCapabilities::getWorkspace).map(can -> Boolean.TRUE.equals(can.getConfiguration()))
                .orElse(false),
                client.map(ClientCapabilities::getWindow).map(WindowClientCapabilities::getShowDocument)
                        .map(ShowDocumentCapabilities::isSupport).orElse(false));
    }
}
