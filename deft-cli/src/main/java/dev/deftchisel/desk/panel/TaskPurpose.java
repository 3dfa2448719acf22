package dev.deftchisel.desk.panel;

/** What something is asked for. The earlier, the more urgent; in most of them only the latest question counts. */
public enum TaskPurpose {
    /** Writes files; never stopped, and done in order. */
    WRITE(0),
    /** Somebody waits to go somewhere. */
    GO(0),
    /** What can be done here. */
    OFFERS(0),
    /** What a change would be. */
    PREVIEW(30),
    /** Names while they are typed. */
    FIND(0),
    /** What is under the caret. */
    HERE(80),
    /** What is wrong with the file. */
    PROBLEMS(120);

    private final int pauseMillis;

    TaskPurpose(int pauseMillis) {
        this.pauseMillis = pauseMillis;
    }

    /** How long it waits for a later question before it begins, in milliseconds. */
    public int pauseMillis() {
        return pauseMillis;
    }

    /** Whether a question gives way to a later one. */
    public boolean isReplaced() {
        return this != WRITE;
    }
}
