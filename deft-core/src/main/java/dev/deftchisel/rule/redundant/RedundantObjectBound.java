package dev.deftchisel.rule.redundant;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeParameterTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Set;

/** {@code extends Object} where everything does (JLS 4.4, 8.1.4). */
public final class RedundantObjectBound implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-object-bound", Tag.REDUNDANT, "A declaration says that it extends Object",
                Effect.SAME_CLASSES)
                .because("Every class does, and so does what stands for a type parameter.")
                .example("""
                        class Log<T extends Object> extends Object implements Runnable {
                            public void run() {
                            }
                        }
                        """, """
                        class Log<T> implements Runnable {
                            public void run() {
                            }
                        }
                        """)
                .silentOn("""
                        class Log<T extends Object & Comparable<T>> extends Thread {
                            Object lock = new Object() {
                            };
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.CLASS, Tree.Kind.TYPE_PARAMETER);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        Tree bound;
        if (path.getLeaf() instanceof ClassTree type) {
            bound = type.getSimpleName().isEmpty() ? null : type.getExtendsClause();
        } else if (((TypeParameterTree) path.getLeaf()).getBounds().size() == 1) {
            bound = ((TypeParameterTree) path.getLeaf()).getBounds().get(0);
        } else {
            bound = null;
        }
        AttributedFile code = context.code();
        boolean isObject = bound != null && code.find(bound).isPresent()
                && code.type(new TreePath(path, bound)).filter(type -> NamedTypes.is(type, "java.lang.Object"))
                .isPresent();
        if (isObject) {
            int word = code.tokens().codeBefore(code.tokens().at(code.range(bound).start()) - 1);
            Range clause = new Range(code.tokens().start(word), code.range(bound).end());
            context.report(clause, "everything extends Object", Fix.of("remove it", edits -> {
                int before = code.tokens().end(code.tokens().codeBefore(word - 1));
                edits.cut(new Range(before, clause.end()));
            }));
        }
    }
}
