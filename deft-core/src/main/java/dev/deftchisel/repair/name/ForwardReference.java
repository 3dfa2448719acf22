package dev.deftchisel.repair.name;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** A field that is used before it is declared (JLS 8.3.3): its declaration goes before the one that uses it. */
public final class ForwardReference implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("illegal.forward.ref");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> use = site.around().stream().filter(path -> path.getLeaf() instanceof IdentifierTree)
                .findFirst();
        Optional<TreePath> declared = use.flatMap(site::declaration)
                .filter(path -> path.getParentPath().getLeaf() instanceof ClassTree);
        Optional<Tree> user = use.flatMap(path -> Stream.iterate(path, at -> at != null && at.getParentPath() != null,
                TreePath::getParentPath)
                .filter(at -> declared.isPresent() && at.getParentPath().getLeaf() == declared.get().getParentPath()
                        .getLeaf())
                .map(TreePath::getLeaf).findFirst());
        if (declared.isEmpty() || user.isEmpty() || declared.get().getLeaf() == user.get()) {
            return List.of();
        }
        String name = ((IdentifierTree) use.get().getLeaf()).getName().toString();
        Range moved = Layout.withComments(code.file(), code.range(declared.get().getLeaf()));
        int start = Layout.withComments(code.file(), code.range(user.get())).start();
        return List.of(Fix.of("declare '" + name + "' first", edits -> {
            edits.insert(start, code.text(moved) + Layout.of(code.file())
                    .lineEnd() + Layout.indentOf(code.file(), start));
            edits.remove(moved);
        }));
    }
}
