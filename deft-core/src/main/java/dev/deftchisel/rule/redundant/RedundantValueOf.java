package dev.deftchisel.rule.redundant;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;
import javax.lang.model.type.TypeKind;

/** {@code String.valueOf(x)} within a concatenation, which does that by itself (JLS 15.18.1). */
public final class RedundantValueOf implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-value-of", Tag.REDUNDANT,
                "A value is made text before it is joined to text", Effect.SAME_BEHAVIOUR)
                .because("Joining does that by itself.")
                .example("""
                        class Log {
                            String line(int number, Object what) {
                                return number + ": " + String.valueOf(what) + String.valueOf(number + 1);
                            }
                        }
                        """, """
                        class Log {
                            String line(int number, Object what) {
                                return number + ": " + what + (number + 1);
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            String line(char[] what, int number) {
                                return "> " + String.valueOf(what) + (String.valueOf(number) + String.valueOf(number));
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.PLUS);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree sum = (BinaryTree) path.getLeaf();
        look(new TreePath(path, sum.getRightOperand()), new TreePath(path, sum.getLeftOperand()), context);
        look(new TreePath(path, sum.getLeftOperand()), new TreePath(path, sum.getRightOperand()), context);
    }

    private static void look(TreePath operand, TreePath other, RuleContext context) {
        AttributedFile code = context.code();
        boolean isText = Calls.isOf(code, operand, "java.lang.String", "valueOf", 1)
                && code.type(other).filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent()
                // of two such calls one must stay, or numbers would be added
                && !Calls.isOf(code, TreePaths.inner(other), "java.lang.String", "valueOf", 1);
        if (isText) {
            ExpressionTree value = ((MethodInvocationTree) operand.getLeaf()).getArguments().get(0);
            code.type(new TreePath(operand, value))
                    .filter(type -> type.getKind() != TypeKind.ARRAY && type.getKind() != TypeKind.NULL)
                    .ifPresent(type -> context.report(operand.getLeaf(), "joining makes text of it anyway",
                            Fix.of("join the value itself", edits -> edits.keep(operand, value))));
        }
    }
}
