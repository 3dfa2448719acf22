package dev.deftchisel.signature.declaration;

import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;

/** Writes the access of one declaration anew (JLS 6.6.1), and the modifiers that it gets. */
final class ModifierEdits {

    private final SignatureChange change;
    private final DeclaredHeader declared;
    private final NestedEdits edits;

    ModifierEdits(SignatureChange change, DeclaredHeader declared, NestedEdits edits) {
        this.change = change;
        this.declared = declared;
        this.edits = edits;
    }

    /** How far this declaration is open then; empty when that stays: an override may be more open (JLS 8.4.8.3). */
    Optional<AccessLevel> access(boolean isOwn, boolean isBelow) {
        return change.newAccess().filter(level -> isOwn
                || isBelow && level.compareTo(SignatureChange.access(declared.element())) > 0);
    }

    /**
     * Writes it.
     *
     * @param more other modifiers that it gets, each with a blank
     */
    void write(Optional<AccessLevel> access, String more) {
        TypedHeader header = declared.header();
        Optional<Range> word = header.accessWord().map(declared::place);
        String added = more;
        if (change.typed().object().isPresent()) {
            header.words().stream().filter(one -> header.at(one).equals("static")).map(declared::place)
                    .forEach(this::remove);
        }
        if (access.isPresent() && word.isPresent()) {
            edits.replace(word.get(), List.of(), text -> text.write(access.get().prefix().strip()));
        } else {
            added = access.map(AccessLevel::prefix).orElse("") + added;
        }
        if (!added.isEmpty()) {
            String words = added;
            int start = word.isPresent() ? declared.place(header.words().get(header.words().size() - 1)).end() + 1
                    : header.words().stream().findFirst().map(declared::place).map(Range::start).orElse(first());
            edits.replace(new Range(start, start), List.of(), text -> text.write(words));
        }
    }

    /** With the white space up to what follows. */
    private void remove(Range word) {
        String content = declared.code().file().content();
        int end = word.end();
        while (Character.isWhitespace(content.charAt(end))) {
            end++;
        }
        edits.replace(new Range(word.start(), end), List.of(), text -> text.write(""));
    }

    /** Where what is no modifier begins. */
    private int first() {
        TypedHeader.Head head = declared.header().head();
        return declared.place(head.typeParameters().or(head::result).orElse(declared.header().name())).start();
    }
}
