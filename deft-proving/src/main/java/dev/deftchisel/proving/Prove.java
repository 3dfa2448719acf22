package dev.deftchisel.proving;

import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The command of the proving ground. */
@Command(name = "prove", mixinStandardHelpOptions = true,
        description = "Attacks deft on real code, and measures it.",
        subcommands = {RenameCommand.class, SpeedCommand.class})
public final class Prove {

    private Prove() {
    }

    /** Runs a command; exits with 1 when an oracle failed. */
    public static void main(String[] arguments) {
        System.exit(new CommandLine(new Prove()).execute(arguments));
    }
}
