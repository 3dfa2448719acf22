package dev.deftchisel.rewrite.place;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.AssertTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.LabeledStatementTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;

/**
 * Walks from an expression outwards to where its declaration may stand. On the way it collects what is evaluated before
 * the expression in the same statement (JLS 15.7): the declaration comes before all that, so the order must not matter.
 */
public final class InsertionPointFinder {

    private final AttributedFile code;
    private final Effects effects;
    private final List<TreePath> earlier = new ArrayList<>();
    private Optional<InsertionPoint.Nowhere> objection = Optional.empty();
    private InsertionPoint home;
    /** So many of what is evaluated earlier is, like the expression, evaluated only sometimes. */
    private int sometimes;

    /**
     * @param code    the file
     * @param effects of what is to be evaluated in its new home
     */
    public InsertionPointFinder(AttributedFile code, Effects effects) {
        this.code = code;
        this.effects = effects;
    }

    /**
     * Where the expression may go alone.
     *
     * @param expression the place in which it is evaluated now
     */
    public InsertionPoint find(TreePath expression) {
        home = climb(expression);
        if (home instanceof InsertionPoint.Nowhere) {
            return home;
        }
        return objection.or(() -> inTheWay().stream().findFirst().map(this::comesFirst))
                .map(found -> (InsertionPoint) found)
                .orElse(home);
    }

    /** Whether the expression is evaluated in any case when a body runs, and nothing before it makes a difference. */
    public boolean isFirst(TreePath expression, BlockTree body) {
        return find(expression) instanceof InsertionPoint.Before before
                && before.list() == body && before.tree() == body.getStatements().get(0);
    }

    private InsertionPoint.Nowhere comesFirst(TreePath sibling) {
        return new InsertionPoint.Nowhere(code.range(sibling.getLeaf()), "'" + shown(sibling.getLeaf())
                + "' is evaluated before it and the order can matter", false);
    }

    /**
     * Where the expression may go if what is evaluated before it goes along.
     *
     * @param home  where to
     * @param first what must become variables before it, in this order
     */
    public record HoistedPredecessors(InsertionPoint home, List<TreePath> first) {
    }

    /**
     * Asked after {@link #find} found nowhere for the expression alone.
     *
     * @param canBeVariable whether an expression has a value that a variable can hold
     */
    public Optional<HoistedPredecessors> findHoisting(Predicate<TreePath> canBeVariable) {
        List<TreePath> first = inTheWay();
        boolean canMove = !(home instanceof InsertionPoint.Nowhere) && objection.isEmpty() && first.stream()
                .allMatch(path ->
                canBeVariable.test(path) && (earlier.indexOf(path) >= sometimes || code.effects(path).isPure()));
        return canMove ? Optional.of(new HoistedPredecessors(home, first)) : Optional.empty();
    }

    /** What cannot stay behind when the expression moves, nor when what cannot stay behind moves; in order. */
    private List<TreePath> inTheWay() {
        List<TreePath> backwards = new ArrayList<>(earlier);
        backwards.sort(Comparator.comparing((TreePath path) -> code.range(path.getLeaf()).start()).reversed());
        List<TreePath> found = new ArrayList<>();
        List<Effects> moved = new ArrayList<>(List.of(effects));
        for (TreePath path : backwards) {
            Effects own = code.effects(path);
            if (!moved.stream().allMatch(own::commutesWith)) {
                found.add(0, path);
                moved.add(own);
            }
        }
        return found;
    }

    private InsertionPoint climb(TreePath expression) {
        TreePath child = expression;
        for (TreePath at = expression.getParentPath(); at != null; child = at, at = at.getParentPath()) {
            Tree parent = at.getLeaf();
            Tree tree = child.getLeaf();
            if (parent instanceof ClassTree) {
                return new InsertionPoint.Nowhere(code.range(expression.getLeaf()),
                        "it is not evaluated in a body; make it a field or constant instead", true);
            }
            if (tree instanceof StatementTree && !(tree instanceof ClassTree)) {
                Optional<InsertionPoint> home = ofStatement(child, at);
                if (home.isPresent()) {
                    return home.get();
                }
                continue;
            }
            if (parent instanceof LambdaExpressionTree) {
                boolean isVoid = code.type(child).filter(type -> type.getKind() == TypeKind.VOID).isPresent()
                        || isVoidLambda(at);
                return new InsertionPoint.Instead(child, isVoid ? "" : "return ");
            }
            if (parent instanceof CaseTree label && label.getBody() == tree) {
                return new InsertionPoint.Instead(child, "yield ");
            }
            if (parent instanceof TryTree attempt && attempt.getResources().contains(tree)) {
                resource(attempt, tree, at);
                continue;
            }
            Optional<InsertionPoint.Nowhere> loop = repeats(tree, parent);
            if (loop.isPresent()) {
                return loop.get();
            }
            passBy(at, tree);
        }
        return new InsertionPoint.Nowhere(code.range(expression.getLeaf()), "it stands outside of any body", true);
    }

    private Optional<InsertionPoint> ofStatement(TreePath statement, TreePath parentPath) {
        Tree parent = parentPath.getLeaf();
        Tree tree = statement.getLeaf();
        if (TreePaths.statements(parent).contains(tree)) {
            return Optional.of(new InsertionPoint.Before(statement, parent));
        }
        if (parent instanceof LabeledStatementTree) {
            return Optional.empty();
        }
        if (parent instanceof CaseTree) {
            return Optional.of(new InsertionPoint.Around(statement));
        }
        if (parent instanceof TryTree attempt && attempt.getResources().contains(tree)) {
            resource(attempt, tree, parentPath);
            return Optional.empty();
        }
        if (parent instanceof ForLoopTree loop && loop.getInitializer().contains(tree)) {
            precede(loop.getInitializer(), tree, parentPath);
            return Optional.empty();
        }
        if (parent instanceof ForLoopTree loop && loop.getStatement() != tree) {
            return Optional.of(new InsertionPoint.Nowhere(code.range(tree),
                    "it is evaluated again in each round of the loop", false));
        }
        return Optional.of(new InsertionPoint.Around(statement));
    }

    /** A resource may be opened before the statement as long as what it throws is not caught there (JLS 14.20.3). */
    private void resource(TryTree attempt, Tree tree, TreePath path) {
        precede(attempt.getResources(), tree, path);
        boolean isWatched = !attempt.getCatches().isEmpty() || attempt.getFinallyBlock() != null;
        if (isWatched && effects.mayFail()) {
            objection(code.range(tree), "it is evaluated within the 'try', which handles its failure");
        }
    }

    /** A lambda whose interface's method returns nothing has an expression for its effect only (JLS 15.27.3). */
    private boolean isVoidLambda(TreePath lambda) {
        return code.type(lambda)
                .filter(type -> type instanceof DeclaredType)
                .map(type -> ((DeclaredType) type).asElement())
                .filter(type -> type instanceof TypeElement)
                .flatMap(type -> code.elements().getAllMembers((TypeElement) type).stream()
                        .filter(member -> member.getKind() == ElementKind.METHOD
                                && member.getModifiers().contains(Modifier.ABSTRACT)
                                && !isOfObject(member))
                        .map(member -> ((ExecutableElement) member).getReturnType().getKind())
                        .findFirst())
                .filter(kind -> kind == TypeKind.VOID)
                .isPresent();
    }

    private boolean isOfObject(Element member) {
        return List.of("equals", "hashCode", "toString").contains(member.getSimpleName().toString());
    }

    /** Parts of loop headers are evaluated again and again. */
    private Optional<InsertionPoint.Nowhere> repeats(Tree tree, Tree parent) {
        boolean isLoop = parent instanceof WhileLoopTree || parent instanceof DoWhileLoopTree
                || parent instanceof ForLoopTree loop && loop.getCondition() == tree;
        return isLoop
                ? Optional.of(new InsertionPoint.Nowhere(code.range(tree),
                        "it is evaluated again in each round of the loop", false))
                : Optional.empty();
    }

    /** Notes what the parent evaluates before this child, and whether it evaluates the child at all. */
    private void passBy(TreePath path, Tree child) {
        Tree parent = path.getLeaf();
        if (parent instanceof BinaryTree binary) {
            if (binary.getRightOperand() == child) {
                boolean isLazy = parent.getKind() == Tree.Kind.CONDITIONAL_AND
                        || parent.getKind() == Tree.Kind.CONDITIONAL_OR;
                if (isLazy) {
                    onlySometimes(binary.getLeftOperand());
                }
                precede(path, binary.getLeftOperand());
                if (effects.writesState() && isTurnedIntoText(path, binary)) {
                    objection(code.range(binary.getLeftOperand()), "'" + shown(binary.getLeftOperand())
                            + "' may be turned into text before it, and the order can matter");
                }
            }
        } else if (parent instanceof ConditionalExpressionTree conditional && conditional.getCondition() != child) {
            onlySometimes(conditional.getCondition());
            precede(path, conditional.getCondition());
        } else if (parent instanceof MethodInvocationTree call) {
            callArguments(path, call, child);
        } else if (parent instanceof NewClassTree made) {
            if (made.getEnclosingExpression() != null && made.getEnclosingExpression() != child) {
                precede(path, made.getEnclosingExpression());
            }
            precede(made.getArguments(), child, path);
        } else if (parent instanceof NewArrayTree array) {
            precede(array.getDimensions(), child, path);
            if (array.getInitializers() != null) {
                precede(array.getInitializers(), child, path);
            }
        } else if (parent instanceof ArrayAccessTree access && access.getIndex() == child) {
            precede(path, access.getExpression());
        } else if (parent instanceof AssignmentTree assignment && assignment.getExpression() == child) {
            parts(assignment.getVariable()).forEach(part -> precede(path, part));
        } else if (parent instanceof CompoundAssignmentTree compound && compound.getExpression() == child) {
            precede(path, compound.getVariable());
        } else if (parent instanceof AssertTree check) {
            objection(code.range(check), "an 'assert' is evaluated only when assertions are switched on");
        } else if (parent instanceof VariableTree variable && isNotFirst(path, variable)) {
            objection(code.range(variable),
                    "it is declared together with others, which are evaluated before it; split the declaration first");
        }
    }

    /** Compilers differ in whether that comes before the right operand is evaluated or after it (JLS 15.18.1). */
    private boolean isTurnedIntoText(TreePath path, BinaryTree binary) {
        boolean isText = code.type(path).filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent();
        return isText && code.type(new TreePath(path, binary.getLeftOperand()))
                .filter(type -> type.getKind().isPrimitive() || NamedTypes.is(type, "java.lang.String"))
                .isEmpty();
    }

    private void callArguments(TreePath path, MethodInvocationTree call, Tree child) {
        ExpressionTree method = call.getMethodSelect();
        if (TreePaths.callsConstructor(call)) {
            objection = Optional.of(new InsertionPoint.Nowhere(
                    code.range(call), "nothing may stand before the call of another constructor (JLS 8.8.7)", true));
        }
        if (method instanceof MemberSelectTree select && select != child) {
            precede(new TreePath(path, method), select.getExpression());
        }
        precede(call.getArguments(), child, path);
    }

    /** What is evaluated of the target of an assignment before its right side. */
    private static List<Tree> parts(ExpressionTree target) {
        List<Tree> parts = new ArrayList<>();
        if (target instanceof ArrayAccessTree access) {
            parts.add(access.getExpression());
            parts.add(access.getIndex());
        } else if (target instanceof MemberSelectTree select) {
            parts.add(select.getExpression());
        }
        return parts;
    }

    /** Notes the siblings before a child; those of a list that it is not in come after it. */
    private void precede(List<? extends Tree> siblings, Tree child, TreePath parent) {
        if (!siblings.contains(child)) {
            return;
        }
        for (Tree sibling : siblings) {
            if (sibling == child) {
                return;
            }
            precede(parent, sibling);
        }
    }

    private void precede(TreePath parent, Tree sibling) {
        earlier.add(new TreePath(parent, sibling));
    }

    private void onlySometimes(Tree condition) {
        sometimes = earlier.size();
        if (!effects.isPure()) {
            objection(code.range(condition), "it is evaluated only if '" + shown(condition) + "' lets it be");
        }
    }

    private String shown(Tree tree) {
        return code.shown(code.range(tree), 40);
    }

    private void objection(Range at, String sentence) {
        if (objection.isEmpty()) {
            objection = Optional.of(new InsertionPoint.Nowhere(at, sentence, false));
        }
    }

    /** {@code int a = 1, b = 2;} is two trees that share their start. */
    private boolean isNotFirst(TreePath path, VariableTree variable) {
        int start = code.range(variable).start();
        Tree list = path.getParentPath().getLeaf();
        List<? extends Tree> siblings =
                list instanceof ForLoopTree loop ? loop.getInitializer() : TreePaths.statements(list);
        for (Tree sibling : siblings) {
            if (sibling == variable) {
                return false;
            }
            if (sibling instanceof VariableTree && code.range(sibling).start() == start) {
                return true;
            }
        }
        return false;
    }
}
