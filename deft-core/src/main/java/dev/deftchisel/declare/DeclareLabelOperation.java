package dev.deftchisel.declare;

import com.sun.source.tree.BreakTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.LabeledStatementTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Name;

/** Declares the label that a {@code break} or {@code continue} names, at a loop around it (JLS 14.7, 14.15, 14.16). */
public final class DeclareLabelOperation implements Operation {

    /** The key of the choice which loop it is: {@code outer} or {@code inner}. */
    public static final String LOOP = "loop";

    private static final Question LOOP_QUESTION = new Question.Choice(LOOP, "which loop is meant",
            List.of(new Question.Option("outer", "the outermost one around"),
                    new Question.Option("inner", "the innermost one")), "outer");

    @Override
    public String id() {
        return "declare-label";
    }

    @Override
    public String summary() {
        return "Declare the label that a break or continue refers to";
    }

    @Override
    public List<Question> questions() {
        return List.of(LOOP_QUESTION);
    }

    /**
     * A jump to a label that is not there.
     *
     * @param loops around it, the innermost first
     */
    private record Jump(AttributedFile code, TreePath path, String label, List<Tree> loops) {
    }

    private static Optional<Jump> jump(Analysis analysis, ResolvedPlace resolved) {
        return analysis.code(resolved.file().path()).flatMap(code -> code.around(resolved.place().selection()).stream()
                .flatMap(path -> label(path.getLeaf()).map(name -> new Jump(code, path, name.toString(), loops(path)))
                        .stream())
                .findFirst()
                .filter(jump -> !jump.loops().isEmpty() && !isDeclared(jump)));
    }

    private static Optional<Name> label(Tree tree) {
        return Optional.ofNullable(tree instanceof BreakTree leaving ? leaving.getLabel()
                : tree instanceof ContinueTree again
                ? again.getLabel() : null);
    }

    private static boolean endsBody(Tree tree) {
        return tree instanceof MethodTree || TreePaths.runsApart(tree);
    }

    private static boolean isDeclared(Jump jump) {
        for (TreePath at = jump.path(); at != null && !endsBody(at.getLeaf()); at = at.getParentPath()) {
            if (at.getLeaf() instanceof LabeledStatementTree labelled && labelled.getLabel()
                    .contentEquals(jump.label())) {
                return true;
            }
        }
        return false;
    }

    private static List<Tree> loops(TreePath jump) {
        List<Tree> loops = new ArrayList<>();
        for (TreePath at = jump; at != null && !endsBody(at.getLeaf()); at = at.getParentPath()) {
            boolean isLoop = at.getLeaf() instanceof ForLoopTree || at.getLeaf() instanceof EnhancedForLoopTree
                    || at.getLeaf() instanceof WhileLoopTree || at.getLeaf() instanceof DoWhileLoopTree;
            if (isLoop && !(at.getParentPath().getLeaf() instanceof LabeledStatementTree)) {
                loops.add(at.getLeaf());
            }
        }
        return loops;
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return jump(resolved.analysis(), resolved)
                .map(jump -> new Offer(id(), "declare the label " + jump.label(), Offer.Kind.GENERATE,
                jump.code().range(jump.path().getLeaf()), questions()));
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Analysis before = analyst.analyse(Focus.around(resolved.file().path(), resolved.place().selection()).deeply());
        Optional<Jump> found = jump(before, resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no break or continue here to a label that is not declared");
        }
        Jump jump = found.get();
        AttributedFile code = jump.code();
        boolean isInner = answers.single(LOOP).filter("inner"::equals).isPresent();
        int start = code.range(jump.loops().get(isInner ? 0 : jump.loops().size() - 1)).start();
        EditsByFile edits = new EditsByFile(before);
        edits.of(resolved.file().path()).add(new NewCode(code.file())
                .write(jump.label() + ":" + Layout.of(code.file()).lineEnd() + Layout.indentOf(code.file(), start))
                .at(start));
        return new Plan.Ready(edits.change("declare the label " + jump.label(), SymbolEffects.same(), List.of()),
                before);
    }
}
