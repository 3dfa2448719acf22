package dev.deftchisel.cli.option;

import dev.deftchisel.cli.console.Console;
import java.util.concurrent.Callable;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** A command that is about a workspace, with the options that all of them take. */
public abstract class WorkspaceCommand implements Callable<Integer> {

    private final Console console;

    @Mixin
    private final CommonOptions common = new CommonOptions();

    @Option(names = {"-h", "--help"}, usageHelp = true, description = "show this help")
    private boolean help;

    protected WorkspaceCommand(Console console) {
        this.console = console;
    }

    @Override
    public Integer call() {
        return run(common.dress(console), common);
    }

    protected abstract int run(Console console, CommonOptions options);
}
