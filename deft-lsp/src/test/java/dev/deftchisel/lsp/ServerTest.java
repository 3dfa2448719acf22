package dev.deftchisel.lsp;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.eclipse.lsp4j.CallHierarchyIncomingCall;
import org.eclipse.lsp4j.CallHierarchyIncomingCallsParams;
import org.eclipse.lsp4j.CallHierarchyItem;
import org.eclipse.lsp4j.CallHierarchyOutgoingCall;
import org.eclipse.lsp4j.CallHierarchyOutgoingCallsParams;
import org.eclipse.lsp4j.CallHierarchyPrepareParams;
import org.eclipse.lsp4j.CodeAction;
import org.eclipse.lsp4j.CodeActionContext;
import org.eclipse.lsp4j.CodeActionParams;
import org.eclipse.lsp4j.DefinitionParams;
import org.eclipse.lsp4j.Diagnostic;
import org.eclipse.lsp4j.DiagnosticCapabilities;
import org.eclipse.lsp4j.DiagnosticTag;
import org.eclipse.lsp4j.DidCloseTextDocumentParams;
import org.eclipse.lsp4j.DocumentDiagnosticParams;
import org.eclipse.lsp4j.DocumentHighlight;
import org.eclipse.lsp4j.DocumentHighlightParams;
import org.eclipse.lsp4j.DocumentSymbol;
import org.eclipse.lsp4j.DocumentSymbolParams;
import org.eclipse.lsp4j.ExecuteCommandParams;
import org.eclipse.lsp4j.FileRename;
import org.eclipse.lsp4j.FoldingRangeRequestParams;
import org.eclipse.lsp4j.GeneralClientCapabilities;
import org.eclipse.lsp4j.Hover;
import org.eclipse.lsp4j.HoverParams;
import org.eclipse.lsp4j.InlayHint;
import org.eclipse.lsp4j.InlayHintParams;
import org.eclipse.lsp4j.LinkedEditingRangeParams;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.PrepareRenameParams;
import org.eclipse.lsp4j.PublishDiagnosticsParams;
import org.eclipse.lsp4j.Range;
import org.eclipse.lsp4j.ReferenceContext;
import org.eclipse.lsp4j.ReferenceParams;
import org.eclipse.lsp4j.RenameFilesParams;
import org.eclipse.lsp4j.RenameParams;
import org.eclipse.lsp4j.SelectionRange;
import org.eclipse.lsp4j.SelectionRangeParams;
import org.eclipse.lsp4j.ShowDocumentCapabilities;
import org.eclipse.lsp4j.SignatureHelp;
import org.eclipse.lsp4j.SignatureHelpParams;
import org.eclipse.lsp4j.SymbolInformation;
import org.eclipse.lsp4j.TextDocumentIdentifier;
import org.eclipse.lsp4j.TypeHierarchyItem;
import org.eclipse.lsp4j.TypeHierarchyPrepareParams;
import org.eclipse.lsp4j.TypeHierarchySubtypesParams;
import org.eclipse.lsp4j.TypeHierarchySupertypesParams;
import org.eclipse.lsp4j.WindowClientCapabilities;
import org.eclipse.lsp4j.WorkspaceEdit;
import org.eclipse.lsp4j.WorkDoneProgressBegin;
import org.eclipse.lsp4j.WorkspaceSymbolParams;
import org.eclipse.lsp4j.jsonrpc.ResponseErrorException;
import org.eclipse.lsp4j.jsonrpc.messages.Either;
import org.eclipse.lsp4j.jsonrpc.messages.ResponseErrorCode;
import org.eclipse.lsp4j.services.TextDocumentService;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The server as a client sees it, message by message. */
class ServerTest {

    private static final String BERTH = """
            package harbour;

            /** A place at the quay: Berth. */
            public class Berth {
                private int depth;

                public int room(int draught) {
                    int spare = depth - draught;
                    return depth - draught;
                }
            }
            """;
    private static final String QUAY = """
            package harbour;

            class Quay {
                int first(Berth berth) {
                    return berth.room(2) + /* ⚓𝄞 */ berth.room(3);
                }
            }
            """;

    @TempDir
    private Path folder;
    private Path berthFile;
    private Path quayFile;
    private Editor editor;

    @BeforeEach
    void write() throws Exception {
        folder = folder.toRealPath();
        Path home = Files.createDirectories(folder.resolve("src/main/java/harbour"));
        berthFile = Files.writeString(home.resolve("Berth.java"), BERTH);
        quayFile = Files.writeString(home.resolve("Quay.java"), QUAY);
        Files.writeString(folder.resolve("settings.gradle"), "");
        editor = new Editor(folder, can -> { });
    }

    @AfterEach
    void leave() {
        editor.close();
    }

    private TextDocumentService texts() {
        return editor.server().getTextDocumentService();
    }

    private List<CodeAction> actions(TextDocumentIdentifier document, String part, String... only) {
        Range range = new Range(editor.at(document, part, 0), editor.at(document, part, part.length()));
        CodeActionContext context = new CodeActionContext(List.of());
        context.setOnly(only.length == 0 ? null : List.of(only));
        return texts().codeAction(new CodeActionParams(document, range, context)).join().stream()
                .map(action -> action.getRight()).toList();
    }

    private String taken(TextDocumentIdentifier document, List<CodeAction> actions, String title) {
        CodeAction action = actions.stream().filter(one -> one.getTitle().equals(title)).findFirst().orElseThrow(() ->
                new AssertionError(actions.stream().map(CodeAction::getTitle).toList().toString()));
        return editor.after(document, texts().resolveCodeAction(action).join().getEdit());
    }

    private static ResponseErrorCode code(Throwable failed) {
        ResponseErrorException cause = assertInstanceOf(ResponseErrorException.class, failed.getCause());
        return List.of(ResponseErrorCode.values()).stream()
                .filter(code -> code.getValue() == cause.getResponseError().getCode())
                .findFirst().orElseThrow();
    }

    @Test
    void problemsAreToldOfWhatIsOpenAndAgainWhenItIsChanged() throws Exception {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        PublishDiagnosticsParams first = editor.diagnostics();
        assertEquals(berth.getUri(), first.getUri());
        Diagnostic unused = first.getDiagnostics().get(0);
        assertEquals("unused-variable", unused.getCode().getLeft());
        assertEquals(List.of(DiagnosticTag.Unnecessary), unused.getTags());
        assertEquals(new Range(new Position(7, 12), new Position(7, 17)), unused.getRange());
        editor.type(berth, "return depth", "return spare + depth");
        PublishDiagnosticsParams second = editor.diagnostics();
        assertEquals(2, second.getVersion());
        assertEquals(List.of(), second.getDiagnostics());
        texts().didClose(new DidCloseTextDocumentParams(berth));
        assertEquals(List.of(), editor.diagnostics().getDiagnostics());
    }

    @Test
    void aClientThatAsksForProblemsIsToldNone() throws Exception {
        try (Editor asking = new Editor(folder, can -> can.getTextDocument()
                .setDiagnostic(new DiagnosticCapabilities()))) {
            assertNotNull(asking.agreed().getCapabilities().getDiagnosticProvider());
            TextDocumentIdentifier berth = asking.open(berthFile, BERTH);
            List<Diagnostic> found = asking.server().getTextDocumentService()
                    .diagnostic(new DocumentDiagnosticParams(berth)).join()
                    .getLeft().getItems();
            assertEquals(List.of("unused-variable"), found.stream().map(one -> one.getCode().getLeft()).toList());
        }
        assertNull(editor.agreed().getCapabilities().getDiagnosticProvider());
    }

    @Test
    void aFixIsOfferedWithItsProblemAndWorkedOutWhenItIsTaken() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        List<CodeAction> fixes = actions(berth, "spare", "quickfix");
        assertTrue(fixes.get(0).getIsPreferred());
        assertNull(fixes.get(0).getEdit());
        assertEquals("unused-variable", fixes.get(0).getDiagnostics().get(0).getCode().getLeft());
        assertFalse(taken(berth, fixes, fixes.get(0).getTitle()).contains("spare"));
    }

    @Test
    void whatIsSelectedIsExtracted() {
        TextDocumentIdentifier berth = editor.open(berthFile,
                BERTH.replace("        int spare = depth - draught;\n", ""));
        List<CodeAction> extracts = actions(berth, "depth - draught", "refactor.extract");
        assertTrue(extracts.stream().allMatch(action -> action.getKind().equals("refactor.extract")));
        String title = extracts.stream().map(CodeAction::getTitle).filter(one -> one.endsWith("to a method"))
                .findFirst().orElseThrow();
        String after = taken(berth, extracts, title);
        assertTrue(after.contains("private int") && after.contains("return depth - draught;"), after);
    }

    @Test
    void whatWasOfferedForAnOlderTextIsNotDone() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        CodeAction fix = actions(berth, "spare", "quickfix").get(0);
        editor.type(berth, "int depth;", "int  depth;");
        CompletionException failed = assertThrows(CompletionException.class, () -> texts().resolveCodeAction(fix)
                .join());
        assertEquals(ResponseErrorCode.ContentModified, code(failed));
    }

    @Test
    void aChangeForAnOlderVersionIsLeftOut() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        editor.type(berth, "spare", "extra");
        texts().didChange(new org.eclipse.lsp4j.DidChangeTextDocumentParams(
                new org.eclipse.lsp4j.VersionedTextDocumentIdentifier(berth.getUri(), 1),
                List.of(new org.eclipse.lsp4j.TextDocumentContentChangeEvent("class Nothing { }"))));
        assertTrue(actions(berth, "extra", "quickfix").size() > 0);
    }

    @Test
    void aClientWithoutResolvingIsGivenCommands() throws Exception {
        try (Editor plain = new Editor(folder, can -> can.getTextDocument().getCodeAction().setResolveSupport(null))) {
            TextDocumentIdentifier berth = plain.open(berthFile, BERTH);
            Range range = new Range(plain.at(berth, "spare", 0), plain.at(berth, "spare", 0));
            CodeAction fix = plain.server().getTextDocumentService().codeAction(new CodeActionParams(berth, range,
                    new CodeActionContext(List.of()))).join().get(0).getRight();
            plain.server().getWorkspaceService().executeCommand(new ExecuteCommandParams(fix.getCommand().getCommand(),
                    fix.getCommand().getArguments())).join();
            assertFalse(plain.after(berth, plain.asked()).contains("spare"));
        }
    }

    @Test
    void aRenameGoesOverAllFilesAndMovesTheOneOfATheType() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        TextDocumentIdentifier quay = editor.open(quayFile, QUAY);
        Position name = editor.at(quay, "Berth berth", 1);
        assertEquals("Berth", texts().prepareRename(new PrepareRenameParams(quay, name)).join().getSecond()
                .getPlaceholder());
        WorkspaceEdit edit = texts().rename(new RenameParams(quay, name, "Mooring")).join();
        assertTrue(editor.after(quay, edit).contains("int first(Mooring berth)"));
        assertTrue(editor.after(berth, edit).contains("quay: Berth. */\npublic class Mooring {"));
        assertEquals(List.of("Mooring.java"), Editor.moved(edit));
        assertNull(texts().prepareRename(new PrepareRenameParams(quay, new Position(1, 0))).join());
    }

    @Test
    void mentionsAreForAClientThatHasThemConfirmed() throws Exception {
        try (Editor careful = new Editor(folder, can -> can.getWorkspace().getWorkspaceEdit()
                .setChangeAnnotationSupport(
                        new org.eclipse.lsp4j.WorkspaceEditChangeAnnotationSupportCapabilities()))) {
            TextDocumentIdentifier berth = careful.open(berthFile, BERTH);
            WorkspaceEdit edit = careful.server().getTextDocumentService().rename(new RenameParams(berth,
                    careful.at(berth, "Berth {", 0), "Mooring")).join();
            assertTrue(careful.after(berth, edit).contains("quay: Mooring. */\npublic class Mooring {"));
            assertTrue(edit.getChangeAnnotations().get("mention").getNeedsConfirmation());
        }
    }

    @Test
    void aRenameThatWouldChangeTheMeaningIsRefusedWithItsReason() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        CompletionException failed = assertThrows(CompletionException.class, () -> texts().rename(
                new RenameParams(berth, editor.at(berth, "draught)", 0), "spare")).join());
        assertEquals(ResponseErrorCode.RequestFailed, code(failed));
        assertTrue(failed.getCause().getMessage().contains("src/main/java/harbour/Berth.java:"), failed.getCause()
                .getMessage());
    }

    @Test
    void declarationsAndUsesAreFoundInWhatIsEdited() {
        TextDocumentIdentifier berth = editor.open(berthFile, "\n\n" + BERTH);
        TextDocumentIdentifier quay = editor.open(quayFile, QUAY);
        Position use = editor.at(quay, "room(3)", 1);
        assertEquals(new Range(new Position(8, 15), new Position(8, 19)),
                texts().definition(new DefinitionParams(quay, use)).join().getLeft().get(0).getRange());
        assertEquals(List.of("Quay.java 4 21", "Quay.java 4 47"), texts().references(new ReferenceParams(quay, use,
                new ReferenceContext(false))).join().stream().map(one -> one.getUri().replaceAll(".*/", "") + " "
                        + one.getRange().getStart().getLine() + " " + one.getRange().getStart().getCharacter())
                        .toList());
        List<? extends DocumentHighlight> marks = texts().documentHighlight(new DocumentHighlightParams(berth,
                editor.at(berth, "depth -", 0))).join();
        assertEquals(3, marks.size());
    }

    @Test
    void usesComeInPartsWhereTheClientWantsThat() {
        editor.open(berthFile, BERTH);
        TextDocumentIdentifier quay = editor.open(quayFile, QUAY);
        ReferenceParams params = new ReferenceParams(quay, editor.at(quay, "room(3)", 1), new ReferenceContext(true));
        int all = texts().references(params).join().size();
        params.setPartialResultToken("uses");
        params.setWorkDoneToken(7);
        assertEquals(List.of(), texts().references(params).join());
        List<Integer> parts = editor.told().stream().filter(one -> one.getToken().isLeft())
                .map(one -> ((JsonArray) one.getValue().getRight()).size()).toList();
        assertEquals(List.of(2, all - 2), parts);
        assertEquals(1, editor.told().stream().filter(one -> one.getToken().isRight()
                && one.getValue().getLeft() instanceof WorkDoneProgressBegin).count());
    }

    @Test
    void whatIsKnownAndNotSaidIsShownBesideTheCode() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH.replace("int spare", "var spare")
                .replace("private int depth;",
                "private final int depth = 3 * 4;"));
        List<InlayHint> hints = texts()
                .inlayHint(new InlayHintParams(berth, new Range(new Position(0, 0), new Position(99, 0)))).join();
        assertEquals(List.of(" = 12", ": int"), hints.stream().map(hint -> hint.getLabel().getLeft()).toList());
        assertEquals(editor.at(berth, "spare", 5), hints.get(1).getPosition());
    }

    @Test
    void namesThatStandInOneFileAreTypedOverTogether() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        assertEquals(3, texts().linkedEditingRange(new LinkedEditingRangeParams(berth, editor.at(berth, "draught)", 0)))
                .join()
                .getRanges().size());
        assertNull(texts().linkedEditingRange(new LinkedEditingRangeParams(berth, editor.at(berth, "room", 0))).join());
    }

    @Test
    void aTypeGetsTheNameOfItsFile() {
        TextDocumentIdentifier quay = editor.open(quayFile, QUAY);
        WorkspaceEdit edit = editor.server().getWorkspaceService()
                .willRenameFiles(new RenameFilesParams(List.of(new FileRename(
                berthFile.toUri().toString(), berthFile.resolveSibling("Mooring.java").toUri().toString())))).join();
        assertTrue(editor.after(quay, edit).contains("first(Mooring berth)"));
        assertEquals(List.of(), Editor.moved(edit));
        assertNull(editor.server().getWorkspaceService().willRenameFiles(new RenameFilesParams(List.of(new FileRename(
                folder.resolve("notes.txt").toUri().toString(), folder.resolve("all.txt").toUri().toString()))))
                .join());
    }

    @Test
    void packagesFollowTheirFolders() {
        TextDocumentIdentifier quay = editor.open(quayFile, QUAY);
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        Path home = berthFile.getParent();
        WorkspaceEdit edit = editor.server().getWorkspaceService()
                .willRenameFiles(new RenameFilesParams(List.of(new FileRename(home.toUri().toString(),
                home.resolveSibling("mooring").toUri().toString())))).join();
        assertTrue(editor.after(quay, edit).contains("package mooring;"), editor.after(quay, edit));
        assertTrue(editor.after(berth, edit).contains("package mooring;"));
        assertEquals(List.of(), Editor.moved(edit));
    }

    @Test
    void aNameIsExplainedWhereItStands() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH.replace("    private int depth;", """
                    /** The depth in {@code dm}, see {@link #room}.
                     * @param none of it */
                    private static final int depth = 3 * 4;"""));
        Hover field = texts().hover(new HoverParams(berth, editor.at(berth, "depth -", 0))).join();
        assertEquals("""
                ```java
                private static final int depth = 12
                ```
                field Berth.depth

                The depth in `dm`, see `room`.

                - `none`: of it""", field.getContents().getRight().getValue());
        Hover local = texts().hover(new HoverParams(berth, editor.at(berth, "spare", 0))).join();
        assertEquals("```java\nint spare\n```\nlocal variable", local.getContents().getRight().getValue());
        assertNull(texts().hover(new HoverParams(berth, new Position(1, 0))).join());
    }

    @Test
    void blocksAreFoldedUpToTheirBraceAndSelectionsGrow() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        assertEquals(List.of("3 9", "6 8"), texts().foldingRange(new FoldingRangeRequestParams(berth)).join().stream()
                .map(fold -> fold.getStartLine() + " " + fold.getEndLine()).sorted().toList());
        SelectionRange word = texts()
                .selectionRange(new SelectionRangeParams(berth, List.of(editor.at(berth, "spare", 2)))).join().get(0);
        assertEquals(new Range(editor.at(berth, "spare", 0), editor.at(berth, "spare", 5)), word.getRange());
        assertEquals(editor.at(berth, "int spare", 0), word.getParent().getRange().getStart());
    }

    @Test
    void columnsAreCountedAsWasAgreed() throws Exception {
        try (Editor bytes = new Editor(folder, can -> {
            can.setGeneral(new GeneralClientCapabilities());
            can.getGeneral().setPositionEncodings(List.of("utf-8", "utf-16"));
        })) {
            assertEquals("utf-8", bytes.agreed().getCapabilities().getPositionEncoding());
            TextDocumentIdentifier quay = bytes.open(quayFile, QUAY);
            assertEquals(51, bytes.server().getTextDocumentService()
                    .references(new ReferenceParams(quay, new Position(4, 52),
                    new ReferenceContext(false))).join().get(1).getRange().getStart().getCharacter());
        }
    }

    @Test
    void symbolsAreATreeAndAreFoundByInitials() throws Exception {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        DocumentSymbol type = texts().documentSymbol(new DocumentSymbolParams(berth)).join().get(0).getRight();
        assertEquals("Berth", type.getName());
        assertEquals(List.of("depth", "room(int draught)"), type.getChildren().stream().map(DocumentSymbol::getName)
                .toList());
        assertEquals("room(int draught)", editor.server().getWorkspaceService().symbol(new WorkspaceSymbolParams("ro"))
                .get()
                .getRight().get(0).getName());
    }

    @Test
    void aClientThatKnowsNoTreesGetsSymbolsOneBehindTheOther() throws Exception {
        try (Editor flat = new Editor(folder, can -> can.getTextDocument().setDocumentSymbol(null))) {
            TextDocumentIdentifier berth = flat.open(berthFile, BERTH);
            List<SymbolInformation> found = flat.server().getTextDocumentService()
                    .documentSymbol(new DocumentSymbolParams(berth)).join()
                    .stream().map(Either::getLeft).toList();
            assertEquals(List.of("Berth", "depth", "room(int draught)"), found.stream().map(SymbolInformation::getName)
                    .toList());
            assertEquals(List.of("harbour", "Berth", "Berth"), found.stream().map(SymbolInformation::getContainerName)
                    .toList());
        }
    }

    @Test
    void callersAndCalleesStepByStep() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        CallHierarchyItem room = texts()
                .prepareCallHierarchy(new CallHierarchyPrepareParams(berth, editor.at(berth, "room", 1))).join()
                .get(0);
        assertEquals("room(int draught)", room.getName());
        List<CallHierarchyIncomingCall> callers = texts()
                .callHierarchyIncomingCalls(new CallHierarchyIncomingCallsParams(room)).join();
        assertEquals("first(Berth berth)", callers.get(0).getFrom().getName());
        assertEquals(2, callers.get(0).getFromRanges().size());
        List<CallHierarchyOutgoingCall> callees = texts().callHierarchyOutgoingCalls(
                new CallHierarchyOutgoingCallsParams(callers.get(0).getFrom())).join();
        assertEquals(List.of("room(int draught)"), callees.stream().map(call -> call.getTo().getName()).toList());
        assertEquals(List.of(), texts()
                .prepareCallHierarchy(new CallHierarchyPrepareParams(berth, editor.at(berth, "depth", 1))).join());
    }

    @Test
    void typesAboveAndBelow() throws Exception {
        Path pier = Files.writeString(berthFile.resolveSibling("Pier.java"),
                "package harbour;\n\nclass Pier extends Berth { }\n");
        try (Editor late = new Editor(folder, can -> { })) {
            TextDocumentIdentifier opened = late.open(pier, Files.readString(pier));
            TextDocumentService texts = late.server().getTextDocumentService();
            TypeHierarchyItem item = texts.prepareTypeHierarchy(new TypeHierarchyPrepareParams(opened,
                    late.at(opened, "Pier", 1))).join()
                    .get(0);
            List<TypeHierarchyItem> above = texts.typeHierarchySupertypes(new TypeHierarchySupertypesParams(item))
                    .join();
            assertEquals(List.of("Berth"), above.stream().map(TypeHierarchyItem::getName).toList());
            assertEquals(List.of("Pier"), texts.typeHierarchySubtypes(new TypeHierarchySubtypesParams(above.get(0)))
                    .join().stream()
                    .map(TypeHierarchyItem::getName).toList());
        }
    }

    @Test
    void typesOfLibrariesAreAboveAndHaveTypesBelow() throws Exception {
        Path moorings = Files.writeString(berthFile.resolveSibling("Moorings.java"),
                "package harbour;\n\nclass Moorings extends java.util.ArrayList<Berth> { }\n");
        try (Editor late = new Editor(folder, can -> { })) {
            TextDocumentIdentifier opened = late.open(moorings, Files.readString(moorings));
            TextDocumentService texts = late.server().getTextDocumentService();
            TypeHierarchyItem item = texts.prepareTypeHierarchy(new TypeHierarchyPrepareParams(opened,
                    late.at(opened, "Moorings", 1))).join().get(0);
            TypeHierarchyItem list = texts.typeHierarchySupertypes(new TypeHierarchySupertypesParams(item)).join()
                    .get(0);
            assertEquals("ArrayList in java.util", list.getName() + " in " + list.getDetail());
            assertTrue(Files.readString(Path.of(URI.create(list.getUri()))).contains("class ArrayList<E>"));
            assertEquals(List.of("AbstractList", "List", "RandomAccess", "Cloneable", "Serializable"),
                    texts.typeHierarchySupertypes(new TypeHierarchySupertypesParams(list)).join().stream()
                    .map(TypeHierarchyItem::getName).toList());
            assertEquals(List.of("Moorings"), texts.typeHierarchySubtypes(new TypeHierarchySubtypesParams(list)).join()
                    .stream().map(TypeHierarchyItem::getName).toList());
        }
    }

    @Test
    void whatACallCanHandOverIsToldWhileItIsWritten() {
        TextDocumentIdentifier quay = editor.open(quayFile, QUAY);
        editor.type(quay, "berth.room(2)", "berth.room(");
        SignatureHelp help = texts().signatureHelp(new SignatureHelpParams(quay, editor.at(quay, "berth.room(", 11)))
                .join();
        assertEquals("room(int draught): int", help.getSignatures().get(help.getActiveSignature()).getLabel());
        assertEquals(0, help.getActiveParameter());
    }

    /** Asked as often as it takes to be known in time: a fresh process may be too slow for that at first. */
    private static List<CodeAction> inlining(Editor asking, TextDocumentIdentifier document,
            Predicate<List<CodeAction>> isKnown) {
        Range range = new Range(asking.at(document, "depth", 0), asking.at(document, "depth", 0));
        return Stream.generate(() -> asking.server().getTextDocumentService()
                .codeAction(new CodeActionParams(document, range, new CodeActionContext(List.of()))).join().stream()
                .map(Either::getRight).filter(action -> action.getKind().equals("refactor.inline")).toList())
                .limit(200).filter(isKnown).findFirst().orElseThrow();
    }

    @Test
    void whatWouldBeRefusedIsNotListed() {
        inlining(editor, editor.open(berthFile, BERTH), List::isEmpty);
    }

    @Test
    void orTheReasonIsToldWhereTheClientShowsIt() throws Exception {
        try (Editor asking = new Editor(folder, can -> can.getTextDocument().getCodeAction()
                .setDisabledSupport(true))) {
            List<CodeAction> told = inlining(asking, asking.open(berthFile, BERTH),
                    actions -> actions.get(0).getDisabled() != null);
            assertEquals(List.of("the field gets no value where it is declared"), told.stream()
                    .map(action -> action.getDisabled().getReason()).toList());
        }
    }

    @Test
    void anOperationMayAskTheUser() throws Exception {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        CodeAction extract = actions(berth, "depth - draught", "refactor.extract").stream()
                .filter(action -> action.getTitle().endsWith("to a variable")).findFirst().orElseThrow();
        editor.click("everywhere it is the same");
        editor.server().getWorkspaceService()
                .executeCommand(new ExecuteCommandParams("deft.ask", List.of(extract.getData()))).get();
        assertTrue(editor.questions().contains("where the variable is used"), editor.questions().toString());
        assertTrue(editor.after(berth, editor.asked()).contains("return "), "the edit came");
    }

    @Test
    void anOperationMayBeToldItsAnswers() throws Exception {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        CodeAction extract = actions(berth, "depth - draught", "refactor.extract").stream()
                .filter(action -> action.getTitle().endsWith("to a variable")).findFirst().orElseThrow();
        JsonObject answers = new JsonObject();
        answers.addProperty("name", "water");
        editor.server().getWorkspaceService()
                .executeCommand(new ExecuteCommandParams("deft.take", List.of(extract.getData(), answers)))
                .get();
        assertTrue(editor.after(berth, editor.asked()).contains("int water = depth - draught;"));
    }

    @Test
    void theClientGoesToANewNameIfItCan() throws Exception {
        try (Editor going = new Editor(folder, can -> {
            can.setWindow(new WindowClientCapabilities());
            can.getWindow().setShowDocument(new ShowDocumentCapabilities(true));
        })) {
            TextDocumentIdentifier berth = going.open(berthFile, BERTH);
            Range range = new Range(going.at(berth, "depth - draught", 0), going.at(berth, "depth - draught", 15));
            CodeActionContext context = new CodeActionContext(List.of());
            context.setOnly(List.of("refactor.extract"));
            TextDocumentService texts = going.server().getTextDocumentService();
            CodeAction extract = texts.codeAction(new CodeActionParams(berth, range, context)).join().stream()
                    .map(Either::getRight)
                    .filter(action -> action.getTitle().endsWith("to a variable")).findFirst().orElseThrow();
            CodeAction resolved = texts.resolveCodeAction(extract).join();
            going.server().getWorkspaceService().executeCommand(new ExecuteCommandParams(resolved.getCommand()
                    .getCommand(),
                    resolved.getCommand().getArguments())).get();
            Range shown = going.shown().getSelection();
            String line = going.after(berth, resolved.getEdit()).lines().toList().get(shown.getStart().getLine());
            String name = line.substring(shown.getStart().getCharacter(), shown.getEnd().getCharacter());
            assertTrue(line.contains("int " + name + " = depth - draught;"), line);
        }
    }

    @Test
    void theLeastSeverityIsASetting() throws Exception {
        try (Editor quiet = new Editor(folder, can -> can.getWorkspace().setConfiguration(true))) {
            JsonObject settings = new JsonObject();
            settings.addProperty("least", "error");
            quiet.set(settings);
            TextDocumentIdentifier berth = quiet.open(berthFile, BERTH);
            PublishDiagnosticsParams found;
            do {
                // what was told before the setting was there is told again
                found = quiet.diagnostics();
            } while (!found.getDiagnostics().isEmpty());
            assertEquals(berth.getUri(), found.getUri());
        }
    }

    @Test
    void whatIsNotUnderstoodIsAnErrorAndTheServerGoesOn() {
        CompletionException unknown = assertThrows(CompletionException.class, () -> editor.server()
                .getWorkspaceService()
                .executeCommand(new ExecuteCommandParams("nothing", List.of())).join());
        assertEquals(ResponseErrorCode.InvalidParams, code(unknown));
        CodeAction broken = new CodeAction("broken");
        broken.setData("nonsense");
        assertThrows(CompletionException.class, () -> texts().resolveCodeAction(broken).join());
        TextDocumentIdentifier elsewhere = new TextDocumentIdentifier("untitled:one");
        assertEquals(List.of(), texts().documentSymbol(new DocumentSymbolParams(elsewhere)).join());
    }

    @Test
    void leavingInOrderIsToldFromLeavingWithoutAWord() throws ExecutionException, InterruptedException {
        assertTrue(editor.leave(true));
        try (Editor other = new Editor(folder, can -> { })) {
            assertFalse(other.leave(false));
        } catch (java.io.IOException failed) {
            throw new AssertionError(failed);
        }
    }
}
