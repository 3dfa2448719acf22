package dev.deftchisel.rule.equality;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.TypeElement;

/** Something that is compared with itself by a method. */
public final class SelfEquals implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("self-equals", Tag.SUSPICIOUS, "Something is compared with itself", Effect.OTHER)
                .because("The answer is known; something else was meant on one side.")
                .example("""
                        class Berth {
                            String name;

                            boolean isSame(Berth other) {
                                return name.equals(name);
                            }
                        }
                        """, """
                        class Berth {
                            String name;

                            boolean isSame(Berth other) {
                                return name.equals(other.name);
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.Objects;

                        class Berth {
                            String name;

                            boolean isSame(Berth other) {
                                return name.equals(other.name) && Objects.equals(name, this.name());
                            }

                            String name() {
                                return name;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        MethodInvocationTree call = (MethodInvocationTree) path.getLeaf();
        AttributedFile code = context.code();
        boolean isOne = Calls.isOf(code, path, "java.lang.Object", "equals", 1)
                || Calls.isOf(code, path, "java.lang.Comparable", "compareTo", 1);
        boolean isPair = Calls.isOf(code, path, "java.util.Objects", "equals", 2);
        Optional<ExpressionTree> left = isPair ? Optional.of(call.getArguments().get(0)) : Calls.receiver(call)
                .filter(any -> isOne);
        boolean isPrinted = TreePaths.outer(path).getLeaf() instanceof MethodInvocationTree print
                && Calls.name(print).startsWith("print");
        if (left.isEmpty() || context.isTest() || isPrinted) {
            return;
        }
        ExpressionTree right = call.getArguments().get(call.getArguments().size() - 1);
        boolean isName = right instanceof IdentifierTree || right instanceof MemberSelectTree;
        if (isName && code.readsSame(left.get(), right)) {
            context.report(call, "'" + code.text(right) + "' is compared with itself", other(path, right, code)
                    .map(name -> new Fix[] {Fix.of("compare with '" + name + "." + right + "'",
                            edits -> edits.replace(right, to -> to.write(name + ".").carry(code.range(right))))})
                    .orElse(new Fix[0]));
        }
    }

    /** The only parameter of the method around that is of the class around, when it is a field that is compared. */
    private static Optional<String> other(TreePath call, ExpressionTree compared, AttributedFile code) {
        TreePath at = call;
        while (at != null && !(at.getLeaf() instanceof MethodTree)) {
            at = at.getParentPath();
        }
        boolean isField = compared instanceof IdentifierTree && code.element(new TreePath(call, compared))
                .filter(element -> element.getKind() == ElementKind.FIELD).isPresent();
        if (at == null || !isField) {
            return Optional.empty();
        }
        Optional<TypeElement> type = code.enclosingType(at);
        TreePath method = at;
        List<String> names = ((MethodTree) at.getLeaf()).getParameters().stream()
                .filter(parameter -> type.isPresent() && code.type(new TreePath(method, parameter))
                        .filter(own -> code.types().isSameType(own, type.get().asType())).isPresent())
                .map(parameter -> parameter.getName().toString())
                .toList();
        return names.size() == 1 ? Optional.of(names.get(0)) : Optional.empty();
    }
}
