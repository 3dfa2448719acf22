package dev.deftchisel.declare;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.stream.Collectors;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.WildcardType;

/**
 * The type of a value that all its uses tell together: the likeliest for one of them that has what is selected from it in
 * others. Where no place tells anything, the name may.
 */
final class ValueType {

    private final Code code;
    private final NameHints hints;
    private final List<Missing> uses;
    private final List<TypeMirror> given;
    /** What each use may take, in order; none where a use does not tell. */
    private final List<List<TypeMirror>> taken = new ArrayList<>();

    private ValueType(List<Missing> uses, List<TypeMirror> given) {
        this.code = uses.get(0).code();
        this.hints = new NameHints(code);
        this.uses = uses;
        this.given = given;
        uses.forEach(use -> taken.add(new Wanted(use.code()).all(use.value())));
    }

    /**
     * The type of what is missing.
     *
     * @param uses  at least one, the one that is meant first
     * @param given what it is assigned
     * @return {@code void} when no use asks for a value, empty when nothing tells
     */
    static Optional<TypeMirror> of(List<Missing> uses, List<TypeMirror> given) {
        return new ValueType(uses, given).told();
    }

    private Optional<TypeMirror> told() {
        List<TypeMirror> all = new ArrayList<>(given.isEmpty() ? List.of() : List.of(new General(code).of(given)));
        all.addAll(given);
        taken.forEach(all::addAll);
        List<TypeMirror> values = all.stream().filter(type -> type.getKind() != TypeKind.VOID).toList();
        Set<String> selected = uses.stream().flatMap(use -> selected(use).stream()).collect(Collectors.toSet());
        Missing first = uses.get(0);
        return values.stream().filter(type -> has(type, selected) && fits(type, code.types()::isAssignable)).findFirst()
                .or(() -> values.stream().filter(type -> has(type, selected) && fits(type, this::isKindOf)).findFirst())
                .or(() -> values.stream().filter(type -> has(type, selected)).findFirst())
                .map(type -> precise(type, values))
                .or(() -> hints.of(first.value(), first.name(), selected))
                .or(() -> hints.filled(uses, selected))
                // what it lacks may be missing itself
                .or(() -> values.stream().findFirst())
                .or(() -> hints.of(first.value(), first.name(), Set.of()))
                .or(() -> selected.isEmpty() ? all.stream().findFirst() : Optional.empty())
                // all that is left is that anything would do
                .or(() -> uses.stream().flatMap(use -> new Wanted(use.code()).anything(use.value()).stream()).findFirst());
    }

    /** Whether a variable of a type could be given all that it is given, and its value taken wherever it is used. */
    private boolean fits(TypeMirror type, BiPredicate<TypeMirror, TypeMirror> isAssignable) {
        boolean takesAll = given.stream().allMatch(value -> isAssignable.test(value, type));
        for (int i = 0; takesAll && i < uses.size(); i++) {
            boolean isCompared = uses.get(i).value().getParentPath().getLeaf() instanceof BinaryTree;
            takesAll = isCompared || taken.get(i).isEmpty() || taken.get(i).stream()
                    .anyMatch(one -> one.getKind() == TypeKind.VOID || isAssignable.test(type, one));
        }
        return takesAll;
    }

    /** Whether a value of a type can be one of another, type arguments aside. */
    private boolean isKindOf(TypeMirror value, TypeMirror type) {
        return new General(code).takes(type, value);
    }

    /** The same class where another use says of what. */
    private TypeMirror precise(TypeMirror type, List<TypeMirror> others) {
        boolean isOpen = type instanceof DeclaredType declared && declared.getTypeArguments().stream()
                .anyMatch(WildcardType.class::isInstance);
        return !isOpen ? type : others.stream()
                .filter(other -> other instanceof DeclaredType declared && !declared.getTypeArguments().isEmpty()
                        && declared.getTypeArguments().stream().noneMatch(WildcardType.class::isInstance)
                        && code.types().isSameType(code.types().erasure(other), code.types().erasure(type)))
                .findFirst().orElse(type);
    }

    /** The name of what is selected from it at a use. */
    private static Optional<String> selected(Missing use) {
        TreePath place = use.value().getParentPath();
        return place.getLeaf() instanceof MemberSelectTree select && select.getExpression() == use.value().getLeaf()
                ? Optional.of(select.getIdentifier().toString()) : Optional.empty();
    }

    private boolean has(TypeMirror type, Set<String> selected) {
        if (selected.isEmpty()) {
            return true;
        }
        if (type.getKind() == TypeKind.ARRAY) {
            return Set.of("length", "clone").containsAll(selected);
        }
        return type instanceof DeclaredType declared && hints.has((TypeElement) declared.asElement(), selected);
    }
}
