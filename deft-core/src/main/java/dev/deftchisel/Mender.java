package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Focus;
import dev.deftchisel.change.Meaning;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.Spot;
import dev.deftchisel.problem.Finding;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.EditsByFile;
import java.nio.file.Path;
import java.util.List;

/** Works out what one fix changes, and has the guard judge it. */
final class Mender {

    private final Analyst analyst;
    private final List<Operation> operations;

    Mender(Analyst analyst, List<Operation> operations) {
        this.analyst = analyst;
        this.operations = operations;
    }

    /** The same for other code. */
    Mender of(Analyst other) {
        return new Mender(other, operations);
    }

    /** What the outcome of a fix is. */
    Outcome mend(Finding finding, Fix fix, Path file, Analysis analysis) {
        if (fix instanceof Fix.Use use) {
            return mend(use);
        }
        Code code = analysis.code(file).orElseThrow();
        EditsByFile edits = new EditsByFile(analysis);
        FixEdits taken = write((Fix.Rewrite) fix, code, edits);
        if (taken.losesComment()) {
            return new Outcome.Refusal(List.of(Reason.at(file, finding.range(), "a comment would be lost")), List.of());
        }
        edits.of(file).addAll(taken.edits());
        Meaning meaning = Meaning.parameters(taken.descriptors()).allowing(freedom(finding));
        return new Judge(analyst).judge(edits.change(fix.title(), meaning, List.of()), analysis);
    }

    private Outcome mend(Fix.Use use) {
        Operation operation = operations.stream().filter(one -> one.id().equals(use.operation())).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no operation '" + use.operation() + "'"));
        Spot spot = new Spot(use.place(), analyst.snapshot().file(use.place().file()).orElseThrow(),
                analyst.analyse(Focus.around(use.place().file(), use.place().selection())));
        return new Planner(operation, analyst).plan(spot, use.answers());
    }

    static FixEdits write(Fix.Rewrite fix, Code code, EditsByFile edits) {
        FixEdits taken = new FixEdits(code, edits.writer(code));
        fix.writer().accept(taken);
        return taken;
    }

    static Meaning.Freedom freedom(Finding finding) {
        return finding.about().tag() == Tag.ERROR ? Meaning.Freedom.TYPES : Meaning.Freedom.FORM;
    }
}
