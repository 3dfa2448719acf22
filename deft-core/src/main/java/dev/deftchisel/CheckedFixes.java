package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.AnalysisException;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.compiler.SyntaxCheck;
import dev.deftchisel.change.Change;
import dev.deftchisel.problem.Finding;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Tag;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Plans the first fixes of an error before they are shown, so that none is offered that cannot be taken. */
final class CheckedFixes {

    /** So many are planned; those after are left out, since nobody reads that far. */
    private static final int MOST = 8;

    private final Analyst analyst;
    private final FixPlanner planner;

    CheckedFixes(Analyst analyst, FixPlanner planner) {
        this.analyst = analyst;
        this.planner = planner;
    }

    /**
     * A fix that can be taken.
     *
     * @param errors how many errors more there are in the file then
     * @param rank   the smaller the better
     */
    private record Checked(Fix fix, int errors, int rank) {
    }

    /** The titles of the fixes that can be taken, best first. */
    List<String> of(Finding finding, Path file, Analysis analysis) {
        return checked(finding, file, analysis, false).stream().map(one -> one.fix().title()).toList();
    }

    /**
     * An error with the fix first that is to be taken without anybody looking: the first that can be taken and leaves
     * fewer errors, or else the one that leaves the fewest. Others than errors stay as they are, and so does an error
     * without such a fix.
     */
    Finding led(Finding finding, Path file, Analysis analysis) {
        // over a scope each of several problems has its own turn
        List<Fix> all = finding.fixes().stream().filter(fix -> !fix.isElsewhere()).toList();
        List<Fix> known = all.stream().filter(fix -> !declaresType(fix)).toList();
        List<Fix> own = known.isEmpty() ? all : known;
        Finding alone = new Finding(finding.about(), finding.severity(), finding.range(), finding.sentence(), own);
        boolean isInDoubt = finding.about().tag() == Tag.ERROR && own.size() > 1;
        return isInDoubt ? checked(alone, file, analysis, true).stream().findFirst()
                .map(one -> alone.leading(one.fix())).orElse(alone) : alone;
    }

    /**
     * Where nobody looks no type is made for a name that another fix knows: one that cannot be used yet may be meant.
     */
    private static boolean declaresType(Fix fix) {
        return fix instanceof Fix.Use use && use.operation().equals("declare-type");
    }

    /** The fixes of an error that can be taken, best first. */
    private List<Checked> checked(Finding finding, Path file, Analysis analysis, boolean isFirstEnough) {
        List<Checked> checked = new ArrayList<>();
        boolean isOfParser = analysis.code(file).filter(code -> !new SyntaxCheck(file, code.file().module().java())
                .errors(code.file().content()).isEmpty()).isPresent();
        long before = count(analysis, file, finding);
        int planned = 0;
        boolean isTaken = false;
        for (Fix fix : finding.fixes()) {
            // what mends several stands after what mends the one, and does no better where that cannot be taken
            if (fix.isElsewhere() && (before < 2 || !isTaken)) {
                continue;
            }
            planned += fix.isElsewhere() ? 0 : 1;
            if (planned > MOST) {
                break;
            }
            Optional<Checked> one = taken(finding, fix, file, analysis)
                    .flatMap(change -> errors(change, finding, file, analysis, before))
                    // of what the parser does not understand, one mistake is many errors; else a fix need not mend more
                    // than its own
                    .map(errors -> new Checked(fix, errors, fix.isElsewhere() ? Math.min(-2, errors) : isOfParser
                            ? errors : Math.max(-1, errors)));
            one.ifPresent(checked::add);
            isTaken = one.isPresent();
            if (isFirstEnough && !isOfParser && checked.stream().anyMatch(known -> known.rank() < 0)) {
                break;
            }
        }
        return useful(checked).stream().sorted(Comparator.comparing(Checked::rank)).toList();
    }

    /** What mends several comes first where it leaves fewer errors than all before it, and else not at all. */
    private static List<Checked> useful(List<Checked> checked) {
        List<Checked> useful = new ArrayList<>();
        int least = Integer.MAX_VALUE;
        for (Checked one : checked) {
            if (!one.fix().isElsewhere() || one.errors() < least) {
                useful.add(one);
            }
            least = Math.min(least, one.errors());
        }
        return useful;
    }

    private Optional<Change> taken(Finding finding, Fix fix, Path file, Analysis analysis) {
        try {
            return planner.mend(finding, fix, file, analysis) instanceof Outcome.Preview preview && !preview.change()
                    .effective().isEmpty()
                    ? Optional.of(preview.change()) : Optional.empty();
        } catch (IllegalArgumentException | IllegalStateException | IndexOutOfBoundsException unreadable) {
            // half-written code can be of any shape
            return Optional.empty();
        }
    }

    /** How many errors more there are; empty when there are as many of the same sort as before. */
    private Optional<Integer> errors(Change change, Finding finding, Path file, Analysis analysis, long before) {
        Path now = change.mapping().file(file);
        try {
            Analysis after = analyst.of(change.applyTo(analysis.snapshot()))
                    .analyse(Focus.whole(List.of(now)).deeply());
            long left = count(after, now, finding);
            int mended = after.errors(now).size() - analysis.errors(file).size();
            return left > 0 && left >= before ? Optional.empty() : Optional.of(mended);
        } catch (AnalysisException broken) {
            return Optional.empty();
        }
    }

    private static long count(Analysis analysis, Path file, Finding finding) {
        return analysis.errors(file).stream().filter(error -> error.code()
                .equals("compiler.err." + finding.about().id())).count();
    }
}
