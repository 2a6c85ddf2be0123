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
    private final int most;
    private final Map<P, Map<Hypothesis, T>> asked = new LinkedHashMap<>();
    /** The same by identity, which spares most of the comparisons. */
    private final Map<P, Map<Hypothesis, T>> lately = new IdentityHashMap<>();

    private int size;

    /** @param most answers, beyond which those to the probes asked first go */
    Kept(int most) {
        this.most = most;
    }

    T of(P probe, Hypothesis h, Supplier<T> computed) {
        Map<Hypothesis, T> answers = lately.get(probe);
        if (answers == null) {
            if (lately.size() > most) lately.clear();
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
        Iterator<Map<Hypothesis, T>> first = asked.values().iterator();
        Map<Hypothesis, T> gone = first.next();
        first.remove();
        lately.values().removeIf(v -> v == gone);
        size -= gone.size();
    }
}
