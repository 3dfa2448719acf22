package dev.deftchisel.cli;

import dev.deftchisel.Chisel;
import java.util.concurrent.Callable;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** A command that works in a workspace: opens it, tells what is missing, shows progress, and closes it. */
abstract class ChiselCommand implements Callable<Integer> {

    private final Console console;

    @Mixin
    private final CommonOptions common = new CommonOptions();

    @Option(names = {"-h", "--help"}, usageHelp = true, description = "show this help")
    private boolean help;

    ChiselCommand(Console console) {
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

    abstract int run(Chisel chisel, Console console, CommonOptions options);
}
