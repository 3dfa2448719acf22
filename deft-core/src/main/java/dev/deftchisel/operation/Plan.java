package dev.deftchisel.operation;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.change.Change;
import java.util.List;

/** What an operation answers when it is asked to plan. */
public sealed interface Plan {

    /**
     * A change that the guard may now judge.
     *
     * @param change what to do
     * @param before the analysis it was planned with; it must have looked at every file that mentions a name which the
     *               change declares or stops declaring
     */
    record Ready(Change change, Analysis before) implements Plan {
    }

    /**
     * It cannot be done.
     *
     * @param reasons at least one
     */
    record Refused(List<Reason> reasons) implements Plan {

        /** Copies the list. */
        public Refused {
            reasons = List.copyOf(reasons);
        }
    }

    /** A refusal for one reason that lies in no particular place. */
    static Plan refused(String sentence) {
        return refused(Reason.of(sentence));
    }

    /** A refusal for one reason. */
    static Plan refused(Reason reason) {
        return new Refused(List.of(reason));
    }

    /** A refusal for what is at the place itself. */
    static Plan refused(ResolvedPlace resolved, String sentence) {
        return refused(Reason.at(resolved.file().path(), resolved.place().selection(), sentence));
    }
}
