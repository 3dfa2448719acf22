package dev.deftchisel.problem.detection;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * The errors of a file that come of one mistake made several times: of the same code, about the same word or in the
 * same member. One fix mends them all, where each has one of the same sort.
 */
final class RepeatedErrors {

    /** What is wrong more often than this is not one slip, and should be looked at place by place. */
    private static final int MOST = 20;

    private final ErrorSite site;
    private final List<CompilerError> others;

    /** @param site of one of them */
    RepeatedErrors(ErrorSite site) {
        this.site = site;
        this.others = others(site);
    }

    /**
     * Fixes of the error, each with one for all of them after it.
     *
     * @param fixes what mends one of them
     */
    List<Fix> joined(Function<ErrorSite, List<Fix>> fixes) {
        List<Fix> own = fixes.apply(site);
        if (others.isEmpty() || others.size() >= MOST) {
            return own;
        }
        List<Fix> all = new ArrayList<>();
        for (Fix fix : own) {
            all.add(fix);
            if (fix instanceof Fix.Rewrite first) {
                all.add(new Fix.Rewrite(first.title() + ", and mend " + others.size() + " more like it",
                        edits -> together(first, fixes, edits), true));
            }
        }
        return all;
    }

    /** Writes all of it, or nothing where one of the errors has no such fix. */
    private void together(Fix.Rewrite first, Function<ErrorSite, List<Fix>> fixes, FixEdits edits) {
        List<Fix.Rewrite> parts = new ArrayList<>(List.of(first));
        for (CompilerError other : others) {
            Optional<Fix.Rewrite> part = fixes.apply(site.at(other)).stream().filter(fix -> fix instanceof Fix.Rewrite)
                    .map(fix -> (Fix.Rewrite) fix)
                    .filter(fix -> sort(fix).equals(sort(first))).findFirst();
            if (part.isEmpty()) {
                return;
            }
            parts.add(part.get());
        }
        parts.forEach(part -> edits.adopt(part.writer()));
    }

    /** What a fix does, without the names concerned. */
    private static String sort(Fix fix) {
        String[] words = fix.title().replaceAll("'[^']*'|\"[^\"]*\"", "").strip().split("\\s+");
        return words.length > 1 ? words[0] + " " + words[1] : words[0];
    }

    private static List<CompilerError> others(ErrorSite site) {
        Optional<Range> member = member(site);
        String word = site.code().text(site.error().range());
        return site.analysis().errors(site.code().file().path()).stream()
                .filter(other -> other.code().equals(site.error().code()) && other.range().start() != site.error()
                        .range().start())
                .filter(other -> site.code().text(other.range()).equals(word)
                        || member.filter(range -> range.encloses(other.range())).isPresent()).toList();
    }

    /** The member of a class around an error. */
    private static Optional<Range> member(ErrorSite site) {
        return site.around().stream().filter(path -> path.getParentPath() != null && path.getParentPath()
                .getLeaf() instanceof ClassTree
                        && !(path.getLeaf() instanceof ClassTree) && !(path.getLeaf() instanceof BlockTree))
                .map(TreePath::getLeaf).findFirst().flatMap(site.code()::find)
                .filter(range -> range.encloses(site.error().range()));
    }
}
