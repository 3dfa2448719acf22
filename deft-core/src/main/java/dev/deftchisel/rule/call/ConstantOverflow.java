package dev.deftchisel.rule.call;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.math.BigInteger;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.TypeKind;

/** A product of known {@code int}s that is too large for one and becomes a {@code long} only then (JLS 15.17.1). */
public final class ConstantOverflow implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("constant-overflow", Tag.SUSPICIOUS, "A known product is too large for an int",
                Effect.OTHER)
                .because("It is computed as int, and only what is left of it becomes a long.")
                .example("""
                        class Tides {
                            static final long YEAR = 365 * 24 * 60 * 60 * 1000;
                        }
                        """, """
                        class Tides {
                            static final long YEAR = 365L * 24 * 60 * 60 * 1000;
                        }
                        """)
                .silentOn("""
                        class Tides {
                            static final long YEAR = 365L * 24 * 60 * 60 * 1000;
                            static final long WEEK = 7 * 24 * 60 * 60 * 1000;
                            static final int SEED = 31 * 0x9E3779B9;
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.MULTIPLY);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        BinaryTree product = (BinaryTree) path.getLeaf();
        boolean isPart = TreePaths.outer(path).getLeaf().getKind() == Tree.Kind.MULTIPLY;
        Optional<BigInteger> exact = isPart || !isInt(path, code) ? Optional.empty() : exact(path, code);
        boolean isTooLarge = exact.filter(value -> value.bitLength() >= Integer.SIZE).isPresent();
        if (isTooLarge && isLong(path, code)) {
            TreePath first = first(path);
            context.report(product, "this is " + exact.get() + ", and as int " + Constants.value(code, path)
                    .orElseThrow(),
                    first.getLeaf() instanceof LiteralTree literal
                            ? Fix.of("multiply as long", edits -> edits.insert(code.range(literal).end(), "L"))
                            : Fix.of("multiply as long", edits -> edits.insert(code.range(first.getLeaf())
                                    .start(), "(long) ")));
        }
    }

    private static boolean isInt(TreePath path, AttributedFile code) {
        return code.type(path).filter(type -> type.getKind() == TypeKind.INT).isPresent();
    }

    /** Whether it becomes a long in its place, or in a sum. */
    private static boolean isLong(TreePath path, AttributedFile code) {
        TreePath parent = TreePaths.outer(path);
        boolean isTerm = parent.getLeaf().getKind() == Tree.Kind.PLUS || parent.getLeaf().getKind() == Tree.Kind.MINUS;
        return (isTerm ? code.type(parent) : TargetType.ofConversion(path, code))
                .filter(type -> type.getKind() == TypeKind.LONG).isPresent();
    }

    /** The product without a limit; empty where a factor is unknown. */
    private static Optional<BigInteger> exact(TreePath path, AttributedFile code) {
        TreePath plain = TreePaths.inner(path);
        if (plain.getLeaf() instanceof BinaryTree product && product.getKind() == Tree.Kind.MULTIPLY
                && isInt(plain, code)) {
            return exact(new TreePath(plain, product.getLeftOperand()), code)
                    .flatMap(left -> exact(new TreePath(plain, product.getRightOperand()), code).map(left::multiply));
        }
        return Constants.value(code, plain).filter(value -> value instanceof Integer)
                .map(value -> BigInteger.valueOf((Integer) value));
    }

    private static TreePath first(TreePath path) {
        TreePath plain = TreePaths.inner(path);
        ExpressionTree tree = (ExpressionTree) plain.getLeaf();
        return tree instanceof BinaryTree product ? first(new TreePath(plain, product.getLeftOperand())) : plain;
    }
}
