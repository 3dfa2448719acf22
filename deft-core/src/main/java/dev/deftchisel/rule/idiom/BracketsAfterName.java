package dev.deftchisel.rule.idiom;

import com.sun.source.tree.ArrayTypeTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.Optional;
import java.util.Set;

/** Brackets of an array after the name of a variable (JLS 10.2). */
public final class BracketsAfterName implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("brackets-after-name", Tag.IDIOM, "The brackets of an array stand after a name",
                Effect.SAME_CLASSES)
                .because("They are part of the type, and are looked for there.")
                .example("""
                        class Berths {
                            int depths[] = {3, 4};

                            int sum(String names[][]) {
                                return names.length;
                            }
                        }
                        """, """
                        class Berths {
                            int[] depths = {3, 4};

                            int sum(String[][] names) {
                                return names.length;
                            }
                        }
                        """)
                .silentOn("""
                        class Berths {
                            int[] depths = {3, 4};
                            int one[], other;

                            int sum(String... names) {
                                return names[0].length();
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.VARIABLE);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        VariableTree variable = (VariableTree) path.getLeaf();
        AttributedFile code = context.code();
        Tokens tokens = code.tokens();
        Optional<Range> all = code.find(variable).filter(range -> variable.getType() instanceof ArrayTypeTree);
        if (all.isEmpty()) {
            return;
        }
        int name = code.findName(variable).map(range -> tokens.at(range.start())).orElse(-1);
        if (name < 0 || !tokens.is(tokens.code(name + 1), '[')) {
            return;
        }
        int last = tokens.code(name + 1);
        while (tokens.is(tokens.code(last + 1), '[') || tokens.is(tokens.code(last + 1), ']')) {
            last = tokens.code(last + 1);
        }
        int end = last;
        boolean isAlone = !tokens.is(tokens.code(tokens.at(all.get().end() - 1)), ',')
                && !tokens.is(tokens.code(tokens.at(all.get().end())), ',')
                || !(path.getParentPath().getLeaf() instanceof ClassTree || path.getParentPath()
                        .getLeaf() instanceof BlockTree);
        boolean isFirst = tokens.codeBefore(name - 1) >= 0 && !tokens.is(tokens.codeBefore(name - 1), ',');
        Range brackets = new Range(tokens.start(tokens.code(name + 1)), tokens.end(end));
        Range behindType = new Range(tokens.end(tokens.codeBefore(name - 1)), tokens.end(tokens.codeBefore(name - 1)));
        if (isAlone && isFirst && !code.hasComment(brackets)) {
            context.report(brackets, "the brackets belong to the type", Fix.of("put them after the type", edits -> {
                edits.insert(behindType.start(), code.text(brackets));
                edits.cut(brackets);
            }));
        }
    }
}
