package dev.deftchisel.member;

import com.sun.source.tree.Tree;
import dev.deftchisel.rewrite.NewCode;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;

/**
 * A member that is to be written.
 *
 * @param kind    among what it belongs
 * @param name    as calls say it; that of the class for a constructor
 * @param lines   its text, each further level indented by four blanks
 * @param instead the member that it takes the place of
 * @param linked  names in it that are only proposed, each declared there once
 * @param ahead   the member that it must stand before, such as one that needs its value (JLS 8.3.3)
 * @param isFinal whether it is a method that no subclass may override
 * @param code    writes it in place of the lines when it comes from elsewhere, given the indentation of further lines
 */
public record NewMember(Kind kind, String name, List<String> lines, Optional<Tree> instead, Optional<Tree> ahead,
        Set<String> linked, boolean isFinal, Optional<BiConsumer<NewCode, String>> code) {

    /** Among what a member belongs. */
    public enum Kind {
        /** After the last constant of an enum. */
        ENUM_CONSTANT,
        /** After the constants at the start. */
        CONSTANT,
        /** After the fields at the start. */
        FIELD,
        /** After the constructors, or the fields. */
        CONSTRUCTOR,
        /** After the accessors, or the constructors. */
        ACCESSOR,
        /** After all methods. */
        METHOD,
        /** After all members. */
        TYPE
    }

    public NewMember {
        lines = List.copyOf(lines);
        linked = Set.copyOf(linked);
    }

    /** One that comes to what is there. */
    public static NewMember added(Kind kind, String name, List<String> lines) {
        return new NewMember(kind, name, lines, Optional.empty(), Optional.empty(), Set.of(), false,
                Optional.empty());
    }

    /** One that is carried from elsewhere. */
    public static NewMember carried(Kind kind, String name, BiConsumer<NewCode, String> code) {
        return new NewMember(kind, name, List.of(), Optional.empty(), Optional.empty(), Set.of(), false,
                Optional.of(code));
    }

    /** The same in the place of another. */
    public NewMember insteadOf(Optional<? extends Tree> other) {
        return new NewMember(kind, name, lines, other.map(tree -> tree), ahead, linked, isFinal, code);
    }

    /** The same with names that the user may want to change. */
    public NewMember linking(Set<String> names) {
        return new NewMember(kind, name, lines, instead, ahead, names, isFinal, code);
    }

    /** The same before another. */
    public NewMember aheadOf(Optional<? extends Tree> other) {
        return new NewMember(kind, name, lines, instead, other.map(tree -> tree), linked, isFinal, code);
    }

    /** The same, which no subclass may override, or may. */
    public NewMember finalIf(boolean mayNotBeOverridden) {
        return new NewMember(kind, name, lines, instead, ahead, linked, mayNotBeOverridden, code);
    }
}
