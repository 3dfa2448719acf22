package dev.deftchisel.rule.call;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rule.NullTest;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeMirror;

/** {@code null} where an {@code Optional} is expected, and an {@code Optional} compared with it. */
public final class NullOptional implements Rule {

    private static final Set<String> OPTIONALS = Set.of("java.util.Optional", "java.util.OptionalInt",
            "java.util.OptionalLong",
            "java.util.OptionalDouble");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("null-optional", Tag.SUSPICIOUS, "An Optional is null or compared with null",
                Effect.OTHER)
                .because("Whoever gets an Optional asks it, and does not expect that even it may be missing.")
                .example("""
                        import java.util.Optional;

                        class Berth {
                            Optional<String> vessel(int number) {
                                return number > 3 ? Optional.of("Tern") : vessel();
                            }

                            Optional<String> vessel() {
                                return null;
                            }
                        }
                        """, """
                        import java.util.Optional;

                        class Berth {
                            Optional<String> vessel(int number) {
                                return number > 3 ? Optional.of("Tern") : vessel();
                            }

                            Optional<String> vessel() {
                                return Optional.empty();
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.Optional;
                        import java.util.function.Supplier;

                        class Berth {
                            Optional<String> vessel() {
                                Supplier<String> none = () -> {
                                    return null;
                                };
                                return Optional.ofNullable(none.get());
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.NULL_LITERAL, Tree.Kind.EQUAL_TO, Tree.Kind.NOT_EQUAL_TO);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        if (path.getLeaf() instanceof BinaryTree comparison) {
            compare(path, comparison, context);
            return;
        }
        TreePath place = TreePaths.outer(path);
        // a variable may have no value yet
        boolean isKept = place.getLeaf() instanceof VariableTree || place.getLeaf() instanceof AssignmentTree;
        Optional<TypeMirror> wanted = isKept ? Optional.empty() : TargetType.ofConversion(path, code)
                .filter(NullOptional::isOptional);
        wanted.ifPresent(type -> context.report(path.getLeaf(), "whoever gets this expects an Optional",
                Fix.of("write an empty Optional",
                edits -> edits.replace(path.getLeaf(),
                        to -> to.write(edits.types().name((TypeElement) code.types().asElement(type)) + ".empty()")))));
    }

    private static void compare(TreePath path, BinaryTree comparison, RuleContext context) {
        AttributedFile code = context.code();
        Optional<ExpressionTree> compared = NullTest.of(comparison, comparison.getKind());
        if (compared.isEmpty()) {
            return;
        }
        ExpressionTree optional = compared.get();
        boolean isFirst = TreePaths.inner(comparison.getLeftOperand()) == optional;
        TreePath value = TreePaths.inner(new TreePath(path, isFirst ? comparison.getLeftOperand()
                : comparison.getRightOperand()));
        if (isFreshOptional(value, code)) {
            boolean isEmpty = comparison.getKind() == Tree.Kind.EQUAL_TO;
            context.report(comparison, "an Optional says itself whether it is empty", Fix.of("ask the Optional",
                    edits -> edits.replace(comparison, to -> to.write(isEmpty ? "!" : "").carry(code.range(optional))
                            .write(".isPresent()"))));
        }
    }

    /** The result of a call: a variable may be null since it has no value yet. */
    private static boolean isFreshOptional(TreePath path, AttributedFile code) {
        return path.getLeaf() instanceof MethodInvocationTree && code.type(path).filter(NullOptional::isOptional)
                .isPresent();
    }

    private static boolean isOptional(TypeMirror type) {
        return NamedTypes.isOneOf(type, OPTIONALS);
    }
}
