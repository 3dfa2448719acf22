package dev.deftchisel.cli.option;

import dev.deftchisel.Chisel;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ProgressLine;
import java.util.concurrent.Callable;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** A command that works in a workspace: opens it, tells what is missing, shows progress, and closes it. */
public abstract class ChiselCommand implements Callable<Integer> {

    private final Console console;

    @Mixin
    private final CommonOptions common = new CommonOptions();

    @Option(names = {"-h", "--help"}, usageHelp = true, description = "show this help")
    private boolean help;

    public ChiselCommand(Console console) {
        this.console = console;
    }

    @Override
    public Integer call() {
        Console dressed = common.dress(console);
        try (ProgressLine progress = new ProgressLine(dressed, common.quiet());
                Chisel chisel = Chisel.open(common.request(), progress)) {
            if (!common.quiet()) {
                chisel.workspace().gaps().forEach(gap -> dressed.say("deft: " + gap));
            }
            return run(chisel, dressed, common);
        }
    }

    protected abstract int run(Chisel chisel, Console console, CommonOptions options);
}
