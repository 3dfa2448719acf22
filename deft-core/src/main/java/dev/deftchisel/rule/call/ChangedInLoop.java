package dev.deftchisel.rule.call;

import com.sun.source.tree.BreakTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Calls;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Jumps;
import dev.deftchisel.analysis.NamedTypes;
import dev.deftchisel.problem.About;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.Survey;
import dev.deftchisel.problem.Tag;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.type.TypeMirror;

/** A collection that changes while a loop goes over it (java.util.ConcurrentModificationException). */
public final class ChangedInLoop implements Rule {

    private static final Set<String> CHANGING = Set.of("add", "remove", "clear", "addAll", "removeAll", "removeIf", "put");

    @Override
    public About about() {
        return About.of("changed-in-loop", Tag.SUSPICIOUS, "A collection changes while a loop goes over it", Effect.SAME_BEHAVIOUR)
                .because("The next round of the loop ends in a ConcurrentModificationException.")
                .example("""
                        import java.util.List;

                        class Berths {
                            void free(List<String> names) {
                                for (String name : names) {
                                    if (name.isEmpty()) {
                                        names.remove(name);
                                    }
                                }
                            }
                        }
                        """, """
                        import java.util.List;

                        class Berths {
                            void free(List<String> names) {
                                for (String name : names) {
                                    if (name.isEmpty()) {
                                        names.remove(name);
                                    }
                                }
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.List;
                        import java.util.concurrent.CopyOnWriteArrayList;

                        class Berths {
                            void free(List<String> names, List<String> others, CopyOnWriteArrayList<String> all) {
                                for (String name : names) {
                                    others.remove(name);
                                    if (name.isEmpty()) {
                                        names.remove(name);
                                        break;
                                    }
                                }
                                for (String name : others) {
                                    if (others.remove(name)) {
                                        return;
                                    }
                                }
                                for (String name : all) {
                                    all.remove(name);
                                }
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.ENHANCED_FOR_LOOP);
    }

    @Override
    public void look(TreePath path, Survey survey) {
        EnhancedForLoopTree loop = (EnhancedForLoopTree) path.getLeaf();
        Code code = survey.code();
        TreePath source = Code.inner(new TreePath(path, loop.getExpression()));
        boolean isPlain = source.getLeaf() instanceof IdentifierTree && code.type(source).filter(type -> failsFast(type)).isPresent();
        Optional<Element> collection = code.element(source).filter(element -> isPlain);
        if (collection.isEmpty()) {
            return;
        }
        for (TreePath use : survey.names().uses(collection.get())) {
            TreePath call = use.getParentPath().getParentPath();
            boolean isIn = use.getLeaf() instanceof IdentifierTree
                    && Code.leadsThrough(use, null, tree -> tree == loop.getStatement()) && !Code.isDeferred(use, loop);
            boolean isChange = isIn && use.getParentPath().getLeaf() instanceof MemberSelectTree select
                    && select.getExpression() == use.getLeaf()
                    && call.getLeaf() instanceof MethodInvocationTree called && called.getMethodSelect() == select
                    && CHANGING.contains(Calls.name(called)) && code.isKind(collection.get().asType(),
                            code.elements().getTypeElement("java.util.Collection").asType());
            if (isChange && goesOn(call, loop)) {
                survey.report(call.getLeaf(), "the loop over '" + collection.get().getSimpleName() + "' fails when it goes on");
            }
        }
    }

    /** Concurrent collections may change; lists, sets and queues of others say that they fail. */
    private static boolean failsFast(TypeMirror type) {
        return NamedTypes.isOneOf(type, Set.of("java.util.List", "java.util.ArrayList", "java.util.LinkedList", "java.util.HashSet", "java.util.Set",
                "java.util.TreeSet", "java.util.LinkedHashSet", "java.util.ArrayDeque"));
    }

    /** Whether the loop may go on behind a call: no jump or result follows in its block or in a block around that. */
    private static boolean goesOn(TreePath call, EnhancedForLoopTree loop) {
        for (TreePath at = call; at.getLeaf() != loop; at = at.getParentPath()) {
            // what is asked whether it changed something is left when it did
            if (at.getParentPath().getLeaf() instanceof IfTree asked && asked.getCondition() == at.getLeaf()
                    && !Jumps.canComplete(asked.getThenStatement())) {
                return false;
            }
            List<? extends StatementTree> all = Code.statements(at.getParentPath().getLeaf());
            int index = all.indexOf(at.getLeaf());
            if (index >= 0 && !all.subList(index, all.size()).stream().allMatch(ChangedInLoop::mayGoOn)) {
                return false;
            }
        }
        return true;
    }

    private static boolean mayGoOn(StatementTree statement) {
        return Jumps.canComplete(statement) && !(statement instanceof BreakTree);
    }
}
