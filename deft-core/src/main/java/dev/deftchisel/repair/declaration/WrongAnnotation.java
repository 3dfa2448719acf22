package dev.deftchisel.repair.declaration;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Annotations with values they do not have or that are no constants, and what an annotation type is declared as (JLS
 * 9.6, 9.7).
 */
public final class WrongAnnotation implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("cant.resolve.location.args", "annotation.type.not.applicable",
                "annotation.type.not.applicable.to.type", "attribute.value.must.be.constant",
                "not.annotation.type");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        return switch (site.id()) {
            case "cant.resolve.location.args" -> values(site);
            case "attribute.value.must.be.constant" -> constant(site);
            case "not.annotation.type" -> site.nearest(AnnotationTree.class)
                    .map(path -> new TreePath(path, ((AnnotationTree) path.getLeaf()).getAnnotationType()))
                    .flatMap(site::declaration).map(path -> declared(path, site.code())).orElse(List.of());
            default -> ofAnnotations(site);
        };
    }

    /** {@code @Deprecated("old")}, where there is nothing to say. */
    private static List<Fix> values(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.nearest(AnnotationTree.class);
        boolean hasNone = found.flatMap(path -> code
                .element(new TreePath(path, ((AnnotationTree) path.getLeaf()).getAnnotationType())))
                .filter(type -> type instanceof TypeElement && type.getEnclosedElements().stream()
                        .noneMatch(member -> member.getSimpleName().contentEquals("value"))).isPresent();
        if (!hasNone) {
            return List.of();
        }
        AnnotationTree annotation = (AnnotationTree) found.get().getLeaf();
        return List.of(Fix.of("leave the value out",
                edits -> edits.cut(new Range(code.range(annotation.getAnnotationType()).end(), code.range(annotation)
                        .end()))));
    }

    /** An annotation for annotation types on an interface: {@code @interface} is meant. */
    private static List<Fix> ofAnnotations(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> annotation = site.nearest(AnnotationTree.class);
        boolean isMeta = annotation.map(path -> code.text(((AnnotationTree) path.getLeaf()).getAnnotationType()))
                .filter(name -> Set.of("Retention", "Target",
                "Inherited", "Repeatable", "Documented").contains(name.replaceFirst(".*\\.", ""))).isPresent();
        return isMeta ? site.nearest(ClassTree.class).map(path -> declared(path, code)).orElse(List.of()) : List.of();
    }

    private static List<Fix> declared(TreePath type, AttributedFile code) {
        if (!(type.getLeaf() instanceof ClassTree tree) || tree.getKind() != Tree.Kind.INTERFACE) {
            return List.of();
        }
        return ModifierWords.find(code, code.range(tree), "interface").map(word -> List.of(Fix.of("write '@interface'",
                edits -> edits.replace(word, "@interface")))).orElse(List.of());
    }

    /** A variable that never changes becomes a constant (JLS 4.12.4, 15.29). */
    private static List<Fix> constant(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> name = site.around().stream()
                .filter(path -> path.getLeaf() instanceof IdentifierTree || path.getLeaf() instanceof MemberSelectTree)
                .filter(path -> path.getLeaf() instanceof ExpressionTree).findFirst();
        return name.flatMap(site::declaration).filter(path -> path.getLeaf() instanceof VariableTree variable
                && variable.getInitializer() != null)
                .map(path -> {
                    Set<Modifier> flags = ((VariableTree) path.getLeaf()).getModifiers().getFlags();
                    boolean isField = code.element(path).filter(element -> element.getKind() == ElementKind.FIELD)
                            .isPresent();
                    List<String> words = new ArrayList<>();
                    if (isField && !flags.contains(Modifier.STATIC)) {
                        words.add("static");
                    }
                    if (!flags.contains(Modifier.FINAL)) {
                        words.add("final");
                    }
                    return words.isEmpty() ? List.<Fix>of() : List
                            .of(Fix.of("make '" + ((VariableTree) path.getLeaf()).getName() + "' a constant",
                            edits -> ModifierWords.add(edits, path.getLeaf(), String.join(" ", words))));
                }).orElse(List.of());
    }
}
