package dev.deftchisel.declare.inference;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * Types that only names tell, where nothing else does: the one after which something is named, or the only one that the
 * file imports, or the package has, with what is selected. Generic types are among these only where what is passed to
 * them tells of what they are: a list to which vessels are added.
 */
final class NameHints {

    /** The collections that need not be imported to be meant. */
    private static final List<String> COLLECTIONS = List.of("java.util.List", "java.util.Set", "java.util.Map");

    private final AttributedFile code;

    NameHints(AttributedFile code) {
        this.code = code;
    }

    /**
     * The type of a value of a name.
     *
     * @param value    the call or name that stands for it
     * @param selected what is selected from it
     */
    Optional<TypeMirror> of(TreePath value, String name, Set<MemberUse> selected) {
        List<TypeElement> near = near(value).stream().filter(type -> type.getTypeParameters().isEmpty()).toList();
        String letters = name.replace("_", "");
        Optional<TypeElement> after = near.stream()
                .filter(type -> type.getSimpleName().toString().equalsIgnoreCase(letters) && has(type, selected))
                .findFirst();
        return after.or(() -> only(near, selected)).map(TypeElement::asType);
    }

    /** The only one with what is selected, or the one above all others that have it. */
    private Optional<TypeElement> only(List<TypeElement> near, Set<MemberUse> selected) {
        List<TypeElement> found = selected.isEmpty() ? List.of() : near.stream().filter(type -> has(type, selected))
                .toList();
        return found.stream().filter(type -> found.stream()
                .allMatch(other -> code.isKind(other.asType(), type.asType()))).findFirst();
    }

    /**
     * A generic type that is imported, or a plain collection, which has all that is selected and is passed its
     * elements.
     */
    Optional<TypeMirror> filled(List<UnresolvedName> uses, Set<MemberUse> selected) {
        Stream<TypeElement> imported = near(uses.get(0).value()).stream();
        Stream<TypeElement> plain = COLLECTIONS.stream()
                .flatMap(name -> Optional.ofNullable(code.elements().getTypeElement(name))
                .stream());
        return selected.isEmpty() ? Optional.empty() : Stream.concat(imported, plain)
                .filter(type -> !type.getTypeParameters().isEmpty() && has(type, selected))
                .flatMap(type -> DiamondArguments.filled((DeclaredType) type.asType(), uses).stream())
                .findFirst();
    }

    /** The types that simple names mean here: of the classes around, imported, of the package. */
    List<TypeElement> near(TreePath value) {
        Stream<Element> around = Stream.iterate(code.enclosingType(value).<Element>map(type -> type),
                Optional::isPresent,
                type -> type.map(Element::getEnclosingElement)).flatMap(Optional::stream);
        Stream<Element> nested = code.enclosingType(value).stream()
                .flatMap(type -> type.getEnclosedElements().stream());
        Stream<Element> imported = code.file().outline().imports().stream()
                .filter(line -> !line.isStatic() && !line.isOnDemand())
                .flatMap(line -> Optional.<Element>ofNullable(code.elements().getTypeElement(line.name())).stream());
        Stream<Element> home = code.enclosingType(value).stream()
                .flatMap(type -> code.elements().getPackageOf(type).getEnclosedElements().stream());
        return Stream.of(around, nested, imported, home).flatMap(elements -> elements)
                .filter(TypeElement.class::isInstance)
                .map(element -> (TypeElement) element)
                .distinct()
                .toList();
    }

    /** Whether a type has all that is selected from a value. */
    boolean has(TypeElement type, Set<MemberUse> selected) {
        return selected.stream().allMatch(selection -> selection.isIn(type));
    }
}
