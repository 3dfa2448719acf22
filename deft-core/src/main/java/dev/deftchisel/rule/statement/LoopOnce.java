package dev.deftchisel.rule.statement;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreeScanner;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Set;

/** A loop whose body always leaves it (JLS 14.12). */
public final class LoopOnce implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("loop-once", Tag.SUSPICIOUS, "A loop never comes to its second round",
                Effect.SAME_BEHAVIOUR)
                .because("Its body always leaves it at the end, so it is an if, or a condition is missing.")
                .example("""
                        class Log {
                            int first(java.util.Iterator<String> lines) {
                                while (lines.hasNext()) {
                                    String line = lines.next();
                                    return line.length();
                                }
                                return 0;
                            }
                        }
                        """, """
                        class Log {
                            int first(java.util.Iterator<String> lines) {
                                if (lines.hasNext()) {
                                    String line = lines.next();
                                    return line.length();
                                }
                                return 0;
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            int first(java.util.Iterator<String> lines) {
                                while (lines.hasNext()) {
                                    String line = lines.next();
                                    if (line.isEmpty()) {
                                        continue;
                                    }
                                    return line.length();
                                }
                                return 0;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.WHILE_LOOP);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        WhileLoopTree loop = (WhileLoopTree) path.getLeaf();
        if (!(loop.getStatement() instanceof BlockTree body) || body.getStatements().isEmpty()) {
            return;
        }
        StatementTree last = body.getStatements().get(body.getStatements().size() - 1);
        boolean leaves = last instanceof ReturnTree || last instanceof ThrowTree;
        boolean isConstant = Constants.value(context.code(), new TreePath(path, loop.getCondition())).isPresent();
        boolean jumps = Boolean.TRUE.equals(new TreeScanner<Boolean, Void>() {
            @Override
            public Boolean visitContinue(ContinueTree tree, Void unused) {
                return true;
            }

            @Override
            public Boolean visitBreak(BreakTree tree, Void unused) {
                return true;
            }

            @Override
            public Boolean reduce(Boolean one, Boolean other) {
                return Boolean.TRUE.equals(one) || Boolean.TRUE.equals(other);
            }
        }.scan(body, null));
        if (leaves && !jumps && !isConstant) {
            Range word = new Range(context.code().range(loop).start(), context.code().range(loop)
                    .start() + "while".length());
            context.report(word, "this loop never comes to its second round",
                    Fix.of("make it an if", edits -> edits.replace(word, "if")));
        }
    }
}
