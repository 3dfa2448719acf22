package dev.deftchisel.lsp.session;

import dev.deftchisel.analysis.compiler.AnalysisException;
import dev.deftchisel.analysis.compiler.Monitor;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import org.eclipse.lsp4j.jsonrpc.CancelChecker;
import org.eclipse.lsp4j.jsonrpc.CompletableFutures;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The one thread on which code is looked at, so that the thread that reads messages never waits for it. What is asked is done
 * in the order in which it came; what is done unasked gives way to that, and is begun again behind it.
 */
public final class Worker implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Worker.class);
    /** How long the end waits for what is being done, in seconds. */
    private static final int PATIENCE = 5;

    private final ExecutorService thread = Executors.newSingleThreadExecutor(task -> named(task, "deft-worker"));
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(task -> named(task, "deft-clock"));
    private final AtomicReference<Aside> aside = new AtomicReference<>();
    private volatile CancelChecker current = () -> { };
    private volatile boolean isClosed;

    private static Thread named(Runnable task, String name) {
        Thread thread = new Thread(task, name);
        thread.setDaemon(true);
        return thread;
    }

    /** Stops what is being done once nobody wants it any more; for the workspaces that this thread works on. */
    Monitor monitor() {
        return new Monitor() {
            @Override
            public void at(String step, int done, int total) {
                check();
            }

            @Override
            public void check() {
                if (isClosed) {
                    throw new CancellationException();
                }
                current.checkCanceled();
            }
        };
    }

    /** Does what the client asks for; the client may change its mind. */
    public <T> CompletableFuture<T> ask(Supplier<T> work) {
        CompletableFuture<T> asked = CompletableFutures.computeAsync(thread, checker -> {
            checker.checkCanceled();
            current = checker;
            try {
                return work.get();
            } catch (AnalysisException failed) {
                throw RefusedRequest.failed(failed);
            }
        });
        // only now, when the question stands in line, so that what gives way comes behind it
        Aside waiting = aside.get();
        if (waiting != null) {
            waiting.giveWay();
        }
        return asked;
    }

    /** Stops what is being done now; whoever asked for it is told that it was stopped. */
    public void stop() {
        current = () -> {
            throw new CancellationException();
        };
    }

    /** Does something unasked after a while, unless that is said again before: then only the later one is done. */
    public void later(Runnable work, long millis) {
        Aside next = new Aside(work);
        Aside before = aside.getAndSet(next);
        if (before != null) {
            before.drop();
        }
        clock.schedule(next, millis, TimeUnit.MILLISECONDS);
    }

    /** Something that is done unasked. */
    private final class Aside implements Runnable {

        private final Runnable work;
        private volatile boolean isDropped;
        private volatile boolean isInTheWay;

        Aside(Runnable work) {
            this.work = work;
        }

        void drop() {
            isDropped = true;
        }

        /** Stops where it is, and waits at the end of the line. */
        void giveWay() {
            isInTheWay = true;
        }

        @Override
        public void run() {
            if (isClosed) {
                return;
            }
            thread.execute(() -> {
                if (isDropped) {
                    return;
                }
                isInTheWay = false;
                current = () -> {
                    if (isDropped || isInTheWay) {
                        throw new CancellationException();
                    }
                };
                try {
                    work.run();
                    aside.compareAndSet(this, null);
                } catch (CancellationException stopped) {
                    if (!isDropped && !isClosed) {
                        run();
                    }
                } catch (RuntimeException failed) {
                    // nobody waits for an answer; the next change asks again
                    LOG.warn("looking at the code failed", failed);
                    aside.compareAndSet(this, null);
                }
            });
        }
    }

    /** Stops what is being done, and waits until it has. */
    @Override
    public void close() {
        isClosed = true;
        clock.shutdownNow();
        thread.shutdown();
        try {
            if (!thread.awaitTermination(PATIENCE, TimeUnit.SECONDS)) {
                thread.shutdownNow();
            }
        } catch (InterruptedException interrupted) {
            thread.shutdownNow();
            Thread.currentThread().interrupt();
        }
    }
}
