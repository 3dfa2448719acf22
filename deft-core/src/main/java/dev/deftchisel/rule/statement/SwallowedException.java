package dev.deftchisel.rule.statement;

import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Calls;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.NamedTypes;
import dev.deftchisel.problem.About;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Survey;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Set;

/** A {@code catch} that does nothing and says nothing (JLS 14.20). */
public final class SwallowedException implements Rule {

    @Override
    public About about() {
        return About.of("swallowed-exception", Tag.SUSPICIOUS, "An exception is caught and forgotten", Effect.SAME_BEHAVIOUR)
                .because("What went wrong is lost. Where that is right, a comment or a name such as 'ignored' says so.")
                .example("""
                        class Log {
                            void note(Appendable out, String line) {
                                try {
                                    out.append(line);
                                } catch (java.io.IOException e) {
                                }
                            }
                        }
                        """, """
                        class Log {
                            void note(Appendable out, String line) {
                                try {
                                    out.append(line);
                                } catch (java.io.IOException ignored) {
                                }
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            void note(Appendable out, String line) {
                                try {
                                    out.append(line);
                                } catch (java.io.IOException ignored) {
                                }
                                try {
                                    out.append(line);
                                } catch (java.io.IOException e) {
                                    // nobody reads the log
                                }
                            }

                            void end(java.io.Closeable out) {
                                try {
                                    out.close();
                                } catch (java.io.IOException e) {
                                }
                            }
                        }
                        """)
                .weighing(Severity.NOTE);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.CATCH);
    }

    @Override
    public void look(TreePath path, Survey survey) {
        CatchTree tree = (CatchTree) path.getLeaf();
        Code code = survey.code();
        TryTree attempt = (TryTree) path.getParentPath().getLeaf();
        String name = tree.getParameter().getName().toString();
        boolean isMeant = name.startsWith("ignore") || name.startsWith("expected") || name.startsWith("impossible")
                || name.startsWith("unused") || name.equals("_") || !tree.getParameter().getModifiers().getAnnotations().isEmpty()
                || code.type(new TreePath(path, tree.getParameter())).filter(type -> NamedTypes.is(type,
                        "java.lang.CloneNotSupportedException")).isPresent();
        if (tree.getBlock().getStatements().isEmpty() && !isMeant && !isClosing(attempt) && !isSaid(attempt, code)
                && !code.hasComment(code.range(tree.getBlock()))) {
            Range place = code.range(tree.getParameter());
            Range word = new Range(place.end() - name.length(), place.end());
            survey.report(place, "what went wrong is forgotten here", Fix.of("call it 'ignored'",
                    edits -> edits.replace(word, "ignored")));
        }
    }

    /** Whether a comment says something of the one thing that is tried. */
    private static boolean isSaid(TryTree attempt, Code code) {
        return attempt.getBlock().getStatements().size() == 1 && code.hasComment(code.range(attempt.getBlock()));
    }

    /** Whether only something is closed: when that fails, there is nothing left to do. */
    private static boolean isClosing(TryTree attempt) {
        List<? extends StatementTree> statements = attempt.getBlock().getStatements();
        return statements.size() == 1 && isClosing(statements.get(0));
    }

    private static boolean isClosing(StatementTree statement) {
        if (statement instanceof IfTree choice) {
            return choice.getElseStatement() == null && isClosing(choice.getThenStatement());
        }
        List<? extends StatementTree> inner = Code.statements(statement);
        return inner.size() == 1 ? isClosing(inner.get(0)) : statement instanceof ExpressionStatementTree whole
                && whole.getExpression() instanceof MethodInvocationTree call && Calls.name(call).equals("close");
    }
}
