package dev.deftchisel.rule.statement;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Set;

/** {@code =+} and {@code =-}, which assign a signed value (JLS 15.26.2). */
public final class TurnedOperator implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("turned-operator", Tag.SUSPICIOUS,
                "A compound assignment is written the wrong way round", Effect.OTHER)
                .because("'=+' assigns the value; '+=' adds it.")
                .example("""
                        class Dues {
                            int due(int length) {
                                int due = 3;
                                due =+ length;
                                return due;
                            }
                        }
                        """, """
                        class Dues {
                            int due(int length) {
                                int due = 3;
                                due += length;
                                return due;
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            int due(int length) {
                                int due = 3;
                                due = -length;
                                due=-1;
                                return due;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.ASSIGNMENT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AssignmentTree assignment = (AssignmentTree) path.getLeaf();
        Tree.Kind kind = assignment.getExpression().getKind();
        if (kind != Tree.Kind.UNARY_PLUS && kind != Tree.Kind.UNARY_MINUS) {
            return;
        }
        AttributedFile code = context.code();
        int sign = code.tokens().code(code.tokens().at(code.range(assignment.getVariable()).end()));
        Range value = code.range(assignment.getExpression());
        Range operand = code.range(((UnaryTree) assignment.getExpression()).getExpression());
        boolean isTurned = code.tokens().end(sign) == value.start() && operand.start() > value.start() + 1;
        if (isTurned) {
            String operator = kind == Tree.Kind.UNARY_PLUS ? "+=" : "-=";
            Range both = new Range(code.tokens().start(sign), value.start() + 1);
            context.report(both, "this assigns a signed value",
                    Fix.of("write '" + operator + "'", edits -> edits.replace(both, operator)));
        }
    }
}
