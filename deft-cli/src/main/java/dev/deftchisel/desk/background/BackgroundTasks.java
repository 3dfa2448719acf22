package dev.deftchisel.desk.background;

import dev.deftchisel.Chisel;
import dev.deftchisel.desk.panel.TaskPurpose;
import java.nio.file.Path;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;

/** Where code is looked at while keys go on being taken. What comes of it is told on the thread that takes the keys. */
public interface BackgroundTasks extends AutoCloseable {

    /**
     * Asks for something.
     *
     * @param texts  what stands in files and is not on disk
     * @param work   done with the workspace that has these texts
     * @param then   takes what comes of it, unless the question gave way to a later one
     * @param failed takes why nothing came of it
     */
    <T> void ask(TaskPurpose lane, Map<Path, String> texts, Function<Chisel, T> work, Consumer<T> then,
            Consumer<RuntimeException> failed);

    /** Whether something is being looked at, or will be. */
    boolean isWorking();

    /** Waits for what writes, stops everything else. */
    @Override
    void close();
}
