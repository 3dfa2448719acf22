package harbour.office;

import java.util.ArrayList;
import java.util.List;

/** What happened, in order. */
public class Log {

    private final List<String> lines = new ArrayList<>();

    /** Notes anything by its text form. */
    public void note(Object what) {
        lines.add("note  " + what);
    }

    public void warn(String what) {
        lines.add("WARN  " + what);
    }

    public List<String> lines() {
        return List.copyOf(lines);
    }
}
