package dev.deftchisel.signature.call;

import com.sun.source.tree.VariableTree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.RecordPattern;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.ListSlots;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeMirror;

/** Writes a record pattern (JLS 14.30.1) for the components that the record has then. */
public final class PatternEdits {

    private static final int LEVEL_OF_UNNAMED = 22;

    private final Analysis before;
    private final SignatureChange change;
    private final AttributedFile code;
    private final RecordPattern pattern;
    private final NestedEdits edits;

    /**
     * @param typed   what is written in the file
     * @param pattern one of the record
     * @param edits   of the file
     */
    public PatternEdits(TypedCode typed, RecordPattern pattern, NestedEdits edits) {
        this.before = typed.before();
        this.change = typed.change();
        this.code = typed.code();
        this.pattern = pattern;
        this.edits = edits;
    }

    /** What is in the way; when nothing is, all is written. */
    public Optional<Reason> write() {
        for (int i = 0; i < change.before(); i++) {
            Range part = pattern.parts().get(i);
            if (!change.origins().contains(i) && !matchesAnything(part, i)) {
                return Optional.of(Reason.at(code.file().path(), part, "this is asked of the component '"
                        + change.oldName(i) + "', which would not be there any more"));
            }
        }
        ListSlots slots = new ListSlots(code.file(), pattern.inner(), pattern.parts());
        List<ListSlots.Item> items = new ArrayList<>();
        Set<String> taken = code.tokens().names();
        for (int i = 0; i < change.origins().size(); i++) {
            if (change.isAdded(i)) {
                String any = code.file().module().level() >= LEVEL_OF_UNNAMED ? "_"
                        : "var " + NewName.free(taken, change.name(i));
                items.add(ListSlots.Item.of(text -> text.write(any)));
            } else {
                items.add(slots.item(change.origins().get(i), edits));
            }
        }
        edits.replace(pattern.inner(), List.of(), text -> slots.write(text, items));
        return Optional.empty();
    }

    /** Whether a pattern is a variable that nobody reads, and that takes every value of its component. */
    private boolean matchesAnything(Range part, int component) {
        Tokens tokens = code.tokens();
        int last = tokens.codeBefore(tokens.at(part.end() - 1));
        if (tokens.is(last, "_")) {
            return true;
        }
        Range name = tokens.range(last);
        Optional<Binding> declared = before.bindings(code.file().path()).stream()
                .filter(binding -> binding.role() == Role.DECLARATION && binding.range().equals(name)).findFirst();
        return declared.isPresent() && before.uses(declared.get().key()).size() == 1
                && code.declaration(name).filter(path -> path.getLeaf() instanceof VariableTree)
                .flatMap(code::element).filter(variable -> isTotal(variable.asType(), component)).isPresent();
    }

    private boolean isTotal(TypeMirror variable, int component) {
        TypeElement type = (TypeElement) change.own().element().getEnclosingElement();
        TypeElement here = code.elements().getTypeElement(type.getQualifiedName());
        return here != null && code.isKind(code.types().erasure(here.getRecordComponents().get(component).asType()),
                code.types().erasure(variable));
    }
}
