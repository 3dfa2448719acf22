package dev.deftchisel.rule.unused;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;

/** Private nested types and types of a body that nobody names (JLS 8.5, 14.3). */
public final class UnusedType implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("unused-type", Tag.UNUSED, "A private type is never used", Effect.SAME_BEHAVIOUR)
                .because("It must be read and kept working, and does nothing.")
                .example("""
                        class Harbour {
                            private static class Pilot {
                                Pilot next;
                            }

                            int berths() {
                                return 3;
                            }
                        }
                        """, """
                        class Harbour {
                            int berths() {
                                return 3;
                            }
                        }
                        """)
                .silentOn("""
                        class Harbour {
                            private static class Pilot {
                            }

                            Object pilot() {
                                return new Pilot();
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.CLASS, Tree.Kind.INTERFACE, Tree.Kind.ENUM, Tree.Kind.RECORD);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        ClassTree type = (ClassTree) path.getLeaf();
        boolean isMember = path.getParentPath().getLeaf() instanceof ClassTree
                && type.getModifiers().getFlags().contains(Modifier.PRIVATE);
        boolean isLocal = path.getParentPath().getLeaf() instanceof BlockTree;
        if (type.getSimpleName().isEmpty() || !(isMember || isLocal) || context.hasErrors()) {
            return;
        }
        DeclarationUsage.at(path, context)
                .filter(declared -> !declared.isReachedOtherwise() && context.names().used().stream()
                        .filter(used -> isPart(used, declared.element()))
                        .flatMap(used -> context.names().uses(used).stream())
                        .allMatch(use -> TreePaths.leadsThrough(use, null, tree -> tree == type)))
                .ifPresent(declared -> context.report(context.code().name(type), "'" + declared.name()
                        + "' is never used",
                        Fix.of("remove the type", declared::removeMember)));
    }

    private static boolean isPart(Element used, Element type) {
        for (Element at = used; at != null; at = at.getEnclosingElement()) {
            if (at.equals(type)) {
                return true;
            }
        }
        return false;
    }
}
