package dev.deftchisel.cli;

import dev.deftchisel.Chisel;
import dev.deftchisel.Uses;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.option.ChiselCommand;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.text.JsonText;
import dev.deftchisel.workspace.SourceRoot;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Lists where a symbol is used, by what the use does. */
@Command(name = "uses", description = UsesCommand.WHAT)
final class UsesCommand extends ChiselCommand {

    static final String WHAT = "List where a symbol is used: declared, read, written, called, imported, documented.";

    @Parameters(index = "0", paramLabel = "PLACE", description = "a declaration or use; see 'deft --help'")
    private String place;

    @Option(names = "--code", paramLabel = "main|test", description = "only uses in this code")
    private SourceRoot.Use code;

    UsesCommand(Console console) {
        super(console);
    }

    @Override
    protected int run(Chisel chisel, Console console, CommonOptions options) {
        Optional<Uses> found = chisel.uses(chisel.place(place))
                .map(uses -> new Uses(uses.symbol(), uses.all().stream()
                        .filter(use -> code == null || use.code() == code)
                        .toList()));
        if (found.isEmpty()) {
            console.say("deft: " + place + ": there is no name here whose uses could be listed");
            return ExitCode.REFUSED;
        }
        Uses uses = found.get();
        if (options.json()) {
            console.out().println(new JsonText(chisel).uses(uses));
            return ExitCode.DONE;
        }
        long files = uses.all().stream().map(Uses.Use::file).distinct().count();
        console.out().println(console.palette().strong(uses.symbol().describe())
                + chisel.origin(uses.symbol()).map(origin -> " (" + origin + ")").orElse("") + ": " + uses.all().size()
                + (uses.all().size() == 1 ? " place in " : " places in ") + files + (files == 1 ? " file" : " files"));
        for (Role role : Role.values()) {
            group(chisel, console, role, uses.all().stream().filter(use -> use.role() == role).toList());
        }
        return ExitCode.DONE;
    }

    private static void group(Chisel chisel, Console console, Role role, List<Uses.Use> uses) {
        if (uses.isEmpty()) {
            return;
        }
        console.out().println();
        console.out().println(console.palette().strong(title(role)) + " " + uses.size());
        for (Uses.Use use : uses) {
            String where = chisel.workspace().show(use.file()) + ":" + use.position();
            String test = use.code() == SourceRoot.Use.TEST ? console.palette().quiet(" (test)") : "";
            console.out().println("  " + console.palette().place(where) + test + "  " + use.line());
        }
    }

    private static String title(Role role) {
        return switch (role) {
            case DECLARATION -> "declared";
            case READ -> "read";
            case WRITE -> "written";
            case CALL -> "called";
            case TYPE -> "named as type";
            case IMPORT -> "imported";
            case DOC -> "documented";
        };
    }
}
