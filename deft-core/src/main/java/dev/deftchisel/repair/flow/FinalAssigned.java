package dev.deftchisel.repair.flow;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.repair.StatementLines;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeMirror;

/** Variables that are final, or must be so, and get another value (JLS 4.12.4, 8.1.3, 15.27.2). */
public final class FinalAssigned implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("cant.assign.val.to.final.var", "cant.assign.val.to.var", "var.might.already.be.assigned",
                "var.might.be.assigned.in.loop",
                "final.parameter.may.not.be.assigned", "cant.ref.non.effectively.final.var",
                "local.var.accessed.from.icls.needs.final");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> named = site.around().stream()
                .filter(path -> path.getLeaf() instanceof IdentifierTree || path.getLeaf() instanceof MemberSelectTree)
                .findFirst();
        Optional<TreePath> declared = named.flatMap(site::declaration)
                .filter(path -> path.getLeaf() instanceof VariableTree);
        if (declared.isEmpty()) {
            return List.of();
        }
        VariableTree variable = (VariableTree) declared.get().getLeaf();
        if (site.id().equals("cant.ref.non.effectively.final.var") || site.id()
                .equals("local.var.accessed.from.icls.needs.final")) {
            return copied(named.get(), declared.get(), code).stream().toList();
        }
        return variable.getModifiers().getFlags().contains(Modifier.FINAL)
                ? List.of(Fix.of("let '" + variable.getName() + "' change",
                        edits -> ModifierWords.remove(edits, code.range(variable.getModifiers()), "final")))
                : removed(site).stream().toList();
    }

    /** The constant of an interface has no modifier that could go (JLS 9.3). */
    private static Optional<Fix> removed(ErrorSite site) {
        return site.nearest(AssignmentTree.class).map(TreePath::getParentPath)
                .filter(path -> path.getLeaf() instanceof ExpressionStatementTree)
                .map(path -> Fix.of("remove the assignment", edits -> edits.remove(site.code().range(path.getLeaf()))));
    }

    /** A variable of its own for the function or class, which keeps the value that there is before it. */
    private static Optional<Fix> copied(TreePath named, TreePath declared, AttributedFile code) {
        VariableTree variable = (VariableTree) declared.getLeaf();
        TreePath apart = named;
        while (!TreePaths.runsApart(apart.getLeaf())) {
            apart = apart.getParentPath();
        }
        TreePath statement = apart;
        while (statement != null && !(statement.getLeaf() instanceof StatementTree
                && statement.getParentPath().getLeaf() instanceof BlockTree)) {
            statement = statement.getParentPath();
        }
        if (statement == null) {
            return Optional.empty();
        }
        String copy = "final" + Character.toUpperCase(variable.getName().charAt(0)) + variable.getName().toString()
                .substring(1);
        TreePath within = apart;
        Tree before = statement.getLeaf();
        Optional<TypeMirror> type = code.element(declared).map(Element::asType);
        return type.map(known -> Fix.of("keep its value in '" + copy + "'", edits -> {
            StatementLines.before(edits, before, edits.types().write(known).orElse("var") + " " + copy + " = "
                    + variable.getName() + ";");
            code.occurrences(within).stream()
                    .filter(place -> code.element(declared).filter(place.variable()::equals).isPresent())
                    .forEach(place -> edits.replace(code.range(place.path().getLeaf()), copy));
        }));
    }
}
