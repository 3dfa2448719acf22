package dev.deftchisel.rule.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.List;
import java.util.Set;

/** A single character with a meaning of its own where a regular expression is asked for (java.util.regex.Pattern). */
public final class PatternCharacter implements Rule {

    private static final Set<String> FILLS = Set.of("=", "-", "*", "#", " ", "~", "+", "x", "X", "^", "•");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("pattern-character", Tag.SUSPICIOUS,
                "A regular expression is a single special character", Effect.OTHER)
                .because("'.' matches every character and '|' nothing at all; the character itself must be escaped.")
                .example("""
                        class Log {
                            String[] words(String line) {
                                return line.replaceAll(".", ",").split("|");
                            }
                        }
                        """, """
                        class Log {
                            String[] words(String line) {
                                return line.replaceAll("\\\\.", ",").split("\\\\|");
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            String[] words(String line) {
                                return line.replace(".", ",").split(" ");
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
        boolean isPattern = Calls.isOf(code, path, "java.lang.String", "split", 1)
                || Calls.isOf(code, path, "java.lang.String", "split", 2)
                || Calls.isOf(code, path, "java.lang.String", "replaceFirst", 2)
                || Calls.isOf(code, path, "java.lang.String", "replaceAll", 2);
        if (!isPattern) {
            return;
        }
        List<? extends ExpressionTree> arguments = ((MethodInvocationTree) path.getLeaf()).getArguments();
        ExpressionTree pattern = arguments.get(0);
        // every character is to become the same: a line, or what must not be read
        boolean isFilled = arguments.size() == 2 && arguments.get(1) instanceof LiteralTree fill
                && FILLS.contains(String.valueOf(fill.getValue()))
                && pattern instanceof LiteralTree any && ".".equals(any.getValue());
        if (!isFilled && pattern instanceof LiteralTree literal && literal.getValue() instanceof String text
                && text.matches("[.|$^?*+(\\[]")) {
            context.report(pattern, "'" + text + "' is not the character itself here", Fix.of("escape it",
                    edits -> edits.replace(code.range(pattern), "\"\\\\" + text + "\"")));
        }
    }
}
