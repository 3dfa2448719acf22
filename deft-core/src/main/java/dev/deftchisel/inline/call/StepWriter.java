package dev.deftchisel.inline.call;

import com.sun.source.util.TreePath;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.function.Consumer;

/** Writes a body that was brought to one exit, whose value goes to a variable. */
final class StepWriter {

    private final BodyWriter body;
    private final Callee callee;
    private final Layout layout;
    private final Consumer<NewCode> result;

    /** @param result writes the name of the variable */
    StepWriter(BodyWriter body, Callee callee, Layout layout, Consumer<NewCode> result) {
        this.body = body;
        this.callee = callee;
        this.layout = layout;
        this.result = result;
    }

    /** Writes steps, each on lines of its own. */
    void steps(NewCode text, List<SingleExit.Step> steps, String newLine) {
        String separator = "";
        for (SingleExit.Step step : steps) {
            if (SingleExit.isNothing(List.of(step))) {
                continue;
            }
            text.write(separator);
            separator = newLine;
            step.statement().map(body::lead).filter(lead -> lead.length() > 0)
                    .ifPresent(lead -> body.carry(text, List.of(callee.body()), lead, newLine).write(newLine));
            if (step instanceof SingleExit.Run run) {
                body.carry(text, run.statements(), body.range(run.statements()), newLine);
            } else if (step instanceof SingleExit.Fork fork) {
                fork(text, fork, newLine);
            } else {
                exit(text, (SingleExit.Exit) step, newLine);
            }
        }
    }

    /** The value goes to the variable; a comment after it stays there. */
    private void exit(NewCode text, SingleExit.Exit exit, String newLine) {
        TreePath value = exit.value().orElseThrow();
        result.accept(text);
        body.carry(text.write(" = "), List.of(value), callee.code().range(value.getLeaf()), newLine).write(";");
        int end = callee.code().range(exit.way().getLeaf()).end();
        text.from(callee.code().file()).carry(new Range(end, Layout.after(callee.code().file(), end)));
    }

    private void fork(NewCode text, SingleExit.Fork fork, String newLine) {
        boolean isSkipped = SingleExit.isNothing(fork.yes());
        List<SingleExit.Step> first = isSkipped ? fork.no() : fork.yes();
        List<SingleExit.Step> other = isSkipped ? List.of() : fork.no();
        text.write("if (");
        if (isSkipped) {
            body.negation().write(text, fork.condition());
        } else {
            body.carry(text, List.of(fork.condition()), callee.code().range(fork.condition().getLeaf()), newLine);
        }
        steps(text.write(") {" + newLine + layout.unit()), first, newLine + layout.unit());
        text.write(newLine + "}");
        if (other.size() == 1 && other.get(0) instanceof SingleExit.Fork chained) {
            fork(text.write(" else "), chained, newLine);
        } else if (!SingleExit.isNothing(other)) {
            steps(text.write(" else {" + newLine + layout.unit()), other, newLine + layout.unit());
            text.write(newLine + "}");
        }
    }
}
