package dev.deftchisel.rule.statement;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;

/** {@code =} where a condition is asked for (JLS 15.26). */
public final class AssignmentInCondition implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("assignment-in-condition", Tag.SUSPICIOUS, "A condition assigns instead of comparing",
                Effect.OTHER)
                .because("One '=' too few: the variable is changed and its new value decides.")
                .example("""
                        class Berth {
                            int moor(boolean isFree) {
                                if (isFree = true) {
                                    return 1;
                                }
                                return 0;
                            }
                        }
                        """, """
                        class Berth {
                            int moor(boolean isFree) {
                                if (isFree == true) {
                                    return 1;
                                }
                                return 0;
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            int moor(java.util.Iterator<String> names) {
                                boolean hasNext;
                                while ((hasNext = names.hasNext())) {
                                    names.next();
                                }
                                return hasNext ? 1 : 0;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.IF, Tree.Kind.WHILE_LOOP, Tree.Kind.DO_WHILE_LOOP, Tree.Kind.CONDITIONAL_EXPRESSION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        Tree tree = path.getLeaf();
        ExpressionTree condition;
        if (tree instanceof IfTree choice) {
            condition = choice.getCondition();
        } else if (tree instanceof WhileLoopTree loop) {
            condition = loop.getCondition();
        } else if (tree instanceof DoWhileLoopTree loop) {
            condition = loop.getCondition();
        } else {
            condition = ((ConditionalExpressionTree) tree).getCondition();
        }
        // a second pair of parentheses says that it is meant
        ExpressionTree asked = condition instanceof ParenthesizedTree own ? own.getExpression() : condition;
        if (asked instanceof AssignmentTree assignment && assignment.getExpression() instanceof LiteralTree) {
            AttributedFile code = context.code();
            int sign = code.tokens().code(code.tokens().at(code.range(assignment.getVariable()).end()));
            context.report(assignment, "this assigns and does not compare", Fix.of("compare with '=='",
                    edits -> edits.replace(code.tokens().range(sign), "==")));
        }
    }
}
