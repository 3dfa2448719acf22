package dev.deftchisel.cli;

import dev.deftchisel.Chisel;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.desk.CaretInFile;
import dev.deftchisel.desk.CommandList;
import dev.deftchisel.desk.Desk;
import dev.deftchisel.desk.background.WorkerTasks;
import dev.deftchisel.desk.file.Rescue;
import dev.deftchisel.desk.key.DefaultKeys;
import dev.deftchisel.desk.key.KeyFile;
import dev.deftchisel.desk.key.KeyMap;
import dev.deftchisel.desk.key.KeyPage;
import dev.deftchisel.desk.terminal.DeskTerminal;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.WorkspaceException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicReference;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** The keyboard screen: code on the whole terminal, and everything that can be done to it a key or two away. */
@Command(name = "desk", description = DeskCommand.WHAT)
final class DeskCommand implements Callable<Integer> {

    static final String WHAT = "Edit and refactor on a full screen, by keys.";

    private static final String OWN_KEYS = "keys";

    private final Console console;

    @Mixin
    private final CommonOptions common = new CommonOptions();

    @Parameters(index = "0", arity = "0..1", paramLabel = "PLACE", description = "where to begin; see 'deft --help'")
    private Optional<String> start = Optional.empty();

    @Option(names = "--keys", description = "print what the keys do, and end")
    private boolean keys;

    @Option(names = "--page", description = "with --keys: as a page of Markdown")
    private boolean page;

    @Option(names = "--key-file", paramLabel = "FILE",
            description = "your own keys; else the file 'keys' in ~/.config/deft")
    private Optional<Path> keyFile = Optional.empty();

    @Option(names = "--ground", paramLabel = "WHICH", description = "auto, dark or light: the background of the screen")
    private GroundOf ground = GroundOf.auto;

    @Option(names = {"-h", "--help"}, usageHelp = true, description = "show this help")
    private boolean help;

    /** What is behind the text; in small letters since these are the words people type. */
    enum GroundOf { auto, dark, light }

    DeskCommand(Console console) {
        this.console = console;
    }

    @Override
    public Integer call() {
        Console dressed = common.dress(console);
        CommandList commandList = CommandList.installed();
        KeyFile map = map(commandList);
        if (keys) {
            KeyPage keyPage = new KeyPage(map.map(), commandList.operations());
            dressed.out().print(page ? keyPage.markdown() : keyPage.plain());
            map.faults().forEach(dressed::say);
            return map.faults().isEmpty() ? ExitCode.DONE : ExitCode.REFUSED;
        }
        if (!dressed.isTerminal()) {
            dressed.say("deft: 'deft desk' needs a terminal; 'deft desk --keys' prints what its keys do");
            return ExitCode.USAGE;
        }
        return show(dressed, commandList, map);
    }

    private KeyFile map(CommandList commandList) {
        KeyMap defaults = DefaultKeys.with(commandList.operations());
        Path file = keyFile.orElseGet(DeskCommand::ownKeys);
        try {
            return KeyFile.read(String.valueOf(file.getFileName()), Files.readAllLines(file), defaults,
                    commandList.operations());
        } catch (NoSuchFileException none) {
            if (keyFile.isPresent()) {
                throw new WorkspaceException(file + ": there is no such file");
            }
            return new KeyFile(defaults, List.of());
        } catch (IOException failed) {
            throw new WorkspaceException(file + " cannot be read: " + failed.getMessage());
        }
    }

    /** By the XDG Base Directory Specification. */
    private static Path ownKeys() {
        String home = System.getenv("XDG_CONFIG_HOME");
        Path folder = home == null || home.isEmpty() ? Path.of(System.getProperty("user.home"), ".config")
                : Path.of(home);
        return folder.resolve("deft").resolve(OWN_KEYS);
    }

    private int show(Console dressed, CommandList commandList, KeyFile map) {
        WorkerTasks helper = new WorkerTasks();
        try (Chisel chisel = Chisel.open(common.request(), helper.monitor())) {
            if (!common.quiet()) {
                chisel.workspace().gaps().forEach(gap -> dressed.say("deft: " + gap));
            }
            Place place = start.map(text -> chisel.place(Files.isRegularFile(Path.of(text)) ? text + ":1:1" : text))
                    .orElseGet(() -> first(chisel));
            SourceFile file = chisel.snapshot().source(place.file());
            return show(helper, chisel, file, place, commandList, map, dressed);
        }
    }

    private int show(WorkerTasks helper, Chisel chisel, SourceFile file, Place place, CommandList commandList,
            KeyFile map, Console dressed) {
        Optional<Boolean> isLight = ground == GroundOf.auto ? Optional.empty() : Optional.of(ground == GroundOf.light);
        AtomicReference<Desk> shown = new AtomicReference<>();
        // also when the terminal is closed, or the process is told to end
        Thread rescue = new Thread(() -> rescue(shown.get(), chisel, dressed), "deft-rescue");
        Runtime.getRuntime().addShutdownHook(rescue);
        try (DeskTerminal screen = new DeskTerminal(dressed.palette().isColored(), isLight, System.getenv()); helper) {
            helper.start(chisel, screen.front());
            Desk desk = new Desk(chisel.workspace(), new CaretInFile(file, place.caret()),
                    helper, map.map(), commandList);
            shown.set(desk);
            if (!map.faults().isEmpty()) {
                desk.say(map.faults().get(0) + (map.faults().size() > 1 ? " (and " + (map.faults().size() - 1)
                        + " more: deft desk --keys)" : ""));
            }
            screen.show(desk);
            if (!desk.isCutOff()) {
                Runtime.getRuntime().removeShutdownHook(rescue);
            }
        }
        return ExitCode.DONE;
    }

    private static void rescue(Desk desk, Chisel chisel, Console dressed) {
        if (desk != null) {
            Rescue.keep(desk.unsaved(), chisel.workspace())
                    .forEach(kept -> dressed.say("deft: what was not saved is in " + kept));
        }
    }

    /** The file that was written last is where somebody was. */
    private static Place first(Chisel chisel) {
        return chisel.snapshot().files().stream().filter(file -> !file.isModuleInfo() && !file.isPackageInfo())
                .max(Comparator.comparing((SourceFile file) -> file.path().toFile().lastModified())
                        .thenComparing(file -> file.path(), Comparator.reverseOrder()))
                .map(file -> new Place(file.path(), new Range(0, 0)))
                .orElseThrow(() -> new WorkspaceException("there is no Java file in this workspace"));
    }
}
