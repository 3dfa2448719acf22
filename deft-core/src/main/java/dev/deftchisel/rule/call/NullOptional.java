package dev.deftchisel.rule.call;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.NamedTypes;
import dev.deftchisel.problem.About;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.Survey;
import dev.deftchisel.problem.Tag;
import java.util.Set;
import javax.lang.model.type.TypeMirror;

/** {@code null} where an {@code Optional} is expected, and an {@code Optional} compared with it. */
public final class NullOptional implements Rule {

    @Override
    public About about() {
        return About.of("null-optional", Tag.SUSPICIOUS, "An Optional is null or compared with null", Effect.OTHER)
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
        return Set.of(Tree.Kind.RETURN, Tree.Kind.EQUAL_TO, Tree.Kind.NOT_EQUAL_TO);
    }

    @Override
    public void look(TreePath path, Survey survey) {
        Code code = survey.code();
        if (path.getLeaf() instanceof BinaryTree comparison) {
            boolean isNull = comparison.getRightOperand().getKind() == Tree.Kind.NULL_LITERAL;
            if (isNull && isFreshOptional(Code.inner(new TreePath(path, comparison.getLeftOperand())), code)) {
                boolean isEmpty = comparison.getKind() == Tree.Kind.EQUAL_TO;
                ExpressionTree optional = comparison.getLeftOperand();
                survey.report(comparison, "an Optional says itself whether it is empty", Fix.of("ask the Optional",
                        edits -> edits.replace(comparison, to -> to.write(isEmpty ? "!"
                                : "").carry(code.range(optional)).write(".isPresent()"))));
            }
            return;
        }
        ExpressionTree value = ((ReturnTree) path.getLeaf()).getExpression();
        boolean isNull = value != null && value.getKind() == Tree.Kind.NULL_LITERAL
                && code.result(path).flatMap(code::type).filter(NullOptional::isOptional).isPresent();
        if (isNull) {
            survey.report(value, "whoever gets this expects an Optional", Fix.of("return an empty Optional", edits -> edits.replace(value,
                    to -> to.write(edits.types().name(code.elements().getTypeElement("java.util.Optional")) + ".empty()"))));
        }
    }

    /** The result of a call: a variable may be null since it has no value yet. */
    private static boolean isFreshOptional(TreePath path, Code code) {
        return path.getLeaf() instanceof MethodInvocationTree && code.type(path).filter(NullOptional::isOptional).isPresent();
    }

    private static boolean isOptional(TypeMirror type) {
        return NamedTypes.is(type, "java.util.Optional");
    }
}
