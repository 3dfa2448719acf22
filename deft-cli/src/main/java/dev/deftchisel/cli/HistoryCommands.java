package dev.deftchisel.cli;

import dev.deftchisel.Chisel;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.option.ChiselCommand;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.text.JsonText;
import dev.deftchisel.journal.Entry;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import picocli.CommandLine.Command;

/** The commands that go through the history of a workspace. */
final class HistoryCommands {

    private HistoryCommands() {
    }

    /** Takes the latest change back. */
    @Command(name = "undo", description = Undo.WHAT)
    static final class Undo extends ChiselCommand {

        static final String WHAT = "Undo the latest change.";

        Undo(Console console) {
            super(console);
        }

        @Override
        protected int run(Chisel chisel, Console console, CommonOptions options) {
            return tell(console, options, "taken back: ", chisel.undo());
        }
    }

    /** Does a change again. */
    @Command(name = "redo", description = Redo.WHAT)
    static final class Redo extends ChiselCommand {

        static final String WHAT = "Redo the change that was undone last.";

        Redo(Console console) {
            super(console);
        }

        @Override
        protected int run(Chisel chisel, Console console, CommonOptions options) {
            return tell(console, options, "done again: ", chisel.redo());
        }
    }

    private static int tell(Console console, CommonOptions options, String what, Entry entry) {
        if (!options.quiet()) {
            int files = entry.files().size();
            console.say(what + console.palette().strong(entry.title()) + " (" + files
                    + (files == 1 ? " file)" : " files)"));
        }
        return ExitCode.DONE;
    }

    /** Lists all changes. */
    @Command(name = "history", description = History.WHAT)
    static final class History extends ChiselCommand {

        static final String WHAT = "List the changes made here, the latest last.";

        History(Console console) {
            super(console);
        }

        @Override
        protected int run(Chisel chisel, Console console, CommonOptions options) {
            List<Entry> entries = chisel.history();
            if (options.json()) {
                console.out().println(new JsonText(chisel).history(entries));
                return ExitCode.DONE;
            }
            DateTimeFormatter format = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm").withZone(ZoneId.systemDefault());
            for (Entry entry : entries) {
                boolean isBack = entry.state() == Entry.State.UNDONE;
                String line = "%3d  %s  %s, %d %s%s".formatted(entry.number(), format.format(entry.time()),
                        entry.title(),
                        entry.files().size(), entry.files().size() == 1 ? "file" : "files",
                        isBack ? "  (taken back)" : "");
                console.out().println(isBack ? console.palette().quiet(line) : line);
            }
            if (entries.isEmpty()) {
                console.say("deft: nothing was changed here yet");
            }
            return ExitCode.DONE;
        }
    }
}
