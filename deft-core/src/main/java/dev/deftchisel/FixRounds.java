package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Composition;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Edit;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.problem.Finding;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.detection.FixDraft;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.problem.detection.RuleRunner;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiPredicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Fixes many problems at once, in rounds: in each, as many as do not touch each other's code; the guard judges, and a
 * fix that stands where it finds a difference is given up; then what is left, and what only came to be by the fixes, is
 * looked for again in the files that changed, until a round finds nothing. A text that was there before would come
 * again for ever: there the rounds end.
 */
final class FixRounds {

    private static final int MOST_ROUNDS = 12;
    private static final int MOST_TRIES = 40;

    private final RuleRunner runner;
    private final FixPlanner planner;
    private final BiPredicate<SourceFile, Finding> wanted;
    private final Map<String, Integer> counts = new TreeMap<>();
    private final List<Reason> left = new ArrayList<>();
    /** What was tried in vain: rule, file and the text of the line. */
    private final Set<String> givenUp = new HashSet<>();
    /** The files in which a fix that takes an operation was seen. */
    private final Set<Path> usable = new LinkedHashSet<>();
    private final Analyst start;

    FixRounds(Analyst start, RuleRunner runner, FixPlanner planner, BiPredicate<SourceFile, Finding> wanted) {
        this.start = start;
        this.runner = runner;
        this.planner = planner;
        this.wanted = wanted;
    }

    /**
     * One fix that takes part in a round.
     *
     * @param file    of the problem
     * @param finding the problem
     * @param edits   what the fix does there
     * @param code    of the analysis in which it was found
     */
    private record Step(Path file, Finding finding, List<Edit> edits, AttributedFile code) {
    }

    /**
     * A round that the guard let through.
     *
     * @param later the files with fixes that wait for the next one
     */
    private record Round(Change change, Analysis before, Set<Path> later) {

        /** The files in which the next round may find something. */
        Set<Path> unfinished() {
            Set<Path> files = new LinkedHashSet<>(later);
            change.effective().forEach(file -> files.add(file.path()));
            return files;
        }
    }

    Problems.Fixed fix(ProblemScope scope) {
        Analyst analyst = start;
        Optional<Change> all = Optional.empty();
        Optional<Analysis> before = Optional.empty();
        Set<Path> files = scope.files();
        Map<Path, List<Range>> stretches = new LinkedHashMap<>(scope.stretches());
        Set<Integer> seen = new HashSet<>();
        for (int round = 0; round < MOST_ROUNDS && !files.isEmpty();) {
            ProblemScope rest = new ProblemScope(only(stretches, files));
            Optional<Round> done = round(analyst, rest);
            round += done.isPresent() ? 1 : 0;
            if (done.isEmpty() && (done = use(analyst, new ProblemScope(only(stretches, Set.copyOf(usable)))))
                    .isEmpty()) {
                break;
            }
            Change change = done.get().change();
            stretches.replaceAll((file, ranges) -> ranges.stream().map(range -> moved(change, file, range)).toList());
            files = done.get().unfinished();
            all = Optional.of(all.map(known -> Composition.of(known, change)).orElse(change));
            before = before.isEmpty() ? Optional.of(done.get().before()) : before;
            analyst = analyst.of(change.applyTo(analyst.snapshot()));
            if (!seen.add(contents(all.get()))) {
                left.add(Reason.of("some fixes take back what others do; the code was left as the last round had it"));
                break;
            }
        }
        Optional<Analysis> first = before;
        return new Problems.Fixed(all.map(change -> outcome(change, first.orElseThrow())), counts, left);
    }

    /** The change over all rounds rests on an analysis of all files that it touches. */
    private Outcome outcome(Change change, Analysis first) {
        Set<Path> touched = change.effective().stream().map(file -> file.path()).collect(Collectors.toSet());
        Analysis before = first.focus().files().containsAll(touched) ? first
                : start.analyse(Focus.whole(touched).deeply());
        return new Outcome.Preview(new Change(title(), change.files(), change.meaning(), change.notes()), before);
    }

    private String title() {
        int sum = counts.values().stream().mapToInt(Integer::intValue).sum();
        return "fix " + (sum == 1 ? "1 problem" : sum + " problems")
                + (counts.size() == 1 ? " (" + counts.keySet().iterator().next() + ")" : "");
    }

    private static int contents(Change change) {
        return change.effective().stream().map(file -> file.after().content()).toList().hashCode();
    }

    private static Map<Path, List<Range>> only(Map<Path, List<Range>> stretches, Set<Path> files) {
        Map<Path, List<Range>> found = new LinkedHashMap<>();
        stretches.forEach((file, ranges) -> {
            if (files.contains(file)) {
                found.put(file, ranges);
            }
        });
        return found;
    }

    private static Range moved(Change change, Path file, Range range) {
        return change.file(file).isEmpty() ? range : change.mapping().code(file, range);
    }

    private Optional<Round> round(Analyst analyst, ProblemScope scope) {
        Analysis analysis = analyst.analyse(Focus.whole(scope.files()).deeply());
        List<Step> steps = steps(analyst, analysis, scope);
        if (steps.isEmpty()) {
            return Optional.empty();
        }
        Set<Path> touched = steps.stream().map(Step::file).collect(Collectors.toSet());
        Analysis before = touched.equals(analysis.focus().files()) ? analysis
                : analyst.analyse(Focus.whole(touched).deeply());
        ChangeVerifier judge = new ChangeVerifier(analyst);
        List<Step> later = List.of();
        for (int attempt = 0; attempt < MOST_TRIES && !steps.isEmpty(); attempt++) {
            Change change = change(steps, before);
            List<Difference> blocking = judge.differences(change, before).stream().filter(Difference::isBlocking)
                    .toList();
            if (blocking.isEmpty()) {
                steps.forEach(step -> counts.merge(step.finding().about().id(), 1, Integer::sum));
                return Optional.of(new Round(change, before, later.stream().map(Step::file)
                        .collect(Collectors.toSet())));
            }
            List<Step> rest = without(steps, blocking);
            if (rest.size() == steps.size()) {
                // the difference lies in a file to which nothing happens: whoever caused it is in one of the halves
                rest = steps.subList(0, steps.size() / 2);
                later = Stream.concat(steps.subList(steps.size() / 2, steps.size()).stream(), later.stream()).toList();
            }
            steps = rest.isEmpty() ? later : rest;
            later = rest.isEmpty() ? List.of() : later;
        }
        return Optional.empty();
    }

    /** Fixes that take an operation, and so may go anywhere: as many as touch different files. */
    private Optional<Round> use(Analyst analyst, ProblemScope scope) {
        if (scope.files().isEmpty()) {
            return Optional.empty();
        }
        Analysis analysis = analyst.analyse(Focus.whole(scope.files()).deeply());
        CheckedFixes checked = new CheckedFixes(analyst, planner.of(analyst));
        JointFixes joint = new JointFixes(analyst);
        for (Path file : scope.files()) {
            Optional<JointFixes.Planned> planned = usable(file, analyst, checked, analysis, scope);
            planned.ifPresentOrElse(joint::add, () -> usable.remove(file));
        }
        return joint.joined().map(joined -> {
            joined.fixes().forEach(finding -> counts.merge(finding.about().id(), 1, Integer::sum));
            return new Round(joined.change(), joined.before(), Set.of());
        });
    }

    /** The first fix in a file that takes an operation and can be taken. */
    private Optional<JointFixes.Planned> usable(Path file, Analyst analyst, CheckedFixes checked, Analysis analysis,
            ProblemScope scope) {
        AttributedFile code = analysis.code(file).orElse(null);
        for (Finding found : code == null ? List.<Finding>of() : runner.context(analysis, file)) {
            boolean isWanted = scope.contains(file, found.range().start()) && !found.fixes().isEmpty()
                    && wanted.test(code.file(), found) && !givenUp.contains(identity(file, found, code));
            Finding finding = isWanted ? checked.led(found, file, analysis) : found;
            if (isWanted && finding.fixes().get(0) instanceof Fix.Use) {
                Outcome outcome = planner.of(analyst).mend(finding, finding.fixes().get(0), file, analysis);
                if (outcome instanceof Outcome.Preview preview && preview.change().meaning().names().isEmpty()
                        && !preview.change().effective().isEmpty()) {
                    return Optional.of(new JointFixes.Planned(finding, preview));
                }
                giveUp(file, finding, code, outcome instanceof Outcome.Refusal refusal
                        ? refusal.reasons().get(0).sentence() : "this is to be done on its own");
            }
        }
        return Optional.empty();
    }

    private List<Step> steps(Analyst analyst, Analysis analysis, ProblemScope scope) {
        List<Step> steps = new ArrayList<>();
        CheckedFixes checked = new CheckedFixes(analyst, planner.of(analyst));
        for (Path file : scope.files()) {
            AttributedFile code = analysis.code(file).orElse(null);
            List<Range> taken = new ArrayList<>();
            Set<Boolean> imports = new HashSet<>();
            // an import mends all places of a name: to plan the fixes of each of them would take hours in a large scope
            Set<String> imported = new HashSet<>();
            // what one round knows of the parameters of a method the next fix of it must know first
            Set<SymbolKey> redescribed = new HashSet<>();
            for (Finding found : code == null ? List.<Finding>of() : runner.context(analysis, file)) {
                boolean isWanted = scope.contains(file, found.range().start()) && wanted.test(code.file(), found)
                        && !found.fixes().isEmpty() && !givenUp.contains(identity(file, found, code))
                        && !imported.contains(code.text(found.range()));
                Finding finding = isWanted ? checked.led(found, file, analysis) : found;
                if (isWanted && finding.fixes().get(0) instanceof Fix.Use) {
                    usable.add(file);
                } else if (isWanted && finding.fixes().get(0) instanceof Fix.Rewrite rewrite) {
                    FixEdits edits = new FixDraft(analysis).add(finding, rewrite, code);
                    if (edits.losesComment()) {
                        giveUp(file, finding, code, "a comment would be lost");
                    } else if (!edits.isEmpty() && Collections.disjoint(redescribed, edits.descriptors().keySet())
                            && goesWith(imports, edits)
                            && edits.edits().stream().noneMatch(edit -> touches(taken, edit.range()))) {
                        redescribed.addAll(edits.descriptors().keySet());
                        edits.edits().forEach(edit -> taken.add(edit.range()));
                        // the code that is looked at must not be changed by another fix of the same round either
                        taken.add(finding.range());
                        steps.add(new Step(file, finding, edits.edits(), code));
                        if (edits.addsImport()) {
                            imported.add(code.text(finding.range()));
                        }
                    }
                }
            }
        }
        return steps;
    }

    /** Imports that come and imports that go may meet at one line, so a round has only the ones or the others. */
    private static boolean goesWith(Set<Boolean> imports, FixEdits edits) {
        boolean adds = edits.addsImport();
        boolean removes = edits.removesImport();
        boolean goes = !(adds && imports.contains(false)) && !(removes && imports.contains(true));
        if (goes && (adds || removes)) {
            imports.add(adds);
        }
        return goes;
    }

    private static boolean touches(List<Range> taken, Range range) {
        return taken.stream().anyMatch(other -> other.overlaps(range) || other.encloses(range)
                || range.encloses(other));
    }

    /** Written again from the analysis that the guard compares with, since imports belong to the file as a whole. */
    private Change change(List<Step> steps, Analysis before) {
        FixDraft draft = new FixDraft(before);
        steps.forEach(step -> draft.add(step.finding(), (Fix.Rewrite) step.finding().fixes().get(0), step.code()));
        return draft.change(title());
    }

    /** The steps but for those nearest to the differences; all of them when none is in the file of one. */
    private List<Step> without(List<Step> steps, List<Difference> differences) {
        Set<Step> guilty = new HashSet<>();
        for (Difference difference : differences) {
            steps.stream()
                    .filter(step -> step.file().equals(difference.file()))
                    .min(Comparator.comparingInt(step -> distance(step, difference.range())))
                    .ifPresent(step -> {
                        if (guilty.add(step)) {
                            giveUp(step.file(), step.finding(), step.code(), difference.sentence());
                        }
                    });
        }
        if (guilty.isEmpty() && steps.size() == 1) {
            giveUp(steps.get(0).file(), steps.get(0).finding(), steps.get(0).code(), differences.get(0).sentence());
            return List.of();
        }
        return steps.stream().filter(step -> !guilty.contains(step)).toList();
    }

    private static int distance(Step step, Range range) {
        return step.edits().stream()
                .mapToInt(edit -> edit.range().touches(range.start()) ? 0
                        : Math.min(Math.abs(edit.range().start() - range.start()),
                                Math.abs(edit.range().end() - range.start())))
                .min().orElse(Integer.MAX_VALUE);
    }

    private void giveUp(Path file, Finding finding, AttributedFile code, String why) {
        if (givenUp.add(identity(file, finding, code))) {
            left.add(Reason.at(file, finding.range(), finding.about().id() + ": " + why));
        }
    }

    private static String identity(Path file, Finding finding, AttributedFile code) {
        return finding.about().id() + ":" + file + ":" + code.text(finding.range());
    }
}
