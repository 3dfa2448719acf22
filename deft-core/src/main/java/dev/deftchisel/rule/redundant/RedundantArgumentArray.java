package dev.deftchisel.rule.redundant;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** An array that is written only to be passed where its elements could be (JLS 15.12.4.2). */
public final class RedundantArgumentArray implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-argument-array", Tag.REDUNDANT,
                "An array is made for a parameter that takes its elements", Effect.SAME_CLASSES)
                .because("The compiler makes the array by itself.")
                .example("""
                        import java.util.Arrays;
                        import java.util.List;

                        class Berths {
                            List<String> names() {
                                return Arrays.asList(new String[] {"north", "south"});
                            }
                        }
                        """, """
                        import java.util.Arrays;
                        import java.util.List;

                        class Berths {
                            List<String> names() {
                                return Arrays.asList("north", "south");
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.Arrays;

                        class Berths {
                            Object names(Object... all) {
                                String.format("%s", new Object[] {new String[0]});
                                return names(new String[] {"north"}, Arrays.asList(1)) + names(new Object[] {null}).toString()
                                        + Arrays.toString(new String[] {"north"});
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.NEW_ARRAY);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        NewArrayTree array = (NewArrayTree) path.getLeaf();
        TreePath call = path.getParentPath();
        boolean isArgument = call.getLeaf() instanceof MethodInvocationTree || call.getLeaf() instanceof NewClassTree;
        if (!isArgument || array.getInitializers() == null || array.getType() == null || array.getInitializers()
                .isEmpty()) {
            return;
        }
        AttributedFile code = context.code();
        List<? extends ExpressionTree> arguments = Calls.arguments(call.getLeaf());
        Optional<ExecutableElement> method = code.element(call)
                .filter(element -> element instanceof ExecutableElement).map(element -> (ExecutableElement) element)
                .filter(known -> known.isVarArgs() && known.getParameters().size() == arguments.size()
                        && arguments.get(arguments.size() - 1) == array);
        if (method.isPresent() && isPlain(array, path, method.get(), code)) {
            context.report(array, "the call makes the array by itself", Fix.of("pass the elements", edits -> {
                Range first = code.range(array.getInitializers().get(0));
                Range last = code.range(array.getInitializers().get(array.getInitializers().size() - 1));
                edits.replace(array, to -> to.carry(new Range(first.start(), last.end())));
            }));
        }
    }

    /**
     * Whether the elements are taken for elements, and for the same array: the array has just the type that the
     * parameter erases to, no other method of the name could be meant, and a lone element is not an array or
     * {@code null} itself.
     */
    private static boolean isPlain(NewArrayTree array, TreePath path, ExecutableElement method, AttributedFile code) {
        TypeMirror formal = method.getParameters().get(method.getParameters().size() - 1).asType();
        TypeMirror element = ((ArrayType) formal).getComponentType();
        Optional<TypeMirror> own = code.type(path);
        boolean isSame = own.isPresent() && own.get() instanceof ArrayType written
                && (element.getKind() == TypeKind.TYPEVAR
                        ? array.getInitializers().stream().allMatch(value -> code.type(new TreePath(path, value))
                                .filter(type -> code.types().isSameType(type, written.getComponentType())).isPresent())
                        : code.types().isSameType(code.types().erasure(formal), own.get()));
        boolean isAlone = method.getEnclosingElement().getEnclosedElements().stream()
                .filter(other -> other.getSimpleName().equals(method.getSimpleName())
                        && other.getKind() == method.getKind())
                .count() == 1;
        boolean isDoubtful = array.getInitializers().size() == 1
                && code.type(new TreePath(path, array.getInitializers().get(0)))
                        .filter(type -> type.getKind() != TypeKind.ARRAY && type.getKind() != TypeKind.NULL).isEmpty();
        return isSame && isAlone && !isDoubtful
                && array.getInitializers().stream().noneMatch(value -> value instanceof NewArrayTree inner
                        && inner.getType() == null);
    }
}
