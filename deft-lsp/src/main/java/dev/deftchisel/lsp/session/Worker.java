package dev.deftchisel.lsp.session;

import dev.deftchisel.analysis.compiler.AnalysisException;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.background.PriorityWorker;
import dev.deftchisel.background.WorkPriority;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Has code looked at on one thread, so that the thread that reads messages never waits for it. Questions of one
 * {@link Urgency} are answered in the order in which they came; a look at a place overtakes a change that is being
 * worked out, and what is done unasked gives way to both. What gave way is begun again. Questions that the text of one
 * file answers go to a thread of their own and wait for nothing but each other.
 */
public final class Worker implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Worker.class);
    private static final int PATIENCE_SECONDS = 5;

    /** What a question is for, the more urgent first. */
    public enum Urgency {
        /** Somebody waits with the caret at a place. */
        LOOK,
        /** Somebody waits for a change or for a list. */
        WORK;

        private WorkPriority priority() {
            return this == LOOK ? WorkPriority.inOrder(ordinal()) : WorkPriority.givingWay(ordinal());
        }
    }

    private final PriorityWorker worker = new PriorityWorker("deft-worker", PATIENCE_SECONDS);
    private final ExecutorService texts = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "deft-texts");
        thread.setDaemon(true);
        return thread;
    });
    private volatile Optional<CompletableFuture<?>> current = Optional.empty();

    Worker() {
        worker.start();
    }

    /** Stops what is being done once nobody wants it any more; for the workspaces that this thread works on. */
    Monitor monitor() {
        return worker.monitor();
    }

    /** Does what the client asks for; the client may change its mind, by cancelling the future. */
    public <T> CompletableFuture<T> ask(Urgency urgency, Supplier<T> work) {
        CompletableFuture<T> answer = new CompletableFuture<>();
        worker.submit(urgency.priority(), () -> {
            if (answer.isDone()) {
                return Optional.<T>empty();
            }
            current = Optional.of(answer);
            worker.checkAlso(() -> {
                if (answer.isDone()) {
                    throw new CancellationException();
                }
            });
            return Optional.ofNullable(work.get());
        }, found -> answer.complete(found.orElse(null)), failed -> answer.completeExceptionally(
                failed instanceof AnalysisException known ? RefusedRequest.failed(known) : failed));
        return answer;
    }

    /** For answers that the text of one file gives. */
    Executor texts() {
        return texts;
    }

    /** Stops what is being done now; whoever asked for it is told that it was stopped. */
    public void stop() {
        Optional<CompletableFuture<?>> stopped = current;
        worker.stopRunning();
        stopped.ifPresent(answer -> answer.cancel(true));
    }

    /** Does something unasked after a while, unless that is said again before: then only the later one is done. */
    public void later(Runnable work, long millis) {
        later(Urgency.values().length, work, millis);
    }

    /** The same after all that. */
    public void whenIdle(Runnable work, long millis) {
        later(Urgency.values().length + 1, work, millis);
    }

    private void later(int urgency, Runnable work, long millis) {
        worker.submit(WorkPriority.replaced(urgency, millis), () -> {
            work.run();
            return true;
        }, done -> { }, failed -> LOG.warn("looking at the code failed", failed));
    }

    /** Stops what is being done, and waits until it has. */
    @Override
    public void close() {
        texts.shutdownNow();
        worker.stopRunning();
        worker.close();
    }
}
