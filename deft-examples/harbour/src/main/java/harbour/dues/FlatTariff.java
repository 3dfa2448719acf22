package harbour.dues;

import harbour.vessels.Vessel;

@Fee(value = 4_500, unit = "visit")
public class FlatTariff implements Tariff {

    @Override
    public Money due(Vessel vessel, int days) {
        return new Money(FlatTariff.class.getAnnotation(Fee.class).value());
    }
}
