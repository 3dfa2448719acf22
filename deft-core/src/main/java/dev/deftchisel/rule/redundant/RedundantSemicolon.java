package dev.deftchisel.rule.redundant;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.Optional;
import java.util.Set;

/** Empty statements among others, and semicolons after members (JLS 14.6, 8.1.7). */
public final class RedundantSemicolon implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-semicolon", Tag.REDUNDANT, "A semicolon ends nothing", Effect.SAME_CLASSES)
                .because("It looks like a statement that got lost.")
                .example("""
                        class Log {
                            int lines;;

                            void note(String line) {
                                lines++;;
                                ;
                            };
                        }
                        """, """
                        class Log {
                            int lines;

                            void note(String line) {
                                lines++;
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            enum Level { HIGH, LOW; }

                            void skip(java.util.Iterator<String> lines) {
                                while (lines.hasNext() && lines.next() != null) ;
                                for (;;) {
                                    return;
                                }
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.EMPTY_STATEMENT, Tree.Kind.CLASS, Tree.Kind.INTERFACE, Tree.Kind.RECORD,
                Tree.Kind.ENUM);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        Tree tree = path.getLeaf();
        if (tree instanceof ClassTree type) {
            behindMembers(type, context);
        } else if (path.getParentPath().getLeaf() instanceof BlockTree) {
            report(context.code().range(tree), context);
        }
    }

    private static void behindMembers(ClassTree type, RuleContext context) {
        Tokens tokens = context.code().tokens();
        // members outside of any class are in one that is not written, in newer Java
        int body = context.code().find(type).map(Range::end)
                .orElse(tokens.count() == 0 ? 0 : tokens.end(tokens.count() - 1));
        for (Tree member : type.getMembers()) {
            // the constants of an enum are variables for the compiler, and end with a semicolon of their own
            boolean isPlain = member instanceof MethodTree || member instanceof ClassTree || member instanceof BlockTree
                    || member instanceof VariableTree && tokens.is(tokens.at(context.code().find(member)
                            .map(range -> range.end() - 1).orElse(0)), ';');
            Optional<Range> own = context.code().find(member).filter(range -> isPlain && range.length() > 0);
            for (int next = own.map(range -> tokens.code(tokens.at(range.end() - 1) + 1)).orElse(tokens.count());
                    next < tokens.count() && tokens.start(next) < body
                            && tokens.is(next, ';'); next = tokens.code(next + 1)) {
                report(tokens.range(next), context);
            }
        }
    }

    private static void report(Range semicolon, RuleContext context) {
        context.report(semicolon, "the semicolon ends nothing", Fix.of("remove the semicolon", edits -> {
            LineMap lines = context.code().file().lines();
            boolean isAlone = lines.text(lines.line(semicolon.start())).strip().equals(";");
            if (isAlone) {
                edits.remove(semicolon);
            } else {
                edits.cut(semicolon);
            }
        }));
    }
}
