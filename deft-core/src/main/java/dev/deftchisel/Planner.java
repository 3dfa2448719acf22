package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.ResolvedPlace;
import java.util.List;
import java.util.Optional;

/**
 * Leads one operation from its plan to an outcome: the guard judges the change, the operation may mend what the guard
 * finds, and the guard judges again. When something is still different in the end, the change is refused with what the
 * guard found at first, before any mending: that is what the user can understand.
 */
final class Planner {

    private static final int MOST_ROUNDS = 4;

    private final Operation operation;
    private final Analyst analyst;
    private final ChangeVerifier judge;

    Planner(Operation operation, Analyst analyst) {
        this.operation = operation;
        this.analyst = analyst;
        this.judge = new ChangeVerifier(analyst);
    }

    Outcome plan(ResolvedPlace resolved, Answers answers) {
        Plan plan = operation.plan(resolved, answers, analyst);
        if (plan instanceof Plan.Refused refused) {
            return new Outcome.Refusal(refused.reasons(), List.of());
        }
        Plan.Ready ready = (Plan.Ready) plan;
        return settle(ready.change(), ready.before());
    }

    private Outcome settle(Change planned, Analysis before) {
        List<Difference> first = judge.differences(planned, before);
        Change change = planned;
        List<Difference> differences = first;
        for (int round = 0; round < MOST_ROUNDS && isBlocked(differences); round++) {
            Optional<Change> mended = operation.mend(change, differences, before);
            if (mended.isEmpty()) {
                break;
            }
            change = mended.get();
            differences = judge.differences(change, before);
        }
        if (isBlocked(differences)) {
            return judge.outcome(planned, before, first);
        }
        for (String note : new UnparsedFiles(before).notes()) {
            change = change.note(note);
        }
        return judge.outcome(change, before, differences);
    }

    private static boolean isBlocked(List<Difference> differences) {
        return differences.stream().anyMatch(Difference::isBlocking);
    }
}
