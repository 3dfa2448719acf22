package dev.deftchisel.lsp.session;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.eclipse.lsp4j.ClientCapabilities;
import org.eclipse.lsp4j.ProgressParams;
import org.eclipse.lsp4j.WindowClientCapabilities;
import org.eclipse.lsp4j.WorkDoneProgressBegin;
import org.eclipse.lsp4j.WorkDoneProgressEnd;
import org.eclipse.lsp4j.jsonrpc.messages.Either;
import org.eclipse.lsp4j.services.LanguageClient;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.mockito.Mockito;

class ProgressTest {

    private final Session session = new Session(Optional.empty());
    private final LanguageClient client = mock(LanguageClient.class);
    private final List<Runnable> late = new ArrayList<>();
    private final Progress progress = new Progress(session, late::add);
    private final CompletableFuture<String> answer = new CompletableFuture<>();

    @BeforeEach
    void connect() {
        ClientCapabilities can = new ClientCapabilities();
        can.setWindow(new WindowClientCapabilities());
        can.getWindow().setWorkDoneProgress(true);
        session.agree(Negotiated.of(can));
        session.connect(client);
        when(client.createProgress(any())).thenReturn(CompletableFuture.completedFuture(null));
    }

    @AfterEach
    void close() {
        session.close();
    }

    private List<ProgressParams> told(int times) {
        ArgumentCaptor<ProgressParams> told = ArgumentCaptor.forClass(ProgressParams.class);
        verify(client, Mockito.times(times)).notifyProgress(told.capture());
        return told.getAllValues();
    }

    @Test
    void nothingIsToldOfAnAnswerThatComesSoon() {
        progress.around(answer, "Finding uses", Optional.empty());
        answer.complete("found");
        late.forEach(Runnable::run);
        verifyNoInteractions(client);
    }

    @Test
    void whatTakesTimeIsShownAndCanBeCancelled() {
        progress.around(answer, "Finding uses", Optional.empty());
        late.forEach(Runnable::run);
        ProgressParams begin = told(1).get(0);
        assertEquals("Finding uses", ((WorkDoneProgressBegin) begin.getValue().getLeft()).getTitle());
        assertTrue(progress.cancel(begin.getToken()));
        assertTrue(answer.isCancelled());
        assertTrue(told(2).get(1).getValue().getLeft() instanceof WorkDoneProgressEnd);
        assertFalse(progress.cancel(begin.getToken()));
    }

    @Test
    void aClientThatGaveATokenHearsAtOnce() {
        progress.around(answer, "Renaming", Optional.of(Either.forRight(5)));
        assertEquals(5, told(1).get(0).getToken().getRight());
        assertTrue(late.isEmpty());
        answer.complete("found");
        told(2);
    }
}
