package dev.deftchisel.declare;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Subtypes;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.ElementFilter;

/** Classes that must have a method when a type above them declares it without a body (JLS 8.1.1.1). */
final class Implementers {

    private final TargetClass owner;
    private final Analysis before;

    /** @param before in which {@link #files} were looked at */
    Implementers(TargetClass owner, Analysis before) {
        this.owner = owner;
        this.before = before;
    }

    /** The files in which such classes may be declared. */
    static Collection<SourceFile> files(TypeElement owner, Snapshot snapshot) {
        return new Subtypes(snapshot).of(Set.of(owner.getSimpleName().toString())).keySet();
    }

    /** The classes that have no such method, nor one above them. */
    List<TargetClass> lacking(String name, int parameters) {
        List<TargetClass> found = new ArrayList<>();
        for (Map.Entry<SourceFile, List<TypeOutline>> entry : new Subtypes(before.snapshot()).of(Set.of(owner.name()))
                .entrySet()) {
            Optional<AttributedFile> code = before.code(entry.getKey().path()).filter(owner.code()::sharesTypesWith);
            for (TypeOutline type : entry.getValue()) {
                code.flatMap(there -> TargetClass.at(there, type.nameRange().start()))
                        .filter(target -> isConcrete(target) && !has(target, name, parameters))
                        .ifPresent(found::add);
            }
        }
        return found.stream().filter(target -> found.stream()
                .noneMatch(above -> above != target && isBelow(target, above))).toList();
    }

    private boolean isConcrete(TargetClass target) {
        boolean isClass = target.type().getKind() == ElementKind.CLASS || target.isRecord() || target.type()
                .getKind() == ElementKind.ENUM;
        return isClass && !target.type().equals(owner.type()) && !target.type().getModifiers()
                .contains(Modifier.ABSTRACT)
                && isBelow(target, owner);
    }

    private static boolean isBelow(TargetClass target, TargetClass above) {
        return target.code().isKind(target.type().asType(), above.type().asType());
    }

    private static boolean has(TargetClass target, String name, int parameters) {
        return ElementFilter.methodsIn(target.code().elements().getAllMembers(target.type())).stream()
                .anyMatch(method -> method.getSimpleName().contentEquals(name) && method.getParameters()
                        .size() == parameters);
    }
}
