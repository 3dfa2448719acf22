package dev.deftchisel.rule.statement;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SynchronizedTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rule.Beside;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.UnionType;

/** A {@code catch} that does nothing and says nothing (JLS 14.20). */
public final class SwallowedException implements Rule {

    private static final Pattern MEANT = Pattern
            .compile("^(ignor|expected|impossible|unused|drop|swallow|skip|never|_)", Pattern.CASE_INSENSITIVE);
    private static final Pattern QUIET = Pattern.compile("[Qq]uiet|[Ss]ilent|^safe|Safely|OrNull$");
    private static final Pattern CLOSING = Pattern.compile(
            "^(close|shutdown|disconnect|dispose|release|destroy|terminate|unregister|unbind|stop|cancel|rollback|"
            + "logout|quit|delete)");
    /** They say that something is not there, which is an answer. */
    private static final Set<String> ANSWERS = Set.of("java.lang.NoSuchMethodException",
            "java.lang.NoSuchFieldException",
            "java.lang.ClassNotFoundException", "java.lang.NumberFormatException", "java.util.MissingResourceException",
            "java.lang.SecurityException", "java.text.ParseException", "java.net.MalformedURLException",
            "java.net.URISyntaxException",
            "java.io.EOFException", "java.lang.IllegalArgumentException", "java.lang.ReflectiveOperationException",
            "java.lang.LinkageError",
            "java.lang.NoClassDefFoundError");
    /** They are declared, but hardly ever come. */
    private static final Set<String> NEVER = Set.of("java.lang.CloneNotSupportedException",
            "java.io.UnsupportedEncodingException");
    /** The names of such types say that what was asked for is not there, or is done already. */
    private static final Pattern ABSENT = Pattern.compile("NotFound|NoNode|NoSuch|Already[A-Z]|NodeExists");
    private static final Set<String> BROAD = Set.of("java.lang.Exception", "java.lang.Throwable",
            "java.lang.RuntimeException", "java.lang.Error",
            "java.lang.InterruptedException", "java.lang.NullPointerException", "java.lang.ClassCastException",
            "java.lang.IndexOutOfBoundsException");
    private static final Pattern OPTION = Pattern.compile("^set(Feature|Attribute|Property|Parameter|Option)");
    private static final int SHORTEST_REASON = 7;

    /** Streams that are kept in memory, and so cannot fail. */
    private static final Pattern MEMORY = Pattern
            .compile("new ([\\w.]*\\.)?(ByteArray(Input|Output)Stream|String(Reader|Writer)|CharArray(Reader|"
                    + "Writer))\\b");
    /** Classes and members that are looked up by name since they may be missing. */
    private static final Pattern LOOKED_UP =
            Pattern.compile("\\b(Class\\.forName|loadClass|getMethod|getDeclaredMethod|getField|getDeclaredField)\\(");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("swallowed-exception", Tag.SUSPICIOUS, "An exception is caught and forgotten",
                Effect.SAME_BEHAVIOUR)
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
        return Set.of(Tree.Kind.TRY);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        TryTree attempt = (TryTree) path.getLeaf();
        AttributedFile code = context.code();
        if (isClosing(attempt) || isSaid(attempt, code) || isQuiet(path) || isBesideAnother(path)) {
            return;
        }
        List<Range> names = attempt.getCatches().stream()
                .filter(one -> isForgotten(new TreePath(path, one), code)
                        && !isProbe(attempt, new TreePath(path, one), code))
                .map(one -> name(one, code)).toList();
        if (!names.isEmpty()) {
            Range first = names.get(0);
            Range place = attempt.getCatches().stream().map(one -> code.range(one.getParameter()))
                    .filter(range -> range.end() == first.end()).findFirst().orElseThrow();
            context.report(place, "what went wrong is forgotten here"
                    + (names.size() > 1 ? ", and " + (names.size() - 1) + " times below" : ""),
                    Fix.of("call it 'ignored'", edits -> names.forEach(name -> edits.replace(name, "ignored"))));
        }
    }

    private static Range name(CatchTree tree, AttributedFile code) {
        Range place = code.range(tree.getParameter());
        return new Range(place.end() - tree.getParameter().getName().length(), place.end());
    }

    private static boolean isForgotten(TreePath path, AttributedFile code) {
        CatchTree tree = (CatchTree) path.getLeaf();
        boolean isMeant = isReason(tree, code) || !tree.getParameter().getModifiers().getAnnotations().isEmpty()
                || code.type(new TreePath(path, tree.getParameter())).filter(type -> NamedTypes.isOneOf(type, NEVER))
                .isPresent();
        return tree.getBlock().getStatements().isEmpty() && !isMeant
                && !code.hasComment(Beside.toEndOfLine(code.range(tree.getBlock()), code));
    }

    /** Whether the name of an exception says why, rather than repeat its type. */
    private static boolean isReason(CatchTree tree, AttributedFile code) {
        String name = tree.getParameter().getName().toString();
        String type = code.text(tree.getParameter().getType()).toLowerCase(Locale.ROOT);
        return MEANT.matcher(name).find() || name.length() >= SHORTEST_REASON
                && !type.contains(name.toLowerCase(Locale.ROOT))
                && !name.toLowerCase(Locale.ROOT).endsWith("exception");
    }

    /** Whether something is looked for that need not be there: what is kept or returned then is another value. */
    private static boolean isProbe(TryTree attempt, TreePath path, AttributedFile code) {
        List<? extends StatementTree> tried = attempt.getBlock().getStatements();
        Optional<TypeMirror> type = code.type(new TreePath(path, ((CatchTree) path.getLeaf()).getParameter()));
        boolean isAnswer = type.stream().flatMap(one -> (one instanceof UnionType union ? union.getAlternatives()
                : List.of(one)).stream())
                .anyMatch(one -> NamedTypes.isOneOf(one, ANSWERS));
        boolean isOfNumber = type.filter(one -> NamedTypes.isOneOf(one,
                Set.of("java.lang.NumberFormatException", "java.lang.SecurityException",
                "java.lang.UnsupportedOperationException"))).isPresent();
        boolean saysSo = isOfNumber || ABSENT.matcher(code.text(((CatchTree) path.getLeaf()).getParameter().getType()))
                .find();
        // a loop that ends where the elements do
        boolean isEnd = tried.size() == 1 && isLoop(tried.get(0))
                && type.filter(one -> NamedTypes.isOneOf(one, Set.of("java.lang.IndexOutOfBoundsException",
                "java.lang.ArrayIndexOutOfBoundsException", "java.util.NoSuchElementException"))).isPresent();
        boolean isDefault = isEnd || tried.size() == 1 && keepsOrLeaves(tried.get(0));
        boolean isInMemory = type.filter(one -> NamedTypes.is(one, "java.io.IOException")).isPresent()
                && MEMORY.matcher(around(path, code)).find();
        return saysSo || isInMemory || isLookUp(code.text(attempt.getBlock())) || isOption(tried) || isDefault
                || (isAnswer || !isBroad(type) && isLast(tried)) && tried.stream()
                .anyMatch(SwallowedException::keepsOrLeaves)
                || !tried.isEmpty() && leaves(tried.get(tried.size() - 1)) && isTriedAgain(path.getParentPath());
    }

    /** Whether something is only looked up, and not used yet. */
    private static boolean isLookUp(String block) {
        return LOOKED_UP.matcher(block).find() && !block.contains("newInstance(") && !block.contains("invoke(");
    }

    /** The text of the method around, or of the initialiser. */
    private static String around(TreePath path, AttributedFile code) {
        return TreePaths.function(path).map(owner -> code.text(owner.getLeaf())).orElse("");
    }

    /** Whether what is caught could be anything, so that more is lost than the one failure that was thought of. */
    private static boolean isBroad(Optional<TypeMirror> type) {
        return type.isEmpty() || NamedTypes.isOneOf(type.get(), BROAD);
    }

    /** Whether what is tried ends by leaving, or by giving something to what has another value until then. */
    private static boolean isLast(List<? extends StatementTree> tried) {
        return !tried.isEmpty() && keepsOrLeaves(tried.get(tried.size() - 1));
    }

    /** {@code factory.setFeature(…)} alone: what not every implementation knows is asked for. */
    private static boolean isOption(List<? extends StatementTree> tried) {
        return tried.size() == 1 && tried.get(0) instanceof ExpressionStatementTree whole
                && whole.getExpression() instanceof MethodInvocationTree call
                && OPTION.matcher(Calls.name(call)).find();
    }

    /** Whether a loop around goes on to try again, or the next one, until it goes well. */
    private static boolean isTriedAgain(TreePath attempt) {
        TreePath around = attempt.getParentPath();
        while (around.getLeaf() instanceof BlockTree) {
            around = around.getParentPath();
        }
        return around.getLeaf() instanceof WhileLoopTree || around.getLeaf() instanceof ForLoopTree
                || around.getLeaf() instanceof EnhancedForLoopTree
                || around.getLeaf() instanceof DoWhileLoopTree;
    }

    private static boolean isLoop(StatementTree statement) {
        return statement instanceof WhileLoopTree || statement instanceof ForLoopTree
                || statement instanceof DoWhileLoopTree;
    }

    private static boolean leaves(StatementTree last) {
        return last instanceof BreakTree || !Jumps.canComplete(last);
    }

    private static boolean keepsOrLeaves(StatementTree last) {
        List<? extends StatementTree> inner = TreePaths.statements(last);
        if (!inner.isEmpty()) {
            return keepsOrLeaves(inner.get(inner.size() - 1));
        }
        return last instanceof IfTree choice ? keepsOrLeaves(choice.getThenStatement()) : last instanceof BreakTree
                || last instanceof ContinueTree || !Jumps.canComplete(last) || last instanceof SynchronizedTree locked
                && keepsOrLeaves(locked.getBlock()) || last instanceof ExpressionStatementTree whole
                && whole.getExpression() instanceof AssignmentTree;
    }

    /** Whether another exception is on its way already, and is thrown afterwards. */
    private static boolean isBesideAnother(TreePath path) {
        TreePath block = path.getParentPath();
        return block.getLeaf() instanceof BlockTree body && block.getParentPath().getLeaf() instanceof CatchTree
                && body.getStatements().get(body.getStatements().size() - 1) instanceof ThrowTree;
    }

    /** Whether the method says in its name that nobody hears of failures. */
    private static boolean isQuiet(TreePath path) {
        return TreePaths.function(path).filter(owner -> owner.getLeaf() instanceof MethodTree method
                && QUIET.matcher(method.getName()).find())
                .isPresent();
    }

    /** Whether a comment says something of the one thing that is tried. */
    private static boolean isSaid(TryTree attempt, AttributedFile code) {
        return attempt.getBlock().getStatements().size() == 1 && code.hasComment(code.range(attempt.getBlock()));
    }

    /** Whether only something is closed: when that fails, there is nothing left to do. */
    private static boolean isClosing(TryTree attempt) {
        return !attempt.getBlock().getStatements().isEmpty() && attempt.getBlock().getStatements().stream()
                .allMatch(SwallowedException::isClosing)
                && attempt.getBlock().getStatements().stream().anyMatch(statement -> !isForgetting(statement));
    }

    private static boolean isClosing(StatementTree statement) {
        if (statement instanceof IfTree choice) {
            return isClosing(choice.getThenStatement())
                    && (choice.getElseStatement() == null || isClosing(choice.getElseStatement()));
        }
        List<? extends StatementTree> inner = TreePaths.statements(statement);
        return !inner.isEmpty() ? inner.stream().allMatch(SwallowedException::isClosing)
                : isForgetting(statement) || statement instanceof ExpressionStatementTree whole
                        && whole.getExpression() instanceof MethodInvocationTree call
                        && CLOSING.matcher(Calls.name(call)).find();
    }

    /** Whether a variable loses what was closed. */
    private static boolean isForgetting(StatementTree statement) {
        return statement instanceof ExpressionStatementTree whole
                && whole.getExpression() instanceof AssignmentTree assignment
                && assignment.getExpression().getKind() == Tree.Kind.NULL_LITERAL;
    }
}
