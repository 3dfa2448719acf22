package dev.deftchisel.proving.torture;

import dev.deftchisel.change.Change;
import dev.deftchisel.journal.Journal;
import dev.deftchisel.journal.JournalException;
import java.nio.file.Path;

/** A process that applies a change and takes it back, again and again, until it is killed. */
public final class Victim {

    private Victim() {
    }

    /** @param arguments the folder, and the number of its files */
    public static void main(String[] arguments) {
        Quays quays = new Quays(Path.of(arguments[0]), Integer.parseInt(arguments[1]));
        Journal journal = new Journal(quays.workspace());
        Change change = quays.change();
        System.out.println("ready");
        while (true) {
            attempt(() -> journal.apply(change));
            attempt(journal::undo);
            attempt(journal::redo);
            attempt(journal::undo);
        }
    }

    private static void attempt(Runnable step) {
        try {
            step.run();
        } catch (JournalException refused) {
            // another victim holds the lock or was here meanwhile: that is what is tried
            Thread.yield();
        }
    }
}
