package dev.deftchisel.background;

import dev.deftchisel.analysis.compiler.Monitor;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * One daemon thread that does work by urgency. What is more urgent goes first and stops what is less, which is begun
 * again after it; see {@link WorkPriority} for what may be stopped. Work is stopped at the next check of
 * {@link #monitor()}. All methods may be called from any thread, also from the work itself.
 */
public final class PriorityWorker implements AutoCloseable {

    /** So that somebody who looks around all the time does not keep a change from being finished. */
    static final int MOST_TIMES_GIVEN_WAY = 3;

    private final Object lock = new Object();
    /** Work may have threads of its own, which stop as it does. */
    private final InheritableThreadLocal<Boolean> isOfWork = new InheritableThreadLocal<>();
    private final SortedMap<Integer, Deque<Task<?>>> waiting = new TreeMap<>();
    private final Thread thread;
    private final int patienceSeconds;
    private volatile Optional<Task<?>> running = Optional.empty();
    private boolean isClosed;

    /**
     * A worker that has not begun; work can be submitted before {@link #start()}.
     *
     * @param name            of the thread
     * @param patienceSeconds how long {@link #close()} waits for work that is not stopped
     */
    public PriorityWorker(String name, int patienceSeconds) {
        this.patienceSeconds = patienceSeconds;
        this.thread = new Thread(this::run, name);
        thread.setDaemon(true);
    }

    /**
     * Begins to work.
     *
     * @throws IllegalThreadStateException when it was started before
     */
    public void start() {
        thread.start();
    }

    /** Something to be done. */
    private static final class Task<T> {

        private final WorkPriority priority;
        private final Supplier<T> work;
        private final Consumer<T> then;
        private final Consumer<Throwable> failed;
        private final long notBefore;
        private volatile Runnable check = () -> { };
        private volatile boolean isStopped;
        private boolean isDropped;
        private int timesGivenWay;

        Task(WorkPriority priority, Supplier<T> work, Consumer<T> then, Consumer<Throwable> failed) {
            this.priority = priority;
            this.work = work;
            this.then = then;
            this.failed = failed;
            this.notBefore = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(priority.pauseMillis());
        }

        /** Whether it is stopped by other work. */
        boolean givesWayTo(WorkPriority other) {
            return priority.isReplaced() ? priority.urgency() >= other.urgency()
                    : priority.givesWay() && priority.urgency() > other.urgency()
                    && timesGivenWay < MOST_TIMES_GIVEN_WAY;
        }

        void drop() {
            isDropped = true;
            isStopped = true;
        }

        long waits() {
            return Math.max(0, notBefore - System.nanoTime());
        }
    }

    /** Throws a {@link CancellationException} in work that is to stop; for the workspace that is worked on. */
    public Monitor monitor() {
        return new Monitor() {
            @Override
            public void at(String step, int done, int total) {
                check();
            }

            @Override
            public void check() {
                running.filter(task -> isOfWork.get() != null).ifPresent(task -> {
                    if (task.isStopped) {
                        throw new CancellationException();
                    }
                    task.check.run();
                });
            }
        };
    }

    /**
     * Has something done.
     *
     * @param work   may throw a {@link CancellationException} when the monitor says so
     * @param then   takes the result, on the worker's thread; left out when the work was replaced meanwhile
     * @param failed takes what the work threw, an exception or an error of too little memory, instead
     */
    public <T> void submit(WorkPriority priority, Supplier<T> work, Consumer<T> then, Consumer<Throwable> failed) {
        synchronized (lock) {
            if (isClosed) {
                return;
            }
            Deque<Task<?>> line = waiting.computeIfAbsent(priority.urgency(), urgency -> new ArrayDeque<>());
            if (priority.isReplaced()) {
                line.clear();
            }
            line.add(new Task<>(priority, work, then, failed));
            running.filter(task -> task.givesWayTo(priority)).ifPresent(task -> {
                task.isDropped |= task.priority.isReplaced() && task.priority.urgency() == priority.urgency();
                task.isStopped = true;
            });
            lock.notifyAll();
        }
    }

    /**
     * Has something else checked besides, for as long as the work goes on that calls this.
     *
     * @param check throws a {@link CancellationException} when nobody wants the work any more
     */
    public void checkAlso(Runnable check) {
        running.filter(task -> Thread.currentThread() == thread).ifPresent(task -> task.check = check);
    }

    /** Stops what is being done, whatever it is, and does not begin it again. */
    public void stopRunning() {
        synchronized (lock) {
            running.ifPresent(Task::drop);
        }
    }

    /** Whether work of a priority is being done, and nothing has asked it to stop. */
    boolean isRunning(WorkPriority priority) {
        synchronized (lock) {
            return running.filter(task -> task.priority.equals(priority) && !task.isStopped).isPresent();
        }
    }

    /** Whether something is being done, or will be. */
    public boolean isWorking() {
        synchronized (lock) {
            return running.isPresent() || waiting.values().stream().anyMatch(line -> !line.isEmpty());
        }
    }

    private void run() {
        isOfWork.set(true);
        try {
            while (true) {
                work(next());
            }
        } catch (InterruptedException closed) {
            Thread.currentThread().interrupt();
        }
    }

    /** The most urgent of what may begin. */
    private Task<?> next() throws InterruptedException {
        synchronized (lock) {
            while (true) {
                long shortest = Long.MAX_VALUE;
                for (Deque<Task<?>> line : waiting.values()) {
                    Task<?> first = line.peek();
                    if (first != null && first.waits() == 0) {
                        running = Optional.of(line.remove());
                        return first;
                    }
                    shortest = first == null ? shortest : Math.min(shortest, first.waits());
                }
                if (isClosed) {
                    throw new InterruptedException();
                }
                TimeUnit.NANOSECONDS.timedWait(lock, shortest);
            }
        }
    }

    private <T> void work(Task<T> task) {
        try {
            T result = task.work.get();
            finish(task, () -> task.then.accept(result));
        } catch (CancellationException stopped) {
            stopped(task);
        } catch (RuntimeException | StackOverflowError | OutOfMemoryError failed) {
            finish(task, () -> task.failed.accept(failed));
        }
    }

    private void finish(Task<?> task, Runnable report) {
        boolean isWanted;
        synchronized (lock) {
            running = Optional.empty();
            isWanted = !task.isDropped;
        }
        if (isWanted) {
            report.run();
        }
    }

    /** Work that gave way is begun again, unless newer work of its line waits. */
    private void stopped(Task<?> task) {
        synchronized (lock) {
            Deque<Task<?>> line = waiting.get(task.priority.urgency());
            boolean isWanted = task.isStopped && !task.isDropped && !isClosed;
            if (isWanted && (!task.priority.isReplaced() || line.isEmpty())) {
                task.isStopped = false;
                task.timesGivenWay++;
                line.addFirst(task);
            }
            running = Optional.empty();
        }
    }

    /** Waits for work that is never replaced, stops everything else, and takes no more. */
    @Override
    public void close() {
        synchronized (lock) {
            isClosed = true;
            waiting.values().forEach(line -> line.removeIf(task -> task.priority.isReplaced()));
            running.filter(task -> task.priority.isReplaced()).ifPresent(Task::drop);
            lock.notifyAll();
        }
        try {
            if (thread.isAlive()) {
                thread.join(TimeUnit.SECONDS.toMillis(patienceSeconds));
            }
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}
