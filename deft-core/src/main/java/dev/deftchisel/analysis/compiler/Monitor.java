package dev.deftchisel.analysis.compiler;

/**
 * Is told how far long work has come. May be called from any thread, often, and should return at once. To stop the work
 * it throws {@link java.util.concurrent.CancellationException}; nothing is written before a change is applied, so
 * stopping is safe at any call.
 */
@FunctionalInterface
public interface Monitor {

    /** One that does not care. */
    Monitor SILENT = (step, done, total) -> { };

    /**
     * Work goes on.
     *
     * @param step  what is being done, in a few words
     * @param done  how much of it is done, from 0 to {@code total}
     * @param total how much there is, in files
     */
    void at(String step, int done, int total);

    /** Called between the steps, more often than the others; stops the work in the same way. */
    default void check() {
    }
}
