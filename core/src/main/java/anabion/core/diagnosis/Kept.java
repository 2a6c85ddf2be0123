package anabion.core.diagnosis;

import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;

/**
 * Answers of hypotheses to probes. Probes that ask the same are one; hypotheses are told apart by identity, since each is listed once. Not for
 * several threads.
 */
final class Kept<P, T> {
    private static final int LATELY = 4000;

    private final int most;
    private final Map<P, IdentityHashMap<Hypothesis, T>> asked = new LinkedHashMap<>();
    /** The same by identity, which spares most of the comparisons. */
    private final IdentityHashMap<P, IdentityHashMap<Hypothesis, T>> lately = new IdentityHashMap<>();

    private int size;

    /** @param most answers, beyond which those to the probes asked first go */
    Kept(int most) {
        this.most = most;
    }

    T of(P probe, Hypothesis h, Supplier<T> computed) {
        IdentityHashMap<Hypothesis, T> answers = lately.get(probe);
        if (answers == null) {
            if (lately.size() > LATELY) lately.clear();
            answers = asked.computeIfAbsent(probe, p -> new IdentityHashMap<>());
            lately.put(probe, answers);
        }
        T known = answers.get(h);
        if (known != null) return known;
        T found = computed.get();
        answers.put(h, found);
        if (++size > most) dropFirst();
        return found;
    }

    private void dropFirst() {
        Iterator<IdentityHashMap<Hypothesis, T>> first = asked.values().iterator();
        IdentityHashMap<Hypothesis, T> gone = first.next();
        first.remove();
        lately.clear();
        size -= gone.size();
    }
}
