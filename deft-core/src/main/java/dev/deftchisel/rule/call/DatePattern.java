package dev.deftchisel.rule.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
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

/**
 * Date patterns with a letter that means something else than it seems (java.text.SimpleDateFormat, DateTimeFormatter).
 */
public final class DatePattern implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("date-pattern", Tag.SUSPICIOUS,
                "A date pattern has the year of the week or the day of the year", Effect.OTHER)
                .because("'YYYY' is the year to which the week belongs, 'DD' the day counted from New Year: both are "
                        + "right most of the time.")
                .example("""
                        import java.time.format.DateTimeFormatter;

                        class Tides {
                            DateTimeFormatter day = DateTimeFormatter.ofPattern("YYYY-MM-DD");
                        }
                        """, """
                        import java.time.format.DateTimeFormatter;

                        class Tides {
                            DateTimeFormatter day = DateTimeFormatter.ofPattern("yyyy-MM-dd");
                        }
                        """)
                .silentOn("""
                        import java.time.format.DateTimeFormatter;

                        class Tides {
                            DateTimeFormatter week = DateTimeFormatter.ofPattern("YYYY-'W'ww");
                            DateTimeFormatter day = DateTimeFormatter.ofPattern("yyyy-DDD");
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION, Tree.Kind.NEW_CLASS);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        List<? extends ExpressionTree> arguments = Calls.arguments(path.getLeaf());
        if (arguments.isEmpty() || !(arguments.get(0) instanceof LiteralTree literal)
                || !(literal.getValue() instanceof String text)) {
            return;
        }
        boolean isPattern = Calls.makes(code, path, "java.text.SimpleDateFormat")
                || Calls.isOf(code, path, "java.time.format.DateTimeFormatter", "ofPattern", arguments.size());
        boolean isWeek = text.contains("Y") && !text.contains("w") && text.contains("M");
        boolean isDayOfYear = text.contains("DD") && !text.contains("DDD") && text.contains("M");
        if (isPattern && !text.contains("'") && (isWeek || isDayOfYear)) {
            String right = (isWeek ? text.replace('Y', 'y') : text).replace(isDayOfYear ? "DD" : "\0", "dd");
            context.report(literal, isWeek ? "'Y' is the year of the week" : "'D' is the day of the year",
                    Fix.of("write \"" + right + "\"", edits -> edits.replace(code.range(literal), "\"" + right
                            + "\"")));
        }
    }
}
