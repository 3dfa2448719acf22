package dev.deftchisel.problem;

import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import java.util.Set;

/**
 * Something to look for in code. Implementations have no state and a public constructor without parameters, and are
 * listed as services; nothing else is needed for a rule of one's own. All rules are led over a file in one walk, and
 * each is shown the trees of the kinds that it asks for.
 */
public interface Rule {

    /** What it is; always the same. */
    RuleDescription about();

    /** The kinds of tree that it wants to see. */
    Set<Tree.Kind> kinds();

    /**
     * Looks at one tree and reports to the context what is wrong with it. The code is attributed; in code with errors
     * types and elements may be missing. Called for every tree of the kinds in every file, so it must be quick: it
     * sees one file, keeps nothing, and may be called from any thread. A rule that throws is left out in that file.
     *
     * @param path   a tree of one of the kinds
     * @param context of its file
     */
    void look(TreePath path, RuleContext context);
}
