package dev.deftchisel.signature.declaration;

import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.ListSlots;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.type.WildcardType;

/** Writes the list of parameters of one declaration as it is to be. */
final class ParameterListEdits {

    private final SignatureChange change;
    private final DeclaredHeader declared;
    private final NestedEdits edits;
    private final TypedCode typedCode;
    private final boolean isOwn;
    /** Whether it stands in the class in which the header was typed. */
    private final boolean isHere;
    private final ListSlots slots;

    /**
     * @param typedCode what is written in the file
     * @param declared  one declaration of the family
     * @param edits     of the file
     */
    ParameterListEdits(TypedCode typedCode, DeclaredHeader declared, NestedEdits edits) {
        this.change = typedCode.change();
        this.declared = declared;
        this.edits = edits;
        this.typedCode = typedCode;
        this.isOwn = declared.path().getLeaf().equals(change.own().path().getLeaf());
        this.isHere = declared.element().getEnclosingElement().equals(change.own().element().getEnclosingElement());
        this.slots = declared.slots();
    }

    /** What is in the way; when nothing is, it is written. */
    Optional<Reason> write() {
        List<ListSlots.Item> items = new ArrayList<>();
        for (int i = 0; i < change.origins().size(); i++) {
            Optional<ListSlots.Item> item = change.isAdded(i) ? added(i) : kept(i);
            if (item.isEmpty()) {
                return Optional.of(Reason.at(declared.code().file().path(), declared.name(), "the type of '"
                        + change.name(i) + "' has no name that could be written here"));
            }
            items.add(item.get());
        }
        edits.replace(slots.inner(), List.of(), text -> slots.write(text, items));
        return Optional.empty();
    }

    private Optional<ListSlots.Item> kept(int index) {
        int origin = change.origins().get(index);
        Range slot = slots.slot(origin);
        TypedHeader.TypedParameter old = declared.header().parameters().get(origin);
        boolean isWritten = change.isRetyped(index) || isOwn && change.isModified(index);
        if (!isWritten) {
            return Optional.of(slots.item(origin, edits));
        }
        Range name = declared.place(old.name());
        Range modifiers = declared.place(old.modifiers());
        Range comment = slots.comment(origin);
        return type(index).map(type -> new ListSlots.Item(text -> {
            edits.carry(text, new Range(slot.start(), modifiers.start()));
            boolean isTyped = isOwn && change.isModified(index);
            if (isTyped) {
                text.write(change.typed().at(change.typed().parameters().get(index).modifiers()) + " ");
            } else {
                edits.carry(text, modifiers);
                text.write(modifiers.length() == 0 ? "" : " ");
            }
            text.write(type + " ");
            edits.carry(text, comment.length() == 0 ? new Range(name.start(), slot.end()) : name);
        }, comment));
    }

    private Optional<ListSlots.Item> added(int index) {
        TypedHeader.TypedParameter parameter = change.typed().parameters().get(index);
        String modifiers = change.typed().at(parameter.modifiers());
        return type(index).map(type -> ListSlots.Item.of(text -> {
            text.write(modifiers.isEmpty() || !isOwn ? "" : modifiers + " ").write(type + " ");
            // where callers get it too, the name is declared more than once
            if (isOwn && change.callers().isEmpty()) {
                text.name(change.name(index));
            } else {
                text.write(change.name(index));
            }
        }));
    }

    /** As typed where it was typed; written for the file where that is another. */
    private Optional<String> type(int index) {
        String typed = change.typed().at(change.typed().parameters().get(index).type());
        if (isHere) {
            return Optional.of(typedCode.type(typed));
        }
        if (dependsOnClass(change.type(index))) {
            return Optional.empty();
        }
        boolean isAnyNumber = typed.endsWith("...");
        return typedCode.writer().write(change.type(index)).map(type -> isAnyNumber && type.endsWith("[]")
                ? type.substring(0, type.length() - 2) + "..." : type);
    }

    /** Whether a type parameter of the class stands in a type: below that class it may be another type. */
    private static boolean dependsOnClass(TypeMirror type) {
        if (type instanceof ArrayType array) {
            return dependsOnClass(array.getComponentType());
        } else if (type instanceof TypeVariable variable) {
            return ((TypeParameterElement) variable.asElement()).getGenericElement() instanceof TypeElement;
        } else if (type instanceof WildcardType wildcard) {
            return Stream.of(wildcard.getExtendsBound(), wildcard.getSuperBound()).filter(Objects::nonNull)
                    .anyMatch(ParameterListEdits::dependsOnClass);
        }
        return type instanceof DeclaredType declaredType
                && declaredType.getTypeArguments().stream().anyMatch(ParameterListEdits::dependsOnClass);
    }
}
