package dev.deftchisel.rule.equality;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
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
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.VariableElement;

/** Strings and boxes compared by identity (JLS 15.21.3). */
public final class IdentityComparison implements Rule {

    private static final Pattern SAID = Pattern.compile("==|!=|\\bidentity\\b|\\bsame (object|instance)\\b|\\bfast\\b",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern NAMED = Pattern.compile("Fast|[Ii]dentical|[Ii]dentity");
    private static final Pattern INTERNED = Pattern.compile("\\bintern(\\(|ed\\b)", Pattern.CASE_INSENSITIVE);

    private static final Set<String> VALUES = Set.of("java.lang.String", "java.lang.Integer", "java.lang.Long",
            "java.lang.Short",
            "java.lang.Byte", "java.lang.Character", "java.lang.Double", "java.lang.Float", "java.math.BigDecimal",
            "java.math.BigInteger");

    /** So many comparisons of strings as objects in one file are no slip. */
    private static final int HABIT = 3;

    private static final Pattern COMPARING = Pattern.compile("(?i)equal|compare|match|length|same");

    /** So many statements a method has at least that compares what is not one object. */
    private static final int SHORTEST_COMPARISON = 2;
    /** How constants are written, final or not. */
    private static final Pattern CONSTANT = Pattern.compile("[A-Z][A-Z0-9_]+");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("identity-comparison", Tag.SUSPICIOUS, "Values are compared as objects", Effect.OTHER)
                .because("'==' asks whether two strings or boxes are one object, which equal ones need not be.")
                .example("""
                        class Berth {
                            boolean isSame(String name, String other, Integer number, Integer next) {
                                return name == other && number != next;
                            }
                        }
                        """, """
                        import java.util.Objects;

                        class Berth {
                            boolean isSame(String name, String other, Integer number, Integer next) {
                                return Objects.equals(name, other) && !Objects.equals(number, next);
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            private static final String NONE = new String("none");

                            boolean isSame(String name, String other, Integer number, int next) {
                                return name == null || number == next || name == NONE
                                        || name == other || name.equals(other);
                            }

                            String plain(String name) {
                                String stripped = name.strip();
                                return stripped == name ? name : plain(stripped);
                            }

                            boolean isNorth(String side) {
                                String one = side.intern();
                                return one == "north";
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.EQUAL_TO, Tree.Kind.NOT_EQUAL_TO);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BinaryTree comparison = (BinaryTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath left = new TreePath(path, comparison.getLeftOperand());
        TreePath right = new TreePath(path, comparison.getRightOperand());
        if (!isValue(left, code) || !isValue(right, code) || isMarker(left, code) || isMarker(right, code)
                || asksBoth(path, comparison, code)
                || comesFrom(left, right, context) || comesFrom(right, left, context) || isSaid(path, code)
                || isOfCache(comparison, code) || isShortcut(path, comparison, code)
                || isNamedMarker(left, right, code) || isNamedMarker(right, left, code)
                // last, since it goes through all of the file
                || isString(left, code) && isHabit(context)) {
            return;
        }
        boolean isOpposite = comparison.getKind() == Tree.Kind.NOT_EQUAL_TO;
        context.report(comparison, "equal values need not be one object", Fix.of("compare with Objects.equals",
                edits -> {
                    String objects = edits.types().name(code.elements().getTypeElement("java.util.Objects"));
                    Range range = code.range(comparison);
                    edits.replace(range, to -> to.apartFrom(range.start())
                            .write((isOpposite ? "!" : "") + objects + ".equals(")
                            .carry(code.range(TreePaths.inner(comparison.getLeftOperand()))).write(", ")
                            .carry(code.range(TreePaths.inner(comparison.getRightOperand()))).write(")"));
                }));
    }

    /**
     * Whether the file compares strings like this again and again, which works only where equal ones are one object.
     */
    private static boolean isHabit(RuleContext context) {
        AttributedFile code = context.code();
        return code.expressions(new TreePath(code.unit())).stream()
                .filter(part -> part.getLeaf() instanceof BinaryTree comparison
                && (comparison.getKind() == Tree.Kind.EQUAL_TO || comparison.getKind() == Tree.Kind.NOT_EQUAL_TO)
                && isString(new TreePath(part, comparison.getLeftOperand()), code)
                && isString(new TreePath(part, comparison.getRightOperand()), code))
                .limit(HABIT).count() == HABIT;
    }

    private static boolean isString(TreePath operand, AttributedFile code) {
        return code.type(operand).filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent();
    }

    /** {@code Integer.valueOf(i) == Integer.valueOf(i)} asks whether boxes are kept (JLS 5.1.7). */
    private static boolean isOfCache(BinaryTree comparison, AttributedFile code) {
        return code.readsSame(comparison.getLeftOperand(), comparison.getRightOperand());
    }

    /**
     * Whether a method begins by returning one of the two when they are one object, or both are asked whether they
     * are null.
     */
    private static boolean isShortcut(TreePath path, BinaryTree comparison, AttributedFile code) {
        TreePath place = TreePaths.outer(path);
        boolean handsBack = place.getLeaf() instanceof IfTree choice && comparison.getKind() == Tree.Kind.EQUAL_TO
                && single(choice.getThenStatement()) instanceof ReturnTree result && result.getExpression() != null
                && (code.readsSame(result.getExpression(), comparison.getLeftOperand())
                        || code.readsSame(result.getExpression(), comparison.getRightOperand()));
        boolean goesOn = place.getLeaf() instanceof IfTree choice && comparison.getKind() == Tree.Kind.EQUAL_TO
                && place.getParentPath().getLeaf() instanceof BlockTree body
                && single(choice.getThenStatement()) instanceof ReturnTree result
                && result.getExpression() instanceof LiteralTree yes && Boolean.TRUE.equals(yes.getValue())
                && body.getStatements().get(0) == choice && body.getStatements().size() > SHORTEST_COMPARISON;
        if (goesOn) {
            // one object is equal to itself; the others are compared below
            return true;
        }
        while (place != null && !(place.getLeaf() instanceof IfTree) && !(place.getLeaf() instanceof MethodTree)) {
            place = place.getParentPath();
        }
        String around = place != null && place.getLeaf() instanceof IfTree choice ? code.reads(choice.getCondition())
                : "";
        return handsBack || asksNull(around, code.reads(TreePaths.inner(comparison.getLeftOperand())))
                && asksNull(around, code.reads(TreePaths.inner(comparison.getRightOperand())));
    }

    private static boolean asksNull(String condition, String operand) {
        return condition.contains("null == " + operand) || condition.contains(operand + " == null");
    }

    private static StatementTree single(StatementTree statement) {
        List<? extends StatementTree> inner = TreePaths.statements(statement);
        return inner.size() == 1 ? inner.get(0) : statement;
    }

    /** Whether a variable is asked whether it holds a named constant, which then is there to be recognised. */
    private static boolean isNamedMarker(TreePath operand, TreePath constant, AttributedFile code) {
        boolean isAsked = code.element(TreePaths.inner(operand))
                .filter(element -> element instanceof VariableElement
                || element instanceof ExecutableElement method && method.getParameters().isEmpty()).isPresent();
        return isAsked && code.element(TreePaths.inner(constant))
                .filter(element -> element.getKind() == ElementKind.FIELD
                && element.getModifiers().contains(Modifier.STATIC) && (element.getModifiers().contains(Modifier.FINAL)
                || CONSTANT.matcher(element.getSimpleName()).matches())).isPresent();
    }

    /**
     * Whether a comment before the statement or the name of the method says that objects are compared; or the file
     * knows strings of which there is one each (see {@link String#intern}).
     */
    private static boolean isSaid(TreePath path, AttributedFile code) {
        TreePath statement = path;
        while (!(statement.getLeaf() instanceof StatementTree) && statement.getParentPath() != null) {
            statement = statement.getParentPath();
        }
        int start = code.range(statement.getLeaf()).start();
        boolean isNamed = TreePaths.function(path).filter(owner -> owner.getLeaf() instanceof MethodTree method
                && NAMED.matcher(method.getName()).find()).isPresent();
        return isNamed || SAID.matcher(code.text(Beside.before(start, code))).find()
                || INTERNED.matcher(code.file().content()).find();
    }

    private static boolean isValue(TreePath operand, AttributedFile code) {
        return code.type(operand).filter(type -> VALUES.stream().anyMatch(name -> NamedTypes.is(type, name)))
                .isPresent();
    }

    /** A constant object that is there to be recognised, or the object itself. */
    private static boolean isMarker(TreePath operand, AttributedFile code) {
        Optional<Element> named = code.element(TreePaths.inner(operand));
        boolean isConstant = Constants.value(code, operand).isPresent();
        return named.filter(element -> element.getKind() == ElementKind.FIELD && element.getModifiers()
                .contains(Modifier.FINAL)
                && (!isConstant || element.getModifiers().contains(Modifier.PRIVATE))
                || !isConstant && element.getSimpleName().contentEquals("this")).isPresent();
    }

    /**
     * Whether a variable is made of what the other operand names: then the question is whether that gave another
     * object.
     */
    private static boolean comesFrom(TreePath operand, TreePath other, RuleContext context) {
        String text = context.code().reads(TreePaths.inner(other).getLeaf());
        return values(operand, context).stream().anyMatch(value -> context.code().reads(value).equals(text)
                || value instanceof MethodInvocationTree call && (call.getArguments().stream()
                        .anyMatch(argument -> context.code().reads(argument).equals(text))
                        || call.getMethodSelect() instanceof MemberSelectTree select
                                && context.code().reads(select.getExpression()).equals(text)));
    }

    /** What a variable gets in its declaration and by assignments in the file. */
    private static List<ExpressionTree> values(TreePath operand, RuleContext context) {
        Optional<Element> variable = context.code().element(TreePaths.inner(operand))
                .filter(element -> element instanceof VariableElement);
        return variable.stream().flatMap(known -> WrittenValues.of(known, context).stream())
                .map(value -> (ExpressionTree) value.getLeaf()).toList();
    }

    /** Whether the same method compares the two by their values as well, so that this is only a short cut. */
    private static boolean asksBoth(TreePath path, BinaryTree comparison, AttributedFile code) {
        TreePath body = path;
        while (body != null && !(body.getLeaf() instanceof MethodTree || body.getLeaf() instanceof LambdaExpressionTree
                || body.getLeaf() instanceof ClassTree)) {
            body = body.getParentPath();
        }
        return body != null && code.expressions(body).stream()
                .anyMatch(part -> part.getLeaf() instanceof MethodInvocationTree call
                && COMPARING.matcher(Calls.name(call)).find()
                && (names(part, comparison.getLeftOperand(), code) || names(part, comparison.getRightOperand(), code)));
    }

    private static boolean names(TreePath call, ExpressionTree operand, AttributedFile code) {
        String text = code.reads(TreePaths.inner(operand));
        return code.expressions(call).stream().anyMatch(part -> code.reads(part.getLeaf()).equals(text));
    }
}
