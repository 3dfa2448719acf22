package dev.deftchisel.rule;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.source.Tokens;
import java.util.List;

/** Variables of one declaration, {@code int a, b;} (JLS 8.3, 14.4). */
public final class MultiDeclaration {

    private MultiDeclaration() {
    }

    /** Whether others are declared together with a variable. */
    public static boolean isShared(TreePath declaration, AttributedFile code) {
        VariableTree variable = (VariableTree) declaration.getLeaf();
        Tokens tokens = code.tokens();
        int last = tokens.at(code.range(variable).end() - 1);
        boolean isFollowed = tokens.is(last, ',') || tokens.is(tokens.code(last + 1), ',');
        return isFollowed || code.find(variable.getType()).filter(type -> siblings(declaration).stream()
                .anyMatch(sibling -> sibling != variable && sibling instanceof VariableTree other
                        && code.find(other.getType()).filter(type::equals).isPresent())).isPresent();
    }

    private static List<? extends Tree> siblings(TreePath declaration) {
        Tree around = declaration.getParentPath().getLeaf();
        return around instanceof ClassTree type ? type.getMembers() : TreePaths.statements(around);
    }
}
