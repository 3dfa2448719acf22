package dev.deftchisel.desk.background;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.desk.panel.TaskPurpose;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * One thread that looks at code. What is more urgent goes first and stops what is less, which is begun again behind it; only what
 * writes is never stopped.
 */
public final class Helper implements BackgroundTasks {

    private static final int PATIENCE_SECONDS = 30;

    private final Object lock = new Object();
    private final Map<TaskPurpose, Deque<Task<?>>> waiting = new EnumMap<>(TaskPurpose.class);
    private final Thread thread;
    private volatile Optional<Task<?>> running = Optional.empty();
    private Optional<Stage> stage = Optional.empty();
    private boolean isClosed;

    /**
     * What it works with.
     *
     * @param front does what is to be done on the thread that takes the keys
     */
    private record Stage(Chisel chisel, Executor front) {
    }

    /** One that has nothing to do yet. */
    public Helper() {
        for (TaskPurpose lane : TaskPurpose.values()) {
            waiting.put(lane, new ArrayDeque<>());
        }
        this.thread = new Thread(this::run, "deft-helper");
        thread.setDaemon(true);
    }

    /**
     * Starts.
     *
     * @param opened with this {@link #monitor}
     * @param front  does what is to be done on the thread that takes the keys
     */
    public void start(Chisel opened, Executor front) {
        stage = Optional.of(new Stage(opened, front));
        thread.start();
    }

    /** Stops what is asked for once it is wanted no more. */
    public Monitor monitor() {
        return new Monitor() {
            @Override
            public void at(String step, int done, int total) {
                check();
            }

            @Override
            public void check() {
                if (Thread.currentThread() == thread && running.filter(Task::isStopped).isPresent()) {
                    throw new CancellationException();
                }
            }
        };
    }

    /** Something that is asked for. */
    private static final class Task<T> {

        private final TaskPurpose lane;
        private final Map<Path, String> texts;
        private final Function<Chisel, T> work;
        private final Consumer<T> then;
        private final Consumer<RuntimeException> failed;
        private final long notBefore;
        private volatile boolean isStopped;
        private boolean isDropped;

        Task(TaskPurpose lane, Map<Path, String> texts, Function<Chisel, T> work, Consumer<T> then, Consumer<RuntimeException> failed) {
            this.lane = lane;
            this.texts = texts;
            this.work = work;
            this.then = then;
            this.failed = failed;
            this.notBefore = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(lane.pauseMillis());
        }

        boolean isStopped() {
            return isStopped;
        }

        long waits() {
            return Math.max(0, notBefore - System.nanoTime());
        }
    }

    @Override
    public <T> void ask(TaskPurpose lane, Map<Path, String> texts, Function<Chisel, T> work, Consumer<T> then,
            Consumer<RuntimeException> failed) {
        synchronized (lock) {
            if (isClosed) {
                return;
            }
            if (lane.isReplaced()) {
                waiting.get(lane).clear();
            }
            waiting.get(lane).add(new Task<>(lane, Map.copyOf(texts), work, then, failed));
            running.filter(task -> task.lane.isReplaced()).ifPresent(task -> {
                task.isDropped |= task.lane == lane;
                task.isStopped |= task.lane.compareTo(lane) >= 0;
            });
            lock.notifyAll();
        }
    }

    @Override
    public boolean isWorking() {
        synchronized (lock) {
            return running.isPresent() || waiting.values().stream().anyMatch(lane -> !lane.isEmpty());
        }
    }

    private void run() {
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
                for (TaskPurpose lane : TaskPurpose.values()) {
                    Task<?> first = waiting.get(lane).peek();
                    if (first != null && first.waits() == 0) {
                        running = Optional.of(waiting.get(lane).remove());
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
            Chisel with = stage.orElseThrow().chisel();
            with.edited(task.texts);
            T found = task.work.apply(with);
            tell(task, () -> task.then.accept(found));
        } catch (CancellationException stopped) {
            synchronized (lock) {
                if (!task.isDropped && !isClosed && waiting.get(task.lane).isEmpty()) {
                    task.isStopped = false;
                    waiting.get(task.lane).add(task);
                }
                running = Optional.empty();
            }
        } catch (RuntimeException failed) {
            tell(task, () -> task.failed.accept(failed));
        } catch (StackOverflowError | OutOfMemoryError tooMuch) {
            tell(task, () -> task.failed.accept(new IllegalStateException("this is too much for the memory there is", tooMuch)));
        }
    }

    private void tell(Task<?> task, Runnable what) {
        synchronized (lock) {
            running = Optional.empty();
            if (task.isDropped) {
                return;
            }
        }
        stage.orElseThrow().front().execute(what);
    }

    @Override
    public void close() {
        synchronized (lock) {
            isClosed = true;
            waiting.forEach((lane, tasks) -> {
                if (lane.isReplaced()) {
                    tasks.clear();
                }
            });
            running.filter(task -> task.lane.isReplaced()).ifPresent(task -> {
                task.isDropped = true;
                task.isStopped = true;
            });
            lock.notifyAll();
        }
        try {
            if (thread.isAlive()) {
                thread.join(TimeUnit.SECONDS.toMillis(PATIENCE_SECONDS));
            }
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}
