package harbour.reports;

import harbour.berths.Berth;
import harbour.berths.Quay;
import harbour.vessels.Vessel;

/** Which ship lies where. */
public class DayReport extends Report {

    private final Quay quay;

    public DayReport(Quay quay) {
        super("Quay " + quay.name());
        this.quay = quay;
    }

    @Override
    protected void body(TextTable table) {
        for (Berth berth : quay) {
            table.row("berth " + berth.number(), berth.occupant().map(Vessel::name).orElse("free"));
        }
    }
}
