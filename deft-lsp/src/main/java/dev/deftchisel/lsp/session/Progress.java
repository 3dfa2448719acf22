package dev.deftchisel.lsp.session;

import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.eclipse.lsp4j.ProgressParams;
import org.eclipse.lsp4j.WorkDoneProgressBegin;
import org.eclipse.lsp4j.WorkDoneProgressCreateParams;
import org.eclipse.lsp4j.WorkDoneProgressEnd;
import org.eclipse.lsp4j.WorkDoneProgressNotification;
import org.eclipse.lsp4j.jsonrpc.messages.Either;

/** Tells the editor that something takes its time. The client is never waited for. */
final class Progress {

    private final Session session;

    Progress(Session session) {
        this.session = session;
    }

    /** Does something, and tells when it begins and ends, if the client wants to know. */
    <T> T during(String title, Supplier<T> work) {
        if (!session.client().progress()) {
            return work.get();
        }
        Either<String, Integer> token = Either.forLeft(UUID.randomUUID().toString());
        WorkDoneProgressBegin begin = new WorkDoneProgressBegin();
        begin.setTitle(title);
        begin.setCancellable(true);
        CompletableFuture<Void> shown = session.editor().createProgress(new WorkDoneProgressCreateParams(token))
                .thenRun(() -> tell(token, begin));
        try {
            return work.get();
        } finally {
            shown.thenRun(() -> tell(token, new WorkDoneProgressEnd()));
        }
    }

    private void tell(Either<String, Integer> token, WorkDoneProgressNotification what) {
        session.editor().notifyProgress(new ProgressParams(token, Either.forLeft(what)));
    }
}
