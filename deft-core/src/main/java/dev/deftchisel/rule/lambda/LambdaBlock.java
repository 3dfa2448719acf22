package dev.deftchisel.rule.lambda;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;

/** A lambda whose body is a block around one expression (JLS 15.27.2). */
public final class LambdaBlock implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("lambda-block", Tag.REDUNDANT, "A lambda has a block around one expression",
                Effect.SAME_CLASSES)
                .because("The expression alone says it.")
                .example("""
                        import java.util.List;

                        class Berths {
                            void print(List<String> names) {
                                names.sort((one, other) -> {
                                    return one.compareTo(other);
                                });
                                names.forEach(name -> { System.out.println(name); });
                            }
                        }
                        """, """
                        import java.util.List;

                        class Berths {
                            void print(List<String> names) {
                                names.sort((one, other) -> one.compareTo(other));
                                names.forEach(name -> System.out.println(name));
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.List;

                        class Berths {
                            void print(List<String> names) {
                                names.forEach(name -> {
                                    // one a line
                                    System.out.println(name);
                                });
                                names.removeIf(name -> {
                                    names.size();
                                    return true;
                                });
                                names.forEach(name -> {
                                });
                            }
                        }
                        """)
                .weighing(Severity.HINT);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.LAMBDA_EXPRESSION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        LambdaExpressionTree lambda = (LambdaExpressionTree) path.getLeaf();
        AttributedFile code = context.code();
        if (!(lambda.getBody() instanceof BlockTree block) || block.getStatements().size() != 1
                || code.hasComment(code.range(block))) {
            return;
        }
        StatementTree only = block.getStatements().get(0);
        Optional<ExpressionTree> value;
        if (only instanceof ReturnTree result) {
            value = Optional.ofNullable(result.getExpression());
        } else if (only instanceof ExpressionStatementTree statement && !isOverloaded(path, code)) {
            value = Optional.of(statement.getExpression());
        } else {
            value = Optional.empty();
        }
        value.ifPresent(expression -> context.report(new Range(code.range(block).start(), code.range(block)
                .start() + 1),
                "the block holds one expression", Fix.of("write the expression alone",
                        edits -> edits.replace(block, to -> to.carry(code.range(expression),
                                Layout.indentOf(code.file(), code.range(only).start()),
                                        Layout.indentOf(code.file(), code.range(lambda).start()))))));
    }

    /**
     * Whether another method of the name could take a lambda that has a value as well as one that has none (JLS
     * 15.12.2.1).
     */
    private static boolean isOverloaded(TreePath lambda, AttributedFile code) {
        TreePath call = lambda.getParentPath();
        return code.element(call)
                .filter(element -> element instanceof ExecutableElement
                        && call.getLeaf() instanceof MethodInvocationTree
                        || call.getLeaf() instanceof NewClassTree)
                .filter(element -> element.getEnclosingElement() instanceof TypeElement type
                        && code.elements().getAllMembers(type).stream()
                        .filter(other -> other.getSimpleName().equals(element.getSimpleName())).count() > 1)
                .isPresent();
    }
}
