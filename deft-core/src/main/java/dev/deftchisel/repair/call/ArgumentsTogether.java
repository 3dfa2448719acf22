package dev.deftchisel.repair.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/** {@code sum(1, 2, 3)} for a method that takes one list or array: the values are put into one. */
public final class ArgumentsTogether implements Repair {

    private static final Set<String> LISTS = Set.of("java.util.List", "java.util.Collection", "java.lang.Iterable",
            "java.util.Set");

    @Override
    public Set<String> codes() {
        return Set.of("cant.apply.symbol", "prob.found.req");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> call = site.around().stream().filter(path -> (path.getLeaf() instanceof MethodInvocationTree
                || path.getLeaf() instanceof NewClassTree) && !Calls.arguments(path.getLeaf()).isEmpty()).findFirst();
        if (call.isEmpty()) {
            return List.of();
        }
        List<? extends ExpressionTree> arguments = Calls.arguments(call.get().getLeaf());
        Range all = new Range(code.range(arguments.get(0)).start(), code.range(arguments.get(arguments.size() - 1))
                .end());
        List<Fix> fixes = new ArrayList<>();
        if (call.get().getLeaf() instanceof MethodInvocationTree tree && !tree.getTypeArguments().isEmpty()) {
            Range written = new Range(code.range(tree.getTypeArguments().get(0))
                    .start(), code.range(tree.getTypeArguments().get(tree.getTypeArguments().size() - 1)).end());
            fixes.add(Fix.of("leave out the type arguments",
                    edits -> edits.cut(new Range(code.tokens()
                            .start(code.tokens().codeBefore(code.tokens().at(written.start()) - 1)),
                    code.tokens().end(code.tokens().code(code.tokens().at(written.end() - 1) + 1))))));
        }
        if (call.get().getLeaf() instanceof MethodInvocationTree tree && arguments.size() > 1
                && tree.getMethodSelect() instanceof MemberSelectTree select
                && select.getIdentifier().contentEquals("add")
                && code.type(new TreePath(new TreePath(call.get(), select), select.getExpression()))
                .filter(type -> code.isKind(type, code.elements().getTypeElement("java.util.Collection").asType()))
                .isPresent()) {
            fixes.add(Fix.of("add all", edits -> {
                edits.insert(code.range(select).end(), "All");
                edits.replace(all, to -> to.write(edits.types().name(code.elements().getTypeElement("java.util.List"))
                        + ".of(").carry(all).write(")"));
            }));
        }
        new CallCandidates(code, call.get()).all().stream().filter(method -> method.getParameters().size() == 1)
                .flatMap(method -> element(call.get(), method, code)
                        .filter(type -> arguments.stream()
                                .allMatch(argument -> code.type(new TreePath(call.get(), argument))
                        .filter(own -> code.types().isAssignable(own, type)).isPresent()))
                        .map(type -> together(method, type, all, code)).stream()).forEach(fixes::add);
        return fixes;
    }

    private static Optional<TypeMirror> element(TreePath call, ExecutableElement method, AttributedFile code) {
        TypeMirror wanted = new CallCandidates(code, call).formals(method).get(0);
        if (wanted instanceof ArrayType array) {
            return Optional.of(array.getComponentType());
        }
        return wanted instanceof DeclaredType type
                && LISTS.contains(((TypeElement) type.asElement()).getQualifiedName().toString())
                && type.getTypeArguments().size() == 1 ? Optional.of(type.getTypeArguments().get(0)) : Optional.empty();
    }

    private static Fix together(ExecutableElement method, TypeMirror element, Range all, AttributedFile code) {
        TypeMirror wanted = method.getParameters().get(0).asType();
        if (wanted instanceof ArrayType) {
            return Fix.of("pass them in an array", edits -> edits.replace(all,
                    to -> to.write("new " + edits.types().write(code.types().erasure(element)).orElse("Object")
                    + "[] {").carry(all).write("}")));
        }
        String name = ((TypeElement) ((DeclaredType) wanted).asElement()).getQualifiedName()
                .contentEquals("java.util.Set") ? "java.util.Set" : "java.util.List";
        return Fix.of("pass them in a " + (name.endsWith("Set") ? "set" : "list"), edits -> edits.replace(all, to -> to
                .write(edits.types().name(code.elements().getTypeElement(name)) + ".of(").carry(all).write(")")));
    }
}
