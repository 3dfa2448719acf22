package dev.deftchisel.rule.idiom;

import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** A {@code switch} that only returns one of several results (JLS 15.28). */
public final class ChoiceOfResults implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("choice-of-results", Tag.IDIOM, "A switch only chooses a result",
                Effect.SAME_BEHAVIOUR)
                .because("As an expression it says so, cannot fall through, and must cover every case.")
                .example("""
                        class Tides {
                            int hours(int phase) {
                                switch (phase) {
                                    case 1:
                                    case 2:
                                        return 6;
                                    case 3:
                                        return phase * 4;
                                    default:
                                        throw new IllegalArgumentException("phase " + phase);
                                }
                            }
                        }
                        """, """
                        class Tides {
                            int hours(int phase) {
                                return switch (phase) {
                                    case 1, 2 -> 6;
                                    case 3 -> phase * 4;
                                    default -> throw new IllegalArgumentException("phase " + phase);
                                };
                            }
                        }
                        """)
                .silentOn("""
                        class Tides {
                            int hours(int phase) {
                                switch (phase) {
                                    case 1:
                                        phase++;
                                        return 6;
                                    default:
                                        return 3;
                                }
                            }

                            int all(int phase) {
                                switch (phase) {
                                    case 1:
                                        return 6;
                                }
                                return 0;
                            }
                        }
                        """)
                .from(14);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.SWITCH);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        SwitchTree tree = (SwitchTree) path.getLeaf();
        AttributedFile code = context.code();
        List<Group> groups = groups(tree);
        boolean hasDefault = groups.stream().anyMatch(group -> group.isDefault());
        boolean isAll = !groups.isEmpty() && hasDefault && groups.stream()
                .anyMatch(group -> group.result() instanceof ReturnTree)
                && !code.hasComment(code.range(tree)) && groups.stream()
                .noneMatch(group -> group.isDefault() && !group.labels().isEmpty());
        if (isAll) {
            context.report(new Range(code.range(tree).start(), code.range(tree).start() + "switch".length()),
                    "this switch only chooses a result", Fix.of("make it an expression",
                            edits -> write(edits, tree, groups)));
        }
    }

    /**
     * Cases that share their statements.
     *
     * @param labels    their constants
     * @param isDefault whether it is for all others
     * @param result    the only statement
     */
    private record Group(List<ExpressionTree> labels, boolean isDefault, StatementTree result) {
    }

    /** The groups, when each is no more than a result or an exception; empty otherwise. */
    private static List<Group> groups(SwitchTree tree) {
        List<Group> groups = new ArrayList<>();
        List<ExpressionTree> labels = new ArrayList<>();
        boolean isDefault = false;
        for (CaseTree one : tree.getCases()) {
            if (one.getCaseKind() != CaseTree.CaseKind.STATEMENT) {
                return List.of();
            }
            labels.addAll(one.getExpressions());
            isDefault |= one.getExpressions().isEmpty();
            List<? extends StatementTree> statements = one.getStatements();
            if (statements.isEmpty()) {
                continue;
            }
            boolean isResult = statements.size() == 1
                    && (statements.get(0) instanceof ReturnTree result && result.getExpression() != null
                    || statements.get(0) instanceof ThrowTree);
            if (!isResult) {
                return List.of();
            }
            groups.add(new Group(List.copyOf(labels), isDefault, statements.get(0)));
            labels.clear();
            isDefault = false;
        }
        return labels.isEmpty() && !isDefault ? groups : List.of();
    }

    private static void write(FixEdits edits, SwitchTree tree, List<Group> groups) {
        AttributedFile code = edits.code();
        Layout layout = Layout.of(code.file());
        String indent = Layout.indentOf(code.file(), code.range(tree).start());
        String inner = Layout.indentOf(code.file(), code.range(tree.getCases().get(0)).start());
        edits.replace(tree, to -> {
            to.write("return switch ").carry(code.range(tree.getExpression())).write(" {");
            for (Group group : groups) {
                to.write(layout.lineEnd() + inner + (group.isDefault() ? "default" : "case "));
                for (int i = 0; i < group.labels().size(); i++) {
                    to.write(i == 0 ? "" : ", ").carry(code.range(group.labels().get(i)));
                }
                to.write(" -> ");
                Tree value = group.result() instanceof ReturnTree result ? result.getExpression() : group.result();
                to.carry(code.range(value), Layout.indentOf(code.file(), code.range(value).start()), inner)
                        .write(group.result() instanceof ReturnTree ? ";" : "");
            }
            to.write(layout.lineEnd() + indent + "};");
        });
    }
}
