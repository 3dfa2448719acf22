package dev.deftchisel.generate;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.member.AccessorNames;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Question;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * Has a class tell listeners when chosen properties change (JavaBeans 7.4): the object that knows them, methods by
 * which they come and go, and setters that tell the old and the new value.
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
        return "Generate setters that notify listeners of a changed property";
    }

    @Override
    List<Question> choices() {
        return List.of(existing(), VISIBILITY.question());
    }

    @Override
    String membersLabel() {
        return "the properties whose changes are reported";
    }

    @Override
    boolean isFor(TargetClass target) {
        return target.type().getKind() == ElementKind.CLASS && !candidates(target).isEmpty()
                && target.code().elements().getTypeElement(SUPPORT) != null;
    }

    @Override
    List<StateField> candidates(TargetClass target) {
        return target.parts().stream().filter(part -> !part.isFinal() && !target.isKindOf(part.type(), SUPPORT))
                .toList();
    }

    /** At a field that one, otherwise all. */
    @Override
    List<StateField> defaultMembers(TargetClass target, int offset) {
        return target.partAt(offset).filter(candidates(target)::contains).map(List::of)
                .orElseGet(() -> candidates(target));
    }

    @Override
    String title(TargetClass target) {
        return "generate notification of changes in " + target.shown();
    }

    @Override
    GenerationResult generate(GenerationRequest request) {
        TargetClass target = request.target();
        if (request.chosen().isEmpty()) {
            return GenerationResult.refused("choose at least one field");
        }
        Optional<String> known = support(target);
        boolean isInherited = known.isEmpty() && !target.inherited("addPropertyChangeListener",
                List.of(target.named(LISTENER))).isEmpty();
        Optional<String> above = isInherited ? telling(target) : Optional.empty();
        if (isInherited && above.isEmpty()) {
            return GenerationResult.refused("a class above keeps the listeners and has nothing by which this one "
                    + "could tell them; give it a"
                    + " protected method firePropertyChange(String, Object, Object)");
        }
        String support = known.orElseGet(() -> NewName.free(target.memberNames(), "changes"));
        NotificationText text = new NotificationText(target, request.writer(), support + ".",
                above.orElse(support + ".firePropertyChange"));
        List<NewMember> members = new ArrayList<>();
        if (!isInherited && known.isEmpty()) {
            members.add(NewMember.added(NewMember.Kind.FIELD, support, text.support(support)));
        }
        List<String> notes = new ArrayList<>();
        for (StateField part : request.chosen()) {
            if (isByHand(request, part, text) && replaces(request.answers())) {
                notes.add(AccessorNames.BEANS.writer(part)
                        + " was written by hand, and what it did besides is not done any more");
            }
            setter(request, part, text).ifPresentOrElse(members::add, () -> notes.add(AccessorNames.BEANS.writer(part)
                    + " was written by hand and stays; it notifies nobody (existing)"));
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
        return new GenerationResult.Members(title(target), members, notes);
    }

    /**
     * How the listeners that a class above keeps are told: by a method of it, or by its support if that can be reached.
     */
    private static Optional<String> telling(TargetClass target) {
        TypeMirror object = target.named("java.lang.Object");
        TypeMirror text = target.named("java.lang.String");
        List<? extends Element> members = target.code().elements().getAllMembers(target.type()).stream()
                .filter(member -> !member.getEnclosingElement().equals(target.type()) && isReachable(member, target))
                .toList();
        return members.stream().filter(member -> member instanceof ExecutableElement method && method.getParameters()
                .size() == 3
                        && target.code().types().isSameType(method.getParameters().get(0).asType(), text)
                        && method.getParameters().stream().skip(1)
                        .allMatch(one -> target.code().types().isSameType(one.asType(), object))
                        && method.getReturnType().getKind() == TypeKind.VOID)
                .map(member -> member.getSimpleName().toString())
                .min(Comparator.comparing(name -> !name.equals("firePropertyChange")))
                .or(() -> members.stream().filter(member -> member.getKind() == ElementKind.FIELD
                        && !member.getModifiers().contains(Modifier.STATIC)
                        && target.isKindOf(member.asType(), SUPPORT))
                        .map(member -> member.getSimpleName() + ".firePropertyChange").findFirst());
    }

    private static boolean isReachable(Element member, TargetClass target) {
        return !member.getModifiers().contains(Modifier.PRIVATE) && (member.getModifiers().contains(Modifier.PUBLIC)
                || member.getModifiers().contains(Modifier.PROTECTED) || target.code().elements().getPackageOf(member)
                .equals(target.code().elements().getPackageOf(target.type())));
    }

    /** Empty when one that was written by hand stays. */
    private static Optional<NewMember> setter(GenerationRequest request, StateField part, NotificationText text) {
        TargetClass target = request.target();
        String name = AccessorNames.BEANS.writer(part);
        Optional<MethodTree> there = target.declared(name, List.of(part.type()));
        String visibility = there.map(method -> modifiers(target, method))
                .orElse(VISIBILITY.level(request.answers()).prefix());
        List<String> lines = text.setter(part, visibility);
        boolean mayGo = !isByHand(request, part, text) || replaces(request.answers());
        return mayGo ? Optional.of(NewMember.added(NewMember.Kind.ACCESSOR, name, lines).insteadOf(there))
                : Optional.empty();
    }

    /** Whether there is a method that is neither a plain one nor one that was generated here. */
    private static boolean isByHand(GenerationRequest request, StateField part, NotificationText text) {
        TargetClass target = request.target();
        Optional<MethodTree> there = target.declared(AccessorNames.BEANS.writer(part), List.of(part.type()));
        String visibility = there.map(method -> modifiers(target, method)).orElse("");
        AccessorText plain = new AccessorText(target, request.writer(),
                new AccessorStyle(AccessorNames.BEANS, false, false, visibility));
        return there.isPresent() && !isSame(target.code(), there.get(), plain.writer(part))
                && !isSame(target.code(), there.get(), text.setter(part, visibility));
    }

    private static String modifiers(TargetClass target, MethodTree method) {
        return target.code().element(new TreePath(target.path(), method))
                .map(element -> AccessLevel.of(element.getModifiers()).prefix()).orElse("");
    }

    /** The field that knows the listeners already. */
    private static Optional<String> support(TargetClass target) {
        return target.members().stream().filter(member -> member instanceof VariableTree)
                .filter(member -> isSupport(target, member))
                .map(member -> ((VariableTree) member).getName().toString())
                .findFirst();
    }

    private static boolean isSupport(TargetClass target, Tree member) {
        return target.code().element(new TreePath(target.path(), member))
                .filter(field -> !field.getModifiers().contains(Modifier.STATIC)
                        && target.isKindOf(field.asType(), SUPPORT)).isPresent();
    }
}
