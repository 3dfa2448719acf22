package dev.deftchisel.lsp;

import dev.deftchisel.lsp.feature.Actions;
import dev.deftchisel.lsp.feature.Diagnostics;
import dev.deftchisel.lsp.feature.Hierarchies;
import dev.deftchisel.lsp.feature.Navigation;
import dev.deftchisel.lsp.feature.Renames;
import dev.deftchisel.lsp.feature.TextStructure;
import dev.deftchisel.lsp.insight.DocumentationLinks;
import dev.deftchisel.lsp.insight.Hovers;
import dev.deftchisel.lsp.insight.Insights;
import dev.deftchisel.lsp.insight.NameTokens;
import dev.deftchisel.lsp.insight.UsesLens;
import dev.deftchisel.lsp.session.Documents;
import dev.deftchisel.lsp.session.PartialResults;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.lsp.session.Worker.Urgency;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import java.util.function.Supplier;
import org.eclipse.lsp4j.CallHierarchyIncomingCall;
import org.eclipse.lsp4j.CallHierarchyIncomingCallsParams;
import org.eclipse.lsp4j.CallHierarchyItem;
import org.eclipse.lsp4j.CallHierarchyOutgoingCall;
import org.eclipse.lsp4j.CallHierarchyOutgoingCallsParams;
import org.eclipse.lsp4j.CallHierarchyPrepareParams;
import org.eclipse.lsp4j.CodeAction;
import org.eclipse.lsp4j.CodeActionParams;
import org.eclipse.lsp4j.CodeLens;
import org.eclipse.lsp4j.CodeLensParams;
import org.eclipse.lsp4j.Command;
import org.eclipse.lsp4j.DeclarationParams;
import org.eclipse.lsp4j.DefinitionParams;
import org.eclipse.lsp4j.DidChangeTextDocumentParams;
import org.eclipse.lsp4j.DidCloseTextDocumentParams;
import org.eclipse.lsp4j.DidOpenTextDocumentParams;
import org.eclipse.lsp4j.DidSaveTextDocumentParams;
import org.eclipse.lsp4j.DocumentDiagnosticParams;
import org.eclipse.lsp4j.DocumentDiagnosticReport;
import org.eclipse.lsp4j.DocumentHighlight;
import org.eclipse.lsp4j.DocumentHighlightParams;
import org.eclipse.lsp4j.DocumentLink;
import org.eclipse.lsp4j.DocumentLinkParams;
import org.eclipse.lsp4j.DocumentSymbol;
import org.eclipse.lsp4j.DocumentSymbolParams;
import org.eclipse.lsp4j.FoldingRange;
import org.eclipse.lsp4j.FoldingRangeRequestParams;
import org.eclipse.lsp4j.Hover;
import org.eclipse.lsp4j.HoverParams;
import org.eclipse.lsp4j.ImplementationParams;
import org.eclipse.lsp4j.InlayHint;
import org.eclipse.lsp4j.InlayHintParams;
import org.eclipse.lsp4j.LinkedEditingRangeParams;
import org.eclipse.lsp4j.LinkedEditingRanges;
import org.eclipse.lsp4j.Location;
import org.eclipse.lsp4j.LocationLink;
import org.eclipse.lsp4j.PrepareRenameDefaultBehavior;
import org.eclipse.lsp4j.PrepareRenameParams;
import org.eclipse.lsp4j.PrepareRenameResult;
import org.eclipse.lsp4j.Range;
import org.eclipse.lsp4j.ReferenceParams;
import org.eclipse.lsp4j.RelatedFullDocumentDiagnosticReport;
import org.eclipse.lsp4j.RenameParams;
import org.eclipse.lsp4j.SelectionRange;
import org.eclipse.lsp4j.SelectionRangeParams;
import org.eclipse.lsp4j.SemanticTokens;
import org.eclipse.lsp4j.SemanticTokensDelta;
import org.eclipse.lsp4j.SemanticTokensDeltaParams;
import org.eclipse.lsp4j.SemanticTokensParams;
import org.eclipse.lsp4j.SemanticTokensRangeParams;
import org.eclipse.lsp4j.SignatureHelp;
import org.eclipse.lsp4j.SignatureHelpParams;
import org.eclipse.lsp4j.SymbolInformation;
import org.eclipse.lsp4j.TextDocumentItem;
import org.eclipse.lsp4j.TypeDefinitionParams;
import org.eclipse.lsp4j.TypeHierarchyItem;
import org.eclipse.lsp4j.TypeHierarchyPrepareParams;
import org.eclipse.lsp4j.TypeHierarchySubtypesParams;
import org.eclipse.lsp4j.TypeHierarchySupertypesParams;
import org.eclipse.lsp4j.VersionedTextDocumentIdentifier;
import org.eclipse.lsp4j.WorkspaceEdit;
import org.eclipse.lsp4j.jsonrpc.messages.Either3;
import org.eclipse.lsp4j.jsonrpc.messages.Either;
import org.eclipse.lsp4j.services.TextDocumentService;
import org.eclipse.lsp4j.WorkDoneProgressParams;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What is asked and told about one file. */
final class TextRequests implements TextDocumentService {

    private static final Logger LOG = LoggerFactory.getLogger(TextRequests.class);

    private final Session session;
    private final Diagnostics diagnostics;
    private final Actions actions;
    private final Renames renames;
    private final NameTokens names = new NameTokens();

    TextRequests(Session session, Diagnostics diagnostics, Actions actions, Renames renames) {
        this.session = session;
        this.diagnostics = diagnostics;
        this.actions = actions;
        this.renames = renames;
    }

    private <T> CompletableFuture<T> look(String uri, Supplier<T> otherwise,
            Function<Session.RequestContext, T> question) {
        return session.ask(Urgency.LOOK, uri, otherwise, question);
    }

    private <T> CompletableFuture<T> work(Job job, String uri, Supplier<T> otherwise,
            Function<Session.RequestContext, T> question) {
        return session.progress().around(session.ask(Urgency.WORK, uri, otherwise, question), job.title(), job.token());
    }

    /**
     * What may take its time.
     *
     * @param title as it is shown
     * @param token under which the client wants to see it
     */
    private record Job(String title, Optional<Either<String, Integer>> token) {

        static Job of(String title) {
            return new Job(title, Optional.empty());
        }

        static Job of(String title, WorkDoneProgressParams params) {
            return new Job(title, Optional.ofNullable(params.getWorkDoneToken()));
        }
    }

    @Override
    public void didOpen(DidOpenTextDocumentParams params) {
        TextDocumentItem opened = params.getTextDocument();
        session.documents().open(opened.getUri(), opened.getVersion(), opened.getText());
        diagnostics.changed();
    }

    @Override
    public void didChange(DidChangeTextDocumentParams params) {
        VersionedTextDocumentIdentifier document = params.getTextDocument();
        int version = Optional.ofNullable(document.getVersion()).orElse(Integer.MAX_VALUE);
        if (session.documents().change(document.getUri(), version, params.getContentChanges(), session.client()
                .units())) {
            diagnostics.changed();
        } else {
            LOG.debug("{} is not open, or newer than version {}; the change is left out", document.getUri(), version);
        }
    }

    @Override
    public void didClose(DidCloseTextDocumentParams params) {
        session.closed(params.getTextDocument().getUri());
        names.closed(params.getTextDocument().getUri());
        diagnostics.closed(params.getTextDocument().getUri());
        diagnostics.changed();
    }

    @Override
    public void didSave(DidSaveTextDocumentParams params) {
        Documents.path(params.getTextDocument().getUri()).ifPresent(path -> session.worker().ask(Urgency.LOOK, () -> {
            session.folders().refresh(List.of(path));
            return path;
        }));
    }

    @Override
    public CompletableFuture<DocumentDiagnosticReport> diagnostic(DocumentDiagnosticParams params) {
        return session.askWhole(params.getTextDocument().getUri(), () -> report(List.of()),
                asked -> report(Diagnostics.of(asked)));
    }

    private static DocumentDiagnosticReport report(List<org.eclipse.lsp4j.Diagnostic> found) {
        return new DocumentDiagnosticReport(new RelatedFullDocumentDiagnosticReport(found));
    }

    @Override
    public CompletableFuture<List<Either<Command, CodeAction>>> codeAction(CodeActionParams params) {
        return look(params.getTextDocument().getUri(), List::of, asked -> actions.at(asked, params));
    }

    @Override
    public CompletableFuture<CodeAction> resolveCodeAction(CodeAction unresolved) {
        return session.progress().around(session.worker().ask(Urgency.WORK, () -> actions.resolve(unresolved)),
                unresolved.getTitle(), Optional.empty());
    }

    @Override
    public CompletableFuture<Either3<Range, PrepareRenameResult, PrepareRenameDefaultBehavior>> prepareRename(
            PrepareRenameParams params) {
        return look(params.getTextDocument().getUri(), () -> null, asked ->
                renames.prepare(asked, params.getPosition())
                        .map(found -> Either3.<Range, PrepareRenameResult, PrepareRenameDefaultBehavior>forSecond(
                                found)).orElse(null));
    }

    @Override
    public CompletableFuture<WorkspaceEdit> rename(RenameParams params) {
        return work(Job.of("Renaming", params), params.getTextDocument().getUri(), () -> null,
                asked -> renames.rename(asked, params.getPosition(), params.getNewName()));
    }

    @Override
    public CompletableFuture<Either<List<? extends Location>, List<? extends LocationLink>>> definition(
            DefinitionParams params) {
        return look(params.getTextDocument().getUri(), () -> Either.forLeft(List.of()),
                asked -> Either.forLeft(Navigation.declaration(asked, params.getPosition())));
    }

    @Override
    public CompletableFuture<Either<List<? extends Location>, List<? extends LocationLink>>> declaration(
            DeclarationParams params) {
        return look(params.getTextDocument().getUri(), () -> Either.forLeft(List.of()),
                asked -> Either.forLeft(Navigation.declaration(asked, params.getPosition())));
    }

    @Override
    public CompletableFuture<Either<List<? extends Location>, List<? extends LocationLink>>> typeDefinition(
            TypeDefinitionParams params) {
        return look(params.getTextDocument().getUri(), () -> Either.forLeft(List.of()),
                asked -> Either.forLeft(Navigation.typeDeclaration(asked, params.getPosition())));
    }

    @Override
    public CompletableFuture<Either<List<? extends Location>, List<? extends LocationLink>>> implementation(
            ImplementationParams params) {
        return work(Job.of("Finding implementations", params), params.getTextDocument().getUri(),
                () -> Either.forLeft(List.of()),
                asked -> Either.forLeft(Navigation.implementations(asked, params.getPosition())));
    }

    @Override
    public CompletableFuture<List<? extends Location>> references(ReferenceParams params) {
        boolean withDeclarations = params.getContext() != null && params.getContext().isIncludeDeclaration();
        PartialResults<Location> found = new PartialResults<>(session.editor(),
                Optional.ofNullable(params.getPartialResultToken()));
        return work(Job.of("Finding uses", params), params.getTextDocument().getUri(), List::of,
                asked -> Navigation.references(asked, params.getPosition(), withDeclarations, found));
    }

    @Override
    public CompletableFuture<Hover> hover(HoverParams params) {
        return look(params.getTextDocument().getUri(), () -> null,
                asked -> Hovers.at(asked, params.getPosition()).orElse(null));
    }

    @Override
    public CompletableFuture<List<InlayHint>> inlayHint(InlayHintParams params) {
        return look(params.getTextDocument().getUri(), List::of,
                asked -> Insights.hints(asked, params.getRange()));
    }

    @Override
    public CompletableFuture<LinkedEditingRanges> linkedEditingRange(LinkedEditingRangeParams params) {
        return look(params.getTextDocument().getUri(), () -> null,
                asked -> Insights.linked(asked, params.getPosition()).orElse(null));
    }

    @Override
    public CompletableFuture<List<DocumentLink>> documentLink(DocumentLinkParams params) {
        return session.askWhole(params.getTextDocument().getUri(), List::of, DocumentationLinks::in);
    }

    @Override
    public CompletableFuture<DocumentLink> documentLinkResolve(DocumentLink link) {
        return session.worker().ask(Urgency.LOOK, () -> DocumentationLinks.resolve(session, link));
    }

    @Override
    public CompletableFuture<List<? extends CodeLens>> codeLens(CodeLensParams params) {
        return session.settings().countsUses()
                ? session.askText(params.getTextDocument().getUri(), List::of, UsesLens::in)
                : CompletableFuture.completedFuture(List.of());
    }

    @Override
    public CompletableFuture<CodeLens> resolveCodeLens(CodeLens lens) {
        return session.worker().ask(Urgency.WORK, () -> UsesLens.resolve(session, lens));
    }

    @Override
    public CompletableFuture<SemanticTokens> semanticTokensFull(SemanticTokensParams params) {
        return session.askWhole(params.getTextDocument().getUri(), () -> new SemanticTokens(List.of()), names::full);
    }

    @Override
    public CompletableFuture<Either<SemanticTokens, SemanticTokensDelta>> semanticTokensFullDelta(
            SemanticTokensDeltaParams params) {
        return session.askWhole(params.getTextDocument().getUri(),
                () -> Either.forLeft(new SemanticTokens(List.of())),
                asked -> names.delta(asked, params.getPreviousResultId()));
    }

    @Override
    public CompletableFuture<SemanticTokens> semanticTokensRange(SemanticTokensRangeParams params) {
        return session.askWhole(params.getTextDocument().getUri(), () -> new SemanticTokens(List.of()),
                asked -> NameTokens.range(asked, params.getRange()));
    }

    @Override
    public CompletableFuture<List<FoldingRange>> foldingRange(FoldingRangeRequestParams params) {
        return session.askText(params.getTextDocument().getUri(), List::of, asked -> TextStructure.folds(asked.file()));
    }

    @Override
    public CompletableFuture<List<SelectionRange>> selectionRange(SelectionRangeParams params) {
        return session.askText(params.getTextDocument().getUri(), List::of,
                asked -> TextStructure.growing(asked, params.getPositions()));
    }

    @Override
    public CompletableFuture<List<? extends DocumentHighlight>> documentHighlight(DocumentHighlightParams params) {
        return look(params.getTextDocument().getUri(), List::of,
                asked -> Navigation.highlights(asked, params.getPosition()));
    }

    @Override
    public CompletableFuture<List<Either<SymbolInformation, DocumentSymbol>>> documentSymbol(
            DocumentSymbolParams params) {
        return session.askText(params.getTextDocument().getUri(), List::of, Navigation::symbols);
    }

    @Override
    public CompletableFuture<SignatureHelp> signatureHelp(SignatureHelpParams params) {
        return look(params.getTextDocument().getUri(), () -> null,
                asked -> Hierarchies.signatures(asked, params.getPosition()).orElse(null));
    }

    @Override
    public CompletableFuture<List<CallHierarchyItem>> prepareCallHierarchy(CallHierarchyPrepareParams params) {
        return look(params.getTextDocument().getUri(), List::of,
                asked -> Hierarchies.calls(asked, params.getPosition()));
    }

    @Override
    public CompletableFuture<List<CallHierarchyIncomingCall>> callHierarchyIncomingCalls(
            CallHierarchyIncomingCallsParams params) {
        return work(Job.of("Finding callers"), params.getItem().getUri(), List::of,
                asked -> Hierarchies.incoming(asked, params.getItem()));
    }

    @Override
    public CompletableFuture<List<CallHierarchyOutgoingCall>> callHierarchyOutgoingCalls(
            CallHierarchyOutgoingCallsParams params) {
        return work(Job.of("Finding what is called"), params.getItem().getUri(), List::of,
                asked -> Hierarchies.outgoing(asked, params.getItem()));
    }

    @Override
    public CompletableFuture<List<TypeHierarchyItem>> prepareTypeHierarchy(TypeHierarchyPrepareParams params) {
        return look(params.getTextDocument().getUri(), List::of,
                asked -> Hierarchies.types(asked, params.getPosition()));
    }

    @Override
    public CompletableFuture<List<TypeHierarchyItem>> typeHierarchySupertypes(TypeHierarchySupertypesParams params) {
        return work(Job.of("Finding supertypes"), Hierarchies.uri(params.getItem()), List::of,
                asked -> Hierarchies.supertypes(asked, params.getItem()));
    }

    @Override
    public CompletableFuture<List<TypeHierarchyItem>> typeHierarchySubtypes(TypeHierarchySubtypesParams params) {
        return work(Job.of("Finding subtypes"), Hierarchies.uri(params.getItem()), List::of,
                asked -> Hierarchies.subtypes(asked, params.getItem()));
    }
}
