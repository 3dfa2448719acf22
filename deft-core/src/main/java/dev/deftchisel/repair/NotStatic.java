package dev.deftchisel.repair;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Modifier;

/** Members of an object that are named where there is none (JLS 8.1.3, 15.12.3). */
public final class NotStatic implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("non-static.cant.be.ref");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        Code code = site.code();
        Optional<TreePath> named = site.around().stream()
                .filter(path -> path.getLeaf() instanceof IdentifierTree || path.getLeaf() instanceof MemberSelectTree)
                .findFirst();
        Optional<TreePath> declared = named.flatMap(site::declaration);
        List<Fix> fixes = new ArrayList<>();
        declared.filter(path -> path.getParentPath().getLeaf() instanceof ClassTree).ifPresent(path ->
                fixes.add(Fix.of("make '" + code.element(path).orElseThrow().getSimpleName() + "' static",
                        edits -> ModifierWords.add(edits, path.getLeaf(), "static"))));
        site.nearest(MethodTree.class).map(path -> (MethodTree) path.getLeaf())
                .filter(method -> method.getModifiers().getFlags().contains(Modifier.STATIC) && !method.getName().contentEquals("main"))
                .ifPresent(method -> fixes.add(Fix.of("let '" + method.getName() + "' be no longer static",
                        edits -> ModifierWords.remove(edits, code.range(method.getModifiers()), "static"))));
        return fixes;
    }
}
