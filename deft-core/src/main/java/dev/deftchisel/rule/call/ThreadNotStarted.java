package dev.deftchisel.rule.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Optional;
import java.util.Set;

/** {@code run()} of a thread, which runs in the thread that is there (java.lang.Thread). */
public final class ThreadNotStarted implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("thread-not-started", Tag.SUSPICIOUS, "A thread is run instead of started",
                Effect.OTHER)
                .because("'run' does the work here and now; 'start' begins a thread for it.")
                .example("""
                        class Tides {
                            void watch(Runnable work) {
                                new Thread(work).run();
                            }
                        }
                        """, """
                        class Tides {
                            void watch(Runnable work) {
                                new Thread(work).start();
                            }
                        }
                        """)
                .silentOn("""
                        class Tides extends Thread {
                            void watch(Runnable work) {
                                work.run();
                                new Thread(work).start();
                            }

                            @Override
                            public void run() {
                                super.run();
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        boolean isRun = Calls.isOf(code, path, "java.lang.Thread", "run", 0);
        Optional<ExpressionTree> receiver = Calls.receiver((MethodInvocationTree) path.getLeaf());
        boolean isOther = receiver.isPresent() && !receiver.get().toString().equals("super")
                && Calls.receiver(path).flatMap(code::type).filter(type -> NamedTypes.is(type, "java.lang.Thread"))
                .isPresent();
        if (isRun && isOther) {
            MemberSelectTree select = (MemberSelectTree) ((MethodInvocationTree) path.getLeaf()).getMethodSelect();
            Range all = code.range(select);
            Range name = new Range(all.end() - "run".length(), all.end());
            context.report(name, "this does not begin a thread",
                    Fix.of("start it", edits -> edits.replace(name, "start")));
        }
    }
}
