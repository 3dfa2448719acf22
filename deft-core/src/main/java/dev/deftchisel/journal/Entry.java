package dev.deftchisel.journal;

import java.time.Instant;
import java.util.List;

/**
 * One change in the history.
 *
 * @param number from 1, ascending
 * @param title  what it did
 * @param time   when it was first applied
 * @param state  whether it stands or was taken back
 * @param files  what happened to which file
 */
public record Entry(int number, String title, Instant time, State state, List<Image> files) {

    /** Where an entry stands. */
    public enum State {
        /** Being written for the first time; after a kill, nothing of it must remain. */
        APPLYING,
        APPLIED,
        /** Being taken back; after a kill, all of it must remain. */
        UNDOING,
        UNDONE,
        /** Being written again; after a kill, nothing of it must remain. */
        REDOING;

        /** Whether the entry was interrupted. */
        boolean isPending() {
            return this == APPLYING || this == UNDOING || this == REDOING;
        }
    }

    /**
     * One file before and after.
     *
     * @param before     path relative to the workspace before; with slashes
     * @param after      path relative to the workspace after
     * @param beforeHash SHA-256 of the bytes before; empty for a file that was not there
     * @param afterHash  SHA-256 of the bytes after; empty for a file that is not there then
     */
    public record Image(String before, String after, String beforeHash, String afterHash) {

        /** Whether the file moves. */
        boolean moves() {
            return !before.equals(after);
        }

        /** Whether the file comes to be. */
        boolean creates() {
            return beforeHash.isEmpty();
        }

        /** Whether the file goes. */
        boolean removes() {
            return afterHash.isEmpty();
        }

        /** The same the other way round. */
        Image reversed() {
            return new Image(after, before, afterHash, beforeHash);
        }
    }

    /** Copies the list. */
    public Entry {
        files = List.copyOf(files);
    }

    Entry with(State newState) {
        return new Entry(number, title, time, newState, files);
    }
}
