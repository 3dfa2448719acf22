package dev.deftchisel.proving.trial;

import dev.deftchisel.proving.oracle.BytesOutsideEdits;
import dev.deftchisel.proving.oracle.CodeOracle;
import dev.deftchisel.proving.oracle.NoNewDiagnostics;
import dev.deftchisel.proving.oracle.RenamedBack;
import dev.deftchisel.proving.oracle.SameClasses;
import dev.deftchisel.proving.oracle.TrialOracle;
import dev.deftchisel.proving.oracle.UndoGivesBack;
import java.util.ArrayList;
import java.util.List;

/**
 * Who judges the trials of an operation.
 *
 * @param always    each change, right after it was applied
 * @param sometimes the same for every fourth, since they cost as much as the trial itself
 * @param together  the compiled code, after several changes
 */
public record Oracles(List<TrialOracle> always, List<TrialOracle> sometimes, List<CodeOracle> together) {

    private static final int SOMETIMES_EVERY = 4;

    /** Copies the lists. */
    public Oracles {
        always = List.copyOf(always);
        sometimes = List.copyOf(sometimes);
        together = List.copyOf(together);
    }

    /** After a rename the class files are equal but for the names. */
    public static Oracles ofRename() {
        return new Oracles(List.of(new BytesOutsideEdits(), new UndoGivesBack()), List.of(new RenamedBack()),
                List.of(new NoNewDiagnostics(), new SameClasses()));
    }

    /** Code that is reshaped compiles as before. */
    public static Oracles ofReshaping() {
        return new Oracles(List.of(new BytesOutsideEdits(), new UndoGivesBack()), List.of(),
                List.of(new NoNewDiagnostics()));
    }

    List<TrialOracle> of(int number) {
        List<TrialOracle> all = new ArrayList<>(always);
        if (number % SOMETIMES_EVERY == 0) {
            all.addAll(sometimes);
        }
        return all;
    }
}
