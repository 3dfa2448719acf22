package harbour.dues;

import harbour.vessels.Cargo;
import harbour.vessels.Freighter;
import harbour.vessels.Vessel;

@Fee(12)
public class TonnageTariff implements Tariff {

    private static final int DANGER_FACTOR = 2;

    @Override
    public Money due(Vessel vessel, int days) {
        long cents = TonnageTariff.class.getAnnotation(Fee.class).value();
        Money base = new Money(cents).times(vessel.kind().tonnage()).times(days);
        return isDangerous(vessel) ? base.times(DANGER_FACTOR) : base;
    }

    private static boolean isDangerous(Vessel vessel) {
        return vessel.kind() instanceof Freighter freighter && freighter.cargo().isDangerous();
    }

    @Override
    public boolean applies(Vessel vessel) {
        return !(vessel.kind() instanceof Freighter freighter) || freighter.cargo() != Cargo.GRAIN;
    }
}
