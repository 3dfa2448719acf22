package dev.deftchisel.rule.call;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.analysis.value.ValueRange;
import dev.deftchisel.analysis.value.ValueRanges;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Precedence;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** A product of {@code int}s that becomes a {@code long} only when it has overflowed (JLS 15.17.1). */
public final class LateWidening implements Rule {

    private static final Pattern SIGN = Pattern.compile("(?i)(^|\\.|_)sign(um)?(\\(.*\\))?$");

    private static final Pattern UNIT = Pattern.compile("(?i)(tobytes|to_bytes|\\.length(\\(\\))?|\\.size\\(\\))$");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("late-widening", Tag.SUSPICIOUS, "A product overflows before it becomes a long",
                Effect.OTHER)
                .because("Both factors are int, so the product is computed as int, whatever it is assigned to.")
                .example("""
                        class Dues {
                            long cents(int due, int vessels) {
                                long cents = due * vessels;
                                return cents;
                            }
                        }
                        """, """
                        class Dues {
                            long cents(int due, int vessels) {
                                long cents = (long) due * vessels;
                                return cents;
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            long cents(int due, long vessels) {
                                long cents = due * vessels;
                                long day = 24 * 60;
                                return cents + day;
                            }
                        }
                        """)
                .weighing(Severity.NOTE);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.MULTIPLY);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree product = (BinaryTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath left = new TreePath(path, product.getLeftOperand());
        TreePath right = new TreePath(path, product.getRightOperand());
        boolean isInt = isOpen(left, code) && isOpen(right, code) && !isSmall(left, right, code);
        Optional<TypeMirror> wanted = TargetType.ofConversion(path, code);
        if (isInt && wanted.filter(type -> type.getKind() == TypeKind.LONG).isPresent()) {
            ExpressionTree first = product.getLeftOperand();
            boolean isGrouped = Precedence.needsParenthesesInCast(first);
            context.report(product, "this is computed as int and can overflow",
                    Fix.of("multiply as long", edits -> edits.replace(first,
                    to -> to.write("(long) ").write(isGrouped ? "(" : "").carry(code.range(first))
                    .write(isGrouped ? ")" : ""))));
        }
    }

    private static boolean isSmall(TreePath left, TreePath right, AttributedFile code) {
        return isSign(left, code) || isSign(right, code) || isUnit(left, code) || isUnit(right, code)
                || ValueRanges.of(code, left).flatMap(one -> ValueRanges.of(code, right).flatMap(one::times))
                .filter(product -> product.isWithin(ValueRange.INT)).isPresent();
    }

    /** Whether a variable says by its name that it only turns the sign. */
    private static boolean isSign(TreePath factor, AttributedFile code) {
        return SIGN.matcher(code.text(TreePaths.inner(factor).getLeaf())).find();
    }

    /**
     * A fixed number of bytes, or how many there are of what is in memory: the product is the size of something that
     * fits there.
     */
    private static boolean isUnit(TreePath factor, AttributedFile code) {
        return Stream.concat(Stream.of(TreePaths.inner(factor)), code.expressions(factor).stream())
                .anyMatch(part -> code.element(part).filter(element -> element.getKind() == ElementKind.FIELD
                && element.getModifiers().contains(Modifier.STATIC) && element.getModifiers().contains(Modifier.FINAL))
                .isPresent()
                || UNIT.matcher(code.text(part.getLeaf())).find());
    }

    /** Whether any int can stand there: with a number that is known the product mostly stays small. */
    private static boolean isOpen(TreePath factor, AttributedFile code) {
        boolean isCounter = code.occurrences(factor).stream()
                .anyMatch(place -> code.isOfLoop(factor, place.variable()));
        return code.type(factor).filter(type -> type.getKind() == TypeKind.INT).isPresent()
                && Constants.value(code, factor).isEmpty()
                && !isCounter;
    }
}
