package dev.deftchisel.problem.detection;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Rules led over a file: they do not get into each other's way, and say nothing where the code is not understood. */
class RuleRunnerTest {

    @TempDir
    private Path folder;

    /** A rule about variables. */
    private record OnVariables(RuleDescription about, Consumer<VariableTree> glance) implements Rule {

        @Override
        public Set<Tree.Kind> kinds() {
            return Set.of(Tree.Kind.VARIABLE);
        }

        @Override
        public void look(TreePath path, RuleContext context) {
            glance.accept((VariableTree) path.getLeaf());
            context.report(path.getLeaf(), "a variable");
        }
    }

    private static Rule rule(String id, Consumer<VariableTree> glance) {
        return new OnVariables(RuleDescription.of(id, Tag.SUSPICIOUS, "A variable", Effect.SAME_BEHAVIOUR)
                .because("For a test."), glance);
    }

    private List<String> found(String code, Rule... rules) throws Exception {
        SampleWorkspace workspace = new SampleWorkspace(folder);
        Path file = workspace.write("Berth.java", code);
        RuleRunner runner = new RuleRunner(new Rules(List.of(rules)), Severities.usual(), new Repairs(List.of()));
        return runner.context(workspace.analyst().analyse(Focus.whole(Set.of(file)).deeply()), file).stream()
                .map(finding -> finding.about().id() + "@" + finding.range().start()).toList();
    }

    @Test
    void aRuleThatBreaksDownLeavesTheOthersAlone() throws Exception {
        assertEquals(List.of("sound@14", "sound@25"), found("class Berth { int first; int other; }",
                rule("sound", variable -> { }),
                rule("broken", variable -> {
                    throw new IllegalStateException("on purpose");
                })));
    }

    @Test
    void membersWithErrorsAreLeftToTheCompiler() throws Exception {
        String code = "class Berth { int first; String other = nothing; }";
        assertEquals(List.of("sound@14", "cant.resolve.location@" + code.indexOf("nothing")),
                found(code, rule("sound", variable -> { })));
    }

    @Test
    void rulesMustHaveAnIdOfTheirOwn() {
        assertThrows(IllegalArgumentException.class,
                () -> new Rules(List.of(rule("twin", variable -> { }), rule("twin", variable -> { }))));
        assertThrows(IllegalArgumentException.class, () -> new Rules(List.of(rule("Not Kebab", variable -> { }))));
    }
}
