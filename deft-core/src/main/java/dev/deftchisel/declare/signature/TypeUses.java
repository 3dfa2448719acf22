package dev.deftchisel.declare.signature;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnionTypeTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.declare.inference.LikelyTargetTypes;
import dev.deftchisel.declare.inference.SwitchSelector;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.inference.UseTypes;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.WildcardType;

/** What the uses of a type that nobody declares tell about it. */
public final class TypeUses {

    private final List<UnresolvedName> all;

    /** @param all uses of the name, the one that is meant first */
    private TypeUses(List<UnresolvedName> all) {
        this.all = all;
    }

    /** All uses of a name that was found missing, in all files that were analysed. */
    public static TypeUses of(UnresolvedName missing, Analysis analysis) {
        List<UnresolvedName> all = new ArrayList<>(List.of(missing));
        analysis.unresolved(missing.name()).stream()
                .filter(binding -> !(binding.file().equals(missing.code().file().path()) && binding.range()
                        .equals(missing.range())))
                .flatMap(binding -> analysis.code(binding.file()).stream()
                        .flatMap(code -> UnresolvedName.at(analysis, code, binding.range().start()).stream()))
                .filter(use -> use.isType() && use.code().sharesTypesWith(missing.code()))
                .forEach(all::add);
        return new TypeUses(all);
    }

    /** The files in which it is used. */
    public Stream<AttributedFile> files() {
        return all.stream().map(UnresolvedName::code).distinct();
    }

    /** The expressions that make an object of it. */
    private Stream<TreePath> made() {
        return all.stream().flatMap(use -> around(use, NewClassTree.class));
    }

    /** The construct that names it, type arguments aside. */
    private static <T extends Tree> Stream<TreePath> around(UnresolvedName use, Class<T> kind) {
        TreePath place = use.path().getParentPath();
        if (place.getLeaf() instanceof ParameterizedTypeTree whole && whole.getType() == use.path().getLeaf()) {
            place = place.getParentPath();
        }
        return kind.isInstance(place.getLeaf()) ? Stream.of(place) : Stream.empty();
    }

    /** What it is by default. */
    public NewType.Kind kind() {
        if (all.stream().anyMatch(use -> around(use, AnnotationTree.class).findAny().isPresent())) {
            return NewType.Kind.ANNOTATION;
        } else if (all.stream().anyMatch(TypeUses::isThrown) || all.get(0).name().matches(".+Exception")) {
            return NewType.Kind.EXCEPTION;
        } else if (all.stream().anyMatch(use -> isLiteralOf(use, "java.lang.Enum")
                || isArgumentFor(use, "java.lang.Enum"))) {
            return NewType.Kind.ENUM;
        } else if (all.stream().anyMatch(use -> isLiteralOf(use, "java.lang.Throwable"))) {
            return NewType.Kind.EXCEPTION;
        } else if (all.stream().anyMatch(TypeUses::isImplemented)) {
            return NewType.Kind.INTERFACE;
        }
        Optional<TreePath> call = call();
        if (call.isEmpty() && !constants().isEmpty()) {
            return NewType.Kind.ENUM;
        }
        boolean isExtended = all.stream().anyMatch(use -> around(use, ClassTree.class).findAny().isPresent());
        boolean isValue = call.isPresent() && !arguments().isEmpty() && above().filter(type -> !isInterface(type))
                .isEmpty()
                && ((NewClassTree) call.get().getLeaf()).getClassBody() == null;
        return isValue && !isExtended && file(call.get()).file().module().level() >= 16 ? NewType.Kind.RECORD
                : NewType.Kind.CLASS;
    }

    private static boolean isThrown(UnresolvedName use) {
        TreePath place = use.path().getParentPath();
        return place.getLeaf() instanceof MethodTree method && method.getThrows().contains(use.path().getLeaf())
                || place.getLeaf() instanceof UnionTypeTree
                || place.getLeaf() instanceof VariableTree && place.getParentPath().getLeaf() instanceof CatchTree
                || place.getLeaf() instanceof NewClassTree && place.getParentPath().getLeaf() instanceof ThrowTree;
    }

    /** Whether its class literal stands where that of some kind of another type is taken. */
    private static boolean isLiteralOf(UnresolvedName use, String above) {
        TreePath literal = use.path().getParentPath();
        if (!(literal.getLeaf() instanceof MemberSelectTree select) || !select.getIdentifier().contentEquals("class")) {
            return false;
        }
        TypeMirror wanted = use.code().elements().getTypeElement(above).asType();
        return new LikelyTargetTypes(use.code()).all(literal).stream()
                .filter(DeclaredType.class::isInstance)
                .flatMap(type -> ((DeclaredType) type).getTypeArguments().stream())
                .map(argument -> argument instanceof WildcardType wildcard ? wildcard.getExtendsBound() : argument)
                .anyMatch(bound -> bound != null && use.code().isKind(bound, wanted));
    }

    /** Whether it stands for a type parameter that must be some kind of another type. */
    private static boolean isArgumentFor(UnresolvedName use, String above) {
        TreePath whole = use.path().getParentPath();
        if (!(whole.getLeaf() instanceof ParameterizedTypeTree generic) || !generic.getTypeArguments()
                .contains(use.path().getLeaf())) {
            return false;
        }
        TypeMirror wanted = use.code().elements().getTypeElement(above).asType();
        return use.code().element(new TreePath(whole, generic.getType()))
                .filter(type -> type instanceof TypeElement)
                .map(type -> ((TypeElement) type).getTypeParameters())
                .filter(parameters -> parameters.size() == generic.getTypeArguments().size())
                .filter(parameters -> use.code().isKind(
                        parameters.get(generic.getTypeArguments().indexOf(use.path().getLeaf())).asType(), wanted))
                .isPresent();
    }

    private static boolean isImplemented(UnresolvedName use) {
        return around(use, ClassTree.class).anyMatch(path -> path.getLeaf() instanceof ClassTree type
                && (type.getKind() == Tree.Kind.INTERFACE || type.getImplementsClause().stream()
                .anyMatch(above -> use.code().range(above).encloses(use.range()))));
    }

    /** The call by which its state is told: that at the place that is meant, or the first one. */
    Optional<TreePath> call() {
        return made().findFirst();
    }

    List<? extends ExpressionTree> arguments() {
        return call().map(path -> ((NewClassTree) path.getLeaf()).getArguments()).orElse(List.of());
    }

    /** The file in which something stands. */
    AttributedFile file(TreePath path) {
        return files().filter(code -> code.unit() == path.getCompilationUnit()).findFirst().orElseThrow();
    }

    /** What is named like a constant of it, or a label where one of its values is chosen from. */
    List<String> constants() {
        List<String> labels = labels();
        return Stream.concat(named(labels.isEmpty() ? "\\p{Lu}[\\p{Lu}\\p{N}_]*" : "\\p{Lu}\\w*"), labels.stream())
                .distinct().toList();
    }

    /** The labels of each choice from a variable of it (JLS 14.11.1). */
    private List<String> labels() {
        return all.stream().flatMap(use -> around(use, VariableTree.class)
                .flatMap(path -> use.code().element(path).stream())
                .flatMap(variable -> SwitchSelector.labels(use.code(), variable).stream())).distinct().toList();
    }

    private Stream<String> named(String pattern) {
        return all.stream().map(use -> use.path().getParentPath())
                .filter(place -> place.getLeaf() instanceof MemberSelectTree
                        && !(place.getParentPath().getLeaf() instanceof MethodInvocationTree call
                        && call.getMethodSelect() == place.getLeaf()))
                .map(place -> ((MemberSelectTree) place.getLeaf()).getIdentifier().toString())
                .filter(name -> name.matches(pattern));
    }

    /** The type arguments where it has any, as they are told first. */
    List<TypeMirror> typeArguments() {
        List<List<TypeMirror>> found = all.stream().flatMap(use -> arguments(use).stream()).toList();
        // a diamond (JLS 15.9.3) only tells that there is one
        return found.stream().filter(arguments -> !arguments.isEmpty()).findFirst()
                .or(() -> found.stream().findFirst()
                        .map(diamond -> List.of(all.get(0).code().types().getNoType(TypeKind.NONE))))
                .orElse(List.of());
    }

    private static Optional<List<TypeMirror>> arguments(UnresolvedName use) {
        TreePath place = use.path().getParentPath();
        if (!(place.getLeaf() instanceof ParameterizedTypeTree whole) || whole.getType() != use.path().getLeaf()) {
            return Optional.empty();
        }
        return Optional.of(whole.getTypeArguments().stream()
                .map(argument -> use.code().type(new TreePath(place, argument))
                        .orElseGet(() -> use.code().types().getNoType(TypeKind.NONE)))
                .toList());
    }

    /** What an object of it must be where it is made. */
    Optional<DeclaredType> above() {
        return made().flatMap(path -> new LikelyTargetTypes(file(path)).of(path).stream())
                .filter(TypeUses::mayBeAbove)
                .map(type -> (DeclaredType) type)
                .findFirst();
    }

    private static boolean mayBeAbove(TypeMirror type) {
        boolean isDeclared = type.getKind() == TypeKind.DECLARED && !UseTypes.namesVariable(type, any -> true);
        return isDeclared && type instanceof DeclaredType declared
                && (declared.asElement().getKind() == ElementKind.CLASS || isInterface(declared))
                && !declared.asElement().getModifiers().contains(Modifier.FINAL)
                && !declared.asElement().getModifiers().contains(Modifier.SEALED)
                && !NamedTypes.is(type, "java.lang.Object") && !NamedTypes.is(type, "java.lang.RuntimeException")
                && declared.getTypeArguments().stream().noneMatch(argument -> argument.getKind() == TypeKind.ERROR
                || argument.getKind() == TypeKind.WILDCARD);
    }

    static boolean isInterface(DeclaredType type) {
        return type.asElement().getKind() == ElementKind.INTERFACE;
    }

    /** Whether a range encloses all that is in the outermost class around one of the uses, and stands alone. */
    public boolean isAroundAll(UnresolvedName one, Range range) {
        Optional<Range> outermost = one.outermost();
        return all.stream().filter(use -> use.isSimple() && use.isWithin(one, outermost))
                .allMatch(use -> range.encloses(use.range()));
    }

    /** How open it must be within a type. */
    public AccessLevel needed(TypeElement around) {
        return all.stream().map(use -> use.code().enclosingType(use.path())
                .map(place -> AccessLevel.between(around, place))
                .orElse(AccessLevel.PACKAGE)).max(Comparator.naturalOrder()).orElseThrow();
    }

    /** The types from which it is selected. */
    public Set<TypeElement> owners() {
        return all.stream().filter(UnresolvedName::isOfType).flatMap(use -> use.owner().stream())
                .collect(Collectors.toSet());
    }

    /** The elements of an annotation that are given a value, where it is one. */
    Optional<TreePath> annotation() {
        return all.stream().flatMap(use -> around(use, AnnotationTree.class)).findFirst();
    }
}
