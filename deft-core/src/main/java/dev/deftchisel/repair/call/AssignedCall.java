package dev.deftchisel.repair.call;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** {@code depths.get(0) = 4}: only a variable can be assigned (JLS 15.26); what a call gives is set by another call. */
public final class AssignedCall implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("unexpected.type", "try.with.resources.expr.needs.var");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.around().stream().filter(path -> path.getLeaf() instanceof AssignmentTree
                || path.getLeaf() instanceof CompoundAssignmentTree || isStep(path.getLeaf())).findFirst();
        if (found.isEmpty()) {
            return List.of();
        }
        TreePath path = found.get();
        if (site.id().startsWith("try") && path.getLeaf() instanceof AssignmentTree resource) {
            // a resource that is made in the header is declared there (JLS 14.20.3)
            return code.type(new TreePath(path, resource.getExpression()))
                    .map(type -> Fix.of("declare it", edits -> edits.insert(code.range(resource).start(),
                    edits.types().write(type).orElse("var") + " "))).stream().toList();
        }
        List<Fix> fixes = new ArrayList<>();
        if (path.getLeaf() instanceof AssignmentTree set) {
            call(new TreePath(path, set.getVariable()), code)
                    .ifPresent(call -> setter(call, code.type(new TreePath(path, set.getExpression())), code)
                    .ifPresent(name -> fixes.add(write(path, call, name, code.text(set.getExpression()), code))));
            if (set.getExpression() instanceof IdentifierTree && !(set.getVariable() instanceof MethodInvocationTree)) {
                fixes.add(Fix.of("turn the assignment round",
                        edits -> edits.replace(set, to -> to.carry(code.range(set.getExpression())).write(" = ")
                        .carry(code.range(set.getVariable())))));
            }
        } else if (path.getLeaf() instanceof CompoundAssignmentTree set) {
            Range between = new Range(code.range(set.getVariable()).end(), code.range(set.getExpression()).start());
            String sign = code.text(between).strip().replace("=", "");
            call(new TreePath(path, set.getVariable()), code)
                    .ifPresent(call -> setter(call, code.ownType(call), code).ifPresent(name -> fixes.add(
                    write(path, call, name, code.text(set.getVariable()) + " " + sign + " "
                            + code.text(set.getExpression()), code))));
        } else {
            UnaryTree step = (UnaryTree) path.getLeaf();
            boolean isUp = step.getKind() == Tree.Kind.POSTFIX_INCREMENT
                    || step.getKind() == Tree.Kind.PREFIX_INCREMENT;
            String value = code.text(step.getExpression()) + (isUp ? " + 1" : " - 1");
            if (path.getParentPath().getLeaf() instanceof ExpressionStatementTree) {
                call(new TreePath(path, step.getExpression()), code)
                        .ifPresent(call -> setter(call, code.ownType(call), code)
                        .ifPresent(name -> fixes.add(write(path, call, name, value, code))));
            } else {
                fixes.add(Fix.of("write '" + code.shown(code.range(step.getExpression()), 30)
                        + (isUp ? " + 1'" : " - 1'"),
                        edits -> edits.replace(code.range(step), value)));
            }
        }
        return fixes;
    }

    private static boolean isStep(Tree tree) {
        return Set.of(Tree.Kind.POSTFIX_INCREMENT, Tree.Kind.PREFIX_INCREMENT, Tree.Kind.POSTFIX_DECREMENT,
                Tree.Kind.PREFIX_DECREMENT)
                .contains(tree.getKind());
    }

    private static Optional<TreePath> call(TreePath path, AttributedFile code) {
        TreePath inner = TreePaths.inner(path);
        return inner.getLeaf() instanceof MethodInvocationTree ? Optional.of(inner) : Optional.empty();
    }

    private static Fix write(TreePath whole, TreePath call, String name, String value, AttributedFile code) {
        MethodInvocationTree tree = (MethodInvocationTree) call.getLeaf();
        String object = tree.getMethodSelect() instanceof MemberSelectTree select
                ? code.text(select.getExpression()) + "." : "";
        String arguments = Stream.concat(tree.getArguments().stream().map(code::text), Stream.of(value))
                .collect(Collectors.joining(", "));
        return Fix.of("call '" + name + "'", edits -> edits.replace(code.range(whole.getLeaf()), object + name + "("
                + arguments + ")"));
    }

    /** The method that sets what a call gives: it takes what the call takes, and the value. */
    private static Optional<String> setter(TreePath call, Optional<TypeMirror> value, AttributedFile code) {
        MethodInvocationTree tree = (MethodInvocationTree) call.getLeaf();
        String name = tree.getMethodSelect() instanceof MemberSelectTree select ? select.getIdentifier().toString()
                : tree.getMethodSelect().toString();
        String capital = Character.toUpperCase(name.charAt(0)) + name.substring(1);
        Optional<TypeElement> owner = tree.getMethodSelect() instanceof MemberSelectTree select
                ? code.type(new TreePath(new TreePath(call, select), select.getExpression()))
                .filter(type -> type instanceof DeclaredType)
                .map(type -> (TypeElement) ((DeclaredType) type).asElement()) : code.enclosingType(call);
        List<? extends ExpressionTree> arguments = tree.getArguments();
        List<String> names = List.of(name.replaceFirst("^(get|is)(?=[A-Z])", "set"), "put", "set", "set" + capital,
                name);
        return owner.flatMap(type -> names.stream()
                .filter(one -> ElementFilter.methodsIn(code.elements().getAllMembers(type)).stream()
                .anyMatch(method -> method.getSimpleName().contentEquals(one) && method.getParameters()
                        .size() == arguments.size() + 1
                        && value.map(own -> own.getKind() == TypeKind.ERROR
                                || mayTake(own, method.getParameters().get(arguments.size()).asType(), code))
                        .orElse(true))).findFirst());
    }

    private static boolean mayTake(TypeMirror own, TypeMirror wanted, AttributedFile code) {
        return wanted.getKind() == TypeKind.TYPEVAR || code.types().isAssignable(own, code.types().erasure(wanted))
                || own.getKind().isPrimitive() && wanted.getKind().isPrimitive();
    }
}
