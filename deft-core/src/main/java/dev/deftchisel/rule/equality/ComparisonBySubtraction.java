package dev.deftchisel.rule.equality;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rule.Beside;
import dev.deftchisel.rule.WrittenValues;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.type.TypeKind;

/** An order of numbers that is computed by subtraction (JLS 15.18.2). */
public final class ComparisonBySubtraction implements Rule {

    /** Words in names of what can be any number; most others are sizes, positions, ranks and other small ones. */
    private static final Set<String> WIDE = Set.of("value", "val", "hash", "time", "millis", "nanos", "seconds",
            "stamp", "timestamp", "key", "crc",
            "checksum", "seed", "random", "rgb", "argb", "rgba", "balance", "amount", "price", "cost", "delta",
            "address", "temperature", "cents", "dues", "money",
            "salary", "int", "integer", "points", "inc", "increment", "bytes", "total", "sum");

    /** Names that only tell two of a sort apart. */
    private static final Pattern VAGUE = Pattern
            .compile("[a-z]{1,2}\\d*|one|other|left|right|first|second|lhs|rhs|this\\w*|that\\w*|own|others?");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("comparison-by-subtraction", Tag.SUSPICIOUS, "An order is computed by subtraction",
                Effect.OTHER)
                .because("The difference of two large numbers of unlike sign overflows and has the wrong sign.")
                .example("""
                        class Berth implements Comparable<Berth> {
                            int dues;

                            @Override
                            public int compareTo(Berth other) {
                                return dues - other.dues;
                            }
                        }
                        """, """
                        class Berth implements Comparable<Berth> {
                            int dues;

                            @Override
                            public int compareTo(Berth other) {
                                return Integer.compare(dues, other.dues);
                            }
                        }
                        """)
                .silentOn("""
                        class Berth implements Comparable<Berth> {
                            String name;
                            short number;

                            @Override
                            public int compareTo(Berth other) {
                                int byNumber = number - other.number;
                                return byNumber != 0 ? byNumber : name.length() - other.name.length();
                            }

                            int free(int length) {
                                return length - number;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.MINUS);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree difference = (BinaryTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath left = new TreePath(path, difference.getLeftOperand());
        TreePath right = new TreePath(path, difference.getRightOperand());
        boolean isInt = isInt(left, code) && isInt(right, code);
        SmallNumbers numbers = new SmallNumbers(context);
        if (isInt && isResultOfOrder(path, code) && !isSaid(path, code) && !numbers.fitInDifference(left, right)
                && isWide(left, context) && isWide(right, context)) {
            context.report(difference, "the difference of two numbers can overflow", Fix.of("use Integer.compare",
                    edits -> edits.replace(difference, to -> to.write("Integer.compare(")
                            .carry(code.range(TreePaths.inner(difference.getLeftOperand())))
                            .write(", ").carry(code.range(TreePaths.inner(difference.getRightOperand())))
                            .write(")"))));
        }
    }

    /**
     * Whether a comment stands before the statement or at the end of its line, in which the numbers may be said to be
     * small enough.
     */
    private static boolean isSaid(TreePath path, AttributedFile code) {
        TreePath place = TreePaths.outer(path);
        Tree statement = place.getLeaf() instanceof ReturnTree ? place.getLeaf() : path.getLeaf();
        Range range = code.range(statement);
        Range behind = Beside.toEndOfLine(new Range(range.end(), range.end()), code);
        return code.hasComment(behind) || place.getLeaf() instanceof ReturnTree
                && code.hasComment(Beside.before(range.start(), code));
    }

    /**
     * Whether any number may be compared: one that has no name of its own, as in a list of numbers, or whose name says
     * so.
     */
    private static boolean isWide(TreePath number, RuleContext context) {
        AttributedFile code = context.code();
        TreePath plain = TreePaths.inner(number);
        Optional<Element> variable = code.element(plain);
        boolean isElement = variable.filter(element -> element.getKind() == ElementKind.PARAMETER).isPresent();
        boolean isLocal = variable.filter(element -> element.getKind() == ElementKind.LOCAL_VARIABLE).isPresent();
        boolean isOfMath = plain.getLeaf() instanceof MethodInvocationTree call && code.text(call.getMethodSelect())
                .startsWith("Math.");
        if (isLocal) {
            // what a local variable holds is told by its name, or else by where it comes from
            return isWide(name(plain.getLeaf())) || VAGUE.matcher(name(plain.getLeaf())).matches()
                    && WrittenValues.of(variable.get(), context).stream()
                    .map(value -> name(TreePaths.inner(value).getLeaf()))
                    .anyMatch(ComparisonBySubtraction::isWide);
        }
        return !isOfMath && (isElement || isWide(name(plain.getLeaf())));
    }

    private static boolean isWide(String name) {
        List<String> words = Stream.of(name.split("(?<=[a-z])(?=[A-Z])|_|\\d+"))
                .map(word -> word.toLowerCase(Locale.ROOT)).toList();
        String last = words.get(words.size() - 1);
        return WIDE.contains(last) || last.endsWith("s") && WIDE.contains(last.substring(0, last.length() - 1));
    }

    private static String name(Tree tree) {
        if (tree instanceof IdentifierTree alone) {
            return alone.getName().toString();
        }
        if (tree instanceof MemberSelectTree select) {
            return select.getIdentifier().toString();
        }
        return tree instanceof MethodInvocationTree call ? Calls.name(call) : "";
    }

    /** Whether any number can stand there, as a name or the result of a call. */
    private static boolean isInt(TreePath path, AttributedFile code) {
        TreePath number = TreePaths.inner(path);
        boolean isName = number.getLeaf() instanceof IdentifierTree || number.getLeaf() instanceof MemberSelectTree
                || number.getLeaf() instanceof MethodInvocationTree;
        return isName && Constants.value(code, number).isEmpty() && code.type(number)
                .filter(type -> type.getKind() == TypeKind.INT || NamedTypes.is(type, "java.lang.Integer")).isPresent();
    }

    private static boolean isResultOfOrder(TreePath path, AttributedFile code) {
        TreePath parent = TreePaths.outer(path);
        if (parent.getLeaf() instanceof LambdaExpressionTree) {
            return code.type(parent).filter(type -> NamedTypes.is(type, "java.util.Comparator")).isPresent();
        }
        return parent.getLeaf() instanceof ReturnTree && TreePaths.function(parent)
                .filter(owner -> isOrder(owner, code)).isPresent();
    }

    private static boolean isOrder(TreePath function, AttributedFile code) {
        return function.getLeaf() instanceof MethodTree method
                ? method.getName().contentEquals("compareTo") && method.getParameters().size() == 1
                        && implementsOrder(function, "java.lang.Comparable", code)
                        || method.getName().contentEquals("compare") && method.getParameters().size() == 2
                        && implementsOrder(function, "java.util.Comparator", code)
                : code.type(function).filter(type -> NamedTypes.is(type, "java.util.Comparator")).isPresent();
    }

    private static boolean implementsOrder(TreePath method, String type, AttributedFile code) {
        return code.enclosingType(method)
                .filter(owner -> code.isKind(owner.asType(), code.elements().getTypeElement(type).asType()))
                .isPresent();
    }
}
