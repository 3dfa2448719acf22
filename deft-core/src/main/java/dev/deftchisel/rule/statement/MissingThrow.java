package dev.deftchisel.rule.statement;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rule.Beside;
import java.util.Set;

/** An exception that is made and not thrown (JLS 14.8, 14.18). */
public final class MissingThrow implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("missing-throw", Tag.SUSPICIOUS, "An exception is made but not thrown", Effect.OTHER)
                .because("Making it does nothing; the code goes on as if all were well.")
                .example("""
                        class Berth {
                            void moor(int length) {
                                if (length < 0) {
                                    new IllegalArgumentException("length is " + length);
                                }
                            }
                        }
                        """, """
                        class Berth {
                            void moor(int length) {
                                if (length < 0) {
                                    throw new IllegalArgumentException("length is " + length);
                                }
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            Exception moor(int length) {
                                new StringBuilder();
                                return new IllegalArgumentException("length is " + length);
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.EXPRESSION_STATEMENT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        ExpressionStatementTree statement = (ExpressionStatementTree) path.getLeaf();
        TreePath made = new TreePath(path, statement.getExpression());
        boolean isException = made.getLeaf() instanceof NewClassTree && path.getParentPath()
                .getLeaf() instanceof BlockTree
                && context.code().type(made).filter(type -> context.code().isKind(type,
                        context.code().elements().getTypeElement("java.lang.Throwable").asType())).isPresent();
        // a comment before it says why it is only made, as where making it writes a log
        boolean isSaid = isException && context.code()
                .hasComment(Beside.before(context.code().range(statement).start(), context.code()));
        if (isException && !isSaid) {
            context.report(statement, "this exception is never thrown",
                    Fix.of("throw it", edits -> edits.insert(context.code().range(statement).start(), "throw ")));
        }
    }
}
