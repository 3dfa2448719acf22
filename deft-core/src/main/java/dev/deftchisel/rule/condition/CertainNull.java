package dev.deftchisel.rule.condition;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.rule.NullTest;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.VariableElement;

/** What is dereferenced just where it is known to be {@code null} (JLS 15.11, 15.12.4.4). */
public final class CertainNull implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("certain-null", Tag.SUSPICIOUS, "Something is used where it is null", Effect.OTHER)
                .because("This cannot end but in a NullPointerException; the other operator was meant.")
                .example("""
                        class Log {
                            boolean isEmpty(String line) {
                                return line == null && line.isEmpty() || line != null || line.length() > 3;
                            }
                        }
                        """, """
                        class Log {
                            boolean isEmpty(String line) {
                                return line == null || line.isEmpty() || line != null || line.length() > 3;
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            boolean isEmpty(String line, String other) {
                                return line == null || line.isEmpty() || other == null && line.isEmpty();
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.CONDITIONAL_AND, Tree.Kind.CONDITIONAL_OR, Tree.Kind.IF,
                Tree.Kind.CONDITIONAL_EXPRESSION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        if (path.getLeaf() instanceof IfTree choice) {
            choose(path, choice.getCondition(), List.of(choice.getThenStatement()), otherwise(path, choice), context);
        } else if (path.getLeaf() instanceof ConditionalExpressionTree choice) {
            choose(path, choice.getCondition(), List.of(choice.getTrueExpression()),
                    List.of(choice.getFalseExpression()), context);
        } else {
            operands(path, (BinaryTree) path.getLeaf(), context);
        }
    }

    /**
     * Where a variable is null its use must not begin by asking it for something: in one branch, or after one that
     * leaves.
     */
    private static void choose(TreePath path, ExpressionTree condition, List<? extends Tree> whereTrue,
            List<? extends Tree> whereFalse,
            RuleContext context) {
        AttributedFile code = context.code();
        parts(TreePaths.inner(condition), Tree.Kind.CONDITIONAL_AND)
                .forEach(part -> NullTest.of(part, Tree.Kind.EQUAL_TO)
                        .ifPresent(tested -> used(path, tested, whereTrue, code)
                        .ifPresent(use -> report(use, tested, context))));
        parts(TreePaths.inner(condition), Tree.Kind.CONDITIONAL_OR)
                .forEach(part -> NullTest.of(part, Tree.Kind.NOT_EQUAL_TO)
                        .ifPresent(tested -> used(path, tested, whereFalse, code)
                        .ifPresent(use -> report(use, tested, context))));
    }

    /** What runs when a condition does not hold: the other branch, or all that follows when the first one leaves. */
    private static List<? extends Tree> otherwise(TreePath path, IfTree choice) {
        if (choice.getElseStatement() != null) {
            return List.of(choice.getElseStatement());
        }
        List<? extends StatementTree> list = TreePaths.statements(path.getParentPath().getLeaf());
        int index = list.indexOf(choice);
        return index < 0 || Jumps.canComplete(choice.getThenStatement()) ? List.of()
                : list.subList(index + 1, list.size());
    }

    private static void report(TreePath use, ExpressionTree tested, RuleContext context) {
        context.report(use.getLeaf(), "'" + context.code().text(tested) + "' is null here: line "
                + context.code().file().position(context.code().range(tested).start()).line() + " has asked");
    }

    private static List<ExpressionTree> parts(ExpressionTree condition, Tree.Kind operator) {
        return condition.getKind() != operator ? List.of(condition)
                : Stream.of(((BinaryTree) condition).getLeftOperand(), ((BinaryTree) condition).getRightOperand())
                        .flatMap(part -> parts(TreePaths.inner(part), operator).stream()).toList();
    }

    /**
     * The first use of a local variable in a branch, when it asks the variable for something; what runs later is no
     * use.
     */
    private static Optional<TreePath> used(TreePath choice, ExpressionTree tested, List<? extends Tree> branch,
            AttributedFile code) {
        Optional<Element> variable = code.expressions(new TreePath(choice, choice.getLeaf())).stream()
                .filter(part -> part.getLeaf() == tested).findFirst().flatMap(code::element)
                .filter(element -> !element.getKind().isField() && element instanceof VariableElement);
        ExpressionTree condition = choice.getLeaf() instanceof IfTree test ? test.getCondition()
                : ((ConditionalExpressionTree) choice.getLeaf()).getCondition();
        boolean isGiven = code.occurrences(new TreePath(choice, condition)).stream().anyMatch(Occurrence::isWritten);
        return variable.filter(local -> !isGiven)
                .flatMap(local -> branch.stream().flatMap(tree -> code.occurrences(new TreePath(choice, tree)).stream())
                .filter(place -> place.variable().equals(local)).findFirst()
                .filter(place -> place.access() == Occurrence.Access.READ
                        && !TreePaths.isDeferred(place.path(), choice.getLeaf()))
                .map(Occurrence::path).filter(use -> isAsked(use, code)));
    }

    /** Whether what is null cannot stand in a place: before a dot or a bracket, or where a box must have a value. */
    private static boolean isAsked(TreePath use, AttributedFile code) {
        TreePath around = TreePaths.outer(use);
        Tree tree = around.getLeaf();
        boolean isArray = tree instanceof ArrayAccessTree access
                && TreePaths.inner(access.getExpression()) == use.getLeaf();
        boolean isNumber = tree instanceof BinaryTree sum && sum.getKind() != Tree.Kind.EQUAL_TO
                && sum.getKind() != Tree.Kind.NOT_EQUAL_TO
                && code.type(around).filter(type -> type.getKind().isPrimitive()).isPresent();
        return isArray || isNumber || tree instanceof MemberSelectTree && code.element(around)
                .filter(member -> !member.getModifiers().contains(Modifier.STATIC)).isPresent();
    }

    private static void operands(TreePath path, BinaryTree tree, RuleContext context) {
        boolean isAnd = tree.getKind() == Tree.Kind.CONDITIONAL_AND;
        AttributedFile code = context.code();
        Optional<ExpressionTree> tested = NullTest.of(tree.getLeftOperand(), isAnd ? Tree.Kind.EQUAL_TO
                : Tree.Kind.NOT_EQUAL_TO)
                .filter(NullTest::isName);
        if (tested.isEmpty() || !isUsedFirst(tested.get(), new TreePath(path, tree.getRightOperand()), code)) {
            return;
        }
        int operator = code.tokens().code(code.tokens().at(code.range(tree.getLeftOperand()).end()));
        String other = isAnd ? "||" : "&&";
        boolean isLooser = Precedence.needsParentheses(isAnd ? Tree.Kind.CONDITIONAL_OR
                : Tree.Kind.CONDITIONAL_AND, tree,
                path.getParentPath().getLeaf());
        context.report(code.tokens().range(operator), "'" + code.text(tested.get())
                + "' is null where it is used after '"
                + code.tokens().text(operator) + "'", isLooser && isAnd && !isOr(path) ? new Fix[0] : new Fix[] {
                Fix.of("write '" + other + "'", edits -> edits.replace(code.tokens().range(operator), other))});
    }

    private static boolean isOr(TreePath path) {
        return path.getParentPath().getLeaf().getKind() == Tree.Kind.CONDITIONAL_OR;
    }

    /** Whether evaluating a condition begins with selecting from what is null. */
    private static boolean isUsedFirst(ExpressionTree tested, TreePath condition, AttributedFile code) {
        TreePath at = TreePaths.inner(condition);
        while (true) {
            Tree leaf = at.getLeaf();
            if (leaf instanceof BinaryTree binary) {
                at = TreePaths.inner(new TreePath(at, binary.getLeftOperand()));
            } else if (leaf instanceof UnaryTree unary) {
                at = TreePaths.inner(new TreePath(at, unary.getExpression()));
            } else if (leaf instanceof MethodInvocationTree call
                    && call.getMethodSelect() instanceof MemberSelectTree select) {
                boolean isStatic = Calls.method(code, at)
                        .filter(method -> !method.getModifiers().contains(Modifier.STATIC)).isEmpty();
                if (isStatic) {
                    return false;
                }
                if (code.readsSame(select.getExpression(), tested)) {
                    return true;
                }
                at = TreePaths.inner(new TreePath(new TreePath(at, select), select.getExpression()));
            } else {
                return false;
            }
        }
    }
}
