package harbour.dues;

import harbour.vessels.Vessel;

/** A way to charge. Found as a service. */
public interface Tariff {

    Money due(Vessel vessel, int days);

    default boolean applies(Vessel vessel) {
        return true;
    }
}
