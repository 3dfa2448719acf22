package dev.deftchisel.problem;

import static org.junit.jupiter.api.Assertions.assertAll;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.SampleWorkspace;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.problem.detection.Rules;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;

/** Each rule on the example by which it explains itself. */
class RuleExamplesTest {

    @TempDir
    private Path folder;

    @TestFactory
    Stream<DynamicTest> examples() {
        return Rules.installed().all().stream()
                .map(rule -> DynamicTest.dynamicTest(rule.about().id(), () -> play(rule)));
    }

    private void play(Rule rule) throws Exception {
        RuleDescription about = rule.about();
        Example example = about.example();
        assertFalse(about.why().isBlank(), "says why");
        try (Chisel chisel = open(about, "before", example.before())) {
            Problems problems = chisel.problems();
            assertFalse(found(problems, rule).isEmpty(), "reports something");
            Problems.Fixed fixed = problems.fixAll(problems.everywhere(), problem -> problem.rule().equals(about.id()));
            assertEquals(List.of(), fixed.left().stream().map(reason -> reason.sentence()).toList());
            String after = fixed.outcome().map(outcome -> text(assertInstanceOf(Outcome.Preview.class, outcome)))
                    .orElse(example.before());
            assertEquals(example.after(), after);
        }
        assertAll(
                () -> assertEquals(List.of(), found(rule, "silent", example.silent()), "is silent on what is right"),
                () -> assertEquals(List.of(), found(rule, "after", example.after()).stream()
                        .filter(problem -> !problem.fixes().isEmpty()).toList(), "has nothing more to fix"));
    }

    private List<Problem> found(Rule rule, String name, String code) throws Exception {
        try (Chisel chisel = open(rule.about(), name, code)) {
            return found(chisel.problems(), rule);
        }
    }

    /** All rules are at work, so that none can break on the examples of others; only one is asked for. */
    private static List<Problem> found(Problems problems, Rule rule) {
        return problems.in(problems.everywhere()).stream()
                .filter(problem -> {
                    assertFalse(problem.tag() == Tag.ERROR, problem::sentence);
                    return problem.rule().equals(rule.about().id());
                })
                .toList();
    }

    private Chisel open(RuleDescription about, String name, String code) throws Exception {
        assertFalse(code.isBlank(), () -> name + " is missing");
        SampleWorkspace workspace = new SampleWorkspace(Files.createDirectories(folder.resolve(about.id())
                .resolve(name)));
        workspace.write(about.example().file(), code);
        workspace.write(".editorconfig", "root = true\n[*]\ndeft_" + about.id() + " = warning\n"
                + "deft_imports = java, *, static\ndeft_wildcards_from = 99\n");
        return Chisel.open(workspace.request(), Monitor.SILENT);
    }

    private static String text(Outcome.Preview preview) {
        return preview.change().effective().get(0).after().content();
    }
}
