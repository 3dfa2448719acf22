package dev.deftchisel.rule.statement;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.EmptyStatementTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Set;

/** A statement that stands where a second one of a branch or loop would stand, without braces (JLS 14.9, 14.12). */
public final class MisleadingIndentation implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("misleading-indentation", Tag.SUSPICIOUS,
                "A statement looks as if it belonged to the branch above", Effect.OTHER)
                .because("Without braces only the first statement does; this one always runs.")
                .example("""
                        class Berth {
                            void moor(boolean isFree) {
                                if (isFree)
                                    System.out.println("free");
                                    System.out.println("moored");
                            }
                        }
                        """, """
                        class Berth {
                            void moor(boolean isFree) {
                                if (isFree) {
                                    System.out.println("free");
                                    System.out.println("moored");
                                }
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            void moor(boolean isFree) {
                                if (isFree)
                                    System.out.println("free");
                                System.out.println("moored");
                                if (isFree) System.out.println("free");
                                System.out.println("moored");
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.BLOCK);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        List<? extends StatementTree> statements = ((BlockTree) path.getLeaf()).getStatements();
        for (int i = 0; i + 1 < statements.size(); i++) {
            StatementTree body = body(statements.get(i));
            // what comes after a body that leaves could not belong to it
            if (body != null && Jumps.canComplete(body) && !(body instanceof BreakTree) && !(body instanceof BlockTree)
                    && !(body instanceof EmptyStatementTree)) {
                look(statements.get(i), body, statements.get(i + 1), context);
            }
        }
    }

    private static void look(StatementTree owner, StatementTree body, StatementTree next, RuleContext context) {
        AttributedFile code = context.code();
        int column = column(body, code);
        int start = code.range(body).start();
        // ') call();' below a header of several lines is where the body begins by custom
        boolean isOnHeader = !code.text(new Range(code.file().lines().rangeOf(line(body, code)).start(), start))
                .isBlank();
        boolean isBelow = !isOnHeader && line(owner, code) < line(body, code) && line(body, code) < line(next, code)
                && column(owner, code) < column && indent(body, code).equals(indent(next, code));
        if (isBelow) {
            context.report(next, "this always runs, whatever the " + (owner instanceof IfTree ? "condition" : "loop")
                    + " above does",
                    Fix.of("put both into a block", edits -> {
                        Layout layout = Layout.of(code.file());
                        int before = code.tokens().end(code.tokens()
                                .codeBefore(code.tokens().at(code.range(body).start()) - 1));
                        edits.insert(before, " {");
                        edits.insert(code.range(next).end(), layout.lineEnd()
                                + Layout.indentOf(code.file(), code.range(owner).start()) + "}");
                    }));
        }
    }

    private static StatementTree body(StatementTree statement) {
        if (statement instanceof IfTree choice) {
            return choice.getElseStatement() == null ? choice.getThenStatement() : null;
        }
        if (statement instanceof WhileLoopTree loop) {
            return loop.getStatement();
        }
        if (statement instanceof ForLoopTree loop) {
            return loop.getStatement();
        }
        return statement instanceof EnhancedForLoopTree loop ? loop.getStatement() : null;
    }

    private static int line(Tree tree, AttributedFile code) {
        return code.file().position(code.range(tree).start()).line();
    }

    /** As it stands: where tabs and blanks are mixed nobody can say which column was meant. */
    private static String indent(Tree tree, AttributedFile code) {
        return Layout.indentOf(code.file(), code.range(tree).start());
    }

    private static int column(Tree tree, AttributedFile code) {
        return code.file().position(code.range(tree).start()).column();
    }
}
