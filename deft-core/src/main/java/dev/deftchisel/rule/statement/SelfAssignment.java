package dev.deftchisel.rule.statement;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Modifier;
import javax.lang.model.util.ElementFilter;

/** A variable that is assigned to itself (JLS 15.26.1). */
public final class SelfAssignment implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("self-assignment", Tag.SUSPICIOUS, "A variable is assigned to itself", Effect.OTHER)
                .because("That does nothing; most often the field of the same name was meant.")
                .example("""
                        class Berth {
                            private int length;

                            void measure(int length) {
                                length = length;
                            }
                        }
                        """, """
                        class Berth {
                            private int length;

                            void measure(int length) {
                                this.length = length;
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            private int length;
                            private Berth next;

                            void measure(int length) {
                                this.length = length;
                                length += length;
                                next.length = this.length;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.ASSIGNMENT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AssignmentTree tree = (AssignmentTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath target = new TreePath(path, TreePaths.inner(tree.getVariable()));
        TreePath value = new TreePath(path, TreePaths.inner(tree.getExpression()));
        boolean isSame = isName(target) && isName(value)
                && code.element(target).isPresent() && code.element(target).equals(code.element(value));
        if (isSame) {
            context.report(tree, "'" + code.text(tree.getVariable()) + "' is assigned to itself",
                    field(path, target, code)
                    .map(name -> new Fix[] {Fix.of("assign the field",
                            edits -> edits.replace(code.range(tree.getVariable()), "this." + name))})
                    .orElse(new Fix[0]));
        }
    }

    private static boolean isName(TreePath path) {
        return path.getLeaf() instanceof IdentifierTree || path.getLeaf() instanceof MemberSelectTree select
                && select.getExpression() instanceof IdentifierTree object && object.getName().contentEquals("this");
    }

    /** The field that a local variable hides where it can be assigned. */
    private static Optional<String> field(TreePath path, TreePath target, AttributedFile code) {
        String name = target.getLeaf().toString();
        boolean isLocal = code.element(target).filter(element -> !element.getKind().isField()).isPresent();
        return code.enclosingType(path)
                .filter(type -> isLocal && !isInStatic(path) && ElementFilter.fieldsIn(type.getEnclosedElements())
                        .stream()
                        .anyMatch(field -> field.getSimpleName().contentEquals(name)
                                && !field.getModifiers().contains(Modifier.STATIC)))
                .map(type -> name);
    }

    private static boolean isInStatic(TreePath path) {
        for (TreePath at = path; at != null && !(at.getLeaf() instanceof ClassTree); at = at.getParentPath()) {
            if (at.getLeaf() instanceof MethodTree method) {
                return method.getModifiers().getFlags().contains(Modifier.STATIC);
            }
        }
        return false;
    }
}
