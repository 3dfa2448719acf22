package harbour.office;

import harbour.berths.Berth;
import harbour.berths.BerthPlan;
import harbour.berths.Quay;
import harbour.dues.DuesCalculator;
import harbour.dues.Invoice;
import harbour.reports.DayReport;
import harbour.reports.DuesReport;
import harbour.tides.TideTable;
import harbour.tides.TideWindow;
import harbour.vessels.Cargo;
import harbour.vessels.Ferry;
import harbour.vessels.Freighter;
import harbour.vessels.Metres;
import harbour.vessels.Registry;
import harbour.vessels.Vessel;
import java.time.LocalTime;
import java.util.List;

/** One day at the harbour. */
public final class HarbourOffice {

    private final Log log = new Log();
    private final Quay quay = new Quay("North");
    private final Registry<String, Vessel> register = new Registry<>(Vessel::name);

    public String day(List<Vessel> arrivals, LocalTime now) {
        arrivals.forEach(register::enter);
        quay.add(new Berth(1, Metres.of(80), Metres.of(6)));
        quay.add(new Berth(2, Metres.of(140), Metres.of(9)));
        TideTable table = new TideTable().high(LocalTime.of(6, 30)).low(LocalTime.of(12, 40)).high(LocalTime.of(18, 50));
        TideWindow window = table.window(now).orElseThrow();
        log.note("the tide window opens at " + window.opens());
        new BerthPlan(quay, log).assign(arrivals);
        List<Invoice> invoices = arrivals.stream()
                .map(vessel -> DuesCalculator.installed().invoice(vessel, 2))
                .toList();
        return new DayReport(quay).print() + new DuesReport(invoices).print();
    }

    public Log log() {
        return log;
    }

    public static void main(String[] arguments) {
        HarbourOffice office = new HarbourOffice();
        System.out.print(office.day(List.of(
                new Vessel("Anna", new Freighter(900, Cargo.TIMBER), Metres.of(76), Metres.of(5)),
                new Vessel("Gull", new Ferry(400, 120), Metres.of(60), Metres.of(4))), LocalTime.NOON));
        office.log().lines().forEach(System.out::println);
    }
}
