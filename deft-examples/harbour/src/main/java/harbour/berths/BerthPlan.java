package harbour.berths;

import harbour.office.Log;
import harbour.vessels.Vessel;
import java.util.List;

/** Gives every ship a berth, the longest ships first. */
public class BerthPlan {

    private final Quay quay;
    private final Log log;

    public BerthPlan(Quay quay, Log log) {
        this.quay = quay;
        this.log = log;
    }

    public int assign(List<Vessel> waiting) {
        int placed = 0;
        for (Vessel vessel : waiting.stream().sorted((a, b) -> b.length().compareTo(a.length())).toList()) {
            Berth berth = quay.free(vessel).orElse(null);
            if (berth == null) {
                log.warn("no berth for " + vessel.name());
                continue;
            }
            berth.moor(vessel);
            log.note(vessel);
            placed++;
        }
        return placed;
    }
}
