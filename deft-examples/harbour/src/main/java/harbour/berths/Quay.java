package harbour.berths;

import harbour.vessels.Vessel;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;

/** Berths in a row. */
public class Quay implements Iterable<Berth> {

    private final String name;
    private final List<Berth> berths = new ArrayList<>();

    public Quay(String name) {
        this.name = name;
    }

    public String name() {
        return name;
    }

    public void add(Berth berth) {
        berths.add(berth);
    }

    public Optional<Berth> free(Vessel vessel) {
        return berths.stream()
                .filter(berth -> berth.occupant().isEmpty())
                .filter(berth -> berth.fits(vessel))
                .findFirst();
    }

    public long taken() {
        return berths.stream().map(Berth::occupant).filter(Optional::isPresent).count();
    }

    @Override
    public Iterator<Berth> iterator() {
        return new Iterator<>() {
            private int next;

            @Override
            public boolean hasNext() {
                return next < berths.size();
            }

            @Override
            public Berth next() {
                if (!hasNext()) {
                    throw new NoSuchElementException(name);
                }
                return berths.get(next++);
            }
        };
    }
}
