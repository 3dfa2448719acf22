package harbour.roster;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** Who does what today. */
public class Roster {

    private final Map<Duty, List<Officer>> watches = new EnumMap<>(Duty.class);

    /** The watch of one duty; belongs to its roster. */
    public class Watch {

        private final Duty duty;

        Watch(Duty duty) {
            this.duty = duty;
        }

        public int missing() {
            return duty.crew() - officers().size();
        }

        public List<Officer> officers() {
            return watches.getOrDefault(duty, List.of());
        }
    }

    public Watch watch(Duty duty) {
        return new Watch(duty);
    }

    public void fill(List<Officer> officers) {
        List<Officer> open = new ArrayList<>(officers);
        open.sort(new Comparator<Officer>() {
            @Override
            public int compare(Officer left, Officer right) {
                return Integer.compare(left.skills().size(), right.skills().size());
            }
        });
        search:
        for (Officer officer : open) {
            for (Duty duty : Duty.values()) {
                if (officer.can(duty) && watch(duty).missing() > 0) {
                    watches.computeIfAbsent(duty, none -> new ArrayList<>()).add(officer);
                    continue search;
                }
            }
        }
    }
}
