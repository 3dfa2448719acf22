package dev.deftchisel.inline;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.Imports;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.rewrite.ValueWriter;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Puts the value of a local variable where its name stands. */
final class InlineVariable {

    private final Analysis before;
    private final InlinedVariable inlined;
    private final AttributedFile code;

    InlineVariable(Analysis before, InlinedVariable inlined) {
        this.before = before;
        this.inlined = inlined;
        this.code = inlined.code();
    }

    /**
     * Works it out.
     *
     * @param places the uses that give way
     * @param goes   whether the declaration goes; only when these are all of them
     */
    Plan plan(List<TreePath> places, boolean goes) {
        TypeWriter writer = new TypeWriter(code);
        ValueWriter written = new ValueWriter(code, inlined.valuePath(), inlined.variable().asType(), writer);
        Optional<Reason> objection = new MovableValue(before, inlined, written.conversion())
                .objection(places, !goes || places.size() < inlined.uses().size());
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        List<Edit> edits = new ArrayList<>();
        for (TreePath place : places) {
            NewCode text = new NewCode(code.file());
            if (!written.write(text, code, place, (to, instead) -> to.carry(code.range(inlined.value()),
                    indent(inlined.valuePath()), indent(place), instead))) {
                return Plan.refused(Reason.at(code.file().path(), code.range(place.getLeaf()),
                        "the type of the variable matters here and has no name that could be written"));
            }
            edits.add(text.replacing(code.range(place.getLeaf())));
        }
        if (goes && places.size() == inlined.uses().size()) {
            edits.add(Edit.of(Layout.removed(code.file(), code.range(inlined.tree())), "", Edit.Kind.CODE));
        }
        edits.addAll(writer.imports());
        edits.addAll(Imports.unneeded(code.file(), edits));
        return new Plan.Ready(new Change("inline the variable " + inlined.tree().getName(),
                List.of(new FileChange(code.file().path(), Optional.empty(), code.file().text(), edits)),
                SymbolEffects.same(), List.of()), before);
    }

    private String indent(TreePath path) {
        Range range = code.range(path.getLeaf());
        return Layout.indentOf(code.file(), range.start());
    }
}
