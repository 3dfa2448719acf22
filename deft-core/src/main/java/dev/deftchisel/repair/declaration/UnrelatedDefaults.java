package dev.deftchisel.repair.declaration;

import com.sun.source.tree.ClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.StatementLines;
import dev.deftchisel.rewrite.Layout;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.util.ElementFilter;

/**
 * Two interfaces with a default method of the same signature: the class says which of them it takes (JLS 8.4.8.4,
 * 9.4.1.3).
 */
public final class UnrelatedDefaults implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("types.incompatible");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> type = site.nearest(ClassTree.class);
        Optional<TypeElement> element = type.flatMap(code::element).map(found -> (TypeElement) found);
        if (element.isEmpty()) {
            return List.of();
        }
        List<ExecutableElement> all = Supertypes.of(element.get(), code.types()).stream()
                .filter(above -> above.getKind().isInterface())
                .flatMap(above -> ElementFilter.methodsIn(above.getEnclosedElements()).stream())
                .filter(ExecutableElement::isDefault).toList();
        List<Fix> fixes = new ArrayList<>();
        for (ExecutableElement method : all) {
            boolean isTwice = all.stream().anyMatch(other -> other != method
                    && isSame(method, other, element.get(), code));
            boolean isNamed = site.error().message().contains(" " + method.getSimpleName() + "(");
            if (isTwice && isNamed) {
                fixes.add(Fix.of("take that of '" + method.getEnclosingElement().getSimpleName() + "'",
                        edits -> override(edits, (ClassTree) type.get().getLeaf(), element.get(), method)));
            }
        }
        return fixes;
    }

    private static boolean isSame(ExecutableElement one, ExecutableElement other, TypeElement type,
            AttributedFile code) {
        return one.getSimpleName().equals(other.getSimpleName()) && one.getParameters().size() == other.getParameters()
                .size()
                && code.types().isSubsignature((ExecutableType) code.types()
                        .asMemberOf((DeclaredType) type.asType(), one),
                (ExecutableType) code.types().asMemberOf((DeclaredType) type.asType(), other));
    }

    private static void override(FixEdits edits, ClassTree type, TypeElement element, ExecutableElement method) {
        AttributedFile code = edits.code();
        Layout layout = Layout.of(code.file());
        ExecutableType own = (ExecutableType) code.types().asMemberOf((DeclaredType) element.asType(), method);
        String parameters = IntStream.range(0, own.getParameterTypes().size())
                .mapToObj(i -> edits.types().write(own.getParameterTypes().get(i)).orElse("Object")
                + " " + method.getParameters().get(i).getSimpleName()).collect(Collectors.joining(", "));
        String names = method.getParameters().stream().map(parameter -> parameter.getSimpleName().toString())
                .collect(Collectors.joining(", "));
        boolean isVoid = own.getReturnType().getKind() == TypeKind.VOID;
        String call = (isVoid ? "" : "return ") + edits.types().name((TypeElement) method.getEnclosingElement())
                + ".super." + method.getSimpleName() + "(" + names + ");";
        StatementLines.memberAtEnd(edits, type, List.of("@Override",
                "public " + (isVoid ? "void" : edits.types().write(own.getReturnType()).orElse("Object")) + " "
                + method.getSimpleName() + "(" + parameters + ") {", layout.unit() + call, "}"));
    }
}
