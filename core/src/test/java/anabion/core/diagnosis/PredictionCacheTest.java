package anabion.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Fault;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class PredictionCacheTest {
    private final AtomicInteger computed = new AtomicInteger();
    private final Hypothesis one = hypothesis();
    private final Hypothesis other = hypothesis();

    private static Hypothesis hypothesis() {
        List<Fault> open = List.of(Fault.of("R1", "open"));
        return new Hypothesis(open, open, 0.1);
    }

    private int ask(PredictionCache<Probe, Integer> kept, Probe probe, Hypothesis h) {
        return kept.of(probe, h, x -> computed.incrementAndGet());
    }

    /** A reading typed anew is another object that asks the same. */
    @Test
    void whatAsksTheSameIsComputedOnce() {
        PredictionCache<Probe, Integer> kept = new PredictionCache<>(10);
        assertThat(ask(kept, new Probe.Listen("MW"), one)).isEqualTo(1);
        assertThat(ask(kept, new Probe.Listen("MW"), one)).isEqualTo(1);
        assertThat(ask(kept, new Probe.Listen("LW"), one)).isEqualTo(2);
        assertThat(ask(kept, new Probe.Listen("MW"), other)).isEqualTo(3);
    }

    @Test
    void ofManyOnlyWhatIsNewIsComputed() {
        PredictionCache<Probe, Integer> kept = new PredictionCache<>(10);
        Probe probe = new Probe.Listen("MW");
        assertThat(ask(kept, probe, other)).isEqualTo(1);
        assertThat(kept.of(probe, List.of(one, other), x -> computed.incrementAndGet()))
                .containsExactly(2, 1);
    }

    @Test
    void whatWasAskedFirstGoesFirst() {
        PredictionCache<Probe, Integer> kept = new PredictionCache<>(2);
        Probe first = new Probe.Listen("1");
        Probe last = new Probe.Listen("3");
        for (Probe p : List.of(first, new Probe.Listen("2"), last)) ask(kept, p, one);
        assertThat(ask(kept, last, one)).isEqualTo(3);
        assertThat(ask(kept, first, one)).isEqualTo(4);
    }
}
