package anabion.core.diagnosis.prediction;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class PredictionCacheTest {
    private final AtomicInteger computed = new AtomicInteger();
    private final Hypothesis one = hypothesis();
    private final Hypothesis other = hypothesis();

    private static Hypothesis hypothesis() {
        List<Fault> open = List.of(Fault.of("R1", FaultMode.OPEN));
        return new Hypothesis(open, open, 0.1);
    }

    private int ask(PredictionCache<Measurement, Integer> kept, Measurement measurement, Hypothesis h) {
        return kept.of(measurement, h, x -> computed.incrementAndGet());
    }

    /** A reading typed anew is another object that asks the same. */
    @Test
    void whatAsksTheSameIsComputedOnce() {
        PredictionCache<Measurement, Integer> kept = new PredictionCache<>(10);
        assertThat(ask(kept, new Measurement.Listen("MW"), one)).isEqualTo(1);
        assertThat(ask(kept, new Measurement.Listen("MW"), one)).isEqualTo(1);
        assertThat(ask(kept, new Measurement.Listen("LW"), one)).isEqualTo(2);
        assertThat(ask(kept, new Measurement.Listen("MW"), other)).isEqualTo(3);
    }

    @Test
    void ofManyOnlyWhatIsNewIsComputed() {
        PredictionCache<Measurement, Integer> kept = new PredictionCache<>(10);
        Measurement measurement = new Measurement.Listen("MW");
        assertThat(ask(kept, measurement, other)).isEqualTo(1);
        assertThat(kept.of(measurement, List.of(one, other), x -> computed.incrementAndGet()))
                .containsExactly(2, 1);
    }

    @Test
    void whatWasAskedFirstGoesFirst() {
        PredictionCache<Measurement, Integer> kept = new PredictionCache<>(2);
        Measurement first = new Measurement.Listen("1");
        Measurement last = new Measurement.Listen("3");
        for (Measurement p : List.of(first, new Measurement.Listen("2"), last)) ask(kept, p, one);
        assertThat(ask(kept, last, one)).isEqualTo(3);
        assertThat(ask(kept, first, one)).isEqualTo(4);
    }
}
