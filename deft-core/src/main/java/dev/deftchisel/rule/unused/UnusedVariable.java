package dev.deftchisel.rule.unused;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;
import javax.lang.model.element.ElementKind;

/** Local variables whose value nobody asks for (JLS 14.4). */
public final class UnusedVariable implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("unused-variable", Tag.UNUSED, "A local variable is never read",
                Effect.SAME_BEHAVIOUR)
                .because("Its value is computed for nothing, or another variable was meant where it should be read.")
                .example("""
                        class Log {
                            int count;

                            int note(String line) {
                                int length = line.length();
                                int before = count;
                                int number = add();
                                before = 3;
                                return count;
                            }

                            int add() {
                                return ++count;
                            }
                        }
                        """, """
                        class Log {
                            int count;

                            int note(String line) {
                                line.length();
                                add();
                                return count;
                            }

                            int add() {
                                return ++count;
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            int sum(int[] dues) {
                                int sum = 0;
                                for (int due : dues) {
                                    sum += due;
                                }
                                int last;
                                return last = sum;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.VARIABLE);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        Tree around = path.getParentPath().getLeaf();
        if (!(around instanceof BlockTree || around instanceof CaseTree)) {
            return;
        }
        DeclarationUsage.at(path, context)
                .filter(declared -> declared.element().getKind() == ElementKind.LOCAL_VARIABLE)
                .filter(declared -> !declared.name().isEmpty() && declared.isOnlyWritten()
                        && !declared.isReachedOtherwise())
                .ifPresent(declared -> context.report(context.code().name(path.getLeaf()),
                        "'" + declared.name() + "' is never read",
                        declared.isRemovable() ? new Fix[] {Fix.of("remove the variable", declared::remove)}
                        : new Fix[0]));
    }
}
