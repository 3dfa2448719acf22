package dev.deftchisel.lsp;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.gson.JsonObject;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletionException;
import org.eclipse.lsp4j.ClientCapabilities;
import org.eclipse.lsp4j.CodeLens;
import org.eclipse.lsp4j.CodeLensParams;
import org.eclipse.lsp4j.CreateFilesParams;
import org.eclipse.lsp4j.DefinitionParams;
import org.eclipse.lsp4j.DeleteFilesParams;
import org.eclipse.lsp4j.DiagnosticCapabilities;
import org.eclipse.lsp4j.DocumentLink;
import org.eclipse.lsp4j.DocumentLinkParams;
import org.eclipse.lsp4j.FileCreate;
import org.eclipse.lsp4j.FileDelete;
import org.eclipse.lsp4j.HoverParams;
import org.eclipse.lsp4j.InlayHint;
import org.eclipse.lsp4j.InlayHintParams;
import org.eclipse.lsp4j.Location;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.PrepareRenameParams;
import org.eclipse.lsp4j.PreviousResultId;
import org.eclipse.lsp4j.PublishDiagnosticsParams;
import org.eclipse.lsp4j.Range;
import org.eclipse.lsp4j.RenameParams;
import org.eclipse.lsp4j.SemanticTokens;
import org.eclipse.lsp4j.SemanticTokensDelta;
import org.eclipse.lsp4j.SemanticTokensDeltaParams;
import org.eclipse.lsp4j.SemanticTokensEdit;
import org.eclipse.lsp4j.SemanticTokensLegend;
import org.eclipse.lsp4j.SemanticTokensParams;
import org.eclipse.lsp4j.SemanticTokensRangeParams;
import org.eclipse.lsp4j.TextDocumentIdentifier;
import org.eclipse.lsp4j.WorkspaceDiagnosticParams;
import org.eclipse.lsp4j.WorkspaceDocumentDiagnosticReport;
import org.eclipse.lsp4j.WorkspaceEdit;
import org.eclipse.lsp4j.jsonrpc.ResponseErrorException;
import org.eclipse.lsp4j.services.TextDocumentService;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a client may show beside the code, and what it is told unasked, message by message. */
class InsightTest {

    private static final String BERTH = """
            package harbour;

            /** A place for {@link Quay#first}. */
            public class Berth {
                private static final int DEPTH = 5;

                Berth(int number) { }

                public int room(int draught) {
                    int spare = DEPTH;
                    spare = DEPTH - draught;
                    return spare;
                }

                @Override public String toString() { return "berth"; }
            }
            """;
    private static final String QUAY = """
            package harbour;

            class Quay {
                int first(Berth berth) {
                    return new Berth(1).room(2) + berth.room(-3);
                }
            }
            """;

    @TempDir
    private Path folder;
    private Path sources;
    private Path berthFile;
    private Path quayFile;
    private Editor editor;

    @BeforeEach
    void write() throws Exception {
        folder = folder.toRealPath();
        Files.writeString(folder.resolve("settings.gradle"), "");
        sources = folder.resolve("src/main/java/harbour");
        Files.createDirectories(sources);
        berthFile = Files.writeString(sources.resolve("Berth.java"), BERTH);
        quayFile = Files.writeString(sources.resolve("Quay.java"), QUAY);
        editor = new Editor(folder, can -> { });
    }

    @AfterEach
    void leave() {
        editor.close();
    }

    private TextDocumentService texts() {
        return editor.server().getTextDocumentService();
    }

    /** Each token as its text, type and modifiers. */
    private List<String> tokens(TextDocumentIdentifier document, List<Integer> data) {
        SemanticTokensLegend legend = editor.agreed().getCapabilities().getSemanticTokensProvider().getLegend();
        String[] lines = editor.text(document).split("\n");
        List<String> found = new ArrayList<>();
        int line = 0;
        int column = 0;
        for (int i = 0; i < data.size(); i += 5) {
            column = data.get(i) == 0 ? column + data.get(i + 1) : data.get(i + 1);
            line += data.get(i);
            StringBuilder shown = new StringBuilder(lines[line].substring(column, column + data.get(i + 2)))
                    .append(' ').append(legend.getTokenTypes().get(data.get(i + 3)));
            for (int bit = 0; bit < legend.getTokenModifiers().size(); bit++) {
                if ((data.get(i + 4) & 1 << bit) != 0) {
                    shown.append(' ').append(legend.getTokenModifiers().get(bit));
                }
            }
            found.add(shown.toString());
        }
        return found;
    }

    @Test
    void eachNameHasTheColourOfWhatItMeans() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        SemanticTokens all = texts().semanticTokensFull(new SemanticTokensParams(berth)).join();
        List<String> names = tokens(berth, all.getData());
        assertEquals(List.of("harbour namespace declaration", "Quay class documentation",
                "first method documentation", "Berth class declaration",
                "DEPTH property declaration static readonly", "Berth class", "number parameter declaration",
                "room method declaration", "draught parameter declaration", "spare variable declaration",
                "DEPTH property static readonly", "spare variable modification", "DEPTH property static readonly",
                "draught parameter", "spare variable", "Override decorator abstract defaultLibrary",
                "String class defaultLibrary", "toString method declaration"), names);
        Range line = new Range(new Position(9, 0), new Position(10, 0));
        assertEquals(List.of("spare variable declaration", "DEPTH property static readonly"), tokens(berth,
                texts().semanticTokensRange(new SemanticTokensRangeParams(berth, line)).join().getData()));
    }

    @Test
    void coloursThatChangedAreSentAlone() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        SemanticTokens all = texts().semanticTokensFull(new SemanticTokensParams(berth)).join();
        editor.type(berth, "return spare", "return DEPTH");
        SemanticTokensDelta delta = texts().semanticTokensFullDelta(
                new SemanticTokensDeltaParams(berth, all.getResultId())).join().getRight();
        List<Integer> data = new ArrayList<>(all.getData());
        for (SemanticTokensEdit edit : delta.getEdits()) {
            List<Integer> old = data.subList(edit.getStart(), edit.getStart() + edit.getDeleteCount());
            old.clear();
            data.addAll(edit.getStart(), edit.getData());
        }
        assertEquals(texts().semanticTokensFull(new SemanticTokensParams(berth)).join().getData(), data);
        assertTrue(delta.getEdits().get(0).getData().size() <= 5, "little is sent");
        assertTrue(texts().semanticTokensFullDelta(new SemanticTokensDeltaParams(berth, "unknown")).join().isLeft());
    }

    @Test
    void namesInDocumentationLeadToWhatTheyMean() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        List<DocumentLink> links = texts().documentLink(new DocumentLinkParams(berth)).join();
        assertEquals(List.of("class harbour.Quay", "method Quay.first(Berth)"),
                links.stream().map(DocumentLink::getTooltip).toList());
        assertEquals(quayFile.toUri() + "#L4", texts().documentLinkResolve(links.get(1)).join().getTarget());
    }

    @Test
    void usesAreCountedForThoseWhoWantThem() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        assertEquals(List.of(), texts().codeLens(new CodeLensParams(berth)).join());
        JsonObject settings = new JsonObject();
        settings.addProperty("countUses", true);
        try (Editor counting = new Editor(folder, can -> { }, params -> params.setInitializationOptions(settings))) {
            TextDocumentIdentifier opened = counting.open(berthFile, BERTH);
            TextDocumentService asked = counting.server().getTextDocumentService();
            List<? extends CodeLens> all = asked.codeLens(new CodeLensParams(opened)).join();
            List<String> titles = all.stream().filter(lens -> lens.getRange().getStart().getLine() < 9)
                    .map(lens -> asked.resolveCodeLens(lens).join().getCommand().getTitle()).sorted().toList();
            assertEquals(List.of("1 use", "2 uses", "2 uses", "no implementations", "no implementations"), titles);
        } catch (java.io.IOException failed) {
            throw new AssertionError(failed);
        }
    }

    @Test
    void literalsSayWhatTheyArePassedFor() {
        TextDocumentIdentifier quay = editor.open(quayFile, QUAY);
        List<InlayHint> hints = texts()
                .inlayHint(new InlayHintParams(quay, new Range(new Position(0, 0), new Position(99, 0)))).join();
        assertEquals(List.of("number:", "draught:", "draught:"),
                hints.stream().map(hint -> hint.getLabel().getLeft()).toList());
        assertEquals(editor.at(quay, "-3", 0), hints.get(2).getPosition());
    }

    @Test
    void aConstructorIsFoundWhereAnObjectIsCreated() {
        TextDocumentIdentifier quay = editor.open(quayFile, QUAY);
        assertEquals(new Position(6, 4), texts().definition(new DefinitionParams(quay, editor.at(quay, "Berth(1)", 1)))
                .join().getLeft().get(0).getRange().getStart());
        assertEquals(new Position(3, 13), texts().definition(new DefinitionParams(quay,
                editor.at(quay, "Berth berth", 1))).join().getLeft().get(0).getRange().getStart());
    }

    @Test
    void whatALibraryDeclaresIsReadInAFileOfItsOwn() throws Exception {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        Location found = texts().definition(new DefinitionParams(berth, editor.at(berth, "String toString", 1)))
                .join().getLeft().get(0);
        Path page = Path.of(URI.create(found.getUri()));
        assertEquals(folder.resolve(".deft/libraries/java/lang/String.java"), page);
        assertTrue(Files.readAllLines(page).get(found.getRange().getStart().getLine()).contains("class String"));
        String hover = texts().hover(new HoverParams(berth, editor.at(berth, "String toString", 1))).join()
                .getContents().getRight().getValue();
        assertTrue(hover.contains("public final class String"), hover);
    }

    @Test
    void errorsOfFilesThatAreNotOpenAreToldToo() throws Exception {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH.replace("room(", "space("));
        String of = quayFile.toUri().toString();
        PublishDiagnosticsParams found = editor.diagnostics();
        while (!found.getUri().equals(of)) {
            found = editor.diagnostics();
        }
        assertEquals(2, found.getDiagnostics().size());
        editor.type(berth, "space(", "room(");
        do {
            found = editor.diagnostics();
        } while (!found.getUri().equals(of));
        assertEquals(List.of(), found.getDiagnostics());
    }

    @Test
    void whoeverAsksForAllErrorsIsNotSentWhatHeHas() throws Exception {
        try (Editor asking = new Editor(folder, InsightTest::asksForDiagnostics)) {
            asking.open(berthFile, BERTH.replace("room(", "space("));
            List<WorkspaceDocumentDiagnosticReport> first = asking.server().getWorkspaceService()
                    .diagnostic(new WorkspaceDiagnosticParams(List.of())).join().getItems();
            assertEquals(1, first.size());
            String uri = first.get(0).getWorkspaceFullDocumentDiagnosticReport().getUri();
            assertEquals(quayFile, Path.of(URI.create(uri)));
            String id = first.get(0).getWorkspaceFullDocumentDiagnosticReport().getResultId();
            assertTrue(asking.server().getWorkspaceService()
                    .diagnostic(new WorkspaceDiagnosticParams(List.of(new PreviousResultId(uri, id)))).join()
                    .getItems().get(0).isWorkspaceUnchangedDocumentDiagnosticReport());
        }
    }

    private static void asksForDiagnostics(ClientCapabilities can) {
        can.getTextDocument().setDiagnostic(new DiagnosticCapabilities());
    }

    @Test
    void whatALibraryDeclaresIsNotPreparedToBeRenamed() {
        TextDocumentIdentifier berth = editor.open(berthFile, BERTH);
        assertTrue(refused(berth, "String toString").contains("is declared in a library"));
        assertTrue(refused(berth, "toString()").contains("overrides or implements Object.toString()"));
    }

    private String refused(TextDocumentIdentifier document, String part) {
        CompletionException failed = assertThrows(CompletionException.class, () -> texts()
                .prepareRename(new PrepareRenameParams(document, editor.at(document, part, 1))).join());
        return ((ResponseErrorException) failed.getCause()).getResponseError().getMessage();
    }

    @Test
    void aClientThatCannotMoveFilesIsToldWhichToMove() throws Exception {
        try (Editor simple = new Editor(folder, can -> can.getWorkspace().setWorkspaceEdit(null))) {
            TextDocumentIdentifier berth = simple.open(berthFile, BERTH);
            WorkspaceEdit edit = simple.server().getTextDocumentService()
                    .rename(new RenameParams(berth, simple.at(berth, "Berth {", 1), "Mole")).join();
            assertTrue(simple.after(berth, edit).contains("public class Mole {"));
            assertEquals("The editor says that it cannot move files; move src/main/java/harbour/Berth.java to "
                    + "src/main/java/harbour/Mole.java", simple.message());
        }
    }

    @Test
    void aNewFileBeginsWithItsPackageAndType() throws Exception {
        Path made = Files.createDirectories(sources.resolve("tides")).resolve("Tide.java");
        Files.writeString(made, "");
        editor.server().getWorkspaceService().didCreateFiles(new CreateFilesParams(
                List.of(new FileCreate(made.toUri().toString()))));
        assertEquals("package harbour.tides;\n\npublic class Tide {\n}\n", editor.asked().getChanges()
                .get(made.toUri().toString()).get(0).getNewText());
    }

    @Test
    void beforeAFileIsDeletedItsUsesAreTold() throws Exception {
        editor.server().getWorkspaceService().willDeleteFiles(new DeleteFilesParams(
                List.of(new FileDelete(berthFile.toUri().toString())))).join();
        assertEquals("Berth is still used, 2 times in 1 file, first at src/main/java/harbour/Quay.java:4:15",
                editor.message());
    }

    @Test
    void theRootAloneWillDo() throws Exception {
        try (Editor old = new Editor(folder, can -> { }, params -> {
            params.setWorkspaceFolders(null);
            params.setRootUri(folder.toUri().toString());
        })) {
            assertEquals(1, old.server().getWorkspaceService()
                    .symbol(new org.eclipse.lsp4j.WorkspaceSymbolParams("Quay")).join().getRight().size());
        }
    }
}
