package dev.deftchisel.rule.lambda;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;

/** A lambda that only calls a method with what it is given (JLS 15.13). */
public final class ForwardingLambda implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("forwarding-lambda", Tag.IDIOM, "A lambda only calls a method", Effect.SAME_BEHAVIOUR)
                .because("The name of the method says it.")
                .example("""
                        import java.util.function.Function;
                        import java.util.function.Supplier;

                        class Berths {
                            Function<String, Integer> length = name -> name.length();
                            Function<String, Berths> made = name -> new Berths(name);
                            Function<String, String> shown = name -> show(name);
                            Function<String, String> own = name -> this.own(name);

                            Berths(String name) {
                            }

                            static String show(String name) {
                                return name;
                            }

                            String own(String name) {
                                return name;
                            }
                        }
                        """, """
                        import java.util.function.Function;
                        import java.util.function.Supplier;

                        class Berths {
                            Function<String, Integer> length = String::length;
                            Function<String, Berths> made = Berths::new;
                            Function<String, String> shown = Berths::show;
                            Function<String, String> own = this::own;

                            Berths(String name) {
                            }

                            static String show(String name) {
                                return name;
                            }

                            String own(String name) {
                                return name;
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.function.BiFunction;
                        import java.util.function.Function;
                        import java.util.function.Supplier;

                        class Berths {
                            Function<String, String> upper = name -> name.concat(name);
                            Function<String, byte[]> bytes = name -> name.getBytes();
                            BiFunction<String, String, Boolean> same = (one, other) -> other.equals(one);

                            Supplier<Integer> length(String name) {
                                return () -> name.length();
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.LAMBDA_EXPRESSION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        LambdaExpressionTree lambda = (LambdaExpressionTree) path.getLeaf();
        AttributedFile code = context.code();
        if (!(lambda.getBody() instanceof ExpressionTree) || TargetType.ofAssignmentOrCall(path, code).isEmpty()
                || code.hasComment(code.range(lambda))) {
            return;
        }
        TreePath body = new TreePath(path, lambda.getBody());
        Optional<Consumer<FixEdits>> fix;
        if (body.getLeaf() instanceof NewClassTree made) {
            fix = constructor(path, made, body, code);
        } else if (body.getLeaf() instanceof MethodInvocationTree call) {
            fix = method(path, call, body, code);
        } else {
            fix = Optional.empty();
        }
        fix.ifPresent(writer -> context.report(lambda, "the name of what is called says this",
                Fix.of("name it", writer)));
    }

    private static Optional<Consumer<FixEdits>> constructor(TreePath lambda, NewClassTree made, TreePath body,
            AttributedFile code) {
        boolean isPlain = made.getClassBody() == null && made.getEnclosingExpression() == null
                && made.getTypeArguments().isEmpty()
                && made.getIdentifier() instanceof IdentifierTree
                && passesOn(lambda, made.getArguments(), 0)
                && code.element(body).filter(element -> element instanceof ExecutableElement constructor
                        && !constructor.isVarArgs()
                        && takes(lambda, constructor, 0, code)
                        && constructor.getEnclosingElement().getEnclosedElements().stream()
                        .filter(other -> other.getKind() == ElementKind.CONSTRUCTOR).count() == 1).isPresent();
        return isPlain ? Optional.of(edits -> edits.replace(lambda.getLeaf(),
                to -> to.carry(code.range(made.getIdentifier())).write("::new"))) : Optional.empty();
    }

    private static Optional<Consumer<FixEdits>> method(TreePath lambda, MethodInvocationTree call, TreePath body,
            AttributedFile code) {
        Optional<ExecutableElement> called = Calls.method(code, body);
        if (called.isEmpty() || called.get().isVarArgs() || !call.getTypeArguments().isEmpty()
                || !isAlone(called.get(), code)
                || !(called.get().getEnclosingElement() instanceof TypeElement owner)) {
            return Optional.empty();
        }
        String name = called.get().getSimpleName().toString();
        Optional<ExpressionTree> receiver = Calls.receiver(call);
        boolean isStatic = called.get().getModifiers().contains(Modifier.STATIC);
        List<? extends VariableTree> parameters = ((LambdaExpressionTree) lambda.getLeaf()).getParameters();
        if (passesOn(lambda, call.getArguments(), 0) && takes(lambda, called.get(), 0, code)) {
            if (isStatic && isType(receiver, body, code)) {
                return Optional.of(edits -> edits.replace(lambda.getLeaf(),
                        to -> to.write(edits.types().name(owner) + "::" + name)));
            }
            boolean isOwn = receiver.map(object -> object.toString().equals("this"))
                    .orElse(code.enclosingType(lambda).filter(type -> code.isKind(type.asType(), owner.asType()))
                            .isPresent());
            return isOwn && !isStatic
                    ? Optional.of(edits -> edits.replace(lambda.getLeaf(), to -> to.write("this::" + name)))
                    : Optional.empty();
        }
        boolean isOfFirst = !isStatic && !parameters.isEmpty() && receiver.isPresent()
                && names(receiver.get(), parameters.get(0)) && passesOn(lambda, call.getArguments(), 1)
                && takes(lambda, called.get(), 1, code);
        Optional<TypeElement> first = isOfFirst ? code.type(new TreePath(lambda, parameters.get(0)))
                .filter(type -> type.getKind() == TypeKind.DECLARED)
                .map(type -> (TypeElement) ((DeclaredType) type).asElement())
                .filter(type -> type.getSimpleName().length() > 0) : Optional.empty();
        return first.map(type -> edits -> edits.replace(lambda.getLeaf(),
                to -> to.write(edits.types().name(type) + "::" + name)));
    }

    private static boolean isType(Optional<ExpressionTree> receiver, TreePath body, AttributedFile code) {
        return receiver.isEmpty() || Calls.receiver(body).flatMap(code::element)
                .filter(element -> element instanceof TypeElement).isPresent();
    }

    /** Whether the arguments are just the parameters from one on, in order. */
    private static boolean passesOn(TreePath lambda, List<? extends ExpressionTree> arguments, int from) {
        List<? extends VariableTree> parameters = ((LambdaExpressionTree) lambda.getLeaf()).getParameters();
        return arguments.size() == parameters.size() - from && IntStream.range(0, arguments.size())
                .allMatch(i -> names(arguments.get(i), parameters.get(i + from)));
    }

    /** Whether the parameters are of types that need no conversion, so that nothing else can be found (JLS 15.13.1). */
    private static boolean takes(TreePath lambda, ExecutableElement method, int from, AttributedFile code) {
        List<? extends VariableTree> parameters = ((LambdaExpressionTree) lambda.getLeaf()).getParameters();
        return IntStream.range(0, method.getParameters().size())
                .allMatch(i -> code.type(new TreePath(lambda, parameters.get(i + from)))
                .filter(type -> type.getKind().isPrimitive() == method.getParameters().get(i).asType().getKind()
                        .isPrimitive())
                .isPresent());
    }

    private static boolean names(ExpressionTree argument, VariableTree parameter) {
        return argument instanceof IdentifierTree name && name.getName().equals(parameter.getName());
    }

    private static boolean isAlone(ExecutableElement method, AttributedFile code) {
        return code.elements().getAllMembers((TypeElement) method.getEnclosingElement()).stream()
                .filter(other -> other instanceof ExecutableElement && other.getSimpleName()
                        .equals(method.getSimpleName())).count() == 1;
    }
}
