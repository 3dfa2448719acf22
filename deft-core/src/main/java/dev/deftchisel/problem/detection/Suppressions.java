package dev.deftchisel.problem.detection;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Finding;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the authors of a file have accepted. Two ways to say it:
 * <ul>
 * <li>{@code @SuppressWarnings} with the id of a rule, the word of a tag, or what else the rule goes by (JLS 9.6.4.5),
 *     for
 * the declaration below it;</li>
 * <li>a comment {@code // deft: accept self-assignment, empty-branch (why)}, for its line, or for the next line with
 *     code
 * when it stands alone.</li>
 * </ul>
 * One that names a rule which reports nothing there is idle, which is a problem of its own.
 */
final class Suppressions {

    /** The id of the rule that reports idle suppressions. */
    static final String IDLE = "idle-suppression";
    private static final Pattern COMMENT = Pattern.compile("deft: accept ([a-z0-9-]+(?:\\s*,\\s*[a-z0-9-]+)*)");
    private static final Pattern WORD = Pattern.compile("[a-z0-9-]+");

    private final AttributedFile code;
    private final Rules rules;
    private final List<Accepted> all = new ArrayList<>();

    /**
     * One word of a suppression.
     *
     * @param word  a rule, tag or other name
     * @param place of the word itself
     * @param scope where it counts
     * @param whole what goes when this is the only word
     */
    private record Accepted(String word, Range place, Range scope, Range whole, boolean isAlone) {

        boolean means(RuleDescription about) {
            return word.equals(about.id()) || word.equals(about.tag().word()) || about.alsoNamed().contains(word);
        }
    }

    Suppressions(AttributedFile code, Rules rules) {
        this.code = code;
        this.rules = rules;
        if (code.file().content().contains("SuppressWarnings")) {
            readAnnotations();
        }
        if (code.file().content().contains("deft: accept")) {
            readComments();
        }
    }

    /** Whether a finding is accepted. */
    boolean accept(Finding finding) {
        return all.stream().anyMatch(accepted -> accepts(accepted, finding));
    }

    private static boolean accepts(Accepted accepted, Finding finding) {
        return accepted.means(finding.about()) && accepted.scope().contains(finding.range().start());
    }

    /** The words that name a rule and accept nothing. */
    List<Finding> idle(RuleDescription about, Severity severity, List<Finding> found) {
        return all.stream()
                .filter(accepted -> rules.named(accepted.word()).isPresent())
                .filter(accepted -> found.stream().noneMatch(finding -> accepts(accepted, finding)))
                .map(accepted -> new Finding(about, severity, accepted.place(),
                        "'" + accepted.word() + "' has nothing to accept here",
                        accepted.isAlone() ? List.of(Fix.of("remove it", edits -> edits.remove(accepted.whole())))
                        : List.of()))
                .toList();
    }

    private void readAnnotations() {
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitAnnotation(AnnotationTree tree, Void unused) {
                TreePath declaration = getCurrentPath().getParentPath();
                while (declaration != null && !isDeclaration(declaration.getLeaf())) {
                    declaration = declaration.getParentPath();
                }
                boolean isMeant = tree.getAnnotationType().toString().matches("(java\\.lang\\.)?SuppressWarnings");
                if (isMeant && declaration != null && getCurrentPath().getParentPath()
                        .getLeaf() instanceof ModifiersTree) {
                    read(tree, code.range(declaration.getLeaf()));
                }
                return super.visitAnnotation(tree, null);
            }
        }.scan(new TreePath(code.unit()), null);
    }

    private static boolean isDeclaration(Tree tree) {
        return tree instanceof ClassTree || tree instanceof MethodTree || tree instanceof VariableTree;
    }

    private void read(AnnotationTree annotation, Range scope) {
        for (ExpressionTree argument : annotation.getArguments()) {
            ExpressionTree value = argument instanceof AssignmentTree named ? named.getExpression() : argument;
            List<? extends ExpressionTree> words = value instanceof NewArrayTree several ? several.getInitializers()
                    : List.of(value);
            for (ExpressionTree word : words) {
                if (word instanceof LiteralTree literal && literal.getValue() instanceof String text) {
                    all.add(new Accepted(text, code.range(word), scope, code.range(annotation), words.size() == 1));
                }
            }
        }
    }

    private void readComments() {
        Tokens tokens = code.tokens();
        LineMap lines = code.file().lines();
        for (int i = 0; i < tokens.count(); i++) {
            Matcher said = tokens.kind(i).isComment() ? COMMENT.matcher(tokens.text(i)) : null;
            if (said != null && said.find()) {
                boolean isAlone = lines.text(lines.line(tokens.start(i))).strip().equals(tokens.text(i).strip());
                int next = tokens.code(i + 1);
                Range scope = isAlone && next < tokens.count()
                        ? lines.rangeOf(lines.line(tokens.start(next)))
                        : lines.rangeOf(lines.line(tokens.start(i)));
                Set<String> seen = new HashSet<>();
                Matcher word = WORD.matcher(said.group(1));
                int start = tokens.start(i) + said.start(1);
                boolean isOnly = !said.group(1).contains(",");
                while (word.find()) {
                    if (seen.add(word.group())) {
                        all.add(new Accepted(word.group(), new Range(start + word.start(), start + word.end()), scope,
                                tokens.range(i), isOnly));
                    }
                }
            }
        }
    }
}
