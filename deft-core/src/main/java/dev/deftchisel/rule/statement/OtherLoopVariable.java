package dev.deftchisel.rule.statement;

import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.problem.About;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.Survey;
import dev.deftchisel.problem.Tag;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.Element;

/** A nested loop that counts with the variable of the loop around (JLS 14.14.1). */
public final class OtherLoopVariable implements Rule {

    @Override
    public About about() {
        return About.of("other-loop-variable", Tag.SUSPICIOUS, "A loop tests one variable and counts another", Effect.OTHER)
                .because("The loop inside goes on for ever or the one outside leaves some out.")
                .example("""
                        class Berths {
                            int sum(int[][] depths) {
                                int sum = 0;
                                for (int i = 0; i < depths.length; i++) {
                                    for (int j = 0; j < depths[i].length; i++) {
                                        sum += depths[i][j];
                                    }
                                }
                                return sum;
                            }
                        }
                        """, """
                        class Berths {
                            int sum(int[][] depths) {
                                int sum = 0;
                                for (int i = 0; i < depths.length; i++) {
                                    for (int j = 0; j < depths[i].length; j++) {
                                        sum += depths[i][j];
                                    }
                                }
                                return sum;
                            }
                        }
                        """)
                .silentOn("""
                        class Berths {
                            int sum(int[] depths) {
                                int sum = 0;
                                for (int i = 0, j = depths.length; i < j; j--) {
                                    sum += depths[i++];
                                }
                                for (int i = 0; i < depths.length;) {
                                    for (int few = 3; i < depths.length && --few >= 0; i++) {
                                        sum += depths[i];
                                    }
                                }
                                return sum;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.FOR_LOOP);
    }

    @Override
    public void look(TreePath path, Survey survey) {
        ForLoopTree loop = (ForLoopTree) path.getLeaf();
        Code code = survey.code();
        if (loop.getInitializer().size() != 1 || !(loop.getInitializer().get(0) instanceof VariableTree variable)
                || loop.getUpdate().size() != 1 || loop.getCondition() == null
                || !(loop.getUpdate().get(0).getExpression() instanceof UnaryTree step)
                || !(step.getExpression() instanceof IdentifierTree counted)) {
            return;
        }
        Optional<Element> own = code.element(new TreePath(path, variable));
        Optional<Element> other = code.element(new TreePath(new TreePath(new TreePath(path, loop.getUpdate().get(0)), step), counted));
        boolean isOther = own.isPresent() && other.isPresent() && !own.equals(other) && code.isOfLoop(path, other.get());
        boolean isTested = isOther && names(new TreePath(path, loop.getCondition()), own.get(), code)
                && Stream.of(loop.getCondition(), loop.getStatement())
                .flatMap(part -> code.occurrences(new TreePath(path, part)).stream())
                .noneMatch(place -> place.variable().equals(own.get()) && place.isWritten());
        if (isTested) {
            survey.report(counted, "the loop counts '" + counted + "' and tests '" + variable.getName() + "'",
                    Fix.of("count '" + variable.getName() + "'",
                            edits -> edits.replace(code.range(counted), variable.getName().toString())));
        }
    }

    private static boolean names(TreePath condition, Element variable, Code code) {
        return code.occurrences(condition).stream().anyMatch(place -> place.variable().equals(variable));
    }
}
