package dev.deftchisel.lsp.session;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
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
 * @param units     in which columns are counted
 * @param abilities what it said it can do
 */
public record Negotiated(PositionEncoding units, Set<Ability> abilities) {

    /** Nothing is known of the client yet. */
    static final Negotiated NOTHING = new Negotiated(PositionEncoding.UTF16, Set.of());

    /** Copies the set. */
    public Negotiated {
        abilities = Set.copyOf(abilities);
    }

    /** Something that a client may be able to do (LSP 3.17, ClientCapabilities). */
    public enum Ability {
        /** Changes may come as a list of steps with versions. */
        DOCUMENT_CHANGES,
        /** Among the steps files may be made and moved. */
        FILE_OPERATIONS,
        /** Steps may say what they are, and that they want to be confirmed. */
        ANNOTATIONS,
        /** Code actions may be more than commands. */
        ACTION_OBJECTS,
        /** Code actions that cannot be taken may be told, with the reason. */
        DISABLED_ACTIONS,
        /** The edit of a code action is asked for when it is wanted. */
        RESOLVING_EDITS,
        /** The client asks for diagnostics. */
        PULLING_DIAGNOSTICS,
        /** Long work may be told. */
        PROGRESS,
        /** The client tells of files that change on disk, when it is asked to. */
        WATCHING_FILES,
        /** What a file declares may be a tree. */
        SYMBOL_TREES,
        /** The client tells settings when it is asked for them. */
        SETTINGS,
        /** The client goes to a place when it is asked to. */
        SHOWING_DOCUMENTS
    }

    public static Negotiated of(ClientCapabilities capabilities) {
        Optional<ClientCapabilities> client = Optional.ofNullable(capabilities);
        Set<Ability> abilities = EnumSet.noneOf(Ability.class);
        client.map(ClientCapabilities::getWorkspace).ifPresent(workspace -> add(workspace, abilities));
        client.map(ClientCapabilities::getTextDocument).ifPresent(texts -> add(texts, abilities));
        client.map(ClientCapabilities::getWindow).ifPresent(window -> {
            add(Ability.PROGRESS, window.getWorkDoneProgress(), abilities);
            add(Ability.SHOWING_DOCUMENTS, Optional.of(window).map(WindowClientCapabilities::getShowDocument)
                    .map(ShowDocumentCapabilities::isSupport).orElse(false), abilities);
        });
        return new Negotiated(PositionEncoding.of(client.map(ClientCapabilities::getGeneral)
                .map(GeneralClientCapabilities::getPositionEncodings).orElse(List.of())), abilities);
    }

    private static void add(WorkspaceClientCapabilities workspace, Set<Ability> abilities) {
        Optional<WorkspaceEditCapabilities> edits = Optional.ofNullable(workspace.getWorkspaceEdit());
        List<String> files = edits.map(WorkspaceEditCapabilities::getResourceOperations).orElse(List.of());
        add(Ability.DOCUMENT_CHANGES, edits.map(WorkspaceEditCapabilities::getDocumentChanges).orElse(false),
                abilities);
        add(Ability.FILE_OPERATIONS, files.contains("create") && files.contains("rename"), abilities);
        add(Ability.ANNOTATIONS, edits.map(WorkspaceEditCapabilities::getChangeAnnotationSupport).isPresent(),
                abilities);
        add(Ability.WATCHING_FILES, Optional.ofNullable(workspace.getDidChangeWatchedFiles())
                .map(can -> can.getDynamicRegistration()).orElse(false), abilities);
        add(Ability.SETTINGS, workspace.getConfiguration(), abilities);
    }

    private static void add(TextDocumentClientCapabilities texts, Set<Ability> abilities) {
        Optional<CodeActionCapabilities> actions = Optional.ofNullable(texts.getCodeAction());
        add(Ability.ACTION_OBJECTS, actions.map(CodeActionCapabilities::getCodeActionLiteralSupport).isPresent(),
                abilities);
        add(Ability.DISABLED_ACTIONS, actions.map(CodeActionCapabilities::getDisabledSupport).orElse(false), abilities);
        add(Ability.RESOLVING_EDITS, actions.map(CodeActionCapabilities::getResolveSupport)
                .filter(can -> can.getProperties().contains("edit")).isPresent()
                && actions.map(CodeActionCapabilities::getDataSupport).orElse(false), abilities);
        add(Ability.PULLING_DIAGNOSTICS, texts.getDiagnostic() != null, abilities);
        add(Ability.SYMBOL_TREES, Optional.ofNullable(texts.getDocumentSymbol())
                .map(can -> can.getHierarchicalDocumentSymbolSupport()).orElse(false), abilities);
    }

    private static void add(Ability ability, Boolean isThere, Set<Ability> abilities) {
        if (Boolean.TRUE.equals(isThere)) {
            abilities.add(ability);
        }
    }

    /** Whether the client can do all of this. */
    public boolean can(Ability... wanted) {
        return abilities.containsAll(List.of(wanted));
    }
}
