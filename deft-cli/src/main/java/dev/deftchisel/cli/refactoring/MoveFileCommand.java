package dev.deftchisel.cli.refactoring;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.option.ChiselCommand;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.option.OutcomeWriter;
import dev.deftchisel.cli.preview.PreviewLoop;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Moves a file or a folder, by paths as the shell completes them. */
@Command(name = "move-file", description = MoveFileCommand.WHAT)
public final class MoveFileCommand extends ChiselCommand {

    public static final String WHAT = "Move a file or folder, and have packages, imports and names follow.";

    private static final String ID = "move-file";

    /** What may become of what is out of reach; the constants are written as on the command line. */
    private enum Access { keep, open }

    /** Which mentions are taken. */
    private enum Mentions { none, sure, all }

    @Parameters(arity = "2..*", paramLabel = "PATH", description = "Java files or folders with such, and last where "
            + "they go: a new path for one, a folder for several; the same folder twice: files follow that were moved")
    private List<Path> paths;

    @Option(names = "--access", paramLabel = "keep|open", defaultValue = "keep",
            description = "what would be out of reach from its new place, or of it (keep)")
    private Access access;

    @Option(names = "--mentions", paramLabel = "none|sure|all", defaultValue = "sure",
            description = "mentions in comments, strings and resources (sure)")
    private Mentions mentions;

    @Option(names = "--apply", description = "write the change")
    private boolean apply;

    public MoveFileCommand(Console console) {
        super(console);
    }

    /** Relative paths start from here, or from the root of the workspace, as places do. */
    private Path resolved(Path path, Chisel chisel) {
        Path root = chisel.workspace().root();
        return Files.exists(paths.get(0)) ? path.toAbsolutePath().normalize() : root.resolve(path).normalize();
    }

    @Override
    protected int run(Chisel chisel, Console console, CommonOptions options) {
        List<Path> sources = paths.subList(0, paths.size() - 1).stream().map(path -> resolved(path, chisel)).toList();
        Path target = resolved(paths.get(paths.size() - 1), chisel);
        Optional<SourceFile> first = chisel.snapshot().files().stream()
                .filter(file -> file.path().startsWith(sources.get(0))).findFirst();
        if (first.isEmpty()) {
            console.say("deft: " + paths.get(0) + ": there is no Java file of the workspace "
                    + chisel.workspace().root());
            return ExitCode.REFUSED;
        }
        Answers answers = Answers.of("access", access.name()).and("mentions", mentions.name())
                .and("moves", sources.stream().map(source -> source + "=" + (sources.size() == 1 ? target
                        : target.resolve(source.getFileName()))).toList());
        Place place = new Place(first.get().path(), new Range(0, 0));
        Outcome outcome = chisel.preview(place, ID, answers);
        if (console.isTerminal() && !apply && !options.yes() && !options.json()) {
            Operation operation = Chisel.operation(ID);
            return new PreviewLoop(chisel, console, place, ID, operation.questions()).run(answers, outcome).exitCode();
        }
        return new OutcomeWriter(chisel, console, options).write(outcome, apply);
    }
}
