package dev.deftchisel.cli;

import dev.deftchisel.Chisel;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.option.ChiselCommand;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.text.JsonText;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Lists what can be done at a place. */
@Command(name = "offers", description = OffersCommand.WHAT)
final class OffersCommand extends ChiselCommand {

    static final String WHAT = "List the refactorings and fixes that are possible at a place.";

    @Parameters(index = "0", paramLabel = "PLACE", description = "where; see 'deft --help'")
    private String place;

    OffersCommand(Console console) {
        super(console);
    }

    @Override
    protected int run(Chisel chisel, Console console, CommonOptions options) {
        Place where = chisel.place(place);
        List<Offer> offers = chisel.offers(where);
        if (options.json()) {
            console.out().println(new JsonText(chisel).offers(offers));
        } else {
            for (Offer offer : offers) {
                console.out().println(console.palette().strong(offer.operation()) + "  " + offer.title());
            }
        }
        if (offers.isEmpty()) {
            console.say("deft: there is nothing to offer at " + place);
        }
        return ExitCode.DONE;
    }
}
