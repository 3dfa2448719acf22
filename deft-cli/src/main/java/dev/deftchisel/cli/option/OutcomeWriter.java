package dev.deftchisel.cli.option;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.change.DiffWriter;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.text.DiffText;
import dev.deftchisel.cli.text.JsonText;
import dev.deftchisel.cli.text.OutcomeText;

/** Writes an outcome when nobody is asked: a diff or JSON on standard output, the rest on standard error. */
public final class OutcomeWriter {

    private final Chisel chisel;
    private final Console console;
    private final CommonOptions options;

    public OutcomeWriter(Chisel chisel, Console console, CommonOptions options) {
        this.chisel = chisel;
        this.console = console;
        this.options = options;
    }

    /** Shows the outcome, writes the change if told to, and returns the exit code. */
    public int write(Outcome outcome, boolean apply) {
        OutcomeText text = new OutcomeText(chisel, console.palette());
        if (outcome instanceof Outcome.Refusal refusal) {
            if (options.json()) {
                console.out().println(new JsonText(chisel).refusal(refusal));
            }
            text.refusal(refusal).forEach(console::say);
            return ExitCode.REFUSED;
        }
        Outcome.Preview preview = (Outcome.Preview) outcome;
        if (options.json()) {
            console.out().println(new JsonText(chisel).preview(preview, apply));
        } else if (!apply) {
            byte[] diff = new DiffWriter(chisel.workspace()).write(preview.change());
            if (console.palette().isColored()) {
                new DiffText(console.palette()).lines(diff).forEach(console.out()::println);
            } else {
                console.out().write(diff, 0, diff.length);
            }
        }
        if (apply) {
            chisel.apply(preview);
        }
        if (!options.quiet()) {
            text.preview(preview, apply).forEach(console::say);
        }
        return ExitCode.DONE;
    }
}
