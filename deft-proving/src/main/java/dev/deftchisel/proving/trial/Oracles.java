package dev.deftchisel.proving.trial;

import dev.deftchisel.proving.dataflow.SameEffects;
import dev.deftchisel.proving.oracle.step.BytesOutsideEdits;
import dev.deftchisel.proving.oracle.step.MovedBack;
import dev.deftchisel.proving.oracle.CodeOracle;
import dev.deftchisel.proving.oracle.EqualityLaws;
import dev.deftchisel.proving.oracle.NoNewDiagnostics;
import dev.deftchisel.proving.oracle.RenamedBack;
import dev.deftchisel.proving.oracle.SameClasses;
import dev.deftchisel.proving.oracle.TrialOracle;
import dev.deftchisel.proving.oracle.TwiceIsOnce;
import dev.deftchisel.proving.oracle.step.UndoGivesBack;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Who judges the trials of an operation.
 *
 * @param always    each change, right after it was applied
 * @param sometimes the same for every fourth, since they cost as much as the trial itself
 * @param together  the compiled code, after several changes
 * @param inverse   what each change is followed by before the code is compiled
 */
public record Oracles(
        List<TrialOracle> always, List<TrialOracle> sometimes, List<CodeOracle> together, Optional<Inverse> inverse) {

    /**
     * What knows the listeners of an object gets the object, of which compilers from 21 on warn when it can be
     * extended.
     */
    private static final String THIS_ESCAPES = "compiler.warn.possible.this.escape";

    private static final Set<String> HANDS_OUT_THIS = Set.of(THIS_ESCAPES);

    /** Also, null for what comes to be a parameter of any number is the array that it was, but a warning asks. */
    private static final Set<String> ANY_NUMBER_OF_NULL = Set.of(THIS_ESCAPES,
            "compiler.warn.inexact.non-varargs.call");

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
                List.of(new NoNewDiagnostics(), SameClasses.WITHOUT_PROCESSORS), Optional.empty());
    }

    /** After a variable or method is extracted and inlined again the class files are equal. */
    public static Oracles ofExtractionAndBack() {
        return new Oracles(List.of(), List.of(), List.of(new NoNewDiagnostics(), SameClasses.WITHOUT_PROCESSORS),
                Optional.of(new InlinedBack()));
    }

    /** Code that is reshaped compiles as before. */
    public static Oracles ofReshaping() {
        return new Oracles(List.of(new BytesOutsideEdits(), new UndoGivesBack()), List.of(),
                List.of(new NoNewDiagnostics()), Optional.empty());
    }

    /** Code with another signature compiles, and the old header takes the change back. */
    public static Oracles ofSignatures() {
        return new Oracles(List.of(new BytesOutsideEdits(), new UndoGivesBack(), new SignatureBack()), List.of(),
                List.of(new NoNewDiagnostics(ANY_NUMBER_OF_NULL), new SameEffects()), Optional.empty());
    }

    /** After a move the class files are equal but for names, and for what says where they stand. */
    public static Oracles ofMoves() {
        return new Oracles(List.of(new BytesOutsideEdits(), new UndoGivesBack(), new MovedBack()), List.of(),
                List.of(new NoNewDiagnostics(), SameClasses.ELSEWHERE), Optional.empty());
    }

    /** Code that gets members compiles as before, equality keeps its contract, and nothing is generated twice. */
    public static Oracles ofGeneration() {
        return new Oracles(List.of(new BytesOutsideEdits(), new UndoGivesBack(), new TwiceIsOnce()), List.of(),
                List.of(new NoNewDiagnostics(HANDS_OUT_THIS), new EqualityLaws()), Optional.empty());
    }

    List<TrialOracle> of(int number) {
        List<TrialOracle> all = new ArrayList<>(always);
        if (number % SOMETIMES_EVERY == 0) {
            all.addAll(sometimes);
        }
        return all;
    }
}
