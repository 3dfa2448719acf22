package dev.deftchisel.rule.statement;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.List;
import java.util.Set;

/** A {@code finally} that leaves by itself (JLS 14.20.2). */
public final class JumpFromFinally implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("jump-from-finally", Tag.SUSPICIOUS, "A finally block returns or jumps",
                Effect.SAME_BEHAVIOUR)
                .because("Whatever exception or result was on its way is thrown away.")
                .example("""
                        class Log {
                            int note(Appendable out) throws java.io.IOException {
                                try {
                                    out.append("moored");
                                    return 1;
                                } finally {
                                    return 0;
                                }
                            }
                        }
                        """, """
                        class Log {
                            int note(Appendable out) throws java.io.IOException {
                                try {
                                    out.append("moored");
                                    return 1;
                                } finally {
                                    return 0;
                                }
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            int note(Appendable out) throws java.io.IOException {
                                try {
                                    out.append("moored");
                                } finally {
                                    for (int i = 0; i < 3; i++) {
                                        if (i == 1) {
                                            break;
                                        }
                                    }
                                }
                                return 0;
                            }
                        }
                        """)
                .alsoNamed("finally");
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.TRY);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        BlockTree last = ((TryTree) path.getLeaf()).getFinallyBlock();
        if (last != null) {
            Jumps.leaving(List.of(new TreePath(path, last))).forEach(jump -> context.report(jump.path().getLeaf(),
                    "this throws away the exception or result that was on its way"));
        }
    }
}
