package dev.deftchisel.analysis.compiler;

import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;

/**
 * Runs work on a thread with a stack deep enough for the compiler's recursion over nested code. The memory is only
 * reserved, and taken as the recursion needs it.
 */
public final class DeepStack {

    private static final long STACK_BYTES = 1L << 29;

    private DeepStack() {
    }

    /**
     * Waits for the work and gives its result; what it throws is thrown here.
     *
     * @throws AnalysisException when interrupted, or when even this stack is not deep enough
     */
    public static <T> T call(Callable<T> work) {
        if (Thread.currentThread().getName().equals(DeepStack.class.getName())) {
            return direct(work);
        }
        FutureTask<T> task = new FutureTask<>(work);
        Thread thread = new Thread(null, task, DeepStack.class.getName(), STACK_BYTES);
        thread.setDaemon(true);
        thread.start();
        try {
            return task.get();
        } catch (InterruptedException interrupted) {
            thread.interrupt();
            Thread.currentThread().interrupt();
            throw new AnalysisException("stopped before the analysis was done", interrupted);
        } catch (ExecutionException failed) {
            throw unwrapped(failed.getCause());
        }
    }

    private static <T> T direct(Callable<T> work) {
        try {
            return work.call();
        } catch (Exception failed) {
            throw unwrapped(failed);
        }
    }

    private static RuntimeException unwrapped(Throwable cause) {
        if (cause instanceof StackOverflowError) {
            return new AnalysisException("the code is nested too deeply to be analysed", cause);
        }
        if (cause instanceof Error error) {
            throw error;
        }
        return cause instanceof RuntimeException unchecked ? unchecked : new IllegalStateException(cause);
    }
}
