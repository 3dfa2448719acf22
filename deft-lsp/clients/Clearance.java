package harbour.office;

import harbour.tides.Tide;

/** Whether a vessel may leave. */
public class Clearance {

    private boolean paid;

    public List<String> missing() {
        List<String> missing = new ArrayList<String>();
        if (paid == false) {
            missing.add("dues");
        }
        return missing;
    }
}
