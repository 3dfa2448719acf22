package dev.deftchisel.signature.supertype;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.EditsByFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;

/** Variables and fields that are declared with a type above the one they have. */
public final class RetypedVariables {

    private final Analysis before;
    private final TypeElement type;

    /**
     * @param before in which all their uses were looked at
     * @param type   that they get, with the type arguments that each passes up
     */
    public RetypedVariables(Analysis before, TypeElement type) {
        this.before = before;
        this.type = type;
    }

    /**
     * A variable and all others of its file which are declared with the same type, are seen nowhere else, and need no
     * more than the new type either; one of them may be given to another.
     */
    public List<TypedDeclaration> alike(TypedDeclaration first) {
        AttributedFile code = first.code();
        List<TypedDeclaration> all = new ArrayList<>(TypedDeclaration.own(code, before.bindings(code.file().path()))
                .stream().filter(one -> code.types().isSameType(one.type(), first.type())).toList());
        int count;
        do {
            count = all.size();
            Set<SymbolKey> keys = new LinkedHashSet<>(all.stream().map(TypedDeclaration::key).toList());
            all.removeIf(one -> !new NeededType(before, one, keys).isEnough(type));
        } while (all.size() < count);
        return all;
    }

    /** The change of their declarations. */
    public Plan plan(List<TypedDeclaration> all) {
        EditsByFile edits = new EditsByFile(before);
        Map<SymbolKey, String> types = new HashMap<>();
        for (TypedDeclaration one : all) {
            AttributedFile code = one.code();
            Optional<DeclaredType> above = Supertypes.as(one.type(), type, code.types());
            Optional<String> text = above.flatMap(edits.writer(code)::write);
            if (text.isEmpty()) {
                return Plan.refused(Reason.at(code.file().path(), one.range(), "the type has no name that could be "
                        + "written here"));
            }
            edits.of(code.file().path()).add(Edit.of(one.written(), text.get(), Edit.Kind.CODE));
            types.put(one.key(), code.descriptor(above.get()));
        }
        String names = all.stream().map(one -> "'" + one.name() + "'").distinct().collect(Collectors.joining(", "));
        Change change = edits.change("declare " + names + " as '" + type.getSimpleName() + "'",
                SymbolEffects.same().retyping(types), all.stream().flatMap(one -> notes(one).stream()).distinct()
                        .toList());
        return new Plan.Ready(change, before);
    }

    /** What is found by the type of a field, and nobody can see. */
    private static List<String> notes(TypedDeclaration field) {
        Element owner = field.element().getEnclosingElement();
        List<String> notes = new ArrayList<>();
        if (field.element().getKind() != ElementKind.FIELD) {
            return notes;
        }
        if (!field.element().getAnnotationMirrors().isEmpty()) {
            notes.add("'" + field.name() + "' has an annotation; whoever reads that may look at the type of the field");
        }
        boolean isSaved = !field.element().getModifiers().contains(Modifier.STATIC) && field.code().isKind(owner
                .asType(), field.code().elements().getTypeElement("java.io.Serializable").asType());
        if (isSaved && owner.getEnclosedElements().stream().noneMatch(member -> member.getSimpleName()
                .contentEquals("serialVersionUID"))) {
            notes.add("'" + owner.getSimpleName() + "' can be saved and has no serialVersionUID; with a field of "
                    + "another type it no longer reads what was saved before");
        }
        return notes;
    }
}
