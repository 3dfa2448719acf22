package dev.deftchisel.rule.redundant;

import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;

/** A copy of a string that is as good as the string (JLS 4.3.3). */
public final class RedundantNewString implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-new-string", Tag.REDUNDANT, "A string is copied", Effect.OTHER)
                .because("Strings cannot change; a copy only takes memory. Code that compares strings by '==' sees "
                        + "the difference, and a copy of null fails.")
                .example("""
                        class Log {
                            String line(String what) {
                                return new String(what) + new String();
                            }
                        }
                        """, """
                        class Log {
                            String line(String what) {
                                return what + "";
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            String line(char[] what) {
                                return new String(what) + new String(what, 0, 1);
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.NEW_CLASS);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        NewClassTree made = (NewClassTree) path.getLeaf();
        if (context.isTest() || !Calls.makes(code, path, "java.lang.String") || made.getArguments().size() > 1
                || path.getParentPath().getLeaf() instanceof ExpressionStatementTree || isCompared(path)) {
            return;
        }
        if (made.getArguments().isEmpty()) {
            context.report(made, "this is the empty string",
                    Fix.of("write \"\"", edits -> edits.replace(code.range(made), "\"\"")));
            return;
        }
        ExpressionTree value = made.getArguments().get(0);
        if (code.type(new TreePath(path, value)).filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent()) {
            context.report(made, "a copy of the string is as good as the string",
                    Fix.of("use the string itself", edits -> edits.keep(path, value)));
        }
    }

    /** Whether it is the identity of the new object that matters. */
    private static boolean isCompared(TreePath path) {
        Tree.Kind kind = TreePaths.outer(path).getLeaf().getKind();
        return kind == Tree.Kind.EQUAL_TO || kind == Tree.Kind.NOT_EQUAL_TO || kind == Tree.Kind.SYNCHRONIZED;
    }
}
