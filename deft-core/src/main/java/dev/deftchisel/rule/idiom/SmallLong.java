package dev.deftchisel.rule.idiom;

import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Set;

/** A {@code long} literal that ends like a one (JLS 3.10.1). */
public final class SmallLong implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("small-long", Tag.IDIOM, "A long literal ends with a small l", Effect.SAME_CLASSES)
                .because("It is read as a one.")
                .example("""
                        class Dues {
                            long due = 1l;
                        }
                        """, """
                        class Dues {
                            long due = 1L;
                        }
                        """)
                .silentOn("""
                        class Dues {
                            long due = 1L + 11;
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.LONG_LITERAL);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        Range range = context.code().range(path.getLeaf());
        if (context.code().text(range).endsWith("l")) {
            Range last = new Range(range.end() - 1, range.end());
            context.report(range, "the last letter is read as a one",
                    Fix.of("write 'L'", edits -> edits.replace(last, "L")));
        }
    }
}
