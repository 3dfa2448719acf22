package dev.deftchisel.cli;

import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.text.ProjectJson;
import dev.deftchisel.cli.text.ProjectText;
import dev.deftchisel.jdk.Jdk;
import dev.deftchisel.jdk.JdkFinder;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.Workspaces;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Shows what deft found of a project, and how. */
@Command(name = "project", description = ProjectCommand.WHAT)
final class ProjectCommand implements Callable<Integer> {

    static final String WHAT = "Show what was found of the project: modules, folders, level, JDK, libraries, what is "
            + "missing.";

    private final Console console;

    @Mixin
    private final CommonOptions common = new CommonOptions();

    @Option(names = {"-h", "--help"}, usageHelp = true, description = "show this help")
    private boolean help;

    ProjectCommand(Console console) {
        this.console = console;
    }

    @Override
    public Integer call() {
        Console dressed = common.dress(console);
        Workspace workspace = Workspaces.installed().read(common.request());
        List<Jdk> jdks = JdkFinder.ofThisMachine().all();
        if (common.json()) {
            dressed.out().println(new ProjectJson(workspace).text(jdks));
        } else {
            new ProjectText(workspace, dressed.palette()).lines(jdks).forEach(dressed.out()::println);
        }
        return ExitCode.DONE;
    }
}
