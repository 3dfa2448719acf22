package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.DeepStack;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.problem.Finding;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.problem.detection.MissingLibraries;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.problem.detection.Repairs;
import dev.deftchisel.problem.detection.RuleRunner;
import dev.deftchisel.problem.detection.Rules;
import dev.deftchisel.problem.detection.Severities;
import dev.deftchisel.problem.store.FindingCache;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.surroundings.EditorProperties;
import dev.deftchisel.workspace.surroundings.GitChanges;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * What is wrong with the code of a workspace, and how it is mended:
 * <pre>{@code
 * Problems problems = chisel.problems();
 * for (Problem problem : problems.in(problems.everywhere())) {
 *     System.out.println(problem.position() + " " + problem.sentence());
 * }
 * }</pre>
 * What it gives is of the moment it was made: after a change has been applied, another is to be asked for.
 */
public final class Problems {

    private final Analyst analyst;
    private final Analyst looking;
    private final List<Operation> operations;
    private final Severities severities;
    private final RuleRunner runner;
    private Optional<Surveyed> surveyed = Optional.empty();

    /**
     * @param analyst for fixes and their proof
     * @param looking for what is wrong with a file
     */
    Problems(Analyst analyst, Analyst looking, List<Operation> operations, Rules rules, Repairs repairs) {
        this.analyst = analyst;
        this.looking = looking;
        this.operations = operations;
        this.severities = Severities.of(new EditorProperties(analyst.snapshot().workspace().root()));
        this.runner = new RuleRunner(rules, severities, repairs);
    }

    /** All files of the workspace. */
    public ProblemScope everywhere() {
        return ProblemScope.of(analyst.snapshot().files().stream().filter(file -> !file.isModuleInfo())
                .map(SourceFile::path).sorted().toList());
    }

    /** All files in some folders, and some files. */
    public ProblemScope within(Collection<Path> paths) {
        return ProblemScope.of(everywhere().files().stream().filter(file -> paths.stream().anyMatch(file::startsWith))
                .toList());
    }

    /** What is around a place. */
    public ProblemScope around(Place place, Reach reach) {
        SourceFile file = analyst.snapshot().source(place.file());
        return switch (reach) {
            case MEMBER -> ProblemScope.of(place.file(), member(place));
            case FILE -> ProblemScope.of(List.of(place.file()));
            case PACKAGE -> ProblemScope.of(everywhere().files().stream()
                    .filter(other -> Objects.equals(other.getParent(), place.file().getParent())).toList());
            case ROOT -> within(List.of(file.root().folder()));
            case WORKSPACE -> everywhere();
        };
    }

    /** How far around a place, the further the later. */
    public enum Reach { MEMBER, FILE, PACKAGE, ROOT, WORKSPACE }

    /** The smallest member around a place; all of the file outside of members. */
    private Range member(Place place) {
        Analysis analysis = analyst.analyse(Focus.whole(List.of(place.file())).deeply());
        return analysis.code(place.file()).stream()
                .flatMap(code -> code.members().stream())
                .filter(member -> member.touches(place.caret()))
                .min(Comparator.comparingInt(Range::length))
                .orElse(new Range(0, analyst.snapshot().source(place.file()).content().length()));
    }

    /**
     * What version control says was changed.
     *
     * @param revision    against which; see {@link GitChanges#since}
     * @param onlyLines   whether only the changed lines count, or all of each changed file
     * @throws dev.deftchisel.workspace.WorkspaceException when there is no version control, or no such revision
     */
    public ProblemScope changed(String revision, boolean onlyLines) {
        Map<Path, List<GitChanges.Lines>> changes = new GitChanges(analyst.snapshot().workspace().root())
                .since(revision);
        Map<Path, List<Range>> stretches = new LinkedHashMap<>();
        for (Path path : everywhere().files()) {
            List<GitChanges.Lines> lines = changes.get(path);
            if (lines != null) {
                LineMap map = analyst.snapshot().source(path).lines();
                List<Range> ranges = lines.stream().map(one -> new Range(
                        map.rangeOf(Math.min(one.first(), map.count())).start(),
                                map.rangeOf(Math.min(one.last(), map.count())).end())).toList();
                if (!onlyLines || !ranges.isEmpty()) {
                    stretches.put(path, onlyLines ? ranges : List.of());
                }
            }
        }
        return new ProblemScope(stretches);
    }

    /** What is wrong in a scope, by file and place. */
    public List<Problem> in(ProblemScope scope) {
        return MissingLibraries.merged(found(scope));
    }

    private List<Problem> found(ProblemScope scope) {
        return DeepStack.call(() -> {
            Analyst by = scope.files().size() == 1 ? looking : analyst;
            Analysis analysis = by.analyse(Focus.whole(scope.files()).deeply());
            List<Problem> found = new ArrayList<>();
            for (Path file : scope.files()) {
                context(analysis, file).stream()
                        .filter(finding -> scope.contains(file, finding.range().start()))
                        .map(finding -> problem(analyst.snapshot().source(file), finding))
                        .forEach(found::add);
            }
            return List.copyOf(found);
        });
    }

    /**
     * The same, where only files that may have changed their meaning since the last time are looked at. What is found
     * is kept in the folder {@code .deft} of the workspace for the next time.
     */
    public List<Problem> sinceLast(ProblemScope scope) {
        FindingCache cache = FindingCache.open(analyst.snapshot(), rules(), severities);
        Map<Path, List<Problem>> known = new HashMap<>();
        scope.files().forEach(file -> cache.of(file).ifPresent(problems -> known.put(file, problems)));
        List<Path> changed = scope.files().stream().filter(file -> !known.containsKey(file)).toList();
        if (!changed.isEmpty()) {
            changed.forEach(file -> known.put(file, new ArrayList<>()));
            found(ProblemScope.of(changed)).forEach(problem -> known.get(problem.file()).add(problem));
            changed.forEach(file -> cache.note(file, known.get(file)));
            cache.close();
        }
        return MissingLibraries.merged(scope.files().stream().flatMap(file -> known.get(file).stream())
                .filter(problem -> scope.contains(problem.file(), problem.range().start())).toList());
    }

    private static Problem problem(SourceFile file, Finding finding) {
        return new Problem(finding.about().id(), finding.about().tag(), finding.severity(), file.path(),
                finding.range(),
                file.position(finding.range().start()), finding.sentence(),
                // what mends several at once is only said when it is known to do so
                finding.fixes().stream().filter(fix -> !fix.isElsewhere()).map(Fix::title).toList());
    }

    /** The problems at a place, the ones about least first. */
    public List<Problem> at(Place place) {
        ProblemScope file = ProblemScope.of(List.of(place.file()));
        return in(file).stream()
                .filter(problem -> problem.range().touches(place.caret()))
                .map(this::checked)
                .sorted(Comparator.comparing((Problem problem) -> problem.range().length()))
                .toList();
    }

    /** The problem with a fix at a place, or else the first of those on its line; empty when there is none. */
    public Optional<Problem> fixable(Place place) {
        List<Problem> all = in(ProblemScope.of(List.of(place.file()))).stream()
                .filter(problem -> !problem.fixes().isEmpty()).toList();
        int line = analyst.snapshot().source(place.file()).position(place.caret()).line();
        return all.stream().filter(problem -> problem.range().touches(place.caret())).findFirst()
                .or(() -> all.stream().filter(problem -> problem.position().line() == line).findFirst())
                .map(this::checked);
    }

    /** The first problem after a place in its file, or the first of all after the last; empty when there is none. */
    public Optional<Problem> next(Place place) {
        List<Problem> all = in(ProblemScope.of(List.of(place.file())));
        return Stream.concat(all.stream().filter(problem -> problem.range().start() > place.caret()), all.stream())
                .findFirst().map(this::checked);
    }

    /**
     * Works out what a fix changes.
     *
     * @param problem as it was found
     * @param fix     which of its fixes, from 0 on
     * @throws IllegalArgumentException when the problem is not there any more or has no such fix
     */
    public Outcome fix(Problem problem, int fix) {
        return DeepStack.call(() -> {
            Analysis analysis = analyst.analyse(Focus.whole(List.of(problem.file())).deeply());
            Optional<Finding> finding = finding(analysis, problem);
            Optional<Fix> chosen = finding.filter(found -> fix >= 0 && fix < problem.fixes().size())
                    .flatMap(found -> found.fixes().stream().filter(one -> one.title().equals(problem.fixes().get(fix)))
                            .findFirst());
            if (chosen.isEmpty()) {
                throw new IllegalArgumentException("there is no such problem, or no such fix, any more");
            }
            return new FixPlanner(analyst, operations).mend(finding.get(), chosen.get(), problem.file(), analysis);
        });
    }

    /** The code does not change while this object is used, so a file is surveyed once in an analysis. */
    private List<Finding> context(Analysis analysis, Path file) {
        if (surveyed.isEmpty() || surveyed.get().analysis() != analysis) {
            surveyed = Optional.of(new Surveyed(analysis, new HashMap<>()));
        }
        return surveyed.get().byFile().computeIfAbsent(file, path -> runner.context(analysis, path));
    }

    /** What was found in an analysis, whose trees the fixes hold. */
    private record Surveyed(Analysis analysis, Map<Path, List<Finding>> byFile) {
    }

    private Optional<Finding> finding(Analysis analysis, Problem problem) {
        return context(analysis, problem.file()).stream()
                .filter(found -> found.about().id().equals(problem.rule()) && found.range().equals(problem.range()))
                .findFirst();
    }

    /**
     * The same problem with only those of its first fixes that can be taken and change something, the ones that leave
     * the fewest errors first. This is for a problem that somebody looks at: each fix is planned, which takes as long
     * as taking it.
     */
    public Problem checked(Problem problem) {
        return problem.tag() != Tag.ERROR || problem.fixes().isEmpty() ? problem : DeepStack.call(() -> {
            Analysis analysis = analyst.analyse(Focus.whole(List.of(problem.file())).deeply());
            return finding(analysis, problem)
                    .map(found -> problem.offering(new CheckedFixes(analyst, new FixPlanner(analyst, operations))
                            .of(found, problem.file(), analysis)))
                    .orElse(problem);
        });
    }

    /**
     * Fixes everything in a scope with the first fix of each problem, again and again until nothing is left.
     *
     * @param wanted which problems to fix
     */
    public Fixed fixAll(ProblemScope scope, Predicate<Problem> wanted) {
        return DeepStack.call(() -> new FixRounds(analyst, runner, new FixPlanner(analyst, operations),
                (file, finding) -> wanted.test(problem(file, finding))).fix(scope));
    }

    /** The rules there are. */
    public Rules rules() {
        return runner.rules();
    }

    /**
     * What came of fixing everything in a scope.
     *
     * @param outcome the one change; empty when there was nothing to fix
     * @param fixes   how many fixes are in it, by the id of the rule
     * @param left    what could not be fixed, and why
     */
    public record Fixed(Optional<Outcome> outcome, Map<String, Integer> fixes, List<Reason> left) {

        /** Copies the collections. */
        public Fixed {
            fixes = Map.copyOf(fixes);
            left = List.copyOf(left);
        }
    }
}
