package dev.deftchisel.lsp.session;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.eclipse.lsp4j.ProgressParams;
import org.eclipse.lsp4j.jsonrpc.messages.Either;
import org.eclipse.lsp4j.services.LanguageClient;

/**
 * A list that is sent as it is found, where the client wants that; what is sent is not part of the answer any more (LSP
 * 3.17, partial results).
 *
 * @param <T> what is in the list
 */
public final class PartialResults<T> {

    private final LanguageClient client;
    private final Optional<Either<String, Integer>> token;
    private final Set<T> sent = new HashSet<>();

    /** @param token under which it is sent; empty for all at once at the end */
    public PartialResults(LanguageClient client, Optional<Either<String, Integer>> token) {
        this.client = client;
        this.token = token;
    }

    /** Whether it is worth finding a part sooner. */
    public boolean areWanted() {
        return token.isPresent();
    }

    /** A part. */
    public void send(List<T> part) {
        List<T> fresh = new ArrayList<>(part);
        fresh.removeAll(sent);
        if (token.isPresent() && !fresh.isEmpty()) {
            sent.addAll(fresh);
            client.notifyProgress(new ProgressParams(token.get(), Either.forRight(fresh)));
        }
    }

    /** The whole list is known; returns what the answer to the request is. */
    public List<T> end(List<T> all) {
        send(all);
        return areWanted() ? List.of() : all;
    }
}
