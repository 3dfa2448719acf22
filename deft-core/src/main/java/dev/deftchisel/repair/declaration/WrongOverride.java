package dev.deftchisel.repair.declaration;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.repair.ResultType;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** Methods that override another in a way that is not allowed (JLS 8.4.8.3). */
public final class WrongOverride implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("override.weaker.access", "override.incompatible.ret", "override.static");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.nearest(MethodTree.class);
        Optional<ExecutableElement> own = found.flatMap(code::element)
                .filter(element -> element instanceof ExecutableElement)
                .map(element -> (ExecutableElement) element);
        if (own.isEmpty() || !(own.get().getEnclosingElement() instanceof TypeElement type)) {
            return List.of();
        }
        MethodTree method = (MethodTree) found.get().getLeaf();
        Optional<ExecutableElement> above = above(own.get(), type, code);
        if (site.error().code().endsWith("override.static")) {
            return List.of(Fix.of("let it be not static",
                    edits -> ModifierWords.remove(edits, code.range(method.getModifiers()),
                    "static")));
        } else if (above.isEmpty()) {
            return List.of();
        } else if (site.error().code().endsWith("override.incompatible.ret")) {
            TypeMirror result = ((ExecutableType) code.types().asMemberOf((DeclaredType) type.asType(), above.get()))
                    .getReturnType();
            return List.of(Fix.of("let it return " + result, edits -> ResultType.change(edits, found.get(), result)));
        } else if (site.error().code().endsWith("override.weaker.access")) {
            String word;
            if (above.get().getModifiers().contains(Modifier.PUBLIC)) {
                word = "public";
            } else if (above.get().getModifiers().contains(Modifier.PROTECTED)) {
                word = "protected";
            } else {
                word = "";
            }
            return word.isEmpty() ? List.of() : List.of(Fix.of("make it " + word, edits -> widen(edits, method, word)));
        }
        return List.of();
    }

    private static void widen(FixEdits edits, MethodTree method, String word) {
        AttributedFile code = edits.code();
        Optional<Range> written = code.find(method.getModifiers()).filter(range -> range.length() > 0).flatMap(range ->
                ModifierWords.find(code, range, "private").or(() -> ModifierWords.find(code, range, "protected")));
        if (written.isPresent()) {
            edits.replace(written.get(), word);
        } else {
            ModifierWords.add(edits, method, word);
        }
    }

    /** The nearest method above that one has the name and parameters of. */
    static Optional<ExecutableElement> above(ExecutableElement method, TypeElement type, AttributedFile code) {
        return Supertypes.of(type, code.types()).stream()
                .flatMap(above -> ElementFilter.methodsIn(above.getEnclosedElements()).stream())
                .filter(other -> other.getSimpleName().equals(method.getSimpleName())
                        && other.getParameters().size() == method.getParameters().size()
                        && code.types().isSubsignature((ExecutableType) method.asType(),
                                (ExecutableType) code.types().asMemberOf((DeclaredType) type.asType(), other)))
                .findFirst();
    }
}
