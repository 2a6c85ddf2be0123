package anabion.core.numeric;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/** Keeps a bounded number of dear results; the one unused longest goes first. */
public final class LruCache<K, V> {
    private final Map<K, V> kept;

    /** @param most entries kept */
    public LruCache(int most) {
        kept = new LinkedHashMap<>(most, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > most;
            }
        };
    }

    /** What is kept under a key; empty where nothing is. */
    public Optional<V> known(K key) {
        return Optional.ofNullable(kept.get(key));
    }

    /** What is kept under a key, else what is made now, which is then kept. */
    public V get(K key, Supplier<V> otherwise) {
        V found = kept.get(key);
        if (found == null) {
            found = otherwise.get();
            kept.put(key, found);
        }
        return found;
    }
}
