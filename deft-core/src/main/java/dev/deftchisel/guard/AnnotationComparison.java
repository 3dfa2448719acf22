package dev.deftchisel.guard;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.PlaceAfter;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import javax.lang.model.element.AnnotationMirror;
import javax.lang.model.element.AnnotationValue;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.util.Elements;

/**
 * Compares what annotations say where the default of an element becomes another: each has the same values as before,
 * said or by default (JLS 9.6.2).
 */
final class AnnotationComparison {

    private final Analysis before;
    private final Analysis after;
    private final Change change;
    private final Mapping mapping;

    AnnotationComparison(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.change = change;
        this.mapping = change.mapping();
    }

    List<Difference> differences() {
        Set<SymbolKey> types = change.meaning().rewritten().stream().filter(this::isElement)
                .map(key -> ((SymbolKey.Method) key).owner()).collect(Collectors.toSet());
        List<Difference> differences = new ArrayList<>();
        for (SymbolKey type : types) {
            String name = before.symbol(type).map(Symbol::name).orElse("");
            before.snapshot().mentioning(Set.of(name)).stream().map(SourceFile::path)
                    .filter(file -> !before.focus().files().contains(file))
                    .forEach(file -> differences.add(told(file, new Range(0, 0),
                            "this file mentions the annotation but was not analysed; that is a fault of deft")));
            before.uses(type).stream().filter(use -> use.role().isUse() && !isSame(use)).forEach(use ->
                    differences.add(told(use.file(), use.range(),
                            "this annotation would not say the same, or that cannot be seen")));
        }
        return differences;
    }

    /** Whether the default of an element of an annotation is announced to become another. */
    private boolean isElement(SymbolKey key) {
        return before.known(key).map(Analysis.KnownElement::element)
                .filter(element -> element instanceof ExecutableElement
                        && element.getEnclosingElement().getKind() == ElementKind.ANNOTATION_TYPE).isPresent();
    }

    private static Difference told(Path file, Range range, String sentence) {
        return new Difference(Difference.Kind.UNPROVEN, file, range, Optional.empty(), Optional.empty(), sentence);
    }

    private boolean isSame(Binding use) {
        Optional<AttributedFile> code = before.code(use.file());
        Optional<TreePath> annotation = code.flatMap(file -> file.around(use.range()).stream()
                .filter(path -> path.getLeaf() instanceof AnnotationTree tree
                        && file.range(tree.getAnnotationType()).encloses(use.range())).findFirst());
        if (annotation.isEmpty()) {
            // the type itself is named, as of a variable that holds such an annotation
            return true;
        }
        Optional<TreePath> declared = declaration(annotation.get());
        Optional<Range> name = declared.flatMap(path -> code.get().findName(path.getLeaf()));
        List<PlaceAfter> sites = name.map(range -> mapping.sites(use.file(), range)).orElse(List.of());
        List<String> said = declared.flatMap(path -> code.get().element(path))
                .map(element -> says(element, code.get().elements(), this::newName)).orElse(List.of());
        return !said.isEmpty() && !sites.isEmpty() && sites.stream().allMatch(site -> after.code(site.file())
                .flatMap(file -> file.declaration(site.range()).flatMap(file::element).map(now -> says(now,
                        file.elements(), member -> member.getSimpleName().toString()))).filter(said::equals)
                .isPresent());
    }

    /** What is annotated, around all annotations that one may stand in; empty for one of a type or package. */
    private static Optional<TreePath> declaration(TreePath annotation) {
        TreePath at = annotation;
        while (at.getLeaf() instanceof AnnotationTree || at.getLeaf() instanceof AssignmentTree
                || at.getLeaf() instanceof NewArrayTree || at.getLeaf() instanceof ModifiersTree) {
            at = at.getParentPath();
        }
        Tree tree = at.getLeaf();
        return tree instanceof ClassTree || tree instanceof MethodTree || tree instanceof VariableTree
                ? Optional.of(at) : Optional.empty();
    }

    private String newName(ExecutableElement member) {
        return mapping.key(before.key(member)) instanceof SymbolKey.Method method ? method.name()
                : member.getSimpleName().toString();
    }

    /** All annotations of something, each with all its values. */
    private static List<String> says(Element element, Elements elements, Function<ExecutableElement, String> name) {
        List<AnnotationMirror> all = new ArrayList<>(element.getAnnotationMirrors());
        all.addAll(element.asType().getAnnotationMirrors());
        return all.stream().map(annotation -> says(annotation, elements, name)).toList();
    }

    private static String says(AnnotationMirror annotation, Elements elements,
            Function<ExecutableElement, String> name) {
        Map<String, String> values = new TreeMap<>();
        elements.getElementValuesWithDefaults(annotation).forEach((member, value) -> values.put(name.apply(member),
                says(value, elements, name)));
        return "@" + annotation.getAnnotationType() + values;
    }

    private static String says(AnnotationValue value, Elements elements, Function<ExecutableElement, String> name) {
        if (value.getValue() instanceof AnnotationMirror annotation) {
            return says(annotation, elements, name);
        } else if (value.getValue() instanceof List<?> values) {
            return values.stream().map(one -> says((AnnotationValue) one, elements, name)).toList().toString();
        }
        return value.toString();
    }
}
