package dev.deftchisel.move.type;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.move.moved.Destination;
import dev.deftchisel.move.moved.MovedType;
import dev.deftchisel.rename.UnseenUses;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Words;
import java.util.ArrayList;
import java.util.List;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/** What depends on the qualified name of a type and stands in no code. */
final class MoveNotes {

    private MoveNotes() {
    }

    /** One line each. */
    static List<String> of(Analysis before, MovedType moved) {
        Destination destination = moved.destination();
        List<String> notes = new ArrayList<>(before.symbol(moved.key())
                .map(target -> UnseenUses.notes(target, before)).orElse(List.of()));
        boolean isNamedAlike = moved.isTopLevel() && destination instanceof Destination.OwnFile
                && destination.packageName().equals(moved.packageName());
        if (isNamedAlike) {
            return notes;
        }
        String name = moved.name();
        boolean isInner = moved.element().getKind() == ElementKind.CLASS && !moved.isTopLevel()
                && !moved.element().getModifiers().contains(Modifier.STATIC);
        if (isInner) {
            notes.add(name + " has no object of the class around it any more; who finds its constructors by reflection "
                    + "(JLS 8.1.3) finds others");
        }
        Element serializable = moved.code().elements().getTypeElement("java.io.Serializable");
        if (serializable != null && moved.code().isKind(moved.element().asType(), serializable.asType())
                && moved.element().getKind() == ElementKind.CLASS && !isThrown(moved)) {
            notes.add(name + " can be saved: what was saved under its name today is not found under the new one");
        }
        if (moved.element().getEnclosedElements().stream().anyMatch(MoveNotes::isMain)) {
            notes.add(name + " is a program: whoever starts it must call it by its new name");
        }
        List<Range> resources = List.of("getResource", "getResourceAsStream").stream()
                .flatMap(word -> Words.find(moved.file().content(), word).stream())
                .filter(range -> moved.holds(moved.file().path(), range)).sorted().toList();
        if (!resources.isEmpty() && !moved.packageName().equals(destination.packageName())) {
            notes.add(name + " may look for resources beside it, first at " + before.snapshot().show(
                    moved.file().path(), resources.get(0).start()) + "; they stay where they are");
        }
        return notes;
    }

    /** Exceptions are hardly ever saved for long. */
    private static boolean isThrown(MovedType moved) {
        return moved.code().isKind(moved.element().asType(), moved.code().elements()
                .getTypeElement("java.lang.Throwable").asType());
    }

    /** JLS 12.1.4. */
    private static boolean isMain(Element member) {
        return member instanceof ExecutableElement method && method.getSimpleName().contentEquals("main")
                && method.getModifiers().contains(Modifier.STATIC) && method.getParameters().size() == 1
                && method.getEnclosingElement() instanceof TypeElement;
    }
}
