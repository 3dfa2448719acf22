package dev.deftchisel.rule.idiom;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Precedence;
import java.util.Optional;
import java.util.Set;

/** A size that is compared with 0 where one can ask whether it is empty. */
public final class EmptyBySize implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("empty-by-size", Tag.IDIOM, "A size is compared with 0", Effect.SAME_BEHAVIOUR)
                .because("'isEmpty' asks what is meant, and some collections have to count for their size.")
                .example("""
                        import java.util.List;

                        class Berths {
                            boolean isFree(List<String> names, String name) {
                                return names.size() == 0 || name.length() > 0 && names.size() != 0;
                            }
                        }
                        """, """
                        import java.util.List;

                        class Berths {
                            boolean isFree(List<String> names, String name) {
                                return names.isEmpty() || !name.isEmpty() && !names.isEmpty();
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.AbstractList;

                        abstract class Berths extends AbstractList<String> {
                            @Override
                            public boolean isEmpty() {
                                return size() == 0 || this.size() == 0;
                            }

                            boolean isOne(CharSequence name) {
                                return size() == 1 || name.length() == 0;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.EQUAL_TO, Tree.Kind.NOT_EQUAL_TO, Tree.Kind.GREATER_THAN);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree comparison = (BinaryTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath size = TreePaths.inner(new TreePath(path, comparison.getLeftOperand()));
        boolean isZero = Constants.value(code, new TreePath(path,
                comparison.getRightOperand())).filter(value -> value.equals(0)).isPresent();
        boolean isSize = Calls.isOf(code, size, "java.util.Collection", "size", 0)
                || Calls.isOf(code, size, "java.util.Map", "size", 0)
                || Calls.isOf(code, size, "java.lang.String", "length", 0);
        if (!isZero || !isSize) {
            return;
        }
        Optional<ExpressionTree> receiver = Calls.receiver((MethodInvocationTree) size.getLeaf());
        boolean isOther = receiver.isPresent() && !receiver.get().toString().matches("this|super|.*\\.this")
                && !isInIsEmpty(path);
        if (isOther) {
            boolean isEmpty = comparison.getKind() == Tree.Kind.EQUAL_TO;
            boolean isGrouped = !isEmpty && Precedence.needsParentheses(Tree.Kind.LOGICAL_COMPLEMENT, comparison,
                    path.getParentPath().getLeaf());
            context.report(comparison, "'isEmpty' asks this",
                    Fix.of("ask whether it is empty", edits -> edits.replace(comparison,
                    to -> to.apartFrom(code.range(comparison).start())
                    .write((isGrouped ? "(" : "") + (isEmpty ? "" : "!"))
                            .carry(code.range(receiver.get())).write(".isEmpty()" + (isGrouped ? ")" : "")))));
        }
    }

    private static boolean isInIsEmpty(TreePath path) {
        return TreePaths.leadsThrough(path, null, tree -> tree instanceof MethodTree method && method.getName()
                .contentEquals("isEmpty"));
    }
}
