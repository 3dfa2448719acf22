package dev.deftchisel.desk.key;

/** What a key does: something of the desk itself, or an operation that is taken at the caret. */
public sealed interface Action permits Command, Action.Take {

    /** As the key file writes it: in kebab-case. */
    String id();

    /** What it does, in a few words. */
    String words();

    /**
     * Takes an operation.
     *
     * @param id    of the operation
     * @param words what it does
     */
    record Take(String id, String words) implements Action {
    }
}
