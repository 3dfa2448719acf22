package dev.deftchisel.rule.redundant;

import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;

/** A {@code super()} that the compiler adds by itself (JLS 8.8.7). */
public final class RedundantSuperCall implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-super-call", Tag.REDUNDANT,
                "A constructor calls super() as it would anyway", Effect.SAME_CLASSES)
                .because("A constructor that calls no other begins with this call.")
                .example("""
                        class Tug extends Object {
                            int power;

                            Tug(int power) {
                                super();
                                this.power = power;
                            }
                        }
                        """, """
                        class Tug extends Object {
                            int power;

                            Tug(int power) {
                                this.power = power;
                            }
                        }
                        """)
                .silentOn("""
                        class Tug extends Exception {
                            Tug(String name) {
                                super(name);
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        MethodInvocationTree call = (MethodInvocationTree) path.getLeaf();
        boolean isImplied = call.getArguments().isEmpty() && call.getTypeArguments().isEmpty()
                && call.getMethodSelect() instanceof IdentifierTree name && name.getName().contentEquals("super")
                && path.getParentPath().getLeaf() instanceof ExpressionStatementTree;
        if (isImplied) {
            Tree statement = path.getParentPath().getLeaf();
            context.report(statement, "'super()' is called anyway",
                    Fix.of("remove the call", edits -> edits.remove(context.code().range(statement))));
        }
    }
}
