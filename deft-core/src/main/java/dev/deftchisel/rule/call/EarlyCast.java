package dev.deftchisel.rule.call;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Set;
import javax.lang.model.type.TypeKind;

/** {@code (int) Math.random() * n}, where the cast takes the fraction before it is multiplied (JLS 15.16). */
public final class EarlyCast implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("early-cast", Tag.SUSPICIOUS, "A random fraction is cut to zero", Effect.OTHER)
                .because("A cast binds tighter than a product: the fraction is always cut to 0 first.")
                .example("""
                        class Berths {
                            int any(int berths) {
                                return (int) Math.random() * berths;
                            }
                        }
                        """, """
                        class Berths {
                            int any(int berths) {
                                return (int) (Math.random() * berths);
                            }
                        }
                        """)
                .silentOn("""
                        class Berths {
                            int any(int berths) {
                                return (int) (Math.random() * berths) + (int) Math.floor(2.5) * 3;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.TYPE_CAST);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        TypeCastTree cast = (TypeCastTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath value = new TreePath(path, cast.getExpression());
        boolean isFraction = Calls.isOf(code, value, "java.lang.Math", "random", 0)
                || Calls.isOf(code, value, "java.util.Random", "nextDouble", 0)
                        || Calls.isOf(code, value, "java.util.Random", "nextFloat", 0);
        boolean isWhole = code.type(path).filter(type -> type.getKind() == TypeKind.INT
                || type.getKind() == TypeKind.LONG).isPresent();
        if (isFraction && isWhole) {
            TreePath parent = path.getParentPath();
            boolean isFactor = parent.getLeaf() instanceof BinaryTree product && product.getKind() == Tree.Kind.MULTIPLY
                    && product.getLeftOperand() == cast;
            context.report(cast, "this is always 0", isFactor ? new Fix[] {Fix.of("cast the product", edits -> {
                Range product = code.range(parent.getLeaf());
                Range from = code.range(cast.getExpression());
                edits.replace(product, to -> to.carry(new Range(product.start(), from.start())).write("(")
                        .carry(new Range(from.start(), product.end())).write(")"));
            })} : new Fix[0]);
        }
    }
}
