package dev.deftchisel.desk.background;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.background.PriorityWorker;
import dev.deftchisel.background.WorkPriority;
import dev.deftchisel.desk.panel.TaskPurpose;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Function;

/** Has code looked at on a thread of its own; only what writes is never stopped. */
public final class WorkerTasks implements BackgroundTasks {

    private static final int PATIENCE_SECONDS = 30;

    private final PriorityWorker worker = new PriorityWorker("deft-desk-worker", PATIENCE_SECONDS);
    private volatile Optional<Stage> stage = Optional.empty();

    /**
     * What it works with.
     *
     * @param front does what is to be done on the thread that takes the keys
     */
    private record Stage(Chisel chisel, Executor front) {
    }

    /**
     * Starts.
     *
     * @param opened with this {@link #monitor}
     * @param front  does what is to be done on the thread that takes the keys
     */
    public void start(Chisel opened, Executor front) {
        stage = Optional.of(new Stage(opened, front));
        worker.start();
    }

    /** Stops what is asked for once it is wanted no more. */
    public Monitor monitor() {
        return worker.monitor();
    }

    @Override
    public <T> void ask(TaskPurpose purpose, Map<Path, String> texts, Function<Chisel, T> work, Consumer<T> then,
            Consumer<RuntimeException> failed) {
        Map<Path, String> asTheyAre = Map.copyOf(texts);
        worker.submit(priority(purpose), () -> {
            Chisel with = started().chisel();
            with.edited(asTheyAre);
            return work.apply(with);
        }, result -> started().front().execute(() -> then.accept(result)),
                thrown -> started().front().execute(() -> failed.accept(shown(thrown))));
    }

    private static WorkPriority priority(TaskPurpose purpose) {
        return new WorkPriority(purpose.ordinal(), purpose.pauseMillis(), purpose.isReplaced(), purpose.isReplaced());
    }

    private static RuntimeException shown(Throwable thrown) {
        return thrown instanceof RuntimeException failed ? failed
                : new IllegalStateException("there is not enough memory for this", thrown);
    }

    /** Nothing runs before the start. */
    private Stage started() {
        return stage.orElseThrow(() -> new IllegalStateException("not started"));
    }

    @Override
    public boolean isWorking() {
        return worker.isWorking();
    }

    @Override
    public void close() {
        worker.close();
    }
}
