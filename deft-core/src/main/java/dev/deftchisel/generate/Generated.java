package dev.deftchisel.generate;

import dev.deftchisel.member.NewMember;
import dev.deftchisel.operation.Reason;
import java.util.List;

/** What an operation makes of its answers. */
sealed interface Generated {

    /**
     * Members to write.
     *
     * @param title what is done, for the history
     * @param notes what the user should know
     */
    record Members(String title, List<NewMember> members, List<String> notes) implements Generated {

        /** Copies the lists. */
        public Members {
            members = List.copyOf(members);
            notes = List.copyOf(notes);
        }
    }

    /** It cannot be done. */
    record Refused(Reason reason) implements Generated {
    }

    /** Nothing has to be told besides. */
    static Generated members(String title, List<NewMember> members) {
        return new Members(title, members, List.of());
    }

    /** It cannot be done, for a reason at no place of its own. */
    static Generated refused(String sentence) {
        return new Refused(Reason.of(sentence));
    }
}
