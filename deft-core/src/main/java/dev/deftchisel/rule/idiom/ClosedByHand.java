package dev.deftchisel.rule.idiom;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rule.MultiDeclaration;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;

/** A resource that is opened before a {@code try} and closed in its {@code finally} (JLS 14.20.3). */
public final class ClosedByHand implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("closed-by-hand", Tag.IDIOM, "A resource is closed in a finally", Effect.OTHER)
                .because("The try can close it. Should both the body and the closing fail, the exception of the body "
                        + "is then the one"
                        + " that is told, with the other one in it; by hand it gets lost.")
                .example("""
                        import java.io.FileReader;
                        import java.io.IOException;

                        class Berths {
                            int first(String file) throws IOException {
                                FileReader reader = new FileReader(file);
                                try {
                                    return reader.read();
                                } finally {
                                    reader.close();
                                }
                            }
                        }
                        """, """
                        import java.io.FileReader;
                        import java.io.IOException;

                        class Berths {
                            int first(String file) throws IOException {
                                try (FileReader reader = new FileReader(file)) {
                                    return reader.read();
                                }
                            }
                        }
                        """)
                .silentOn("""
                        import java.io.FileReader;
                        import java.io.IOException;

                        class Berths {
                            int first(String file) throws IOException {
                                FileReader reader = new FileReader(file);
                                try {
                                    if (reader.read() < 0) {
                                        reader = new FileReader(file + ".old");
                                    }
                                    return reader.read();
                                } finally {
                                    reader.close();
                                }
                            }

                            int second(String file) {
                                int found = 0;
                                try {
                                    FileReader reader = new FileReader(file);
                                    try {
                                        found = reader.read();
                                    } catch (IOException failed) {
                                        return -1;
                                    } finally {
                                        reader.close();
                                    }
                                    return found + reader.hashCode();
                                } catch (IOException failed) {
                                    return 0;
                                }
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.TRY);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        TryTree attempt = (TryTree) path.getLeaf();
        AttributedFile code = context.code();
        if (attempt.getFinallyBlock() == null || !attempt.getCatches().isEmpty() || !attempt.getResources().isEmpty()) {
            return;
        }
        List<? extends StatementTree> around = TreePaths.statements(path.getParentPath().getLeaf());
        int index = around.indexOf(attempt);
        if (index < 1 || !(around.get(index - 1) instanceof VariableTree resource) || resource.getInitializer() == null
                || resource.getInitializer() instanceof LiteralTree || !closes(attempt.getFinallyBlock(), resource)) {
            return;
        }
        TreePath declared = new TreePath(path.getParentPath(), resource);
        Range gap = new Range(code.range(resource).end(), code.range(attempt).start());
        Range end = new Range(code.range(attempt.getBlock()).end(), code.range(attempt).end());
        if (!MultiDeclaration.isShared(declared, code) && isCloseable(declared, code)
                && isUsedOnlyIn(attempt, declared, path.getParentPath(), code)
                && !code.hasComment(gap) && !code.hasComment(end)) {
            Range written = code.range(resource);
            Range declaration = new Range(written.start(), code.range(resource.getInitializer()).end());
            Range head = new Range(written.start(), code.range(attempt.getBlock()).start());
            context.report(new Range(code.range(attempt).start(), code.range(attempt).start() + "try".length()),
                    "'" + resource.getName() + "' is closed by hand", Fix.of("let the try close it", edits -> {
                        edits.replace(head, to -> to.write("try (").carry(declaration).write(") "));
                        edits.cut(end);
                    }));
        }
    }

    private static boolean closes(BlockTree last, VariableTree resource) {
        return last.getStatements().size() == 1 && last.getStatements()
                .get(0) instanceof ExpressionStatementTree statement
                && statement.getExpression() instanceof MethodInvocationTree call && call.getArguments().isEmpty()
                && call.getMethodSelect() instanceof MemberSelectTree select && select.getIdentifier()
                .contentEquals("close")
                && select.getExpression() instanceof IdentifierTree name && name.getName().equals(resource.getName());
    }

    private static boolean isCloseable(TreePath declared, AttributedFile code) {
        return code.element(declared).filter(element -> code.isKind(element.asType(),
                code.elements().getTypeElement("java.lang.AutoCloseable").asType())).isPresent();
    }

    /** Whether the variable keeps its value and is not needed outside of the try. */
    private static boolean isUsedOnlyIn(TryTree attempt, TreePath declared, TreePath block, AttributedFile code) {
        Optional<Element> variable = code.element(declared);
        Range within = code.range(attempt);
        return code.occurrences(block).stream()
                .filter(place -> variable.filter(place.variable()::equals).isPresent()
                        && place.access() != Occurrence.Access.DECLARED)
                .allMatch(place -> within.contains(place.offset()) && !place.isWritten());
    }
}
