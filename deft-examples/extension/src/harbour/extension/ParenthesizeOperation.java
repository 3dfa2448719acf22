package harbour.extension;

import com.sun.source.tree.BinaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;

/** Puts parentheses around an operation within another, so that no reader needs to know which is evaluated first. */
public final class ParenthesizeOperation implements Operation {

    @Override
    public String id() {
        return "parenthesize";
    }

    @Override
    public String summary() {
        return "Put parentheses around an operation within another";
    }

    @Override
    public List<Question> questions() {
        return List.of();
    }

    /** The innermost operation at a place that is the operand of another and has no parentheses yet. */
    private static Optional<TreePath> operand(AttributedFile code, Range selection) {
        return code.around(selection).stream()
                .filter(path -> path.getLeaf() instanceof BinaryTree
                        && path.getParentPath().getLeaf() instanceof BinaryTree)
                .findFirst();
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return resolved.analysis().code(resolved.file().path())
                .flatMap(code -> operand(code, resolved.place().selection()).map(path -> new Offer(id(),
                        "put parentheses around '" + code.text(path.getLeaf()) + "'", Offer.Kind.REFACTORING,
                        code.range(path.getLeaf()), questions())));
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Analysis before = analyst.analyse(Focus.around(resolved.file().path(), resolved.place().selection()).deeply());
        Optional<AttributedFile> code = before.code(resolved.file().path());
        Optional<TreePath> path = code.flatMap(file -> operand(file, resolved.place().selection()));
        if (path.isEmpty()) {
            return Plan.refused(resolved, "there is no operation within another here that has no parentheses");
        }
        Range range = code.get().range(path.get().getLeaf());
        EditsByFile edits = new EditsByFile(before);
        // what is carried stands as it was, so the guard can follow each name in it
        edits.of(resolved.file().path()).add(new NewCode(resolved.file()).write("(").carry(range).write(")")
                .replacing(range));
        return new Plan.Ready(edits.change("put parentheses around '" + code.get().text(range) + "'",
                SymbolEffects.same(), List.of()), before);
    }
}
