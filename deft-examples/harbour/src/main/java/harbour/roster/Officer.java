package harbour.roster;

import java.util.Set;

public record Officer(String name, Set<Duty> skills) {

    public Officer {
        skills = Set.copyOf(skills);
    }

    public boolean can(Duty duty) {
        return skills.contains(duty);
    }
}
