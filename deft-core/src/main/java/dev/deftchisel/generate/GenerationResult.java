package dev.deftchisel.generate;

import dev.deftchisel.member.NewMember;
import dev.deftchisel.operation.Reason;
import java.util.List;

/** What an operation makes of its answers. */
sealed interface GenerationResult {

    /**
     * Members to write.
     *
     * @param title what is done, for the history
     * @param notes what the user should know
     * @param above types that it implements then, as they are written
     */
    record Members(String title, List<NewMember> members, List<String> notes, List<String> above)
            implements GenerationResult {

        /** Copies the lists. */
        public Members {
            members = List.copyOf(members);
            notes = List.copyOf(notes);
            above = List.copyOf(above);
        }

        /** Members that change nothing of what is above the type. */
        Members(String title, List<NewMember> members, List<String> notes) {
            this(title, members, notes, List.of());
        }
    }

    /** It cannot be done. */
    record Refused(Reason reason) implements GenerationResult {
    }

    /** Nothing has to be told besides. */
    static GenerationResult members(String title, List<NewMember> members) {
        return new Members(title, members, List.of());
    }

    /** It cannot be done, for a reason at no place of its own. */
    static GenerationResult refused(String sentence) {
        return new Refused(Reason.of(sentence));
    }
}
