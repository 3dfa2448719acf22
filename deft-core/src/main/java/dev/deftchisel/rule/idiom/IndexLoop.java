package dev.deftchisel.rule.idiom;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.type.TypeKind;

/** A loop that counts through an array only to take each element (JLS 14.14.2). */
public final class IndexLoop implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("index-loop", Tag.IDIOM, "A loop counts only to take each element",
                Effect.SAME_BEHAVIOUR)
                .because("An enhanced for says it, and no index can be wrong.")
                .example("""
                        class Berths {
                            int sum(int[] depths) {
                                int sum = 0;
                                for (int i = 0; i < depths.length; i++) {
                                    int depth = depths[i];
                                    sum += depth;
                                }
                                return sum;
                            }
                        }
                        """, """
                        class Berths {
                            int sum(int[] depths) {
                                int sum = 0;
                                for (int depth : depths) {
                                    sum += depth;
                                }
                                return sum;
                            }
                        }
                        """)
                .silentOn("""
                        class Berths {
                            int sum(int[] depths) {
                                int sum = 0;
                                for (int i = 0; i < depths.length; i++) {
                                    int depth = depths[i];
                                    sum += depth * i;
                                }
                                for (int i = 1; i < depths.length; i++) {
                                    int depth = depths[i];
                                    sum += depth;
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
        if (!counts(path, loop, code) || !(loop.getStatement() instanceof BlockTree body) || body.getStatements()
                .isEmpty()
                || !(body.getStatements().get(0) instanceof VariableTree element)
                        || !(element.getInitializer() instanceof ArrayAccessTree taken)) {
            return;
        }
        VariableTree index = (VariableTree) loop.getInitializer().get(0);
        ExpressionTree array = ((MemberSelectTree) ((BinaryTree) loop.getCondition()).getRightOperand())
                .getExpression();
        TreePath inBody = new TreePath(new TreePath(path, body), element);
        Optional<Element> counter = code.element(new TreePath(path, index));
        boolean isAll = counter.isPresent() && code.saysType(element)
                && context.names().uses(counter.get()).size() == 3
                && code.element(new TreePath(new TreePath(inBody, taken), taken.getIndex())).equals(counter)
                && code.readsSame(taken.getExpression(), array) && isSteady(array, path, context);
        if (isAll && !code.hasComment(new Range(code.range(loop).start(), code.range(element).end()))) {
            context.report(new Range(code.range(loop).start(), code.range(loop).start() + 3),
                    "this loop counts only to take each element",
                    Fix.of("make it an enhanced for", edits -> write(edits, loop, element, array)));
        }
    }

    /** Whether it is {@code for (int i = 0; i < array.length; i++)}. */
    private static boolean counts(TreePath path, ForLoopTree loop, AttributedFile code) {
        if (loop.getInitializer().size() != 1 || !(loop.getInitializer().get(0) instanceof VariableTree index)
                || index.getInitializer() == null || loop.getUpdate().size() != 1
                || !(loop.getCondition() instanceof BinaryTree condition)
                || condition.getKind() != Tree.Kind.LESS_THAN) {
            return false;
        }
        boolean fromZero = Constants.value(code, new TreePath(new TreePath(path, index), index.getInitializer()))
                .filter(value -> value.equals(0)).isPresent();
        boolean byOne = loop.getUpdate().get(0).getExpression() instanceof UnaryTree step
                && (step.getKind() == Tree.Kind.POSTFIX_INCREMENT || step.getKind() == Tree.Kind.PREFIX_INCREMENT)
                && step.getExpression() instanceof IdentifierTree counted && counted.getName().equals(index.getName());
        boolean toEnd = condition.getLeftOperand() instanceof IdentifierTree tested && tested.getName()
                .equals(index.getName())
                && condition.getRightOperand() instanceof MemberSelectTree length && length.getIdentifier()
                .contentEquals("length")
                && length.getExpression() instanceof IdentifierTree
                && code.type(new TreePath(new TreePath(new TreePath(path, condition), length), length.getExpression()))
                        .filter(type -> type.getKind() == TypeKind.ARRAY).isPresent();
        return fromZero && byOne && toEnd;
    }

    /** Whether the array is a variable of a body that never gets another value. */
    private static boolean isSteady(ExpressionTree array, TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        Optional<Element> variable = code.element(new TreePath(path, array));
        return variable.filter(element -> element.getKind() == ElementKind.PARAMETER
                || element.getKind() == ElementKind.LOCAL_VARIABLE)
                .filter(element -> code.occurrences(new TreePath(path, ((ForLoopTree) path.getLeaf()).getStatement()))
                        .stream()
                        .noneMatch(place -> place.variable().equals(element) && place.isWritten())).isPresent();
    }

    private static void write(FixEdits edits, ForLoopTree loop, VariableTree element, ExpressionTree array) {
        AttributedFile code = edits.code();
        int close = code.tokens().codeBefore(code.tokens().at(code.range(loop.getStatement()).start()) - 1);
        Range head = new Range(code.range(loop.getInitializer().get(0)).start(), code.tokens().start(close));
        Range all = code.range(element);
        Range typeAndName = new Range(all.start(), code.tokens().end(code.tokens().codeBefore(
                code.tokens().codeBefore(code.tokens().at(code.range(element.getInitializer()).start()) - 1) - 1)));
        edits.replace(head, to -> to.carry(typeAndName).write(" : ").carry(code.range(array)));
        edits.remove(all);
    }
}
