package dev.deftchisel.desk.background;

import dev.deftchisel.Chisel;
import dev.deftchisel.desk.panel.TaskPurpose;
import java.nio.file.Path;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * Looks at code at once, so that what comes of a key is there when the key was taken: for stories that are told without
 * anybody waiting at a terminal.
 *
 * @param chisel the workspace
 */
public record ImmediateTasks(Chisel chisel) implements BackgroundTasks {

    @Override
    public <T> void ask(TaskPurpose lane, Map<Path, String> texts, Function<Chisel, T> work, Consumer<T> then,
            Consumer<RuntimeException> failed) {
        T found;
        try {
            chisel.edited(texts);
            found = work.apply(chisel);
        } catch (RuntimeException refused) {
            failed.accept(refused);
            return;
        }
        then.accept(found);
    }

    @Override
    public boolean isWorking() {
        return false;
    }

    @Override
    public void close() {
        // there is nothing to wait for
    }
}
