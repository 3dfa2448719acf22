package dev.deftchisel.declare.signature;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.member.TargetClass;
import java.util.List;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Methods of subclasses that will override one that is yet to be declared, and so tell what it must be (JLS 8.4.8.3).
 */
final class Overriders {

    private Overriders() {
    }

    /**
     * Those with a name and number of parameters.
     *
     * @param before in which all files that mention the name were looked at
     */
    static List<ExecutableElement> of(TargetClass owner, String name, int parameters, Analysis before) {
        return before.files().stream()
                .filter(file -> before.code(file.path()).filter(owner.code()::sharesTypesWith).isPresent())
                .flatMap(file -> before.bindings(file.path()).stream())
                .filter(binding -> binding.role() == Role.DECLARATION && binding.isNamed())
                .flatMap(binding -> before.known(binding.key()).stream())
                .filter(known -> known.element() instanceof ExecutableElement method && method.getSimpleName()
                        .contentEquals(name)
                        && method.getParameters().size() == parameters && isBelow(owner, method))
                .map(known -> (ExecutableElement) known.element())
                .toList();
    }

    private static boolean isBelow(TargetClass owner, ExecutableElement method) {
        boolean isInherited = !method.getModifiers().contains(Modifier.STATIC) && !method.getModifiers()
                .contains(Modifier.PRIVATE)
                && method.getEnclosingElement() instanceof TypeElement;
        return isInherited && !method.getEnclosingElement().equals(owner.type())
                && owner.code().isKind(method.getEnclosingElement().asType(), owner.type().asType());
    }
}
