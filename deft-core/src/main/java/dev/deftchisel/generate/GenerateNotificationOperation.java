package dev.deftchisel.generate;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.AccessLevel;
import dev.deftchisel.member.AccessorNames;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.Part;
import dev.deftchisel.member.Target;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Question;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeMirror;

/**
 * Has a class tell listeners when chosen properties change (JavaBeans 7.4): the object that knows them, methods by which they
 * come and go, and setters that tell the old and the new value.
 */
public final class GenerateNotificationOperation extends GenerateOperation {

    private static final String SUPPORT = "java.beans.PropertyChangeSupport";
    private static final String LISTENER = "java.beans.PropertyChangeListener";

    @Override
    public String id() {
        return "generate-notification";
    }

    @Override
    public String summary() {
        return "Have setters tell listeners that a property changes";
    }

    @Override
    List<Question> choices() {
        return List.of(existing(), VISIBILITY.question());
    }

    @Override
    String membersLabel() {
        return "the properties whose changes are told";
    }

    @Override
    boolean isFor(Target target) {
        return target.type().getKind() == ElementKind.CLASS && !candidates(target).isEmpty()
                && target.code().elements().getTypeElement(SUPPORT) != null;
    }

    @Override
    List<Part> candidates(Target target) {
        return target.parts().stream().filter(part -> !part.isFinal() && !target.isKindOf(part.type(), SUPPORT)).toList();
    }

    /** At a field that one, otherwise all. */
    @Override
    List<Part> standard(Target target, int offset) {
        return target.partAt(offset).filter(candidates(target)::contains).map(List::of).orElseGet(() -> candidates(target));
    }

    @Override
    String title(Target target) {
        return "generate notification of changes in " + target.shown();
    }

    @Override
    Generated generate(Request request) {
        Target target = request.target();
        if (request.chosen().isEmpty()) {
            return Generated.refused("choose at least one field");
        }
        boolean isInherited = target.code().elements().getAllMembers(target.type()).stream()
                .anyMatch(member -> member.getSimpleName().contentEquals("firePropertyChange")
                        && !member.getEnclosingElement().equals(target.type()) && !member.getModifiers().contains(Modifier.PRIVATE));
        Optional<String> known = support(target);
        String support = known.orElseGet(() -> NewName.free(target.memberNames(), "changes"));
        NotificationText text = new NotificationText(target, request.writer(), isInherited ? "" : support + ".");
        List<NewMember> members = new ArrayList<>();
        if (!isInherited && known.isEmpty()) {
            members.add(NewMember.added(NewMember.Kind.FIELD, support, text.support(support)));
        }
        List<String> notes = new ArrayList<>();
        for (Part part : request.chosen()) {
            setter(request, part, text).ifPresentOrElse(members::add, () -> notes.add(AccessorNames.BEANS.writer(part)
                    + " was written by hand and stays; it tells nobody (existing)"));
        }
        if (!isInherited) {
            for (String verb : List.of("add", "remove")) {
                String name = verb + "PropertyChangeListener";
                List<TypeMirror> listener = List.of(target.named(LISTENER));
                if (target.declared(name, listener).isEmpty() && target.inherited(name, listener).isEmpty()) {
                    members.add(NewMember.added(NewMember.Kind.METHOD, name, text.listeners(verb)));
                }
            }
        }
        if (request.needsModule("java.desktop")) {
            notes.add("module-info.java must say 'requires java.desktop;', where " + SUPPORT + " is");
        }
        return new Generated.Members(title(target), members, notes);
    }

    /** Empty when one that was written by hand stays. */
    private static Optional<NewMember> setter(Request request, Part part, NotificationText text) {
        Target target = request.target();
        String name = AccessorNames.BEANS.writer(part);
        Optional<MethodTree> there = target.declared(name, List.of(part.type()));
        String visibility = there.map(method -> modifiers(target, method)).orElse(VISIBILITY.level(request.answers()).prefix());
        List<String> lines = text.setter(part, visibility);
        AccessorText plain = new AccessorText(target, request.writer(), AccessorNames.BEANS, false, false, visibility);
        boolean mayGo = there.isEmpty() || replaces(request.answers()) || isSame(target.code(), there.get(), plain.writer(part))
                || isSame(target.code(), there.get(), lines);
        return mayGo ? Optional.of(NewMember.added(NewMember.Kind.ACCESSOR, name, lines).insteadOf(there)) : Optional.empty();
    }

    private static String modifiers(Target target, MethodTree method) {
        return target.code().element(new TreePath(target.path(), method))
                .map(element -> AccessLevel.of(element.getModifiers()).prefix()).orElse("");
    }

    /** The field that knows the listeners already. */
    private static Optional<String> support(Target target) {
        return target.members().stream().filter(member -> member instanceof VariableTree)
                .filter(member -> isSupport(target, member))
                .map(member -> ((VariableTree) member).getName().toString())
                .findFirst();
    }

    private static boolean isSupport(Target target, Tree member) {
        return target.code().element(new TreePath(target.path(), member))
                .filter(field -> !field.getModifiers().contains(Modifier.STATIC) && target.isKindOf(field.asType(), SUPPORT)).isPresent();
    }
}
