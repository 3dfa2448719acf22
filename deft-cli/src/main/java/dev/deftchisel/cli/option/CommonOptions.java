package dev.deftchisel.cli.option;

import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.Palette;
import dev.deftchisel.workspace.WorkspaceException;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import java.io.File;
import java.nio.charset.Charset;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import picocli.CommandLine.Option;

/** Options that every command takes. */
public final class CommonOptions {

    @Option(names = "--workspace", paramLabel = "DIR", description = "the project; else the one around this folder")
    private Path workspace;

    @Option(names = "--source", paramLabel = "DIR", description = "a source folder of a plain workspace; repeatable")
    private List<Path> sources = List.of();

    @Option(names = "--class-path", paramLabel = "PATHS",
            description = "class files it needs; @FILE reads options from a file")
    private String classPath = "";

    @Option(names = "--level", paramLabel = "N", description = "the Java language level, if not the build's")
    private Integer level;

    @Option(names = "--encoding", paramLabel = "NAME", description = "the charset of the sources, if not the build's")
    private Charset encoding;

    @Option(names = "--run-processors", description =
            "run the annotation processors of the build, so that what they make follows a change")
    private boolean processing;

    @Option(names = "--ask-build", description =
            "run the build tool to say what the build consists of; its answer is kept")
    private boolean asking;

    @Option(names = "--online", description = "fetch libraries that are not on this machine")
    private boolean online;

    @Option(names = "--json", description = "print the result as JSON")
    private boolean json;

    @Option(names = "--yes", description = "ask nothing")
    private boolean yes;

    @Option(names = "--quiet", description = "print results and errors only")
    private boolean quiet;

    @Option(names = "--color", paramLabel = "WHEN", description = "auto, always or never")
    private When color = When.auto;

    /** When to use colours; in small letters since these are the words people type. */
    public enum When { auto, always, never }

    public boolean json() {
        return json;
    }

    public boolean yes() {
        return yes;
    }

    public boolean quiet() {
        return quiet;
    }

    public OpenRequest request() {
        try {
            List<Path> paths = Arrays.stream(classPath.split(File.pathSeparator))
                    .filter(path -> !path.isBlank())
                    .map(Path::of)
                    .toList();
            Path folder = workspace != null ? workspace : Path.of("");
            return new OpenRequest(folder, workspace != null || !sources.isEmpty(), sources, paths,
                    Optional.ofNullable(level), Optional.ofNullable(encoding), permissions());
        } catch (InvalidPathException illegal) {
            throw new WorkspaceException(illegal.getInput() + ": this is not a path");
        }
    }

    private Set<Permission> permissions() {
        Set<Permission> allowed = EnumSet.noneOf(Permission.class);
        if (online) {
            allowed.add(Permission.FETCH_LIBRARIES);
        }
        if (processing) {
            allowed.add(Permission.RUN_PROCESSORS);
        }
        if (asking) {
            allowed.add(Permission.ASK_BUILD);
        }
        return allowed;
    }

    /** The console with colours as wished: on a terminal unless {@code NO_COLOR} is set, or as said. */
    public Console dress(Console console) {
        boolean wanted = switch (color) {
            case always -> true;
            case never -> false;
            case auto -> console.isTerminal() && System.getenv("NO_COLOR") == null;
        };
        return console.with(new Palette(wanted && !json));
    }
}
