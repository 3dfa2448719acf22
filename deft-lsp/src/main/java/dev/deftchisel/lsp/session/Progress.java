package dev.deftchisel.lsp.session;

import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.eclipse.lsp4j.ProgressParams;
import org.eclipse.lsp4j.WorkDoneProgressBegin;
import org.eclipse.lsp4j.WorkDoneProgressCreateParams;
import org.eclipse.lsp4j.WorkDoneProgressEnd;
import org.eclipse.lsp4j.WorkDoneProgressNotification;
import org.eclipse.lsp4j.jsonrpc.messages.Either;

/**
 * Tells the editor that something takes its time, and stops what the user does not want to wait for. The client is
 * never waited for.
 */
public final class Progress {

    /** Who gets an answer sooner does not want to hear that it takes time. */
    private static final long PATIENCE_MILLIS = 1000;

    private final Session session;
    private final Executor late;
    private final Map<Either<String, Integer>, CompletableFuture<?>> shown = new ConcurrentHashMap<>();

    Progress(Session session) {
        this(session, CompletableFuture.delayedExecutor(PATIENCE_MILLIS, TimeUnit.MILLISECONDS,
                session.worker().texts()));
    }

    /** @param late does what it is given when the client has waited for a while */
    Progress(Session session, Executor late) {
        this.session = session;
        this.late = late;
    }

    /** Does something, and tells when it begins and ends, if the client wants to know. */
    <T> T during(String title, Supplier<T> work) {
        if (!session.client().can(Negotiated.Ability.PROGRESS)) {
            return work.get();
        }
        Either<String, Integer> token = Either.forLeft(UUID.randomUUID().toString());
        CompletableFuture<Void> begun = create(token, title);
        try {
            return work.get();
        } finally {
            begun.thenRun(() -> tell(token, new WorkDoneProgressEnd()));
        }
    }

    private CompletableFuture<Void> create(Either<String, Integer> token, String title) {
        return session.editor().createProgress(new WorkDoneProgressCreateParams(token))
                .thenRun(() -> tell(token, begin(title)));
    }

    private static WorkDoneProgressBegin begin(String title) {
        WorkDoneProgressBegin begin = new WorkDoneProgressBegin();
        begin.setTitle(title);
        begin.setCancellable(true);
        return begin;
    }

    /**
     * Tells that an answer is being worked out: at once where the client gave a token for that, otherwise when it is
     * not there after a while.
     *
     * @param title what the user wants
     * @param token of the client
     */
    public <T> CompletableFuture<T> around(CompletableFuture<T> answer, String title,
            Optional<Either<String, Integer>> token) {
        if (token.isPresent()) {
            tell(token.get(), begin(title));
            end(token.get(), answer, CompletableFuture.completedFuture(null));
        } else if (session.client().can(Negotiated.Ability.PROGRESS)) {
            late.execute(() -> {
                if (!answer.isDone()) {
                    Either<String, Integer> made = Either.forLeft(UUID.randomUUID().toString());
                    end(made, answer, create(made, title));
                }
            });
        }
        return answer;
    }

    private void end(Either<String, Integer> token, CompletableFuture<?> answer, CompletableFuture<Void> begun) {
        shown.put(token, answer);
        answer.whenComplete((found, failed) -> {
            shown.remove(token);
            begun.thenRun(() -> tell(token, new WorkDoneProgressEnd()));
        });
    }

    /** The user does not want to wait for what this token is shown for; whether that is an answer. */
    public boolean cancel(Either<String, Integer> token) {
        return Optional.ofNullable(shown.get(token)).filter(answer -> answer.cancel(true)).isPresent();
    }

    private void tell(Either<String, Integer> token, WorkDoneProgressNotification what) {
        session.editor().notifyProgress(new ProgressParams(token, Either.forLeft(what)));
    }
}
