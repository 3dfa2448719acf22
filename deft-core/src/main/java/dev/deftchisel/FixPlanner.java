package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.problem.Finding;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.detection.FixDraft;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Works out what one fix changes, and has the guard judge it. */
final class FixPlanner {

    private final Analyst analyst;
    private final List<Operation> operations;
    /** Files that were analysed alone. */
    private final Map<Path, Analysis> alone = new HashMap<>();

    FixPlanner(Analyst analyst, List<Operation> operations) {
        this.analyst = analyst;
        this.operations = operations;
    }

    /** The same for other code. */
    FixPlanner of(Analyst other) {
        return new FixPlanner(other, operations);
    }

    /** What the outcome of a fix is. */
    Outcome mend(Finding finding, Fix fix, Path file, Analysis analysis) {
        if (fix instanceof Fix.Use use) {
            return mend(use);
        }
        FixDraft draft = new FixDraft(analysis);
        FixEdits taken = draft.add(finding, (Fix.Rewrite) fix, analysis.code(file).orElseThrow());
        if (taken.isEmpty()) {
            return new Outcome.Refusal(List.of(Reason.at(file, finding.range(), "there is nothing to change")),
                    List.of());
        }
        return taken.losesComment()
                ? new Outcome.Refusal(List.of(Reason.at(file, finding.range(), "a comment would be lost")), List.of())
                : new ChangeVerifier(analyst).judge(draft.change(fix.title()), alone(file, analysis));
    }

    /** A fix stays in its file, which alone is analysed again, however many were to find the problem. */
    private Analysis alone(Path file, Analysis analysis) {
        return analysis.focus().files().size() == 1 ? analysis
                : alone.computeIfAbsent(file, path -> analyst.analyse(Focus.whole(Set.of(path)).deeply()));
    }

    private Outcome mend(Fix.Use use) {
        Operation operation = Chisel.named(operations, use.operation());
        ResolvedPlace resolved = new ResolvedPlace(use.place(), analyst.snapshot().source(use.place().file()),
                analyst.analyse(Focus.around(use.place().file(), use.place().selection())));
        return new Planner(operation, analyst).plan(resolved, use.answers());
    }
}
