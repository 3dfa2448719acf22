package dev.deftchisel.repair.call;

import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * {@code new LocalDate(2024, 3, 5)}: what cannot be made by a constructor of one's own choice, the type makes by a
 * static method (Bloch, Effective Java, item 1).
 */
public final class FactoryForConstructor implements Repair {

    /** The usual names, the likeliest first. */
    private static final List<String> NAMES = List.of("of", "valueOf", "getInstance", "from", "parse", "now", "create",
            "compile", "get", "ofNullable", "empty");
    private static final int MOST = 2;

    @Override
    public Set<String> codes() {
        return Set.of("report.access", "cant.apply.symbol", "cant.apply.symbols", "abstract.cant.be.instantiated",
                "not.def.public.cant.access");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.nearest(NewClassTree.class)
                .filter(path -> code.range(path.getLeaf()).start() == site.error().range().start()
                || code.range(path.getLeaf()).start() == site.error().whole().start());
        if (found.isEmpty() || code.find(((NewClassTree) found.get().getLeaf()).getIdentifier()).isEmpty()
                || ((NewClassTree) found.get().getLeaf()).getClassBody() != null) {
            return List.of();
        }
        NewClassTree made = (NewClassTree) found.get().getLeaf();
        TreePath written = new TreePath(found.get(), made.getIdentifier());
        Tree name = made.getIdentifier() instanceof ParameterizedTypeTree type ? type.getType() : made.getIdentifier();
        Optional<TypeElement> type = code.type(written).filter(known -> known instanceof DeclaredType)
                .map(known -> (TypeElement) ((DeclaredType) known).asElement());
        if (type.filter(known -> known.getKind().isInterface() && code.elements().getPackageOf(known).getQualifiedName()
                .contentEquals("java.util")).isPresent()) {
            // what is made of a collection's interface can mostly not be changed; a class is meant
            return List.of();
        }
        Range head = new Range(code.range(made).start(), code.range(made.getIdentifier()).end());
        return type.stream().flatMap(known -> ElementFilter.methodsIn(known.getEnclosedElements()).stream()
                        .filter(method -> isFactory(method, known, made, found.get(), code)))
                .sorted(Comparator.comparing(method -> NAMES.indexOf(method.getSimpleName().toString()) < 0
                        ? NAMES.size()
                        : NAMES.indexOf(method.getSimpleName().toString())))
                .map(method -> method.getSimpleName().toString()).distinct().limit(MOST)
                .map(method -> Fix.of("call '" + type.get().getSimpleName() + "." + method + "'",
                        edits -> edits.replace(head, code.text(name) + "." + method))).toList();
    }

    private static boolean isFactory(ExecutableElement method, TypeElement type, NewClassTree made, TreePath path,
            AttributedFile code) {
        Set<Modifier> modifiers = method.getModifiers();
        TypeMirror result = code.types().erasure(method.getReturnType());
        return modifiers.contains(Modifier.STATIC) && modifiers.contains(Modifier.PUBLIC) && code.types()
                .isSubtype(result, code.types().erasure(type.asType()))
                && method.getParameters().size() == made.getArguments().size()
                && IntStream.range(0, made.getArguments().size())
                .allMatch(i -> code.type(new TreePath(path, made.getArguments().get(i)))
                .filter(own -> code.types().isAssignable(own, code.types()
                        .erasure(method.getParameters().get(i).asType()))).isPresent());
    }
}
