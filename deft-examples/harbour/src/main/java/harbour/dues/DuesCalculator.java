package harbour.dues;

import static harbour.dues.Money.ZERO;

import harbour.vessels.Vessel;
import java.util.List;
import java.util.ServiceLoader;

/** Charges every ship by all tariffs that apply. */
public class DuesCalculator {

    private final List<Tariff> tariffs;

    public DuesCalculator(List<Tariff> tariffs) {
        this.tariffs = List.copyOf(tariffs);
    }

    public static DuesCalculator installed() {
        return new DuesCalculator(ServiceLoader.load(Tariff.class).stream()
                .map(ServiceLoader.Provider::get)
                .toList());
    }

    public Invoice invoice(Vessel vessel, int days) {
        Money total = ZERO;
        for (Tariff tariff : tariffs) {
            if (tariff.applies(vessel)) {
                total = total.plus(tariff.due(vessel, days));
            }
        }
        return new Invoice(vessel, total);
    }
}
