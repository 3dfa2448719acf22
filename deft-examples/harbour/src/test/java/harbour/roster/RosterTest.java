package harbour.roster;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RosterTest {

    @Test
    void specialistsAreAssignedFirst() {
        Roster roster = new Roster();
        roster.fill(List.of(
                new Officer("Ida", Set.of(Duty.RADIO, Duty.PILOT)), new Officer("Jon", Set.of(Duty.PILOT))));
        assertEquals(0, roster.watch(Duty.PILOT).missing());
        assertEquals(1, roster.watch(Duty.RADIO).missing());
    }
}
