package dev.deftchisel.signature.declaration;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.SignatureChange;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * Places where a body computes with a parameter that gets another primitive type: the same operators then work on other
 * numbers (JLS 5.6), which is what the user asks for, but should be seen.
 */
public final class ComputedUses {

    private final Analysis before;
    private final SignatureChange change;
    private final DeclaredHeader declared;

    /** @param declared one declaration of the family */
    public ComputedUses(Analysis before, SignatureChange change, DeclaredHeader declared) {
        this.before = before;
        this.change = change;
        this.declared = declared;
    }

    /** One line for each such parameter. */
    public List<String> notes() {
        List<String> notes = new ArrayList<>();
        for (int i = 0; i < change.origins().size(); i++) {
            if (change.isRetyped(i) && change.type(i).getKind().isPrimitive()) {
                String places = before.uses(declared.code().key(declared.element().getParameters()
                        .get(change.origins().get(i)))).stream().filter(this::isComputedWith).map(this::shown)
                        .collect(Collectors.joining(", "));
                if (!places.isEmpty()) {
                    notes.add("'" + change.name(i) + "' is computed with as '" + NamedTypes.shown(change.type(i))
                            + "' then: " + places);
                }
            }
        }
        return notes;
    }

    private boolean isComputedWith(Binding use) {
        AttributedFile code = declared.code();
        return use.file().equals(code.file().path()) && code.expression(use.range())
                .map(TreePaths::outer).map(TreePath::getLeaf).filter(ComputedUses::computes).isPresent();
    }

    private static boolean computes(Tree tree) {
        return tree instanceof BinaryTree || tree instanceof UnaryTree || tree instanceof CompoundAssignmentTree;
    }

    private String shown(Binding use) {
        return before.snapshot().show(use.file(), use.range().start());
    }
}
