package dev.deftchisel.declare;

import com.sun.source.tree.MemberSelectTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.source.ImportSketch;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeMirror;

/**
 * Types that only names tell, where nothing else does: the one after which something is named, or the only one of the
 * package that has what is selected from it. Generic types are none of these, since their arguments are not told.
 */
final class NameHints {

    private final Code code;

    NameHints(Code code) {
        this.code = code;
    }

    /**
     * The type of a value of a name.
     *
     * @param value the call or name that stands for it
     */
    Optional<TypeMirror> of(TreePath value, String name) {
        return namedAfter(value, name).or(() -> having(value)).map(TypeElement::asType);
    }

    private Optional<TypeElement> namedAfter(TreePath value, String name) {
        String simple = Character.toUpperCase(name.charAt(0)) + name.substring(1);
        Stream<TypeElement> nested = code.enclosingType(value).stream().flatMap(type -> type.getEnclosedElements().stream())
                .filter(member -> member instanceof TypeElement && member.getSimpleName().contentEquals(simple))
                .map(member -> (TypeElement) member);
        Stream<TypeElement> imported = code.file().skeleton().imports().stream()
                .filter(line -> !line.isStatic() && !line.isOnDemand() && line.simpleName().equals(simple))
                .map(ImportSketch::name)
                .flatMap(qualified -> Optional.ofNullable(code.elements().getTypeElement(qualified)).stream());
        String home = code.file().headline().packageName();
        Stream<TypeElement> near = Stream.of(home.isEmpty() ? simple : home + "." + simple)
                .flatMap(qualified -> Optional.ofNullable(code.elements().getTypeElement(qualified)).stream());
        return Stream.of(nested, imported, near).flatMap(types -> types).filter(type -> type.getTypeParameters().isEmpty()).findFirst();
    }

    private Optional<TypeElement> having(TreePath value) {
        if (!(value.getParentPath().getLeaf() instanceof MemberSelectTree select) || select.getExpression() != value.getLeaf()) {
            return Optional.empty();
        }
        List<TypeElement> found = new ArrayList<>();
        Optional<Element> unit = code.enclosingType(value).map(type -> code.elements().getPackageOf(type));
        unit.ifPresent(home -> home.getEnclosedElements().stream()
                .filter(type -> type instanceof TypeElement one && one.getTypeParameters().isEmpty() && type.getEnclosedElements().stream()
                        .anyMatch(member -> member.getSimpleName().equals(select.getIdentifier())))
                .forEach(type -> found.add((TypeElement) type)));
        return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
    }
}
