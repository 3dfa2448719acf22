package dev.deftchisel.rule.idiom;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.problem.About;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.Survey;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** A method that overrides another and does not say so (JLS 9.6.4.4). */
public final class MissingOverride implements Rule {

    @Override
    public About about() {
        return About.of("missing-override", Tag.IDIOM, "A method overrides another without saying so")
                .because("With @Override the compiler tells when the other one changes its name or parameters.")
                .example("""
                        class Berth implements Runnable {
                            public void run() {
                            }

                            /** Its name. */
                            public String toString() {
                                return "berth";
                            }
                        }
                        """, """
                        class Berth implements Runnable {
                            @Override
                            public void run() {
                            }

                            /** Its name. */
                            @Override
                            public String toString() {
                                return "berth";
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            static void run() {
                            }

                            public String toString(int width) {
                                return "berth";
                            }

                            boolean equals(Berth other) {
                                return other == this;
                            }
                        }
                        """)
                .doing(Effect.SAME_CLASSES);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD);
    }

    @Override
    public void look(TreePath path, Survey survey) {
        MethodTree method = (MethodTree) path.getLeaf();
        Code code = survey.code();
        boolean mayOverride = method.getReturnType() != null && path.getParentPath().getLeaf().getKind() != Tree.Kind.RECORD
                && !method.getModifiers().getFlags().contains(Modifier.STATIC)
                && !method.getModifiers().getFlags().contains(Modifier.PRIVATE)
                && method.getModifiers().getAnnotations().stream()
                        .noneMatch(annotation -> annotation.getAnnotationType().toString().endsWith("Override"));
        Optional<Element> element = mayOverride ? code.element(path) : Optional.empty();
        if (element.isPresent() && element.get().getEnclosingElement() instanceof TypeElement type
                && overrides((ExecutableElement) element.get(), type, type, code, new HashSet<>())) {
            Range all = code.range(method);
            survey.report(name(method, code), "'" + method.getName() + "' overrides another method", Fix.of("add '@Override'",
                    edits -> edits.insert(all.start(), "@Override" + Layout.of(code.file()).lineEnd()
                            + Layout.indentOf(code.file(), all.start()))));
        }
    }

    private static boolean overrides(ExecutableElement method, TypeElement type, TypeElement at, Code code, Set<TypeElement> seen) {
        for (TypeMirror above : code.types().directSupertypes(at.asType())) {
            TypeElement element = (TypeElement) ((DeclaredType) above).asElement();
            if (seen.add(element) && (ElementFilter.methodsIn(element.getEnclosedElements()).stream()
                    .anyMatch(other -> other.getSimpleName().equals(method.getSimpleName())
                            && code.elements().overrides(method, other, type))
                    || overrides(method, type, element, code, seen))) {
                return true;
            }
        }
        return false;
    }

    private static Range name(MethodTree method, Code code) {
        int name = code.tokens().code(code.tokens().at(code.range(method.getReturnType()).end()));
        return code.tokens().range(name);
    }
}
