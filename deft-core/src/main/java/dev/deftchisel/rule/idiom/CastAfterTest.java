package dev.deftchisel.rule.idiom;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rule.MultiDeclaration;
import dev.deftchisel.source.Range;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;

/** A cast to the type that was just tested (JLS 14.30.1). */
public final class CastAfterTest implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("cast-after-test", Tag.IDIOM, "A value is tested for a type and then cast to it",
                Effect.SAME_BEHAVIOUR)
                .because("A pattern does both, and the type is said once.")
                .example("""
                        class Log {
                            int length(Object line) {
                                if (line instanceof String) {
                                    String text = (String) line;
                                    return text.length();
                                }
                                return 0;
                            }
                        }
                        """, """
                        class Log {
                            int length(Object line) {
                                if (line instanceof String text) {
                                    return text.length();
                                }
                                return 0;
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.List;

                        class Log {
                            int length(Object line, Object other) {
                                if (line instanceof List) {
                                    List<?> all = (List<?>) line;
                                    return all.size();
                                }
                                if (other instanceof String || line instanceof String) {
                                    String text = (String) other;
                                    return text.length();
                                }
                                return 0;
                            }
                        }
                        """)
                .from(16);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.IF);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        IfTree tree = (IfTree) path.getLeaf();
        AttributedFile code = context.code();
        if (!(tree.getThenStatement() instanceof BlockTree body) || body.getStatements().isEmpty()
                || !(body.getStatements().get(0) instanceof VariableTree variable)
                || !(variable.getInitializer() instanceof TypeCastTree cast)
                || !(cast.getExpression() instanceof IdentifierTree)) {
            return;
        }
        TreePath value = new TreePath(new TreePath(new TreePath(new TreePath(new TreePath(path, body), variable), cast),
                cast.getExpression()), cast.getExpression());
        Optional<InstanceOfTree> test = test(tree.getCondition(), cast, code);
        boolean isPlain = code.saysType(variable) && variable.getModifiers().getAnnotations().isEmpty()
                && code.readsSame(variable.getType(), cast.getType());
        boolean isLocal = code.element(value).filter(element -> element.getKind() == ElementKind.PARAMETER
                || element.getKind() == ElementKind.LOCAL_VARIABLE || element.getKind().name()
                .equals("BINDING_VARIABLE")).isPresent();
        Range gone = code.range(variable);
        if (test.isPresent() && isPlain && isLocal && !isNamedInTest(tree, variable) && !code.hasComment(gone)
                && !MultiDeclaration.isShared(new TreePath(new TreePath(path, body), variable), code)
                && !isWritten(path, value, code)) {
            boolean isFinal = variable.getModifiers().getFlags().contains(Modifier.FINAL);
            context.report(cast, "the type was tested just before", Fix.of("name it where it is tested", edits -> {
                int end = code.range(test.get()).end();
                edits.replace(new Range(end, end), to -> to.write(" ").carry(code.name(variable)));
                if (isFinal) {
                    edits.insert(code.range(test.get().getType()).start(), "final ");
                }
                edits.remove(gone);
            }));
        }
    }

    /** The test of just this value for just this type, which holds wherever the branch is taken. */
    private static Optional<InstanceOfTree> test(ExpressionTree condition, TypeCastTree cast, AttributedFile code) {
        ExpressionTree inner = TreePaths.inner(condition);
        if (inner instanceof BinaryTree both && both.getKind() == Tree.Kind.CONDITIONAL_AND) {
            return test(both.getLeftOperand(), cast, code).or(() -> test(both.getRightOperand(), cast, code));
        }
        return inner instanceof InstanceOfTree test && test.getPattern() == null && test.getType() != null
                && code.readsSame(test.getType(), cast.getType())
                && code.readsSame(test.getExpression(), cast.getExpression())
                ? Optional.of(test) : Optional.empty();
    }

    /** Whether the condition gives the value another one after the test. */
    private static boolean isWritten(TreePath path, TreePath value, AttributedFile code) {
        Optional<Element> element = code.element(value);
        return code.occurrences(new TreePath(path, ((IfTree) path.getLeaf()).getCondition())).stream()
                .anyMatch(place -> element.filter(place.variable()::equals).isPresent() && place.isWritten());
    }

    /** A variable of the name in the condition would be another one. */
    private static boolean isNamedInTest(IfTree tree, VariableTree variable) {
        return tree.getCondition().toString().matches("(?s).*\\b" + variable.getName() + "\\b.*");
    }
}
