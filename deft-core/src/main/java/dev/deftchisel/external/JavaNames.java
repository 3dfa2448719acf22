package dev.deftchisel.external;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/** What the platform itself knows by name: native code, management beans, written objects. */
final class JavaNames implements ExternalNames {

    @Override
    public List<ExternalName> of(NamedElement declared) {
        List<ExternalName> found = new ArrayList<>();
        Element element = declared.element();
        Optional<TypeElement> owner = declared.owner();
        boolean isNative = element.getModifiers().contains(Modifier.NATIVE)
                || element instanceof TypeElement && element.getEnclosedElements().stream()
                .anyMatch(one -> one.getModifiers().contains(Modifier.NATIVE));
        if (isNative) {
            // Java Native Interface, chapter 2: resolving native method names
            found.add(name(declared.name(), "name by which native code is linked"));
        }
        boolean isManaged = element.getKind() == ElementKind.METHOD && owner.filter(JavaNames::isManagement)
                .isPresent();
        if (isManaged) {
            // Java Management Extensions, 2.1: standard MBeans
            found.add(name(declared.property().orElse(declared.name()), "attribute or operation of a management bean"));
        }
        boolean isWritten = element.getKind() == ElementKind.FIELD && declared.property().isPresent()
                && owner.filter(JavaNames::isVersioned).isPresent()
                || element instanceof TypeElement type && isVersioned(type);
        if (isWritten) {
            // Java Object Serialization Specification, 5.6.1: deleting fields is an incompatible change
            found.add(name(declared.name(), "name under which objects are serialized"));
        }
        return found;
    }

    private static ExternalName name(String name, String what) {
        return new ExternalName(name, what, Optional.empty());
    }

    private static boolean isManagement(TypeElement type) {
        return type.getKind() == ElementKind.INTERFACE && (type.getSimpleName().toString().matches(".+M(X)?Bean")
                || NamedElement.has(type, annotation -> annotation.equals("javax.management.MXBean")));
    }

    /** Whoever gives a class a version expects its objects to be read later. */
    private static boolean isVersioned(TypeElement type) {
        return type.getEnclosedElements().stream().anyMatch(one -> one.getKind() == ElementKind.FIELD
                && one.getSimpleName().contentEquals("serialVersionUID") && one.getModifiers()
                .contains(Modifier.STATIC));
    }
}
