package dev.deftchisel.background;

/**
 * How urgent work is, and what happens to it when more work comes.
 *
 * @param urgency     the less, the earlier; work of one urgency is one line, done in order
 * @param pauseMillis how long it waits for later work of its line before it begins, in milliseconds; 0 or more
 * @param isReplaced  whether only the latest of the line is wanted; such work is also stopped by whatever is at least
 *                    as urgent, and begun again after it
 * @param givesWay    whether it is stopped by what is more urgent, and begun again after it
 */
public record WorkPriority(int urgency, long pauseMillis, boolean isReplaced, boolean givesWay) {

    /** Done in its turn, never stopped. */
    public static WorkPriority inOrder(int urgency) {
        return new WorkPriority(urgency, 0, false, false);
    }

    /** Done in its turn, stopped by what is more urgent and begun again after it. */
    public static WorkPriority givingWay(int urgency) {
        return new WorkPriority(urgency, 0, false, true);
    }

    /** Only the latest is wanted. */
    public static WorkPriority replaced(int urgency, long pauseMillis) {
        return new WorkPriority(urgency, pauseMillis, true, true);
    }
}
