package harbour.vessels;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Things found by a key that is read off them. */
public class Registry<K extends Comparable<K>, V> {

    private final Map<K, V> entries = new LinkedHashMap<>();
    private final Function<? super V, ? extends K> keyOf;

    public Registry(Function<? super V, ? extends K> keyOf) {
        this.keyOf = keyOf;
    }

    public void enter(V entry) {
        entries.put(keyOf.apply(entry), entry);
    }

    public Optional<V> find(K key) {
        return Optional.ofNullable(entries.get(key));
    }

    public int size() {
        return entries.size();
    }
}
