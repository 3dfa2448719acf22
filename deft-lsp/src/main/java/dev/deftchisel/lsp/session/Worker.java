package dev.deftchisel.lsp.session;

import dev.deftchisel.analysis.compiler.AnalysisException;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.background.PriorityWorker;
import dev.deftchisel.background.WorkPriority;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.eclipse.lsp4j.jsonrpc.CompletableFutures;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Has code looked at on one thread, so that the thread that reads messages never waits for it. What a client asks is
 * done in the order in which it came; what is done unasked gives way to that, and is begun again after it.
 */
public final class Worker implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Worker.class);
    private static final int PATIENCE_SECONDS = 5;
    private static final WorkPriority ASKED = new WorkPriority(0, 0, false);

    private final PriorityWorker worker = new PriorityWorker("deft-worker", PATIENCE_SECONDS);

    Worker() {
        worker.start();
    }

    /** Stops what is being done once nobody wants it any more; for the workspaces that this thread works on. */
    Monitor monitor() {
        return worker.monitor();
    }

    /** Does what the client asks for; the client may change its mind. */
    public <T> CompletableFuture<T> ask(Supplier<T> work) {
        return CompletableFutures.computeAsync(this::execute, checker -> {
            checker.checkCanceled();
            worker.checkAlso(checker::checkCanceled);
            try {
                return work.get();
            } catch (AnalysisException failed) {
                throw RefusedRequest.failed(failed);
            }
        });
    }

    /** The task completes a future, with what it gives or throws. */
    private void execute(Runnable task) {
        worker.submit(ASKED, () -> {
            task.run();
            return true;
        }, done -> { }, failed -> LOG.warn("an answer could not be given", failed));
    }

    /** Stops what is being done now; whoever asked for it is told that it was stopped. */
    public void stop() {
        worker.stopRunning();
    }

    /** Does something unasked after a while, unless that is said again before: then only the later one is done. */
    public void later(Runnable work, long millis) {
        worker.submit(new WorkPriority(1, millis, true), () -> {
            work.run();
            return true;
        }, done -> { }, failed -> LOG.warn("looking at the code failed", failed));
    }

    /** Stops what is being done, and waits until it has. */
    @Override
    public void close() {
        worker.stopRunning();
        worker.close();
    }
}
