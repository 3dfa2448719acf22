package dev.deftchisel.cli.option;

import dev.deftchisel.Chisel;
import dev.deftchisel.Problems;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.WorkspaceException;
import dev.deftchisel.workspace.surroundings.GitChanges;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import picocli.CommandLine.Option;

/** Where problems are looked for, and which. */
public final class ScopeOptions {

    private static final String SINCE = "since:";
    private static final String LINES_SINCE = "lines-since:";

    @Option(names = "--scope", paramLabel = "SCOPE", description = {
        "workspace, uncommitted, uncommitted-lines, since:REVISION or lines-since:REVISION;",
        "around a place: member, file, package, root, workspace"})
    private String scope;

    @Option(names = "--rules", paramLabel = "RULE,...", split = ",",
            description = "only these rules, or those of a tag: error, suspicious, unused, redundant, idiom, style")
    private List<String> rules = List.of();

    @Option(names = "--omit", paramLabel = "PATH[:LINE]",
            description = "leave this file, folder or line alone; repeatable")
    private List<String> omitted = List.of();

    public boolean isGiven() {
        return scope != null;
    }

    public boolean hasRules() {
        return !rules.isEmpty();
    }

    /** The scope for what was named on the command line, but for what is to be left alone. */
    public ProblemScope of(Chisel chisel, Problems problems, List<String> named) {
        ProblemScope scope = named(chisel, problems, named);
        for (String text : omitted) {
            Optional<Path> path = path(chisel, text);
            scope = path.isPresent() ? scope.without(path.get()) : without(scope, chisel, chisel.place(text));
        }
        return scope;
    }

    private static ProblemScope without(ProblemScope scope, Chisel chisel, Place place) {
        SourceFile file = chisel.snapshot().source(place.file());
        Range line = file.lines().rangeOf(file.position(place.caret()).line());
        // what starts after the last character of a line is of the next one
        return scope.without(file.path(), new Range(Math.max(0, line.start() - 1), line.end() + 1), file.content()
                .length());
    }

    private ProblemScope named(Chisel chisel, Problems problems, List<String> named) {
        Optional<Place> place = named.size() == 1 && path(chisel, named.get(0)).isEmpty()
                ? Optional.of(chisel.place(named.get(0))) : Optional.empty();
        if (place.isPresent()) {
            return problems.around(place.get(), reach().orElse(Problems.Reach.FILE));
        }
        ProblemScope all;
        if (scope == null || scope.equals("workspace")) {
            all = problems.everywhere();
        } else if (scope.equals("uncommitted")) {
            all = problems.changed(GitChanges.UNCOMMITTED, false);
        } else if (scope.equals("uncommitted-lines")) {
            all = problems.changed(GitChanges.UNCOMMITTED, true);
        } else if (scope.startsWith(LINES_SINCE)) {
            all = problems.changed(scope.substring(LINES_SINCE.length()), true);
        } else if (scope.startsWith(SINCE)) {
            all = problems.changed(scope.substring(SINCE.length()), false);
        } else {
            all = unknown();
        }
        return named.isEmpty() ? all : only(all, problems.within(paths(chisel, named)));
    }

    private ProblemScope unknown() {
        throw new WorkspaceException("--scope does not take '" + scope
                + "' without a place; it takes workspace, uncommitted, "
                + "uncommitted-lines, since:REVISION, lines-since:REVISION");
    }

    /** How far around a place. */
    Optional<Problems.Reach> reach() {
        return Optional.ofNullable(scope).map(word -> Arrays.stream(Problems.Reach.values())
                .filter(reach -> reach.name().toLowerCase(Locale.ROOT).equals(word)).findFirst()
                .orElseThrow(() -> new WorkspaceException("--scope does not take '" + word
                        + "' around a place; it takes member, file, package, root, workspace")));
    }

    /**
     * The file or folder of a name, from where the user is or from the root of the workspace; empty when there is none.
     */
    public static Optional<Path> path(Chisel chisel, String text) {
        try {
            for (Path path : List.of(Path.of(text).toAbsolutePath(), chisel.workspace().root().resolve(text))) {
                if (Files.exists(path)) {
                    return Optional.of(path.toRealPath());
                }
            }
            return Optional.empty();
        } catch (InvalidPathException | IOException noPath) {
            return Optional.empty();
        }
    }

    private static List<Path> paths(Chisel chisel, List<String> named) {
        List<Path> paths = named.stream().map(text -> path(chisel, text)
                .orElseThrow(() -> new WorkspaceException(text + ": there is no such file or folder"))).toList();
        boolean isSource = chisel.snapshot().files().stream()
                .anyMatch(file -> paths.stream().anyMatch(file.path()::startsWith));
        if (!isSource) {
            throw new WorkspaceException(String.join(", ", named) + ": there is no Java source of the workspace in it");
        }
        return paths;
    }

    private static ProblemScope only(ProblemScope all, ProblemScope some) {
        Map<Path, List<Range>> stretches = new LinkedHashMap<>(all.stretches());
        stretches.keySet().retainAll(some.files());
        return new ProblemScope(stretches);
    }

    /** Which problems are asked for by their rules. */
    public Predicate<Problem> wanted(Problems problems) {
        for (String word : rules) {
            boolean isKnown = problems.rules().named(word).isPresent() || tag(word).isPresent() || word.contains(".");
            if (!isKnown) {
                String near = problems.rules().near(word).map(id -> " (did you mean '" + id + "'?)").orElse("");
                throw new WorkspaceException("there is no rule or tag '" + word + "'" + near
                        + "; 'deft rules' lists them");
            }
        }
        return problem -> rules.isEmpty() || rules.contains(problem.rule()) || rules.contains(problem.tag().word());
    }

    private static Optional<Tag> tag(String word) {
        return Arrays.stream(Tag.values()).filter(tag -> tag.word().equals(word)).findFirst();
    }

    /** A severity by its word. */
    public static Severity severity(String option, String word) {
        return Severity.of(word).orElseThrow(() -> new WorkspaceException(
                option + " does not take '" + word + "'; it takes off, hint, note, warning, error"));
    }
}
