package dev.deftchisel.lsp.session;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.verifyNoMoreInteractions;

import java.util.List;
import java.util.Optional;
import org.eclipse.lsp4j.ProgressParams;
import org.eclipse.lsp4j.jsonrpc.messages.Either;
import org.eclipse.lsp4j.services.LanguageClient;
import org.junit.jupiter.api.Test;

class PartialResultsTest {

    private final LanguageClient client = mock(LanguageClient.class);

    @Test
    void eachIsSentOnceAndTheAnswerIsEmpty() {
        Either<String, Integer> token = Either.forLeft("berths");
        PartialResults<String> found = new PartialResults<>(client, Optional.of(token));
        found.send(List.of("one"));
        found.send(List.of("one"));
        assertEquals(List.of(), found.end(List.of("one", "two")));
        verify(client).notifyProgress(new ProgressParams(token, Either.forRight(List.of("one"))));
        verify(client).notifyProgress(new ProgressParams(token, Either.forRight(List.of("two"))));
        verifyNoMoreInteractions(client);
    }

    @Test
    void withoutATokenAllIsInTheAnswer() {
        PartialResults<String> found = new PartialResults<>(client, Optional.empty());
        found.send(List.of("one"));
        assertEquals(List.of("one", "two"), found.end(List.of("one", "two")));
        verifyNoInteractions(client);
    }
}
