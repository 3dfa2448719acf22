package dev.deftchisel.rule.condition;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rule.NullTest;
import java.util.Optional;
import java.util.Set;

/** A test for {@code null} before a type test, which {@code null} does not pass anyway (JLS 15.20.2). */
public final class NullTestBeforeTypeTest implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("null-test-before-type-test", Tag.REDUNDANT,
                "A test for null stands before a type test", Effect.SAME_BEHAVIOUR)
                .because("Null is an instance of nothing, so the type test alone says both.")
                .example("""
                        class Log {
                            boolean isText(Object line) {
                                return line != null && line instanceof String;
                            }
                        }
                        """, """
                        class Log {
                            boolean isText(Object line) {
                                return line instanceof String;
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            boolean isText(Object line, Object other) {
                                return line != null && other instanceof String || line == null && other instanceof Log;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.CONDITIONAL_AND);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree both = (BinaryTree) path.getLeaf();
        Optional<ExpressionTree> tested = NullTest.of(both.getLeftOperand(), Tree.Kind.NOT_EQUAL_TO);
        ExpressionTree right = TreePaths.inner(both.getRightOperand());
        boolean isSame = tested.isPresent() && right instanceof InstanceOfTree test
                && NullTest.isName(tested.get()) && context.code().readsSame(tested.get(), test.getExpression());
        if (isSame) {
            context.report(both.getLeftOperand(), "the type test alone says both",
                    Fix.of("remove the test for null", edits -> edits.keep(path, both.getRightOperand())));
        }
    }
}
