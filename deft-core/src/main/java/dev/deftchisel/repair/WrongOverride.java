package dev.deftchisel.repair;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
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
        Code code = site.code();
        Optional<TreePath> found = site.nearest(MethodTree.class);
        Optional<ExecutableElement> own = found.flatMap(code::element).filter(element -> element instanceof ExecutableElement)
                .map(element -> (ExecutableElement) element);
        if (own.isEmpty() || !(own.get().getEnclosingElement() instanceof TypeElement type)) {
            return List.of();
        }
        MethodTree method = (MethodTree) found.get().getLeaf();
        Optional<ExecutableElement> above = above(type, own.get(), type, code);
        if (site.error().code().endsWith("override.static")) {
            return List.of(Fix.of("let it be not static", edits -> ModifierWords.remove(edits, code.range(method.getModifiers()),
                    "static")));
        } else if (above.isEmpty()) {
            return List.of();
        } else if (site.error().code().endsWith("override.incompatible.ret")) {
            TypeMirror result = ((ExecutableType) code.types().asMemberOf((DeclaredType) type.asType(), above.get())).getReturnType();
            return List.of(Fix.of("let it return " + result, edits -> ResultType.change(edits, found.get(), result)));
        } else if (site.error().code().endsWith("override.weaker.access")) {
            String word = above.get().getModifiers().contains(Modifier.PUBLIC) ? "public"
                    : above.get().getModifiers().contains(Modifier.PROTECTED) ? "protected" : "";
            return word.isEmpty() ? List.of() : List.of(Fix.of("make it " + word, edits -> widen(edits, method, word)));
        }
        return List.of();
    }

    private static void widen(FixEdits edits, MethodTree method, String word) {
        Code code = edits.code();
        Tokens tokens = code.tokens();
        Range modifiers = code.find(method.getModifiers()).orElse(new Range(0, 0));
        for (int i = tokens.code(tokens.at(modifiers.start())); modifiers.length() > 0 && i < tokens.count()
                && tokens.start(i) < modifiers.end(); i = tokens.code(i + 1)) {
            if (Set.of("private", "protected").contains(tokens.text(i))) {
                edits.replace(tokens.range(i), word);
                return;
            }
        }
        ModifierWords.add(edits, method, word);
    }

    /** The method in a type above that one has the parameters of. */
    static Optional<ExecutableElement> above(TypeElement at, ExecutableElement method, TypeElement type, Code code) {
        for (TypeMirror direct : code.types().directSupertypes(at.asType())) {
            TypeElement element = (TypeElement) ((DeclaredType) direct).asElement();
            Optional<ExecutableElement> found = ElementFilter.methodsIn(element.getEnclosedElements()).stream()
                    .filter(other -> other.getSimpleName().equals(method.getSimpleName())
                            && other.getParameters().size() == method.getParameters().size()
                            && code.types().isSubsignature((ExecutableType) method.asType(),
                                    (ExecutableType) code.types().asMemberOf((DeclaredType) type.asType(), other)))
                    .findFirst().or(() -> above(element, method, type, code));
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }
}
