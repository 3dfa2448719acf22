package dev.deftchisel.lsp.session;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.lsp.feature.Navigation;
import dev.deftchisel.lsp.feature.TextStructure;
import dev.deftchisel.lsp.session.Worker.Urgency;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import org.eclipse.lsp4j.TextDocumentContentChangeEvent;
import org.eclipse.lsp4j.jsonrpc.ResponseErrorException;
import org.eclipse.lsp4j.jsonrpc.messages.ResponseErrorCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SessionTest {

    @TempDir
    private Path folder;
    private final Session session = new Session(Optional.empty());
    private final CountDownLatch end = new CountDownLatch(1);
    private String uri;
    private CompletableFuture<Boolean> busy;

    /** The worker is busy until the latch is open. */
    @BeforeEach
    void openOneFileAndBeBusy() {
        uri = folder.resolve("Berth.java").toUri().toString();
        session.documents().open(uri, 1, "class Berth {\n    int depth;\n}\n");
        busy = session.worker().ask(Urgency.LOOK, () -> {
            try {
                end.await();
            } catch (InterruptedException stopped) {
                throw new IllegalStateException(stopped);
            }
            return true;
        });
    }

    @AfterEach
    void close() {
        end.countDown();
        busy.join();
        session.close();
    }

    @Test
    void whatTheTextTellsWaitsForNothing() {
        assertEquals(2, session.askText(uri, List::of, Navigation::symbols).join().size());
        assertEquals(1, session.askText(uri, List::of, asked -> TextStructure.folds(asked.file())).join().size());
        assertTrue(!busy.isDone());
    }

    @Test
    void theTextIsThatOfTheMomentOfTheQuestion() {
        session.documents().change(uri, 2, List.of(
                new TextDocumentContentChangeEvent("class A { } class B { } class C { }")), PositionEncoding.UTF16);
        assertEquals(3, session.askText(uri, List::of, Navigation::symbols).join().size());
    }

    @Test
    void aPlaceInATextThatWasChangedMeanwhileIsNotLookedAt() {
        CompletableFuture<String> asked = session.ask(Urgency.LOOK, uri, () -> "no workspace", context -> "there");
        session.documents().change(uri, 2, List.of(new TextDocumentContentChangeEvent("")), PositionEncoding.UTF16);
        end.countDown();
        CompletionException failed = assertThrows(CompletionException.class, asked::join);
        assertEquals(ResponseErrorCode.ContentModified.getValue(),
                ((ResponseErrorException) failed.getCause()).getResponseError().getCode());
    }
}
