package dev.deftchisel.rule.lambda;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
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
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/** A stream that is searched only to know whether something is there (java.util.stream.Stream). */
public final class FoundByFilter implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("found-by-filter", Tag.IDIOM,
                "A stream is searched to know whether something is there", Effect.SAME_BEHAVIOUR)
                .because("'anyMatch' asks just this.")
                .example("""
                        import java.util.List;

                        class Berths {
                            boolean isKnown(List<String> names) {
                                return names.stream().filter(name -> name.isEmpty()).findFirst().isPresent();
                            }
                        }
                        """, """
                        import java.util.List;

                        class Berths {
                            boolean isKnown(List<String> names) {
                                return names.stream().anyMatch(name -> name.isEmpty());
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.List;

                        class Berths {
                            boolean isKnown(List<String> names) {
                                return names.stream().filter(name -> name.isEmpty()).findFirst().map(String::length).isPresent();
                            }

                            boolean isMissing(List<String> names) {
                                return names.stream().filter(name -> name == null).findFirst().isPresent();
                            }
                        }
                        """);
    }

    /**
     * Whether the condition fails for null itself, as {@code findFirst} would for a null that is found and
     * {@code anyMatch} would not.
     */
    private static boolean failsOnNull(ExpressionTree condition, AttributedFile code, TreePath around) {
        if (condition instanceof LambdaExpressionTree function && function.getParameters().size() == 1) {
            Tree first = function.getBody();
            while (first instanceof MethodInvocationTree || first instanceof MemberSelectTree
                    || first instanceof BinaryTree
                    || first instanceof UnaryTree || first instanceof ParenthesizedTree) {
                if (first instanceof MethodInvocationTree call) {
                    first = call.getMethodSelect();
                } else if (first instanceof MemberSelectTree select) {
                    first = select.getExpression();
                } else if (first instanceof BinaryTree binary) {
                    first = binary.getLeftOperand();
                } else if (first instanceof UnaryTree unary) {
                    first = unary.getExpression();
                } else {
                    first = ((ParenthesizedTree) first).getExpression();
                }
                if (first instanceof IdentifierTree name && name.getName()
                        .equals(function.getParameters().get(0).getName())) {
                    return !(isCompared(function.getBody(), name));
                }
            }
            return false;
        }
        return condition instanceof MemberReferenceTree reference && code.element(new TreePath(around, reference))
                .filter(method -> !method.getModifiers().contains(Modifier.STATIC)).isPresent()
                && code.element(new TreePath(new TreePath(around, reference), reference.getQualifierExpression()))
                .filter(element -> element instanceof TypeElement).isPresent();
    }

    /** Whether a name is only compared, as in {@code name == null}. */
    private static boolean isCompared(Tree body, IdentifierTree name) {
        Tree at = body;
        while (at instanceof BinaryTree binary) {
            if (binary.getLeftOperand() == name) {
                return true;
            }
            at = binary.getLeftOperand();
        }
        return at == name;
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        if (!Calls.isOf(code, path, "java.util.Optional", "isPresent", 0)) {
            return;
        }
        Optional<TreePath> found = Calls.receiver(path).filter(call ->
                Calls.isOf(code, call, "java.util.stream.Stream", "findFirst", 0)
                        || Calls.isOf(code, call, "java.util.stream.Stream", "findAny", 0));
        Optional<TreePath> filter = found.flatMap(Calls::receiver)
                .filter(call -> Calls.isOf(code, call, "java.util.stream.Stream",
                "filter", 1));
        Optional<TreePath> stream = filter.flatMap(Calls::receiver);
        if (stream.isPresent() && failsOnNull(((MethodInvocationTree) filter.get().getLeaf()).getArguments()
                .get(0), code, filter.get())) {
            MethodInvocationTree filtered = (MethodInvocationTree) filter.get().getLeaf();
            Range all = code.range(path.getLeaf());
            Range select = code.range(filtered.getMethodSelect());
            Range name = new Range(select.end() - "filter".length(), select.end());
            context.report(new Range(name.start(), all.end()), "'anyMatch' asks this",
                    Fix.of("use 'anyMatch'", edits -> edits.replace(
                    path.getLeaf(), to -> to.carry(new Range(all.start(), name.start())).write("anyMatch(")
                            .carry(code.range(filtered.getArguments().get(0))).write(")"))));
        }
    }
}
