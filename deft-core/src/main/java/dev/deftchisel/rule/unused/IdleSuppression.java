package dev.deftchisel.rule.unused;

import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;

/**
 * Suppressions that suppress nothing (JLS 9.6.4.5); what they accept is known only when all rules have been led over a
 * file.
 */
public final class IdleSuppression implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("idle-suppression", Tag.REDUNDANT, "A suppression has nothing to suppress",
                Effect.SAME_CLASSES)
                .because("It outlived the problem it was written for, and would hide the next one.")
                .example("""
                        class Berth {
                            // deft: accept self-assignment
                            int length;

                            @SuppressWarnings("self-assignment")
                            int depth;
                        }
                        """, """
                        class Berth {
                            int length;

                            int depth;
                        }
                        """)
                .silentOn("""
                        class Berth {
                            @SuppressWarnings("unchecked")
                            int length;

                            void moor() {
                                length = length; // deft: accept self-assignment (measured again)
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.COMPILATION_UNIT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        // the context itself reports them, once it knows what was suppressed
    }
}
