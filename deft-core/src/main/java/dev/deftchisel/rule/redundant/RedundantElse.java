package dev.deftchisel.rule.redundant;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.Set;

/** An {@code else} after a branch that never gets there (JLS 14.9, 14.22). */
public final class RedundantElse implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-else", Tag.REDUNDANT, "An else stands after a branch that leaves",
                Effect.SAME_CLASSES)
                .because("What follows a branch that returns or throws is the other case already; one level of "
                        + "nesting can go.")
                .example("""
                        class Dues {
                            int due(int length) {
                                if (length > 100) {
                                    return 400;
                                } else {
                                    int rate = 3;
                                    return length * rate;
                                }
                            }
                        }
                        """, """
                        class Dues {
                            int due(int length) {
                                if (length > 100) {
                                    return 400;
                                }
                                int rate = 3;
                                return length * rate;
                            }
                        }
                        """)
                .silentOn("""
                        class Dues {
                            int due(int length) {
                                int due = 0;
                                if (length > 100) {
                                    due = 400;
                                } else {
                                    due = 3;
                                }
                                if (due > 0) {
                                    return due;
                                } else if (due < -3) {
                                    return -1;
                                } else {
                                    return 0;
                                }
                            }
                        }
                        """)
                .weighing(Severity.HINT);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.IF);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        IfTree tree = (IfTree) path.getLeaf();
        boolean isLast = path.getParentPath().getLeaf() instanceof BlockTree block
                && block.getStatements().get(block.getStatements().size() - 1) == tree;
        if (!isLast || !(tree.getElseStatement() instanceof BlockTree other) || other.getStatements().isEmpty()
                || !(tree.getThenStatement() instanceof BlockTree then) || Jumps.canComplete(then)) {
            return;
        }
        AttributedFile code = context.code();
        Tokens tokens = code.tokens();
        int word = tokens.codeBefore(tokens.at(code.range(other).start()) - 1);
        context.report(tokens.range(word), "the branch before never gets here",
                Fix.of("go on without else", edits -> unwrap(edits, code, then, other)));
    }

    private static void unwrap(FixEdits edits, AttributedFile code, BlockTree then, BlockTree other) {
        Layout layout = Layout.of(code.file());
        String indent = Layout.indentOf(code.file(), code.range(other).start());
        Range body = code.range(other);
        String content = code.file().content();
        int from = body.start() + 1;
        int to = body.end() - 1;
        while (Character.isWhitespace(content.charAt(from))) {
            from++;
        }
        while (Character.isWhitespace(content.charAt(to - 1))) {
            to--;
        }
        Range inside = new Range(from, to);
        edits.replace(new Range(code.range(then).end(), body.end()), text -> text.write(layout.lineEnd() + indent)
                .carry(inside, Layout.indentOf(code.file(), inside.start()), indent));
    }
}
