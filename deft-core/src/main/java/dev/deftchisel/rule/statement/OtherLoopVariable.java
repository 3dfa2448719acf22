package dev.deftchisel.rule.statement;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreeScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;

/** A nested loop that counts with the variable of the loop around (JLS 14.14.1). */
public final class OtherLoopVariable implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("other-loop-variable", Tag.SUSPICIOUS, "A loop tests one variable and counts another",
                Effect.OTHER)
                .because("The loop inside goes on for ever or the one outside leaves some out.")
                .example("""
                        class Berths {
                            int sum(int[][] depths) {
                                int sum = 0;
                                for (int i = 0; i < depths.length; i++) {
                                    for (int j = 0; j < depths[i].length; i++) {
                                        sum += depths[i][j];
                                    }
                                }
                                return sum;
                            }
                        }
                        """, """
                        class Berths {
                            int sum(int[][] depths) {
                                int sum = 0;
                                for (int i = 0; i < depths.length; i++) {
                                    for (int j = 0; j < depths[i].length; j++) {
                                        sum += depths[i][j];
                                    }
                                }
                                return sum;
                            }
                        }
                        """)
                .silentOn("""
                        class Berths {
                            int sum(int[] depths) {
                                int sum = 0;
                                for (int i = 0, j = depths.length; i < j; j--) {
                                    sum += depths[i++];
                                }
                                for (int i = 0; i < depths.length;) {
                                    for (int few = 3; i < depths.length && --few >= 0; i++) {
                                        sum += depths[i];
                                    }
                                }
                                return sum;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.FOR_LOOP);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        ForLoopTree loop = (ForLoopTree) path.getLeaf();
        AttributedFile code = context.code();
        if (loop.getInitializer().size() != 1 || !(loop.getInitializer().get(0) instanceof VariableTree variable)
                || loop.getUpdate().size() != 1 || loop.getCondition() == null) {
            return;
        }
        Optional<Element> own = code.element(new TreePath(path, variable));
        Optional<TreePath> counted = counted(new TreePath(path, loop.getUpdate().get(0)));
        Optional<Element> other = counted.flatMap(code::element);
        if (own.isEmpty() || other.isEmpty() || !isSteady(path, loop, own.get().equals(other.get()) ? null
                : own.get(), code)) {
            return;
        }
        Optional<TreePath> tested = tested(path, loop, own.get(), counted.get(), code);
        tested.ifPresent(name -> context.report(name.getLeaf(), own.equals(other)
                        ? "the loop counts '" + variable.getName() + "' and tests '" + name.getLeaf() + "'"
                        : "the loop counts '" + name.getLeaf() + "' and tests '" + variable.getName() + "'",
                Fix.of((own.equals(other) ? "test '" : "count '") + variable.getName() + "'",
                        edits -> edits.replace(code.range(name.getLeaf()), variable.getName().toString()))));
    }

    /** The name in a loop that should be that of its own variable. */
    private static Optional<TreePath> tested(TreePath path, ForLoopTree loop, Element own, TreePath counted,
            AttributedFile code) {
        Element other = code.element(counted).orElseThrow();
        TreePath condition = new TreePath(path, loop.getCondition());
        if (!own.equals(other)) {
            // a bound may be declared along with what counts up to it
            boolean isOther = names(condition, own, code) && !isCompared(condition, other, code)
                    && (code.isOfLoop(path, other) || !mayLeave(loop.getStatement()));
            return Optional.of(counted).filter(name -> isOther);
        }
        // only the two sides of the comparison: what is counted outside may well be tested beside
        boolean isBare = TreePaths.inner(condition).getLeaf() instanceof BinaryTree comparison
                && !comparison.getKind().name().startsWith("CONDITIONAL");
        return code.occurrences(condition).stream()
                .filter(place -> isBare && !names(condition, own, code) && code.isOfLoop(path, place.variable()))
                .map(Occurrence::path).findFirst();
    }

    /** Whether a variable is itself one side of a comparison. */
    private static boolean isCompared(TreePath condition, Element variable, AttributedFile code) {
        return code.occurrences(condition).stream().anyMatch(place -> place.variable().equals(variable)
                && TreePaths.outer(place.path()).getLeaf() instanceof BinaryTree);
    }

    /** The variable that the step of a loop changes. */
    private static Optional<TreePath> counted(TreePath update) {
        TreePath step = new TreePath(update, ((ExpressionStatementTree) update.getLeaf()).getExpression());
        return Optional.of(step)
                .flatMap(path -> path.getLeaf() instanceof UnaryTree unary
                        ? Optional.of(new TreePath(path, unary.getExpression()))
                        : path.getLeaf() instanceof CompoundAssignmentTree compound
                        ? Optional.of(new TreePath(path, compound.getVariable()))
                        : Optional.empty())
                .filter(path -> path.getLeaf() instanceof IdentifierTree);
    }

    /**
     * Whether nothing that a loop tests changes in its rounds: neither its own variable, where another is counted, nor
     * any other.
     *
     * @param own null where the step counts the own variable
     */
    private static boolean isSteady(TreePath path, ForLoopTree loop, Element own, AttributedFile code) {
        TreePath condition = new TreePath(path, loop.getCondition());
        Set<Element> tested = code.occurrences(condition).stream().map(Occurrence::variable)
                .collect(Collectors.toSet());
        boolean isWritten = Stream.of(loop.getCondition(), loop.getStatement())
                .flatMap(part -> code.occurrences(new TreePath(path, part)).stream())
                .anyMatch(place -> place.isWritten() && (tested.contains(place.variable()) || place.variable()
                        .equals(own)));
        boolean isLocal = Stream.concat(Stream.of(TreePaths.inner(condition)), code.expressions(condition)
                .stream()).noneMatch(part -> part.getLeaf() instanceof MethodInvocationTree
                || code.element(part).filter(element -> element.getKind() == ElementKind.FIELD
                        && !element.getModifiers().contains(Modifier.FINAL) && !element.getSimpleName()
                        .contentEquals("length")).isPresent());
        return !isWritten && isLocal;
    }

    private static boolean names(TreePath condition, Element variable, AttributedFile code) {
        return code.occurrences(condition).stream().anyMatch(place -> place.variable().equals(variable));
    }

    /** Whether a round may be the last one by a jump or result. */
    private static boolean mayLeave(Tree body) {
        return Boolean.TRUE.equals(new TreeScanner<Boolean, Void>() {
            @Override
            public Boolean scan(Tree tree, Void unused) {
                return tree instanceof BreakTree || tree instanceof ReturnTree || tree instanceof ThrowTree
                        || tree instanceof ContinueTree
                        ? Boolean.TRUE : super.scan(tree, null);
            }

            @Override
            public Boolean reduce(Boolean one, Boolean other) {
                return Boolean.TRUE.equals(one) || Boolean.TRUE.equals(other);
            }
        }.scan(body, null));
    }
}
