package dev.deftchisel.problem.detection;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Finding;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.ServiceLoader;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What mends errors of the compiler, by its codes. */
public final class Repairs {

    private static final Logger LOG = LoggerFactory.getLogger(Repairs.class);

    private final Map<String, List<Repair>> byCode = new HashMap<>();

    /** @param all in the order in which their fixes are offered */
    public Repairs(List<Repair> all) {
        all.forEach(repair -> repair.codes().forEach(code -> byCode.computeIfAbsent(code, key -> new ArrayList<>())
                .add(repair)));
    }

    /** Those on the class path. */
    public static Repairs installed() {
        List<Repair> found = new ArrayList<>();
        ServiceLoader.load(Repair.class, Repairs.class.getClassLoader()).forEach(found::add);
        return new Repairs(found);
    }

    /** The codes for which there is a repair. */
    public List<String> codes() {
        return byCode.keySet().stream().sorted().toList();
    }

    Finding finding(CompilerError error, RuleContext context, Analysis analysis) {
        String id = ErrorSite.id(error);
        RuleDescription about = RuleDescription.of(id, Tag.ERROR, error.message(), Effect.OTHER);
        return new Finding(about, Severity.ERROR, shown(error, context.code()), error.message(),
                fixes(id, error, context, analysis));
    }

    /** What the compiler points at, without running over the end of the line. */
    private static Range shown(CompilerError error, AttributedFile code) {
        Range line = code.file().lines().rangeOf(code.file().lines().line(error.range().start()));
        return new Range(error.range().start(), Math.max(error.range()
                .start(), Math.min(error.range().end(), line.end())));
    }

    private List<Fix> fixes(String id, CompilerError error, RuleContext context, Analysis analysis) {
        List<Repair> known = byCode.getOrDefault(id, List.of());
        if (known.isEmpty()) {
            return List.of();
        }
        RepeatedErrors alike = new RepeatedErrors(ErrorSite.of(error, context, analysis));
        List<Fix> fixes = new ArrayList<>();
        for (Repair repair : known) {
            fixes.addAll(alike.joined(one -> of(repair, one)));
        }
        Set<String> titles = new HashSet<>();
        fixes.removeIf(fix -> !titles.add(fix.title()));
        return fixes;
    }

    private static List<Fix> of(Repair repair, ErrorSite site) {
        try {
            return repair.fixes(site);
        } catch (RuntimeException failed) {
            // half-written code can be of any shape; no fix is better than none of the others
            LOG.warn("no fix for '{}' at {}:{}", site.id(), site.code().file().path(), site.error().range()
                    .start(), failed);
            return List.of();
        }
    }
}
