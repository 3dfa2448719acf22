package dev.deftchisel.cli.problem;

import dev.deftchisel.Chisel;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.option.ChiselCommand;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.text.JsonText;
import dev.deftchisel.cli.text.ProblemText;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.Problem;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Goes from one problem to the next. */
@Command(name = "next", description = NextCommand.WHAT)
public final class NextCommand extends ChiselCommand {

    public static final String WHAT = "Show the next problem after a place, with its fixes.";

    @Parameters(index = "0", paramLabel = "PLACE", description = "where; see 'deft --help'")
    private String place;

    public NextCommand(Console console) {
        super(console);
    }

    @Override
    protected int run(Chisel chisel, Console console, CommonOptions options) {
        Place from = chisel.place(place);
        Optional<Problem> next = chisel.problems().next(from);
        if (options.json()) {
            console.out().println(new JsonText(chisel).problems(next.stream().toList()));
        } else {
            next.map(new ProblemText(chisel, console.palette())::lines).orElse(List.of())
                    .forEach(console.out()::println);
        }
        if (next.isEmpty()) {
            console.say("deft: there is no problem in " + chisel.workspace().show(from.file()));
        }
        return ExitCode.DONE;
    }
}
