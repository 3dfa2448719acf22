package dev.deftchisel.cli;

import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.option.WorkspaceCommand;
import dev.deftchisel.cli.text.HistoryJson;
import dev.deftchisel.journal.Entry;
import dev.deftchisel.journal.Journal;
import dev.deftchisel.workspace.opening.Workspaces;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import picocli.CommandLine.Command;

/** The commands that go through the history of a workspace. */
final class HistoryCommands {

    private HistoryCommands() {
    }

    /** No source is read: what was written is known without them, however large the workspace. */
    private abstract static class JournalCommand extends WorkspaceCommand {

        JournalCommand(Console console) {
            super(console);
        }

        @Override
        protected final int run(Console console, CommonOptions options) {
            Journal journal = new Journal(Workspaces.installed().open(options.request()));
            journal.recover();
            return run(journal, console, options);
        }

        abstract int run(Journal journal, Console console, CommonOptions options);
    }

    /** Takes the latest change back. */
    @Command(name = "undo", description = Undo.WHAT)
    static final class Undo extends JournalCommand {

        static final String WHAT = "Undo the latest change.";

        Undo(Console console) {
            super(console);
        }

        @Override
        int run(Journal journal, Console console, CommonOptions options) {
            return tell(console, options, "taken back: ", journal.undo());
        }
    }

    /** Does a change again. */
    @Command(name = "redo", description = Redo.WHAT)
    static final class Redo extends JournalCommand {

        static final String WHAT = "Redo the change that was undone last.";

        Redo(Console console) {
            super(console);
        }

        @Override
        int run(Journal journal, Console console, CommonOptions options) {
            return tell(console, options, "done again: ", journal.redo());
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
    static final class History extends JournalCommand {

        static final String WHAT = "List the changes made here, the latest last.";

        History(Console console) {
            super(console);
        }

        @Override
        int run(Journal journal, Console console, CommonOptions options) {
            List<Entry> entries = journal.history();
            if (options.json()) {
                console.out().println(new HistoryJson().text(entries));
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
