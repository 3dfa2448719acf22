package dev.deftchisel.lsp;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.eclipse.lsp4j.CodeAction;
import org.eclipse.lsp4j.CodeActionContext;
import org.eclipse.lsp4j.CodeActionParams;
import org.eclipse.lsp4j.Range;
import org.eclipse.lsp4j.TextDocumentIdentifier;
import org.eclipse.lsp4j.WorkspaceEdit;
import org.eclipse.lsp4j.jsonrpc.messages.Either;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A header that is typed in the editor, and carried to what calls it. */
class EditedHeaderTest {

    private static final String BERTH = """
            package harbour;

            class Berth {
                int depth;

                int room(int draught) {
                    return depth - draught;
                }

                int twice(int draught) {
                    return room(draught) * 2;
                }
            }
            """;
    private static final String QUAY = """
            package harbour;

            class Quay {
                int first(Berth berth) {
                    return berth.room(2) + berth.room(3);
                }
            }
            """;

    @TempDir
    private Path folder;
    private Editor editor;
    private TextDocumentIdentifier berth;
    private TextDocumentIdentifier quay;

    @BeforeEach
    void write() throws Exception {
        folder = folder.toRealPath();
        Path home = Files.createDirectories(folder.resolve("src/main/java/harbour"));
        Files.writeString(folder.resolve("settings.gradle"), "");
        Path berthFile = Files.writeString(home.resolve("Berth.java"), BERTH);
        Path quayFile = Files.writeString(home.resolve("Quay.java"), QUAY);
        editor = new Editor(folder, can -> { });
        berth = editor.open(berthFile, BERTH);
        quay = editor.open(quayFile, QUAY);
    }

    @AfterEach
    void leave() {
        editor.close();
    }

    private Optional<CodeAction> carrying(String part) {
        Range range = new Range(editor.at(berth, part, 0), editor.at(berth, part, 0));
        return editor.server().getTextDocumentService()
                .codeAction(new CodeActionParams(berth, range, new CodeActionContext(List.of()))).join().stream()
                .map(Either::getRight).filter(action -> action.getTitle().startsWith("carry ")).findFirst();
    }

    private WorkspaceEdit edit(CodeAction action) {
        return editor.server().getTextDocumentService().resolveCodeAction(action).join().getEdit();
    }

    @Test
    void aTypedHeaderIsCarriedToItsCalls() {
        assertTrue(carrying("room(int").isEmpty(), "nothing is typed yet");
        editor.type(berth, "int room(int draught)", "int room(boolean isTidal = false, int draught)");
        CodeAction carry = carrying("draught)").orElseThrow();
        assertEquals("carry to calls and overrides (2 files name it): int room(boolean isTidal = false, int draught)",
                carry.getTitle());
        WorkspaceEdit edit = edit(carry);
        assertEquals(QUAY.replace("room(2)", "room(false, 2)").replace("room(3)", "room(false, 3)"),
                editor.after(quay, edit));
        assertEquals(BERTH.replace("room(int draught)", "room(boolean isTidal, int draught)")
                .replace("return room(draught)", "return room(false, draught)"), editor.after(berth, edit));
    }

    @Test
    void otherMembersMayComeAndGoMeanwhile() {
        editor.type(berth, "int depth;\n", "int depth;\n\n    void sink() {\n        depth++;\n    }\n");
        editor.type(berth, "int room(int draught)", "int space(int draught)");
        WorkspaceEdit edit = edit(carrying("space(").orElseThrow());
        assertTrue(editor.after(quay, edit).contains("berth.space(2) + berth.space(3)"), editor.after(quay, edit));
        assertTrue(editor.after(berth, edit).contains("return space(draught) * 2;"));
        assertTrue(carrying("sink(").isEmpty(), "a new method is no other header");
    }

    @Test
    void whatWasCarriedIsAgreedOn() {
        editor.type(berth, "int room(int draught)", "int room(int draught, int more = 1)");
        WorkspaceEdit edit = edit(carrying("room(int").orElseThrow());
        String after = editor.after(berth, edit);
        editor.type(quay, QUAY, editor.after(quay, edit));
        editor.type(berth, editor.text(berth), after);
        assertTrue(carrying("room(int").isEmpty(), "all agree");
    }
}
