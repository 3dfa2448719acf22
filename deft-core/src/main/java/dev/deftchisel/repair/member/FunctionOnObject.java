package dev.deftchisel.repair.member;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** {@code length(name)}: what other languages have as functions are methods of the first argument (JLS 15.12.1). */
public final class FunctionOnObject implements Repair {

    private static final Set<String> SIZES = Set.of("len", "length", "size", "count", "strlen", "sizeof");

    @Override
    public Set<String> codes() {
        return Set.of("cant.resolve.location.args", "cant.resolve.args");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.around().stream()
                .filter(path -> path.getLeaf() instanceof MethodInvocationTree call
                && call.getMethodSelect() instanceof IdentifierTree name && code.range(name)
                .encloses(site.error().range())).findFirst();
        if (found.isEmpty() || ((MethodInvocationTree) found.get().getLeaf()).getArguments().isEmpty()) {
            return List.of();
        }
        MethodInvocationTree call = (MethodInvocationTree) found.get().getLeaf();
        String name = ((IdentifierTree) call.getMethodSelect()).getName().toString();
        TreePath first = new TreePath(found.get(), call.getArguments().get(0));
        Optional<TypeMirror> type = code.type(first);
        List<Fix> fixes = new ArrayList<>();
        if (type.filter(known -> known instanceof ArrayType).isPresent() && SIZES.contains(name) && call.getArguments()
                .size() == 1) {
            fixes.add(write(found.get(), "length", code));
        }
        type.filter(known -> known instanceof DeclaredType)
                .map(known -> (TypeElement) ((DeclaredType) known).asElement())
                .flatMap(known -> method(known, name, call.getArguments().size() - 1, code))
                .ifPresent(method -> fixes.add(write(found.get(), method, code)));
        return fixes;
    }

    private static Optional<String> method(TypeElement type, String name, int arguments, AttributedFile code) {
        List<String> names = SIZES.contains(name) ? List.of("size", "length") : List.of(name);
        return ElementFilter.methodsIn(code.elements().getAllMembers(type)).stream()
                .filter(method -> method.getParameters().size() == arguments)
                .map(method -> method.getSimpleName().toString())
                .filter(one -> names.stream().anyMatch(one::equalsIgnoreCase)).findFirst();
    }

    /** The first argument, a dot, and the rest. */
    private static Fix write(TreePath path, String method, AttributedFile code) {
        MethodInvocationTree call = (MethodInvocationTree) path.getLeaf();
        Range first = code.range(call.getArguments().get(0));
        boolean isGrouped = Precedence.needsParenthesesBeforeDot(call.getArguments().get(0));
        boolean isField = method.equals("length") && code.type(new TreePath(path, call.getArguments().get(0)))
                .filter(type -> type instanceof ArrayType).isPresent();
        return Fix.of("write '" + code.shown(first, 30) + "." + method + (isField ? "'" : "()'"),
                edits -> edits.replace(call, to -> {
            to.write(isGrouped ? "(" : "").carry(first)
                    .write((isGrouped ? ")" : "") + "." + method + (isField ? "" : "("));
            if (call.getArguments().size() > 1) {
                to.carry(new Range(code.range(call.getArguments().get(1))
                        .start(), code.range(call.getArguments().get(call.getArguments().size() - 1)).end()));
            }
            to.write(isField ? "" : ")");
        }));
    }
}
