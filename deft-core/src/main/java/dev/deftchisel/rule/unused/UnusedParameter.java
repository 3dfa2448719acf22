package dev.deftchisel.rule.unused;

import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeMirror;

/** Parameters of private methods and constructors that the body does not name (JLS 8.4.1). */
public final class UnusedParameter implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("unused-parameter", Tag.UNUSED, "A parameter of a private method is not used",
                Effect.SAME_BEHAVIOUR)
                .because("Every caller computes a value that nobody looks at.")
                .example("""
                        class Dues {
                            int due(int length) {
                                return rate(length, "EUR") + rate(2, null);
                            }

                            private int rate(int length, String currency) {
                                return length * 3;
                            }
                        }
                        """, """
                        class Dues {
                            int due(int length) {
                                return rate(length) + rate(2);
                            }

                            private int rate(int length) {
                                return length * 3;
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.function.IntUnaryOperator;

                        class Dues {
                            IntUnaryOperator rate = this::rate;

                            int rate(int length, String currency) {
                                return length * 3;
                            }

                            private int rate(int length) {
                                return 3;
                            }

                            private void readObject(java.io.ObjectInputStream in) {
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        MethodTree method = (MethodTree) path.getLeaf();
        boolean isOwn = method.getModifiers().getFlags().contains(Modifier.PRIVATE) && method.getBody() != null
                && !method.getModifiers().getFlags().contains(Modifier.NATIVE);
        if (!isOwn || context.hasErrors()) {
            return;
        }
        DeclarationUsage.at(path, context)
                .filter(declared -> declared.element() instanceof ExecutableElement element && !element.isVarArgs()
                        && !declared.isReachedOtherwise() && !PlatformMethods.isOne(element))
                .ifPresent(declared -> method.getParameters()
                        .forEach(parameter -> look(path, declared, parameter, context)));
    }

    private static void look(TreePath method, DeclarationUsage declared, VariableTree parameter, RuleContext context) {
        TreePath path = new TreePath(method, parameter);
        Optional<Element> variable = context.code().element(path);
        boolean isNamed = !DeclarationAnnotations.are(path, parameter.getModifiers(), context.code())
                && variable.isPresent()
                && context.names().uses(variable.get()).isEmpty();
        List<TreePath> uses = context.names().uses(declared.element());
        int index = ((MethodTree) method.getLeaf()).getParameters().indexOf(parameter);
        if (isNamed && !uses.isEmpty() && uses.stream().allMatch(use -> call(use).isPresent())) {
            boolean isIdle = uses.stream().map(use -> call(use).orElseThrow())
                    .allMatch(call -> Calls.arguments(call.getLeaf()).size() > index && context.code()
                            .effects(new TreePath(call, Calls.arguments(call.getLeaf()).get(index))).isPure());
            boolean isFree = isFree((ExecutableElement) declared.element(), index, context.code());
            context.report(context.code().name(parameter), "'" + parameter.getName() + "' is not used",
                    isIdle && isFree ? new Fix[] {Fix.of("remove the parameter",
                            edits -> remove(edits, method, index, uses))} : new Fix[0]);
        }
    }

    /** Whether there is no other method of the name with the parameters that would be left (JLS 8.4.2). */
    private static boolean isFree(ExecutableElement method, int index, AttributedFile code) {
        List<TypeMirror> left = new ArrayList<>();
        method.getParameters().forEach(parameter -> left.add(code.types().erasure(parameter.asType())));
        left.remove(index);
        return method.getEnclosingElement().getEnclosedElements().stream()
                .filter(other -> !other.equals(method) && other.getKind() == method.getKind()
                        && other.getSimpleName().equals(method.getSimpleName()))
                .map(other -> ((ExecutableElement) other).getParameters())
                .noneMatch(others -> others.size() == left.size() && IntStream.range(0, left.size())
                        .allMatch(i -> code.types().isSameType(code.types().erasure(others.get(i).asType()),
                                left.get(i))));
    }

    /** The call that a use of the method is part of; a reference to it is none, and must keep its shape. */
    private static Optional<TreePath> call(TreePath use) {
        if (use.getLeaf() instanceof NewClassTree made) {
            return Optional.of(use).filter(path -> made.getEnclosingExpression() == null
                    && made.getClassBody() == null);
        }
        return Optional.of(use.getParentPath())
                .filter(path -> path.getLeaf() instanceof MethodInvocationTree call
                        && call.getMethodSelect() == use.getLeaf());
    }

    private static void remove(FixEdits edits, TreePath method, int index, List<TreePath> uses) {
        AttributedFile code = edits.code();
        MethodTree tree = (MethodTree) method.getLeaf();
        edits.cut(tree.getParameters(), index);
        uses.stream().map(use -> call(use).orElseThrow())
                .forEach(call -> edits.cut(Calls.arguments(call.getLeaf()), index));
        ExecutableElement element = (ExecutableElement) code.element(method).orElseThrow();
        StringBuilder descriptor = new StringBuilder("(");
        for (int i = 0; i < element.getParameters().size(); i++) {
            descriptor.append(i == index ? "" : code.descriptor(element.getParameters().get(i).asType()));
        }
        edits.redescribe(code.key(element), descriptor.append(")").append(code.descriptor(element.getReturnType()))
                .toString());
    }
}
