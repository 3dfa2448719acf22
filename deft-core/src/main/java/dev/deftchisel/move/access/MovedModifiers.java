package dev.deftchisel.move.access;

import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.change.Edit;
import dev.deftchisel.move.moved.MovedType;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import javax.lang.model.element.ElementKind;

/** The modifiers of a type where it goes (JLS 8.1.1, 8.5.1, 9.5). */
public final class MovedModifiers {

    private static final Set<String> OF_MEMBERS = Set.of("private", "protected", "public", "static");

    private final MovedType type;

    public MovedModifiers(MovedType type) {
        this.type = type;
    }

    /**
     * The edits that leave out what only members say, and write what the type is to say.
     *
     * @param access   who may use it then
     * @param isMember whether it becomes a member of a class
     */
    public List<Edit> edits(AccessLevel access, boolean isMember) {
        // what is no class is static without saying so
        boolean saysStatic = isMember && type.element().getKind() == ElementKind.CLASS;
        String wanted = access.prefix() + (saysStatic ? "static " : "");
        List<Edit> edits = new ArrayList<>();
        Tokens tokens = type.file().tokens();
        List<Integer> words = words();
        String said = "";
        for (int word : words) {
            if (OF_MEMBERS.contains(tokens.text(word))) {
                said += tokens.text(word) + " ";
            }
        }
        if (said.equals(wanted)) {
            return List.of();
        }
        boolean isWritten = false;
        for (int word : words) {
            if (OF_MEMBERS.contains(tokens.text(word))) {
                int next = tokens.kind(word + 1) == TokenKind.WHITE_SPACE ? word + 2 : word + 1;
                edits.add(Edit.of(new Range(tokens.start(word), tokens.start(next)), isWritten ? "" : wanted,
                        Edit.Kind.CODE));
                isWritten = true;
            }
        }
        if (!isWritten) {
            int start = tokens.start(words.get(0));
            edits.add(Edit.of(new Range(start, start), wanted, Edit.Kind.CODE));
        }
        return edits;
    }

    /** What stands before its name, but for annotations. */
    private List<Integer> words() {
        Tokens tokens = type.file().tokens();
        List<Range> annotations = type.tree().getModifiers().getAnnotations().stream().map(type.code()::range).toList();
        int name = tokens.at(type.code().name(type.tree()).start());
        List<Integer> words = new ArrayList<>();
        for (int i = tokens.code(tokens.at(type.code().range(type.tree()).start())); i < name; i = tokens.code(i + 1)) {
            Range token = tokens.range(i);
            if (annotations.stream().noneMatch(annotation -> annotation.encloses(token))) {
                words.add(i);
            }
        }
        return words;
    }
}
