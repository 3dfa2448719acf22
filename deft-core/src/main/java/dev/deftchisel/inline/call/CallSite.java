package dev.deftchisel.inline.call;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * One call of a method that is to give way to what the method does.
 *
 * @param code   the file of the call
 * @param path   the call
 * @param callee the method
 * @param object what it is called on, where that is written and is an object
 * @param passed the arguments
 * @param ways   what becomes of each of them
 */
public record CallSite(AttributedFile code, TreePath path, Callee callee, Optional<ArgumentBinding> object,
        List<ArgumentBinding> passed, Map<ArgumentBinding, ArgumentBinding.ArgumentStrategy> ways) {

    public static CallSite of(Analysis analysis, AttributedFile code, TreePath path, Callee callee) {
        MethodInvocationTree tree = (MethodInvocationTree) path.getLeaf();
        Optional<ArgumentBinding> object = object(code, path, tree, callee);
        List<ArgumentBinding> handed = handed(code, path, tree, callee);
        CallSite bare = new CallSite(code, path, callee, object, handed, Map.of());
        CallSite site = new CallSite(code, path, bare.shaped(), object, handed, Map.of());
        Map<ArgumentBinding, ArgumentBinding.ArgumentStrategy> ways = new HashMap<>();
        site.all().forEach(one -> ways.put(one, site.way(analysis, one)));
        CallSite complete = new CallSite(code, path, site.callee(), object, handed, ways);
        complete.keepOrder();
        return complete;
    }

    /** What would be evaluated after something that comes after it in the call gets a variable of its own. */
    private void keepOrder() {
        for (Optional<ArgumentBinding> first = turned(); first.isPresent(); first = turned()) {
            ways.put(first.get(), ArgumentBinding.ArgumentStrategy.VARIABLE);
        }
    }

    /**
     * What would be evaluated too late: what is written where the body needs it is evaluated after the variables, and
     * in the order of its uses.
     */
    private Optional<ArgumentBinding> turned() {
        List<ArgumentBinding> all = all();
        return IntStream.range(0, all.size()).boxed()
                .filter(i -> way(all.get(i)) == ArgumentBinding.ArgumentStrategy.WRITTEN)
                .filter(i -> all.subList(i + 1, all.size()).stream().anyMatch(later -> isTurned(all.get(i), later)))
                .map(all::get).findFirst();
    }

    private boolean isTurned(ArgumentBinding one, ArgumentBinding later) {
        return (way(later) == ArgumentBinding.ArgumentStrategy.VARIABLE
                || way(later) == ArgumentBinding.ArgumentStrategy.WRITTEN && start(later) < start(one))
                && !one.commutesWith(later, code);
    }

    private int start(ArgumentBinding one) {
        return callee.code().range(one.uses().get(0).getLeaf()).start();
    }

    private static List<ArgumentBinding> handed(AttributedFile code, TreePath path, MethodInvocationTree tree,
            Callee callee) {
        List<Occurrence> occurrences = callee.code().occurrences(callee.body());
        Optional<ExecutableType> types = type(code, path);
        List<? extends VariableElement> parameters = callee.element().getParameters();
        List<TreePath> arguments = tree.getArguments().stream().map(argument -> new TreePath(path, argument)).toList();
        boolean isPacked = callee.element().isVarArgs() && !isHandedAsArray(code, arguments, parameters);
        List<ArgumentBinding> handed = new ArrayList<>();
        for (int i = 0; i < parameters.size(); i++) {
            int index = i;
            VariableElement parameter = parameters.get(i);
            List<Occurrence> own = occurrences.stream()
                    .filter(one -> one.variable().equals(parameter) && one.access() != Occurrence.Access.DECLARED)
                    .toList();
            boolean isRest = isPacked && i == parameters.size() - 1;
            handed.add(new ArgumentBinding(Optional.of(parameter.getSimpleName().toString()),
                    isRest ? arguments.subList(i, arguments.size()) : List.of(arguments.get(i)), isRest,
                    types.map(type -> (TypeMirror) type.getParameterTypes().get(index)).orElse(parameter.asType()),
                    parameter.asType(),
                    own.stream().map(Occurrence::path).toList(), own.stream().anyMatch(Occurrence::isWritten)));
        }
        return handed;
    }

    /** Whether the last argument is the array itself (JLS 15.12.2.2). */
    private static boolean isHandedAsArray(AttributedFile code, List<TreePath> arguments,
            List<? extends VariableElement> parameters) {
        if (arguments.size() != parameters.size()) {
            return false;
        }
        TreePath last = arguments.get(arguments.size() - 1);
        TypeMirror array = code.types().erasure(parameters.get(parameters.size() - 1).asType());
        return code.type(last).filter(type -> type.getKind() == TypeKind.NULL
                || code.types().isSubtype(code.types().erasure(type), array)).isPresent();
    }

    /** The method in the shape that suits the place of the call. */
    private Callee shaped() {
        CallContext place = new CallContext(this);
        boolean isHandedOn = callee.shape() instanceof Callee.ConditionalValue && place.isLast();
        if (isHandedOn) {
            return callee.asStatements();
        }
        boolean hasManyExits = callee.shape() instanceof Callee.SeveralExits && !place.isLast();
        return hasManyExits ? SingleExit.of(callee).map(callee::as).orElse(callee) : callee;
    }

    /** The type of the method with the type arguments of the call (JLS 15.12.2.6). */
    private static Optional<ExecutableType> type(AttributedFile code, TreePath path) {
        return code.type(new TreePath(path, ((MethodInvocationTree) path.getLeaf()).getMethodSelect()))
                .filter(type -> type instanceof ExecutableType)
                .map(type -> (ExecutableType) type);
    }

    /** What the call gives, with its type arguments. */
    TypeMirror result() {
        return type(code, path).map(ExecutableType::getReturnType).orElse(callee.element().getReturnType());
    }

    /** What the type parameters stand for here. */
    CallTypeArguments typeArguments() {
        return new CallTypeArguments(callee.element(), type(code, path), object.map(ArgumentBinding::declared));
    }

    private static Optional<ArgumentBinding> object(AttributedFile code, TreePath path, MethodInvocationTree tree,
            Callee callee) {
        if (callee.isStatic() || !(tree.getMethodSelect() instanceof MemberSelectTree select)
                || select.getExpression() instanceof IdentifierTree name && name.getName().contentEquals("super")) {
            return Optional.empty();
        }
        TreePath object = new TreePath(new TreePath(path, select), select.getExpression());
        return Optional.of(ArgumentBinding.one(Optional.empty(), object,
                code.type(object).orElse(callee.owner().asType()), callee.owner().asType(), usesOfThis(callee), false));
    }

    /** Where the body needs its object: {@code this}, and members by their simple names. */
    private static List<TreePath> usesOfThis(Callee callee) {
        AttributedFile code = callee.code();
        List<TreePath> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                code.element(getCurrentPath())
                        .filter(element -> element.getKind().isField() || element.getKind() == ElementKind.METHOD)
                        .filter(element -> !element.getModifiers().contains(Modifier.STATIC) && code.find(tree)
                                .isPresent())
                        .ifPresent(element -> found.add(getCurrentPath()));
                return null;
            }
        }.scan(callee.body(), null);
        return List.copyOf(found);
    }

    MethodInvocationTree tree() {
        return (MethodInvocationTree) path.getLeaf();
    }

    /** Object and arguments, in the order in which they are evaluated. */
    List<ArgumentBinding> all() {
        List<ArgumentBinding> all = new ArrayList<>(object.stream().toList());
        all.addAll(passed);
        return all;
    }

    /** What becomes of one of them. */
    ArgumentBinding.ArgumentStrategy way(ArgumentBinding one) {
        return ways.get(one);
    }

    private ArgumentBinding.ArgumentStrategy way(Analysis analysis, ArgumentBinding one) {
        ArgumentBinding.ArgumentStrategy way = one.isSet() && isSpent(one) ? ArgumentBinding.ArgumentStrategy.WRITTEN
                : one.way(analysis, code, callee, all());
        // arguments are evaluated before a null that is called on is found (JLS 15.12.4.4), the body finds it earlier
        boolean isBeforeNull = one.name().isPresent() && object.filter(own -> !own.isNeverNull()).isPresent()
                && !one.effects(code).isPure();
        return way == ArgumentBinding.ArgumentStrategy.WRITTEN && isBeforeNull
                ? ArgumentBinding.ArgumentStrategy.VARIABLE : way;
    }

    /** Whether an argument is a variable that nobody needs after the call, so that the method may change it. */
    private boolean isSpent(ArgumentBinding one) {
        Optional<VariableElement> variable = one.single().filter(value -> one.isName()).flatMap(code::element)
                .filter(element -> element instanceof VariableElement && !element.getKind().isField()
                        && !element.getModifiers().contains(Modifier.FINAL)
                        && code.types().isSameType(element.asType(), one.declared()))
                .map(element -> (VariableElement) element);
        if (variable.isEmpty()) {
            return false;
        }
        List<Occurrence> all = code.occurrences(wholeMember()).stream()
                .filter(found -> found.variable().equals(variable.get())).toList();
        int end = range().end();
        boolean isUsedBehind = all.stream().anyMatch(found -> found.offset() >= end);
        boolean isAnotherArgument = all.stream().filter(found -> range().contains(found.offset())).count() > 1;
        int declared = all.isEmpty() ? 0 : all.get(0).offset();
        boolean isRepeated = TreePaths.leadsThrough(path, null,
                tree -> (Jumps.isLoop(tree) || TreePaths.runsApart(tree))
                && code.range(tree).start() > declared);
        boolean isCaptured = all.stream().anyMatch(found -> TreePaths.leadsThrough(found.path(), null,
                tree -> TreePaths.runsApart(tree) && code.range(tree).start() > declared));
        return !isUsedBehind && !isRepeated && !isAnotherArgument && !isCaptured;
    }

    List<ArgumentBinding> variables() {
        return all().stream().filter(one -> way(one) == ArgumentBinding.ArgumentStrategy.VARIABLE).toList();
    }

    /** The member of a class that the call stands in. */
    public TreePath wholeMember() {
        TreePath member = path;
        for (TreePath at = path; at.getParentPath() != null; at = at.getParentPath()) {
            boolean isMember = at.getParentPath().getLeaf() instanceof ClassTree
                    && (at.getLeaf() instanceof MethodTree || at.getLeaf() instanceof VariableTree
                            || at.getLeaf() instanceof BlockTree);
            member = isMember ? at : member;
        }
        return member;
    }

    Range range() {
        return code.range(path.getLeaf());
    }

    Optional<Reason> reason(String sentence) {
        return Optional.of(Reason.at(code.file().path(), range(), sentence));
    }
}
