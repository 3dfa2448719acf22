package dev.deftchisel.extract.value;

import com.sun.source.tree.ClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Finds the places where an expression reads the same and provably has the same value: it depends on nothing that
 * changes in between, because nothing it depends on changes at all.
 */
final class SameValue {

    private final Analysis analysis;
    private final AttributedFile code;
    private final SelectedExpression selected;

    SameValue(Analysis analysis, AttributedFile code, SelectedExpression selected) {
        this.analysis = analysis;
        this.code = code;
        this.selected = selected;
    }

    /** Why no other place can be said to have the same value; empty when there may be some. */
    Optional<String> doubt() {
        Effects effects = code.effects(selected.path());
        if (effects.isVisible() || effects.isFresh()) {
            return Optional.of("evaluating it may do something, or give another object each time");
        }
        if (effects.readsState()) {
            return Optional.of("it depends on fields or elements that may change in between");
        }
        return effects.readsLocals().stream()
                .filter(local -> analysis.isAssigned(code.key(local)))
                .map(local -> "it depends on '" + local.getSimpleName() + "', which is assigned again")
                .findFirst();
    }

    /** All places within a tree, in order, that of the expression itself among them. */
    List<TreePath> within(TreePath region) {
        List<TreePath> found = new ArrayList<>();
        List<String> wanted = tokens(selected.range());
        List<SymbolKey> meant = keys(selected.range());
        boolean saysThis = code.dependsOnThis(selected.path());
        for (TreePath path : code.expressions(region)) {
            Range range = code.range(path.getLeaf());
            boolean isSelf = path.getLeaf() == selected.tree();
            boolean isSame = isSelf || SelectedExpression.isValue(code, path) && tokens(range).equals(wanted)
                    && keys(range).equals(meant) && !(saysThis
                    && TreePaths.leadsThrough(path, region.getLeaf(), tree -> tree instanceof ClassTree));
            if (isSame && found.stream().noneMatch(known -> code.range(known.getLeaf()).overlaps(range))) {
                found.add(path);
            }
        }
        return found;
    }

    private List<String> tokens(Range range) {
        Tokens tokens = code.tokens();
        List<String> found = new ArrayList<>();
        for (int i = tokens.code(tokens.at(range.start())); i < tokens.count() && tokens.start(i) < range.end();
                i = tokens.code(i + 1)) {
            found.add(tokens.text(i));
        }
        return found;
    }

    private List<SymbolKey> keys(Range range) {
        return analysis.bindings(code.file().path()).stream()
                .filter(binding -> range.encloses(binding.range()))
                .map(Binding::key)
                .toList();
    }
}
