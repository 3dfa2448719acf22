package dev.deftchisel.rule.unused;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;

/** A value that a variable is given and that the next statement replaces unseen (JLS 15.26). */
public final class OverwrittenValue implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("overwritten-value", Tag.UNUSED,
                "A variable gets another value before anyone saw the first", Effect.SAME_BEHAVIOUR)
                .because("The first value is computed for nothing, or should have been used.")
                .example("""
                        class Dues {
                            int due(int length) {
                                int due = 0;
                                due = length * 3;
                                return due;
                            }
                        }
                        """, """
                        class Dues {
                            int due(int length) {
                                int due = length * 3;
                                return due;
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            int due(int length) {
                                int due = 2;
                                due = due + length;
                                int rate = next();
                                rate = next();
                                return due + rate;
                            }

                            int next() {
                                return 1;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.BLOCK, Tree.Kind.CASE);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        List<? extends StatementTree> statements = TreePaths.statements(path.getLeaf());
        for (int i = 0; i + 1 < statements.size(); i++) {
            if (statements.get(i) instanceof VariableTree variable && variable.getInitializer() != null) {
                look(new TreePath(path, variable), new TreePath(path, statements.get(i + 1)), context);
            }
        }
    }

    private static void look(TreePath declaration, TreePath next, RuleContext context) {
        VariableTree variable = (VariableTree) declaration.getLeaf();
        AttributedFile code = context.code();
        if (!(next.getLeaf() instanceof ExpressionStatementTree statement)
                || !(statement.getExpression() instanceof AssignmentTree assignment)) {
            return;
        }
        TreePath initializer = new TreePath(declaration, variable.getInitializer());
        TreePath target = new TreePath(new TreePath(next, assignment), assignment.getVariable());
        TreePath value = new TreePath(new TreePath(next, assignment), assignment.getExpression());
        Optional<Element> element = code.element(declaration);
        boolean isSame = element.isPresent() && code.element(target).equals(element) && code.saysType(variable);
        if (isSame && code.effectsInPlace(initializer).isPure() && !names(element.get(), value, code)
                && !DeclarationUsage.at(declaration, context).orElseThrow().sharesDeclaration()) {
            context.report(variable.getInitializer(), "nobody sees this value of '" + variable.getName() + "'",
                    Fix.of("declare it with the next value", edits -> {
                        edits.replace(variable.getInitializer(), to -> to.carry(code.range(value.getLeaf())));
                        edits.remove(code.range(statement));
                    }));
        }
    }

    private static boolean names(Element variable, TreePath value, AttributedFile code) {
        return code.occurrences(value).stream().anyMatch(place -> place.variable().equals(variable));
    }
}
