package anabion.core.diagnosis.prediction;

import anabion.core.diagnosis.hypothesis.Hypothesis;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * Answers of hypotheses to measurements. Probes that ask the same are one; hypotheses are told apart by identity, since each is listed once. Not for
 * several threads.
 */
public final class PredictionCache<P, T> {
    private static final int LATELY = 4000;

    private final int most;
    private final Map<P, IdentityHashMap<Hypothesis, T>> asked = new LinkedHashMap<>();
    /** The answers by identity of the question, which spares most comparisons. */
    private final IdentityHashMap<P, IdentityHashMap<Hypothesis, T>> lately = new IdentityHashMap<>();

    private int size;

    /** @param most answers, beyond which those to the measurements asked first go */
    public PredictionCache(int most) {
        this.most = most;
    }

    /** What was computed before for a measurement and a hypothesis, else computed now. */
    public T of(P measurement, Hypothesis h, Function<Hypothesis, T> computed) {
        T found = of(answers(measurement), h, computed);
        trim();
        return found;
    }

    /** The answers of several hypotheses to one question. */
    public List<T> of(P measurement, List<Hypothesis> hypotheses, Function<Hypothesis, T> computed) {
        IdentityHashMap<Hypothesis, T> answers = answers(measurement);
        List<T> found = new ArrayList<>(hypotheses.size());
        for (Hypothesis h : hypotheses) found.add(of(answers, h, computed));
        trim();
        return found;
    }

    private T of(IdentityHashMap<Hypothesis, T> answers, Hypothesis h, Function<Hypothesis, T> computed) {
        T known = answers.get(h);
        if (known != null) return known;
        T found = computed.apply(h);
        answers.put(h, found);
        size++;
        return found;
    }

    private IdentityHashMap<Hypothesis, T> answers(P measurement) {
        IdentityHashMap<Hypothesis, T> answers = lately.get(measurement);
        if (answers == null) {
            if (lately.size() > LATELY) lately.clear();
            answers = asked.computeIfAbsent(measurement, p -> new IdentityHashMap<>());
            lately.put(measurement, answers);
        }
        return answers;
    }

    private void trim() {
        while (size > most && asked.size() > 1) {
            Iterator<IdentityHashMap<Hypothesis, T>> first = asked.values().iterator();
            IdentityHashMap<Hypothesis, T> gone = first.next();
            first.remove();
            lately.clear();
            size -= gone.size();
        }
    }
}
