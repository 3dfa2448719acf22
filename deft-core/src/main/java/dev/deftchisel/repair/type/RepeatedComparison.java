package dev.deftchisel.repair.type;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.type.TypeKind;

/**
 * {@code month == 1 || 2} and {@code name.equals("a" || "b")}: operators join conditions, not values (JLS 15.23,
 * 15.24).
 */
public final class RepeatedComparison implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("operator.cant.be.applied.1");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.nearest(BinaryTree.class).filter(path -> isJoin(path.getLeaf()));
        if (found.isEmpty()) {
            return List.of();
        }
        TreePath whole = found.get();
        while (isJoin(whole.getParentPath().getLeaf())) {
            whole = whole.getParentPath();
        }
        TreePath all = whole;
        String sign = all.getLeaf().getKind() == Tree.Kind.CONDITIONAL_OR ? " || " : " && ";
        List<ExpressionTree> operands = operands((BinaryTree) all.getLeaf());
        if (all.getParentPath().getLeaf() instanceof MethodInvocationTree call && call.getArguments().size() == 1) {
            String method = code.text(call.getMethodSelect());
            return List.of(Fix.of("compare each", edits -> edits.replace(code.range(call),
                    operands.stream().map(operand -> method + "(" + code.text(operand) + ")")
                    .collect(Collectors.joining(sign)))));
        }
        boolean isCompared = TreePaths.inner(operands.get(0)) instanceof BinaryTree first
                && (first.getKind() == Tree.Kind.EQUAL_TO || first.getKind() == Tree.Kind.NOT_EQUAL_TO)
                && operands.subList(1, operands.size()).stream()
                .allMatch(operand -> code.type(new TreePath(all, operand))
                .filter(type -> type.getKind() != TypeKind.BOOLEAN).isPresent());
        if (!isCompared) {
            return List.of();
        }
        BinaryTree first = (BinaryTree) TreePaths.inner(operands.get(0));
        String head = code.text(first.getLeftOperand()) + (first.getKind() == Tree.Kind.EQUAL_TO ? " == " : " != ");
        return List.of(Fix.of("compare each", edits -> operands.subList(1, operands.size())
                .forEach(operand -> edits.insert(code.range(operand).start(), head))));
    }

    private static boolean isJoin(Tree tree) {
        return tree.getKind() == Tree.Kind.CONDITIONAL_OR || tree.getKind() == Tree.Kind.CONDITIONAL_AND;
    }

    private static List<ExpressionTree> operands(BinaryTree tree) {
        List<ExpressionTree> all = new ArrayList<>();
        ExpressionTree at = tree;
        while (at instanceof BinaryTree binary && at.getKind() == tree.getKind()) {
            all.add(0, binary.getRightOperand());
            at = binary.getLeftOperand();
        }
        all.add(0, at);
        return all;
    }
}
