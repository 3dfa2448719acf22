package dev.deftchisel.problem.detection;

import com.sun.source.tree.VariableTree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Finding;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.EditsByFile;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.lang.model.element.VariableElement;

/** The change that several fixes make together. */
public final class FixDraft {

    private final EditsByFile edits;
    private final Map<SymbolKey, String> descriptors = new HashMap<>();
    private final Set<SymbolKey> revalued = new HashSet<>();
    private SymbolEffects.Leeway freedom = SymbolEffects.Leeway.FORM;

    /** @param before the analysis that the change will be compared with */
    public FixDraft(Analysis before) {
        this.edits = new EditsByFile(before);
    }

    /**
     * Adds what a fix writes.
     *
     * @param finding what it mends
     * @param fix     one of its fixes
     * @param code    the file in which it was found
     * @return what was added
     */
    public FixEdits add(Finding finding, Fix.Rewrite fix, AttributedFile code) {
        FixEdits taken = new FixEdits(code, edits.writer(code));
        fix.writer().accept(taken);
        edits.of(code.file().path()).addAll(taken.edits());
        descriptors.putAll(taken.descriptors());
        if (finding.about().effect() == Effect.OTHER) {
            taken.edits().forEach(edit -> revalued.addAll(constants(edit, code)));
        }
        if (finding.about().tag() == Tag.ERROR) {
            freedom = SymbolEffects.Leeway.TYPES;
        }
        return taken;
    }

    /** The constant variables whose value is written otherwise by a fix that is meant to do something else. */
    private static List<SymbolKey> constants(Edit edit, AttributedFile code) {
        return code.around(edit.range()).stream().filter(path -> path.getLeaf() instanceof VariableTree)
                .flatMap(path -> code.element(path).stream())
                .filter(element -> element instanceof VariableElement variable && variable.getConstantValue() != null)
                .map(code::key).toList();
    }

    /** All of it. */
    public Change change(String title) {
        return edits.change(title, SymbolEffects.descriptors(descriptors).rewriting(revalued).allowing(freedom),
                List.of());
    }
}
