package dev.deftchisel.cli;

import dev.deftchisel.Chisel;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.option.ChiselCommand;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.text.JsonText;
import dev.deftchisel.operation.Place;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Tells where the tests of a type are, or the type that a test is for. */
@Command(name = "counterpart", description = CounterpartCommand.WHAT)
final class CounterpartCommand extends ChiselCommand {

    static final String WHAT = "Show the tests of a type, or the type that a test is for.";

    @Parameters(index = "0", paramLabel = "PLACE", description = "where; see 'deft --help'")
    private String place;

    CounterpartCommand(Console console) {
        super(console);
    }

    @Override
    protected int run(Chisel chisel, Console console, CommonOptions options) {
        List<Place> found = chisel.counterparts(chisel.place(place));
        if (options.json()) {
            console.out().println(new JsonText(chisel).places(found));
        } else {
            found.forEach(one -> console.out().println(shown(chisel, one)));
        }
        if (found.isEmpty()) {
            console.say("deft: nothing is named as a counterpart of what is at " + place
                    + "; 'deft generate-test' writes a test");
        }
        return ExitCode.DONE;
    }

    /** A place as it can be given to any command. */
    static String shown(Chisel chisel, Place place) {
        return chisel.workspace().show(place.file()) + ":" + chisel.snapshot().source(place.file())
                .position(place.caret());
    }
}
