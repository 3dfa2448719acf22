package dev.deftchisel.rename;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.UnknownSupertypes;
import dev.deftchisel.operation.Reason;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;

/**
 * What is in the way of declaring a member otherwise, whatever that is: members of libraries that belong to its family,
 * and types above it that are not known.
 */
public final class FamilyObstacles {

    private final Symbol target;
    private final Set<SymbolKey> family;
    private final Analysis before;
    private final String done;

    /**
     * @param family all that overrides the target, or is overridden, and the target
     * @param done   what happens to them: "renamed" or "changed"
     */
    public FamilyObstacles(Symbol target, Set<SymbolKey> family, Analysis before, String done) {
        this.target = target;
        this.family = family;
        this.before = before;
        this.done = done;
    }

    /** Why the family has to stay as it is; empty when it does not. */
    public List<Reason> reasons() {
        List<Reason> library = libraryMembers();
        return !library.isEmpty() ? library : family.stream().flatMap(member -> unknownOverridden(member).stream())
                .limit(1).toList();
    }

    /** What nobody could see, for the user to know. */
    public List<String> notes() {
        return family.stream().flatMap(member -> unknownAbove(member)
                .map(type -> type + " is not known here: whether " + shown(member)
                        + " overrides something there was not seen").stream()).toList();
    }

    private Optional<Reason> unknownOverridden(SymbolKey member) {
        return unknownAbove(member)
                .filter(type -> isOverriding(member) && family.stream()
                        .noneMatch(other -> !other.equals(member) && before.overrides(member, other)))
                .map(type -> Reason.of(shown(member) + " overrides a method of " + type
                        + ", which is not known here, so nobody can tell what else would have to be " + done));
    }

    /** What is above the type of a method that can override, and not known. */
    private Optional<String> unknownAbove(SymbolKey member) {
        return before.symbol(member).filter(symbol -> symbol.kind().isMethod() && !symbol.isStatic()
                && !symbol.isPrivate())
                .flatMap(Symbol::owner).flatMap(before::known).map(Analysis.KnownElement::element)
                .filter(TypeElement.class::isInstance).flatMap(type -> UnknownSupertypes.first((TypeElement) type));
    }

    /** Whether a method says that it overrides one. */
    private boolean isOverriding(SymbolKey member) {
        return before.known(member).filter(known -> known.element().getAnnotationMirrors().stream()
                        .anyMatch(annotation -> annotation.getAnnotationType().asElement().getSimpleName()
                                .contentEquals("Override")))
                .isPresent();
    }

    private String shown(SymbolKey member) {
        return before.symbol(member).map(Symbol::signature).orElseThrow();
    }

    private List<Reason> libraryMembers() {
        List<Symbol> members = family.stream()
                .map(before::symbol)
                .flatMap(Optional::stream)
                .filter(symbol -> !symbol.isSource())
                .sorted(Comparator.comparing(Symbol::signature))
                .toList();
        List<Reason> own = members.stream()
                .filter(symbol -> isAbove(symbol))
                .map(symbol -> Reason.of(target.signature() + " overrides or implements " + symbol.signature()
                        + ", which is declared in a library and cannot be " + done))
                .toList();
        return !own.isEmpty() ? own : members.stream()
                .map(symbol -> Reason.of("a type inherits or overrides both " + target.signature() + " and "
                        + symbol.signature()
                        + ", which is declared in a library and cannot be " + done))
                .toList();
    }

    private boolean isAbove(Symbol member) {
        return target.owner().flatMap(before::known)
                .filter(owner -> owner.element() instanceof TypeElement type
                        && member.owner().filter(above -> before.isSubtype(type, above)).isPresent())
                .isPresent();
    }
}
