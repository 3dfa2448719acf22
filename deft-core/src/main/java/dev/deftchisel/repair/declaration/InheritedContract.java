package dev.deftchisel.repair.declaration;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Conversion;
import dev.deftchisel.repair.ModifierWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * A method and the one above it do not agree, and the one above is at fault: it does not declare an exception (JLS
 * 8.4.8.3), or it is private and so no method to override (JLS 8.4.8).
 */
public final class InheritedContract implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("override.meth.doesnt.throw", "method.does.not.override.superclass");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.nearest(MethodTree.class);
        Optional<ExecutableElement> own = found.flatMap(code::element)
                .filter(element -> element instanceof ExecutableElement).map(ExecutableElement.class::cast);
        if (own.isEmpty() || !(own.get().getEnclosingElement() instanceof TypeElement type)) {
            return List.of();
        }
        List<Fix> fixes = new ArrayList<>();
        for (TypeElement above : Supertypes.of(type, code.types())) {
            for (ExecutableElement method : ElementFilter.methodsIn(above.getEnclosedElements())) {
                boolean isSame = method.getSimpleName().equals(own.get().getSimpleName())
                        && code.types().isSubsignature((ExecutableType) own.get().asType(),
                        (ExecutableType) code.types().asMemberOf((DeclaredType) type.asType(), method));
                Optional<TreePath> declared = isSame ? site.context().names().declaration(method) : Optional.empty();
                declared.map(path -> (MethodTree) path.getLeaf()).flatMap(tree -> site.id().startsWith("override")
                        ? thrown(tree, method, own.get(), site) : opened(tree, method, above, site))
                        .ifPresent(fixes::add);
            }
        }
        return fixes;
    }

    /** The exceptions that the method above does not declare. */
    private static Optional<Fix> thrown(MethodTree above, ExecutableElement method, ExecutableElement own,
            ErrorSite site) {
        AttributedFile code = site.code();
        List<? extends TypeMirror> missing = own.getThrownTypes().stream()
                .filter(type -> method.getThrownTypes().stream()
                        .noneMatch(known -> code.types().isSubtype(type, known))).toList();
        boolean isThrown = site.nearest(MethodTree.class)
                .filter(path -> ((MethodTree) path.getLeaf()).getBody() != null)
                .map(path -> new TreePath(path, ((MethodTree) path.getLeaf()).getBody()))
                .filter(body -> code.thrown(List.of(body)).stream()
                        .anyMatch(type -> missing.stream().anyMatch(one -> code.types().isSubtype(type, one))))
                        .isPresent();
        String names = missing.stream().map(type -> Conversion.shown(type)).collect(Collectors.joining(", "));
        return missing.isEmpty() || !isThrown ? Optional.empty()
                : Optional.of(Fix.of("declare " + names + " in '" + method.getEnclosingElement()
                        .getSimpleName() + "', too", edits -> {
            String written = missing.stream().map(type -> edits.types().write(type).orElse("Exception"))
                    .collect(Collectors.joining(", "));
            if (above.getThrows().isEmpty()) {
                int close = code.tokens().at(above.getParameters().isEmpty() ? code.name(above).end()
                        : code.range(above.getParameters().get(above.getParameters().size() - 1)).end());
                while (!code.tokens().is(close, ")")) {
                    close++;
                }
                edits.insert(code.tokens().end(close), " throws " + written);
            } else {
                edits.insert(code.range(above.getThrows().get(above.getThrows().size() - 1)).end(), ", " + written);
            }
        }));
    }

    /** {@code private} goes from the method that is meant to be overridden. */
    private static Optional<Fix> opened(MethodTree above, ExecutableElement method, TypeElement type, ErrorSite site) {
        return method.getModifiers().contains(Modifier.PRIVATE)
                ? Optional.of(Fix.of("open '" + type.getSimpleName() + "." + method.getSimpleName() + "'",
                edits -> ModifierWords.remove(edits, site.code().range(above.getModifiers()), "private")))
                : Optional.empty();
    }
}
