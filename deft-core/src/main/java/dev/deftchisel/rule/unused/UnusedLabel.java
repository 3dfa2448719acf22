package dev.deftchisel.rule.unused;

import com.sun.source.tree.LabeledStatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Set;

/** Labels that no {@code break} or {@code continue} names (JLS 14.7). */
public final class UnusedLabel implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("unused-label", Tag.UNUSED, "No jump names a label", Effect.SAME_CLASSES)
                .because("It announces a jump that does not come.")
                .example("""
                        class Tides {
                            void wait(int hours) {
                                tide: for (int i = 0; i < hours; i++) {
                                    if (i == 3) {
                                        break;
                                    }
                                }
                            }
                        }
                        """, """
                        class Tides {
                            void wait(int hours) {
                                for (int i = 0; i < hours; i++) {
                                    if (i == 3) {
                                        break;
                                    }
                                }
                            }
                        }
                        """)
                .silentOn("""
                        class Tides {
                            void wait(int hours) {
                                tide:
                                while (true) {
                                    for (int i = 0; i < hours; i++) {
                                        continue tide;
                                    }
                                }
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.LABELED_STATEMENT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        LabeledStatementTree tree = (LabeledStatementTree) path.getLeaf();
        boolean isNamed = Jumps.leaving(List.of(new TreePath(path, tree.getStatement()))).stream()
                .anyMatch(jump -> jump.target() == tree);
        if (!isNamed) {
            Range all = context.code().range(tree);
            Range label = new Range(all.start(), all.start() + tree.getLabel().length());
            context.report(label, "no jump names '" + tree.getLabel() + "'", Fix.of("remove the label",
                    edits -> remove(edits, tree)));
        }
    }

    /** The statement moves to where the label was. */
    private static void remove(FixEdits edits, LabeledStatementTree tree) {
        SourceFile file = edits.code().file();
        Range statement = edits.code().range(tree.getStatement());
        edits.replace(tree, to -> to.carry(statement, Layout.indentOf(file, statement.start()),
                Layout.indentOf(file, edits.code().range(tree).start())));
    }
}
