package dev.deftchisel.declare.inference;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.TypeCastTree;
import dev.deftchisel.analysis.code.AttributedFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.stream.Collectors;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.type.WildcardType;

/**
 * The type of a value that all its uses tell together: the likeliest for one of them that has what is selected from it
 * in others. Where no place tells anything, the name may.
 */
public final class ValueType {

    private final AttributedFile code;
    private final NameHints hints;
    private final List<UnresolvedName> uses;
    private final Map<UnresolvedName, TypeMirror> given;
    /** What each use may take, in order; none where a use does not tell. */
    private final List<List<TypeMirror>> taken = new ArrayList<>();
    /** How each use sees the type that is to declare it. */
    private final List<TypeSubstitution> views;

    private ValueType(List<UnresolvedName> uses, Map<UnresolvedName, TypeMirror> given) {
        this.code = uses.get(0).code();
        this.hints = new NameHints(code);
        this.uses = uses;
        this.given = given;
        this.views = TypeSubstitution.all(uses);
        uses.forEach(use -> taken.add(new LikelyTargetTypes(use.code()).all(use.value())));
    }

    /**
     * The type of what is missing.
     *
     * @param uses  at least one, the one that is meant first
     * @param given what it is assigned, by use
     * @return {@code void} when no use asks for a value, empty when nothing tells
     */
    public static Optional<TypeMirror> of(List<UnresolvedName> uses, Map<UnresolvedName, TypeMirror> given) {
        return new ValueType(uses, given).told();
    }

    private Optional<TypeMirror> told() {
        List<TypeMirror> all = new TypeCandidates(uses).all(given, taken, views);
        boolean isIndexed = uses.stream().anyMatch(ValueType::isIndexed);
        return likeliest(all, all.stream().filter(type -> type.getKind() != TypeKind.VOID)
                .filter(type -> !isIndexed || type.getKind() == TypeKind.ARRAY).toList());
    }

    private Optional<TypeMirror> likeliest(List<TypeMirror> all, List<TypeMirror> values) {
        Set<MemberUse> selected = uses.stream().flatMap(use -> MemberUse.from(use).stream())
                .collect(Collectors.toSet());
        UnresolvedName first = uses.get(0);
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
                .or(() -> uses.stream().flatMap(use -> new LikelyTargetTypes(use.code()).anything(use.value()).stream())
                        .findFirst());
    }

    /** Whether a variable of a type could be given all that it is given, and its value taken wherever it is used. */
    private boolean fits(TypeMirror type, BiPredicate<TypeMirror, TypeMirror> isAssignable) {
        boolean takesAll = true;
        for (int i = 0; takesAll && i < uses.size(); i++) {
            TypeMirror seen = views.get(i).seen(type);
            TypeMirror value = given.get(uses.get(i));
            boolean isAny = uses.get(i).value().getParentPath().getLeaf() instanceof BinaryTree || taken.get(i)
                    .isEmpty();
            takesAll = (value == null || isAssignable.test(value, seen)) && mayBeCast(uses.get(i), seen)
                    && (isAny || taken.get(i).stream().anyMatch(one -> one.getKind() == TypeKind.VOID
                            || isAssignable.test(seen, one)));
        }
        return takesAll;
    }

    /** A primitive value cannot be cast to a type parameter, nor to most classes (JLS 5.5). */
    private static boolean mayBeCast(UnresolvedName use, TypeMirror type) {
        return !type.getKind().isPrimitive() || !(use.value().getParentPath().getLeaf() instanceof TypeCastTree)
                || use.code().type(use.value().getParentPath()).filter(target -> target.getKind().isPrimitive())
                .isPresent();
    }

    private static boolean isIndexed(UnresolvedName use) {
        return use.value().getParentPath().getLeaf() instanceof ArrayAccessTree access
                && access.getExpression() == use.value().getLeaf();
    }

    /** Whether a value of a type can be one of another, type arguments aside. */
    private boolean isKindOf(TypeMirror value, TypeMirror type) {
        return new CommonSupertype(code).takes(type, value);
    }

    /** The same class where another use says of what. */
    private TypeMirror precise(TypeMirror type, List<TypeMirror> others) {
        boolean isOpen = type instanceof DeclaredType declared && declared.getTypeArguments().stream()
                .anyMatch(WildcardType.class::isInstance);
        boolean isProven = isOpen && fits(type, code.types()::isAssignable);
        return !isOpen ? type : others.stream()
                .filter(other -> other instanceof DeclaredType declared && !declared.getTypeArguments().isEmpty()
                        && declared.getTypeArguments().stream().noneMatch(WildcardType.class::isInstance)
                        && code.types().isSameType(code.types().erasure(other), code.types().erasure(type))
                        && (!isProven || fits(other, code.types()::isAssignable)))
                .findFirst().orElse(type);
    }

    private boolean has(TypeMirror type, Set<MemberUse> selected) {
        if (selected.isEmpty()) {
            return true;
        }
        if (type.getKind() == TypeKind.ARRAY) {
            return selected.stream().map(MemberUse::name).allMatch(Set.of("length", "clone")::contains);
        }
        TypeMirror bound = type instanceof TypeVariable ? code.types().erasure(type) : type;
        if (!(bound instanceof DeclaredType declared)) {
            return false;
        }
        // what is missing itself must be selected from an object of the type that is to get it
        boolean isOwner = uses.get(0).owner().filter(declared.asElement()::equals).isPresent();
        Set<MemberUse> asked = selected.stream()
                .filter(selection -> !(isOwner && selection.name().equals(uses.get(0).name())))
                .collect(Collectors.toSet());
        return hints.has((TypeElement) declared.asElement(), asked);
    }
}
