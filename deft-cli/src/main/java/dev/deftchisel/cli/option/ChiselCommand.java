package dev.deftchisel.cli.option;

import dev.deftchisel.Chisel;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ProgressLine;

/** A command that works with code: opens its workspace, tells what is missing, shows progress, and closes it. */
public abstract class ChiselCommand extends WorkspaceCommand {

    public ChiselCommand(Console console) {
        super(console);
    }

    @Override
    protected final int run(Console console, CommonOptions options) {
        try (ProgressLine progress = new ProgressLine(console, options.quiet());
                Chisel chisel = Chisel.open(options.request(), progress)) {
            if (!options.quiet()) {
                chisel.workspace().gaps().forEach(gap -> console.say("deft: " + gap));
            }
            return run(chisel, console, options);
        }
    }

    protected abstract int run(Chisel chisel, Console console, CommonOptions options);
}
