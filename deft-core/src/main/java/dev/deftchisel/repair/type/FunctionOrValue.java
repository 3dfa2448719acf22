package dev.deftchisel.repair.type;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.name.MeantName;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * A function passed where a value is wanted, and a value where a function is (JLS 15.12.2, 15.27):
 * {@code orElse(() -> x)}.
 */
public final class FunctionOrValue implements Repair {

    private static final List<String> NAMES = List.of("it", "other", "third");

    private static final int MOST = 3;

    @Override
    public Set<String> codes() {
        return Set.of("prob.found.req", "incompatible.types", "cant.apply.symbol", "cant.apply.symbols",
                "void.not.allowed.here");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        List<TreePath> calls = site.around().stream().filter(path -> path.getLeaf() instanceof MethodInvocationTree
                || path.getLeaf() instanceof NewClassTree).toList();
        boolean isOwn = site.error().message().contains("functional interface");
        Optional<TreePath> call = calls.stream()
                .filter(path -> isOwn ? !Calls.arguments(path.getLeaf()).isEmpty() : Calls.arguments(path.getLeaf())
                        .stream().anyMatch(argument -> isAt(argument, site)))
                .findFirst().or(() -> calls.stream().findFirst());
        if (call.isEmpty()) {
            return List.of();
        }
        List<Fix> fixes = new ArrayList<>();
        List<? extends ExpressionTree> arguments = Calls.arguments(call.get().getLeaf());
        for (int i = 0; i < arguments.size(); i++) {
            TreePath argument = new TreePath(call.get(), arguments.get(i));
            boolean isHere = arguments.stream().noneMatch(one -> isAt(one, site)) || isAt(arguments.get(i), site);
            boolean isFunction = arguments.get(i) instanceof LambdaExpressionTree
                    || arguments.get(i) instanceof MemberReferenceTree;
            if (isHere && isFunction && isNoFunction(call.get(), i, code)) {
                fixes.addAll(siblings(call.get(), i, true, code));
                value(argument, code).ifPresent(fixes::add);
            } else if (isHere && !isFunction) {
                function(call.get(), i, code).ifPresent(head -> fixes.add(Fix.of("pass a function that gives it",
                        edits -> edits.insert(code.range(argument.getLeaf()).start(), head))));
                if (function(call.get(), i, code).isPresent()) {
                    fixes.addAll(siblings(call.get(), i, false, code));
                }
            }
        }
        return fixes;
    }

    private static boolean isAt(ExpressionTree argument, ErrorSite site) {
        return site.code().range(argument).encloses(site.error().range());
    }

    /** Whether no method of the name takes a function there. */
    private static boolean isNoFunction(TreePath call, int index, AttributedFile code) {
        List<ExecutableElement> all = new CallCandidates(code, call).ofSameArity();
        return !all.isEmpty() && all.stream().noneMatch(method -> MeantName.function(method.getParameters().get(index)
                .asType(), code).isPresent());
    }

    /** The head of the function that is wanted in the place of a value; empty where none is. */
    private static Optional<String> function(TreePath call, int index, AttributedFile code) {
        TreePath argument = new TreePath(call, Calls.arguments(call.getLeaf()).get(index));
        Optional<TypeMirror> given = code.element(argument)
                .filter(element -> element instanceof ExecutableElement
                        && argument.getLeaf() instanceof MethodInvocationTree)
                .map(element -> ((ExecutableElement) element).getReturnType())
                .filter(type -> type.getKind() == TypeKind.VOID);
        return code.type(argument).or(() -> given)
                .flatMap(own -> new CallCandidates(code, call).ofSameArity().stream()
                        .map(method -> method.getParameters().get(index).asType())
                .filter(type -> own.getKind() == TypeKind.VOID || !code.types()
                        .isAssignable(own, code.types().erasure(type)))
                .flatMap(type -> MeantName.function(type, code).stream())
                .filter(method -> method.getReturnType().getKind() == TypeKind.VOID || own.getKind() != TypeKind.VOID)
                .findFirst()
                .map(method -> method.getParameters().size()).filter(count -> count <= NAMES.size())
                .map(count -> count == 1 ? "it -> " : IntStream.range(0, count).mapToObj(NAMES::get)
                        .collect(Collectors.joining(", ", "(", ") -> "))));
    }

    /** Methods whose names begin alike and which take what is passed: {@code orElse} and {@code orElseGet}. */
    private static List<Fix> siblings(TreePath call, int index, boolean isFunction, AttributedFile code) {
        if (!(call.getLeaf() instanceof MethodInvocationTree tree)
                || !(tree.getMethodSelect() instanceof MemberSelectTree select)) {
            return List.of();
        }
        String name = select.getIdentifier().toString();
        Optional<TypeMirror> own = code.type(new TreePath(call, tree.getArguments().get(index)));
        return code.type(new TreePath(new TreePath(call, select), select.getExpression()))
                .filter(type -> type instanceof DeclaredType)
                .map(type -> (TypeElement) ((DeclaredType) type).asElement()).stream()
                .flatMap(type -> ElementFilter.methodsIn(code.elements().getAllMembers(type)).stream())
                .filter(method -> isKin(name, method.getSimpleName().toString()) && method.getParameters()
                        .size() == tree.getArguments().size())
                .filter(method -> {
                    TypeMirror wanted = method.getParameters().get(index).asType();
                    return isFunction ? MeantName.function(wanted, code)
                            .filter(one -> !(tree.getArguments().get(index) instanceof LambdaExpressionTree lambda)
                            || one.getParameters().size() == lambda.getParameters().size()).isPresent()
                            : own.filter(type -> code.types().isAssignable(type, code.types().erasure(wanted)))
                            .isPresent();
                })
                .map(method -> method.getSimpleName().toString()).distinct().limit(MOST)
                .map(other -> Fix.of("call '" + other + "'", edits -> edits.replace(
                        new Range(code.range(select).end() - name.length(), code.range(select).end()), other)))
                        .toList();
    }

    private static boolean isKin(String name, String other) {
        return !name.equals(other) && (name.startsWith(other) || other.startsWith(name)
                || name.startsWith(other.replaceFirst("IfAbsent$|If$", "")) && other.contains("If"));
    }

    /** What a function without parameters gives, itself. */
    private static Optional<Fix> value(TreePath argument, AttributedFile code) {
        return Stream.of(argument.getLeaf()).filter(tree -> tree instanceof LambdaExpressionTree)
                .map(tree -> (LambdaExpressionTree) tree)
                .filter(lambda -> lambda.getParameters().isEmpty()
                        && lambda.getBodyKind() == LambdaExpressionTree.BodyKind.EXPRESSION)
                .map(LambdaExpressionTree::getBody).map(body -> passed(argument.getLeaf(), body, code)).findFirst();
    }

    private static Fix passed(Tree function, Tree body, AttributedFile code) {
        return Fix.of("pass what it gives", edits -> edits.replace(code.range(function),
                to -> to.carry(code.range(body))));
    }
}
