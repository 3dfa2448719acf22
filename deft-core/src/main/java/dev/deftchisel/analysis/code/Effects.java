package dev.deftchisel.analysis.code;

import java.util.HashSet;
import java.util.Set;
import javax.lang.model.element.Element;

/**
 * What evaluating a piece of code depends on and may do, so far as it can be told from the code itself. Where it
 * cannot, as for most calls, everything is possible.
 *
 * @param readsLocals  variables of a body whose value it needs
 * @param writesLocals variables of a body that it assigns
 * @param readsState   whether it depends on fields or array elements that can change
 * @param writesState  whether it may change such state, or do anything else that can be seen from outside
 * @param failure      whether it may end in an exception
 * @param isFresh      whether its value may be a new object each time, so that two evaluations are not one
 */
public record Effects(
        Set<Element> readsLocals,
        Set<Element> writesLocals,
        boolean readsState,
        boolean writesState,
        Failure failure,
        boolean isFresh) {

    /** The exceptions in which something may end, the more the later. */
    public enum Failure {
        /** None. */
        NEVER,
        /** Only the one for a value that is {@code null}. */
        NULL,
        /** Any. */
        ANY
    }

    /** Depends on nothing, does nothing: a literal. */
    public static final Effects NONE = new Effects(Set.of(), Set.of(), false, false, Failure.NEVER, false);
    /** A call of which nothing is known. */
    public static final Effects UNKNOWN = new Effects(Set.of(), Set.of(), true, true, Failure.ANY, true);
    /** May end in an exception. */
    static final Effects FAILURE = new Effects(Set.of(), Set.of(), false, false, Failure.ANY, false);
    /** Ends in an exception if a value is {@code null}. */
    public static final Effects NULL = new Effects(Set.of(), Set.of(), false, false, Failure.NULL, false);
    /** Reads a field or element that can change. */
    public static final Effects READ = new Effects(Set.of(), Set.of(), true, false, Failure.NEVER, false);
    /** Changes a field or element. */
    static final Effects WRITE = new Effects(Set.of(), Set.of(), false, true, Failure.NEVER, false);
    /** Makes an object and does nothing else. */
    public static final Effects MADE = new Effects(Set.of(), Set.of(), false, false, Failure.NEVER, true);

    /** Copies the sets. */
    public Effects {
        readsLocals = Set.copyOf(readsLocals);
        writesLocals = Set.copyOf(writesLocals);
    }

    static Effects reading(Element local) {
        return new Effects(Set.of(local), Set.of(), false, false, Failure.NEVER, false);
    }

    static Effects writing(Element local) {
        return new Effects(Set.of(), Set.of(local), false, false, Failure.NEVER, false);
    }

    /** Both of them, in either order. */
    public Effects and(Effects other) {
        Set<Element> reads = new HashSet<>(readsLocals);
        reads.addAll(other.readsLocals);
        Set<Element> writes = new HashSet<>(writesLocals);
        writes.addAll(other.writesLocals);
        return new Effects(reads, writes, readsState || other.readsState, writesState || other.writesState,
                failure.compareTo(other.failure) > 0 ? failure : other.failure, isFresh || other.isFresh);
    }

    /** Whether it can be seen that this was evaluated, other than by its value or failure. */
    public boolean isVisible() {
        return writesState || !writesLocals.isEmpty();
    }

    /** Whether it may end in an exception. */
    public boolean mayFail() {
        return failure != Failure.NEVER;
    }

    /** Whether it can be left out or done at another time, as long as what it depends on is the same. */
    public boolean isPure() {
        return !isVisible() && !mayFail();
    }

    /**
     * Whether it makes no difference which of the two comes first (JLS 15.7): neither sees what the other does, and
     * when one fails the other has done nothing yet; when both fail it is with the same exception.
     */
    public boolean commutesWith(Effects other) {
        return !disturbs(other) && !other.disturbs(this) && !(mayFail() && other.mayFail()
                && (failure == Failure.ANY || other.failure == Failure.ANY));
    }

    private boolean disturbs(Effects other) {
        boolean changesLocals = writesLocals.stream()
                .anyMatch(local -> other.readsLocals.contains(local) || other.writesLocals.contains(local));
        return changesLocals || writesState && (other.readsState || other.writesState) || isVisible()
                && other.mayFail();
    }
}
