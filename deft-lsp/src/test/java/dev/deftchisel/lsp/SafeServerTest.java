package dev.deftchisel.lsp;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.CompletionException;
import java.util.stream.Stream;
import org.eclipse.lsp4j.CreateFilesParams;
import org.eclipse.lsp4j.DeleteFilesParams;
import org.eclipse.lsp4j.DiagnosticCapabilities;
import org.eclipse.lsp4j.DocumentDiagnosticParams;
import org.eclipse.lsp4j.ExecuteCommandParams;
import org.eclipse.lsp4j.FileCreate;
import org.eclipse.lsp4j.FileDelete;
import org.eclipse.lsp4j.FileRename;
import org.eclipse.lsp4j.HoverParams;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.RenameFilesParams;
import org.eclipse.lsp4j.RenameParams;
import org.eclipse.lsp4j.TextDocumentIdentifier;
import org.eclipse.lsp4j.WorkspaceDiagnosticParams;
import org.eclipse.lsp4j.WorkspaceEdit;
import org.eclipse.lsp4j.jsonrpc.ResponseErrorException;
import org.eclipse.lsp4j.services.TextDocumentService;
import org.eclipse.lsp4j.services.WorkspaceService;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a server must not do to the machine of its user. */
class SafeServerTest {

    private static final String BERTH = "package harbour;\n\nclass Berth {\n    int depth;\n}\n";

    @TempDir
    private Path folder;
    private Path own;
    private Path other;

    @BeforeEach
    void write() throws IOException {
        folder = folder.toRealPath();
        own = project("own");
        other = project("other");
    }

    private Path project(String name) throws IOException {
        Path sources = Files.createDirectories(folder.resolve(name).resolve("src/main/java/harbour"));
        Files.writeString(folder.resolve(name).resolve("settings.gradle"), "");
        return Files.writeString(sources.resolve("Berth.java"), BERTH);
    }

    /** All files below a folder with their texts, but those that are deft's own. */
    private static Map<String, String> files(Path below) throws IOException {
        Map<String, String> all = new TreeMap<>();
        try (Stream<Path> walk = Files.walk(below)) {
            for (Path path : walk.filter(Files::isRegularFile).toList()) {
                all.put(below.relativize(path).toString(), Files.readString(path));
            }
        }
        return all;
    }

    private static Map<String, String> withoutOwn(Map<String, String> files) {
        Map<String, String> rest = new TreeMap<>(files);
        rest.keySet().removeIf(path -> path.startsWith(".deft/"));
        return rest;
    }

    /** Asks for all that changes or makes something. */
    private static void work(Editor editor, Path file) {
        TextDocumentIdentifier document = editor.open(file, BERTH);
        TextDocumentService texts = editor.server().getTextDocumentService();
        WorkspaceService workspace = editor.server().getWorkspaceService();
        texts.diagnostic(new DocumentDiagnosticParams(document)).join();
        WorkspaceEdit edit = texts.rename(new RenameParams(document, new Position(2, 7), "Mole")).join();
        assertNotEquals(BERTH, editor.after(document, edit));
        workspace.willRenameFiles(new RenameFilesParams(List.of(new FileRename(document.getUri(),
                document.getUri().replace("Berth", "Quay"))))).join();
        workspace.didCreateFiles(new CreateFilesParams(List.of(new FileCreate(document.getUri()
                .replace("Berth", "Made")))));
        workspace.willDeleteFiles(new DeleteFilesParams(List.of(new FileDelete(document.getUri())))).join();
        workspace.diagnostic(new WorkspaceDiagnosticParams(List.of())).join();
    }

    private Editor editor() throws IOException {
        return new Editor(folder.resolve("own"), can -> can.getTextDocument()
                .setDiagnostic(new DiagnosticCapabilities()));
    }

    @Test
    void sourceFilesAreLeftToTheEditor() throws IOException {
        Map<String, String> before = files(folder.resolve("own"));
        try (Editor editor = editor()) {
            work(editor, own);
        }
        assertEquals(before, withoutOwn(files(folder.resolve("own"))));
    }

    @Test
    void outsideOfItsFoldersNothingIsWritten() throws IOException {
        Map<String, String> before = files(folder.resolve("other"));
        try (Editor editor = editor()) {
            work(editor, other);
        }
        assertEquals(before, files(folder.resolve("other")));
    }

    @Test
    void theServerEndsWithTheProcessOfItsClient() throws Exception {
        Process client = new ProcessBuilder("cat").start();
        Editor editor = new Editor(folder.resolve("own"), can -> { },
                params -> params.setProcessId(Math.toIntExact(client.pid())));
        client.destroy();
        assertFalse(editor.ended());
    }

    @Test
    void answersCarryNoTraces() throws IOException {
        try (Editor editor = editor()) {
            CompletionException failed = assertThrows(CompletionException.class, () -> editor.server()
                    .getWorkspaceService().executeCommand(new ExecuteCommandParams("nothing", List.of())).join());
            assertNull(((ResponseErrorException) failed.getCause()).getResponseError().getData());
            TextDocumentIdentifier document = editor.open(own, BERTH);
            assertNull(editor.server().getTextDocumentService()
                    .hover(new HoverParams(document, new Position(900, 900))).join());
        }
    }
}
