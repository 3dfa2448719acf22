package dev.deftchisel.repair.member;

import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * A method that does not take its arguments, where another of the object, whose name begins alike, does:
 * {@code map.get(key, 0)} is {@code getOrDefault}, and what an {@code IntStream} makes objects of is {@code mapToObj}.
 */
public final class SiblingMethod implements Repair {

    private static final int MOST = 2;
    private static final Set<String> NUMBERS = Set.of("java.util.stream.IntStream", "java.util.stream.LongStream",
            "java.util.stream.DoubleStream");

    @Override
    public Set<String> codes() {
        return Set.of("cant.apply.symbol", "cant.apply.symbols", "prob.found.req");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        boolean isOfFunction = site.id().equals("prob.found.req");
        Optional<TreePath> call = site.around().stream()
                .filter(path -> path.getLeaf() instanceof MethodInvocationTree tree
                && tree.getMethodSelect() instanceof MemberSelectTree && (!isOfFunction || tree.getArguments().stream()
                .anyMatch(argument -> argument instanceof LambdaExpressionTree && code.range(argument)
                        .encloses(site.error().range())))).findFirst();
        Optional<TypeElement> type = call.flatMap(path -> receiver(path, code));
        if (type.isEmpty()) {
            return List.of();
        }
        MethodInvocationTree tree = (MethodInvocationTree) call.get().getLeaf();
        String name = ((MemberSelectTree) tree.getMethodSelect()).getIdentifier().toString();
        int end = code.range(tree.getMethodSelect()).end();
        Range written = new Range(end - name.length(), end);
        List<Fix> fixes = new ArrayList<>();
        ofMany(tree, call.get(), code).ifPresent(fixes::add);
        if (NUMBERS.contains(type.get().getQualifiedName().toString())) {
            ofNumbers(name, written, site).ifPresent(fixes::add);
        }
        if (name.equals("collect") && tree.getArguments().size() == 1 && code.text(tree.getArguments().get(0))
                .contains("joining(")) {
            fixes.add(Fix.of("make text of the elements",
                    edits -> edits.insert(written.start() - 1, ".map(String::valueOf)")));
        }
        if (!isOfFunction) {
            ElementFilter.methodsIn(code.elements().getAllMembers(type.get())).stream()
                    .filter(method -> isKin(name, method.getSimpleName().toString()) && takes(method, call.get(), code))
                    .map(method -> method.getSimpleName().toString()).distinct().limit(MOST)
                    .forEach(other -> fixes.add(Fix.of("call '" + other + "'",
                            edits -> edits.replace(written, other))));
        }
        return fixes;
    }

    /** {@code Math.min(depths)}: of a collection it is {@code Collections.min}, of an array that of its stream. */
    private static Optional<Fix> ofMany(MethodInvocationTree tree, TreePath call, AttributedFile code) {
        String name = ((MemberSelectTree) tree.getMethodSelect()).getIdentifier().toString();
        boolean isOfMath = tree.getArguments().size() == 1 && Set.of("min", "max").contains(name)
                && code.text(tree.getMethodSelect()).equals("Math." + name);
        Optional<TypeMirror> own = isOfMath ? code.type(new TreePath(call, tree.getArguments().get(0)))
                : Optional.empty();
        boolean isArray = own.filter(type -> type instanceof ArrayType array && array.getComponentType().getKind()
                .isPrimitive()).isPresent();
        boolean isCollection = own.filter(type -> type instanceof DeclaredType
                && code.isKind(type, code.elements().getTypeElement("java.util.Collection").asType())).isPresent();
        Range argument = isOfMath ? code.range(tree.getArguments().get(0)) : new Range(0, 0);
        if (isArray) {
            String sort = NamedTypes.shown(((ArrayType) own.get()).getComponentType());
            String get;
            if (sort.equals("long")) {
                get = "getAsLong";
            } else if (sort.equals("double")) {
                get = "getAsDouble";
            } else {
                get = "getAsInt";
            }
            return Optional.of(Fix.of("ask the stream of the array",
                    edits -> edits.replace(tree, to -> to.write(edits.types()
                    .name(code.elements().getTypeElement("java.util.Arrays")) + ".stream(").carry(argument)
                    .write(")." + name + "()." + get + "()"))));
        }
        return isCollection ? Optional.of(Fix.of("use 'Collections." + name + "'",
                edits -> edits.replace(tree, to -> to.write(edits.types()
                .name(code.elements().getTypeElement("java.util.Collections")) + "." + name + "(").carry(argument)
                .write(")")))) : Optional.empty();
    }

    /** Objects made of numbers, and numbers that are collected as objects. */
    private static Optional<Fix> ofNumbers(String name, Range written, ErrorSite site) {
        if (name.equals("map") && site.error().message().contains("lambda")) {
            return Optional.of(Fix.of("call 'mapToObj'", edits -> edits.replace(written, "mapToObj")));
        }
        return name.equals("collect") ? Optional
                .of(Fix.of("box the numbers", edits -> edits.insert(written.start() - 1, ".boxed()")))
                : Optional.empty();
    }

    private static Optional<TypeElement> receiver(TreePath call, AttributedFile code) {
        MemberSelectTree select = (MemberSelectTree) ((MethodInvocationTree) call.getLeaf()).getMethodSelect();
        return code.type(new TreePath(new TreePath(call, select), select.getExpression()))
                .filter(type -> type instanceof DeclaredType)
                .map(type -> (TypeElement) ((DeclaredType) type).asElement());
    }

    private static boolean isKin(String name, String other) {
        return !other.equals(name) && (other.startsWith(name) || name.startsWith(other));
    }

    private static boolean takes(ExecutableElement method, TreePath call, AttributedFile code) {
        List<TreePath> arguments = ((MethodInvocationTree) call.getLeaf()).getArguments().stream()
                .map(argument -> new TreePath(call, argument)).toList();
        return method.getParameters().size() == arguments.size() && IntStream.range(0, arguments.size()).allMatch(i -> {
            TypeMirror wanted = code.types().erasure(method.getParameters().get(i).asType());
            return Stream.of(arguments.get(i)).flatMap(path -> code.type(path).stream())
                    .anyMatch(own -> code.types().isAssignable(own, wanted));
        });
    }
}
