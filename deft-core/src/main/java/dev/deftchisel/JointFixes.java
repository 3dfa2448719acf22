package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.problem.Finding;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Fixes that were planned on the same code, each judged on its own, and touch different files: they are done together,
 * since to analyse everything after each of them takes minutes where there are many.
 */
final class JointFixes {

    private final Analyst analyst;
    private final List<Planned> planned = new ArrayList<>();
    private final Set<Path> touched = new HashSet<>();

    /** @param analyst of the code on which all of them are planned */
    JointFixes(Analyst analyst) {
        this.analyst = analyst;
    }

    /**
     * A fix and what it does.
     *
     * @param finding that it mends
     * @param preview what the guard said of it alone
     */
    record Planned(Finding finding, Outcome.Preview preview) {
    }

    /**
     * What is done at once.
     *
     * @param fixes  that take part
     * @param change of all of them
     * @param before the code that the change rests on
     */
    record Joined(List<Finding> fixes, Change change, Analysis before) {
    }

    /** Takes a fix in, unless it touches a file that another touches. */
    void add(Planned fix) {
        Set<Path> files = files(fix.preview().change());
        if (files.stream().noneMatch(touched::contains)) {
            touched.addAll(files);
            planned.add(fix);
        }
    }

    /** As many as the guard lets through together; empty when there are none. */
    Optional<Joined> joined() {
        for (int size = planned.size(); size > 1; size /= 2) {
            List<Planned> some = planned.subList(0, size);
            Change all = some.stream().map(fix -> fix.preview().change()).reduce(Change::beside).orElseThrow();
            Analysis before = analyst.analyse(Focus.whole(known(all)).deeply());
            if (new ChangeVerifier(analyst).judge(all, before) instanceof Outcome.Preview preview) {
                return Optional.of(new Joined(some.stream().map(Planned::finding).toList(), preview.change(), before));
            }
        }
        return planned.stream().findFirst().map(fix -> new Joined(List.of(fix.finding()), fix.preview().change(),
                fix.preview().before()));
    }

    private Set<Path> known(Change change) {
        return files(change).stream().filter(file -> analyst.snapshot().file(file).isPresent())
                .collect(Collectors.toSet());
    }

    private static Set<Path> files(Change change) {
        return change.effective().stream().map(FileChange::path).collect(Collectors.toSet());
    }
}
