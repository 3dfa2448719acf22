package dev.deftchisel.rule.call;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rule.NullTest;
import dev.deftchisel.rule.WrittenValues;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.type.DeclaredType;

/** A collection that changes while a loop goes over it (java.util.ConcurrentModificationException). */
public final class ChangedInLoop implements Rule {

    private static final Set<String> CHANGING = Set.of("add", "remove", "clear", "addAll", "removeAll", "removeIf",
            "put");
    /** A value for a key that is there may be put, or not: only what takes keys away is sure to be noticed. */
    private static final Set<String> CHANGING_MAPS = Set.of("remove", "clear");
    private static final Set<String> VIEWS = Set.of("keySet", "values", "entrySet");
    /** Those whose iterators fail; concurrent ones may change. */
    private static final Set<String> COLLECTIONS = Set.of("java.util.List", "java.util.ArrayList",
            "java.util.LinkedList", "java.util.HashSet",
            "java.util.Set", "java.util.TreeSet", "java.util.LinkedHashSet", "java.util.ArrayDeque");
    private static final Set<String> MAPS = Set.of("java.util.Map", "java.util.HashMap", "java.util.TreeMap",
            "java.util.LinkedHashMap");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("changed-in-loop", Tag.SUSPICIOUS, "A collection changes while a loop goes over it",
                Effect.SAME_BEHAVIOUR)
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
    public void look(TreePath path, RuleContext context) {
        EnhancedForLoopTree loop = (EnhancedForLoopTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath source = TreePaths.inner(new TreePath(path, loop.getExpression()));
        Optional<TreePath> view = view(source, code);
        TreePath owner = view.orElse(source);
        boolean isPlain = NullTest.isName((ExpressionTree) owner.getLeaf())
                && code.type(owner).filter(type -> NamedTypes.isOneOf(type, view.isPresent() ? MAPS : COLLECTIONS))
                .isPresent();
        Optional<Element> changed = code.element(owner).filter(element -> isPlain && !isShared(element, context));
        if (changed.isEmpty()) {
            return;
        }
        for (TreePath use : context.names().uses(changed.get())) {
            calls(use, loop).filter(call -> (view.isPresent() ? CHANGING_MAPS : CHANGING)
                    .contains(Calls.name((MethodInvocationTree) call.getLeaf()))
                            && goesOn(call, loop) && !isAsked(call, code))
                    .ifPresent(call -> context.report(call.getLeaf(),
                            "the loop over '" + changed.get().getSimpleName() + "' fails when it goes on"));
        }
    }

    /**
     * Whether a field or local variable is given what may change meanwhile, or what nobody can tell: only java.util is
     * sure to fail.
     */
    private static boolean isShared(Element variable, RuleContext context) {
        return variable.getKind() != ElementKind.PARAMETER && variable.getKind() != ElementKind.EXCEPTION_PARAMETER
                && (context.names().declaration(variable).isEmpty() || !WrittenValues.of(variable, context).stream()
                        .filter(value -> value.getLeaf().getKind() != Tree.Kind.NULL_LITERAL)
                        .allMatch(value -> value.getLeaf() instanceof NewClassTree && context.code().type(value)
                                .filter(type -> type instanceof DeclaredType declared && context.code().elements()
                                        .getPackageOf(declared.asElement()).getQualifiedName()
                                        .contentEquals("java.util")).isPresent()));
    }

    /** The map whose keys, values or entries a loop goes over (java.util.Map.keySet). */
    private static Optional<TreePath> view(TreePath source, AttributedFile code) {
        boolean isView = source.getLeaf() instanceof MethodInvocationTree
                && VIEWS.stream().anyMatch(name -> Calls.isOf(code, source, "java.util.Map", name, 0));
        return isView ? Calls.receiver(source).map(TreePaths::inner) : Optional.empty();
    }

    /** The call of a method of what a name stands for, within the rounds of a loop. */
    private static Optional<TreePath> calls(TreePath use, EnhancedForLoopTree loop) {
        TreePath name = use.getParentPath().getLeaf() instanceof MemberSelectTree own && own.getIdentifier()
                .contentEquals(use.getLeaf().toString())
                ? use.getParentPath() : use;
        if (!NullTest.isName((ExpressionTree) name.getLeaf())
                || !TreePaths.leadsThrough(name, null, tree -> tree == loop.getStatement())
                || TreePaths.isDeferred(name, loop)) {
            return Optional.empty();
        }
        TreePath select = name.getParentPath();
        return select.getLeaf() instanceof MemberSelectTree member && member.getExpression() == name.getLeaf()
                ? Optional.of(select.getParentPath())
                        .filter(call -> call.getLeaf() instanceof MethodInvocationTree called
                                && called.getMethodSelect() == member)
                : Optional.empty();
    }

    /**
     * Whether what the call gives is asked for in the next statement, by which the loop is left when something was
     * changed.
     */
    private static boolean isAsked(TreePath call, AttributedFile code) {
        TreePath given = call.getParentPath();
        if (!(given.getLeaf() instanceof AssignmentTree assignment)) {
            return false;
        }
        TreePath statement = given.getParentPath();
        List<? extends StatementTree> all = TreePaths.statements(statement.getParentPath().getLeaf());
        int next = all.indexOf(statement.getLeaf()) + 1;
        return next > 0 && next < all.size() && all.get(next) instanceof IfTree choice
                && code.reads(choice.getCondition()).contains(code.reads(assignment.getVariable()))
                && !mayGoOn(last(choice.getThenStatement()));
    }

    private static StatementTree last(StatementTree statement) {
        List<? extends StatementTree> inner = TreePaths.statements(statement);
        return inner.isEmpty() ? statement : inner.get(inner.size() - 1);
    }

    /** Whether the loop may go on after a call: no jump or result follows in its block or in a block around that. */
    private static boolean goesOn(TreePath call, EnhancedForLoopTree loop) {
        for (TreePath at = call; at.getLeaf() != loop; at = at.getParentPath()) {
            // what is asked whether it changed something is left when it did
            if (at.getParentPath().getLeaf() instanceof IfTree asked && asked.getCondition() == at.getLeaf()
                    && !Jumps.canComplete(asked.getThenStatement())) {
                return false;
            }
            List<? extends StatementTree> all = TreePaths.statements(at.getParentPath().getLeaf());
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
