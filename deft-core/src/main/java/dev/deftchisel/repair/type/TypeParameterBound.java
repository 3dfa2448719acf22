package dev.deftchisel.repair.type;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeParameterTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.FileTypes;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.util.ElementFilter;

/**
 * A member of a type parameter that says nothing of what it stands for: it gets a bound that has the member (JLS 4.4).
 */
public final class TypeParameterBound implements Repair {

    private static final List<String> USUAL = List.of("java.lang.Comparable", "java.lang.CharSequence",
            "java.lang.Number", "java.lang.Runnable",
            "java.lang.AutoCloseable", "java.util.Collection");

    private static final Map<Tree.Kind, String> ORDERS = Map.of(Tree.Kind.LESS_THAN, "<", Tree.Kind.LESS_THAN_EQUAL,
            "<=", Tree.Kind.GREATER_THAN, ">",
            Tree.Kind.GREATER_THAN_EQUAL, ">=");

    @Override
    public Set<String> codes() {
        return Set.of("cant.resolve.location.args", "cant.resolve.location", "operator.cant.be.applied.1");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        if (site.id().equals("operator.cant.be.applied.1")) {
            return site.nearest(BinaryTree.class).flatMap(path -> compared(path, code)).stream().toList();
        }
        Optional<TreePath> select = site.nearest(MemberSelectTree.class);
        Optional<TypeMirror> type = select.flatMap(
                path -> code.type(new TreePath(path, ((MemberSelectTree) path.getLeaf()).getExpression())));
        if (type.isEmpty() || !(type.get() instanceof TypeVariable variable)) {
            return List.of();
        }
        Optional<TypeParameterTree> declared = select
                .flatMap(path -> parameter(path, variable.asElement().getSimpleName().toString()));
        List<ExecutableElement> methods = methods(variable);
        String name = ((MemberSelectTree) select.get().getLeaf()).getIdentifier().toString();
        return declared.filter(tree -> tree.getBounds().isEmpty()).stream().flatMap(tree -> candidates(code)
                .filter(bound -> ElementFilter.methodsIn(code.elements().getAllMembers(bound)).stream()
                        .anyMatch(method -> method.getSimpleName().contentEquals(name)))
                .limit(2).map(bound -> Fix.of("let '" + tree.getName() + "' extend '" + bound.getSimpleName() + "'",
                        edits -> {
                    edits.insert(code.range(tree).end(), " extends " + edits.types()
                            .name(bound) + (bound.getTypeParameters().size() == 1
                            ? NamedTypes.is(bound.asType(), "java.lang.Comparable") ? "<" + tree.getName() + ">" : "<?>"
                            : ""));
                    methods.forEach(method -> redescribe(edits, method, variable, bound));
                }))).toList();
    }

    /**
     * {@code one > other} of a type parameter: what has an order says so, and is compared by it (java.lang.Comparable).
     */
    private static Optional<Fix> compared(TreePath path, AttributedFile code) {
        BinaryTree tree = (BinaryTree) path.getLeaf();
        String sign = ORDERS.getOrDefault(tree.getKind(), "");
        Optional<TypeVariable> variable = code.type(new TreePath(path, tree.getLeftOperand()))
                .filter(type -> type instanceof TypeVariable)
                .map(type -> (TypeVariable) type);
        TypeElement comparable = code.elements().getTypeElement("java.lang.Comparable");
        return variable.filter(type -> !sign.isEmpty())
                .flatMap(type -> parameter(path, type.asElement().getSimpleName().toString())
                .filter(declared -> declared.getBounds().isEmpty())
                .map(declared -> Fix.of("compare them as 'Comparable'", edits -> {
                    edits.insert(code.range(declared).end(), " extends " + edits.types()
                            .name(comparable) + "<" + declared.getName() + ">");
                    edits.replace(tree, to -> to.carry(code.range(tree.getLeftOperand())).write(".compareTo(")
                            .carry(code.range(tree.getRightOperand()))
                            .write(") " + sign + " 0"));
                    methods(type).forEach(method -> redescribe(edits, method, type, comparable));
                })));
    }

    private static List<ExecutableElement> methods(TypeVariable variable) {
        return variable.asElement().getEnclosingElement() instanceof ExecutableElement method ? List.of(method)
                : ElementFilter.methodsIn(variable.asElement().getEnclosingElement().getEnclosedElements());
    }

    /** A method is known by what its parameters are after erasure, which is the bound (JLS 4.6). */
    private static void redescribe(FixEdits edits, ExecutableElement method, TypeVariable variable, TypeElement bound) {
        AttributedFile code = edits.code();
        String parameters = method.getParameters().stream()
                .map(parameter -> erased(parameter.asType(), variable, bound, code))
                .collect(Collectors.joining("", "(", ")"));
        edits.redescribe(code.key(method), parameters + erased(method.getReturnType(), variable, bound, code));
    }

    private static String erased(TypeMirror type, TypeVariable variable, TypeElement bound, AttributedFile code) {
        if (type instanceof ArrayType array) {
            return "[" + erased(array.getComponentType(), variable, bound, code);
        }
        return code.types().isSameType(type, variable) ? code.descriptor(bound.asType()) : code.descriptor(type);
    }

    private static Optional<TypeParameterTree> parameter(TreePath path, String name) {
        return Stream.iterate(path, at -> at != null, TreePath::getParentPath).map(TreePath::getLeaf)
                .<TypeParameterTree>flatMap(tree -> tree instanceof MethodTree method ? method.getTypeParameters()
                        .stream()
                        : tree instanceof ClassTree owner ? owner.getTypeParameters().stream() : Stream.empty())
                .filter(tree -> tree.getName().contentEquals(name)).findFirst();
    }

    /** The types of the file, and what is usual. */
    private static Stream<TypeElement> candidates(AttributedFile code) {
        return Stream.concat(USUAL.stream().map(code.elements()::getTypeElement).filter(type -> type != null),
                FileTypes.of(code).stream());
    }
}
