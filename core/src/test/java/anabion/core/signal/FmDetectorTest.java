package anabion.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.align.MeasuredCurve;
import anabion.core.chassis.Chassis;
import anabion.core.command.AlignRequest;
import anabion.core.error.InputException;
import anabion.core.job.AlignmentEntry.Sample;
import anabion.core.testing.SharedSets;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The curve of an FM detector: computed, and as it is read. */
class FmDetectorTest {
    private static final Chassis SET = SharedSets.named("concerto");
    private static final double IF = 10.7e6;

    private static FmDetector detector() {
        return FmDetector.of(SET, SET.band("FM").orElseThrow()).orElseThrow();
    }

    private static MeasuredCurve read(double primary, double secondary) {
        return new MeasuredCurve(detector().curve(primary, secondary).stream()
                .map(p -> new Sample(p.hertz(), p.share()))
                .toList());
    }

    @Test
    void inTuneItGoesThroughZeroInTheMiddleOfTwoPeaksAlike() {
        FmDetector d = detector();
        assertThat(d.coil().reference()).isEqualTo("L8");
        assertThat(d.volts(IF, IF, IF)).isCloseTo(0, within(1e-12));
        for (double off = 20e3; off < 300e3; off += 40e3)
            assertThat(d.volts(IF + off, IF, IF)).isCloseTo(-d.volts(IF - off, IF, IF), within(1e-9));
        MeasuredCurve c = read(IF, IF);
        assertThat(c.zero().orElseThrow()).isCloseTo(IF, within(1e3));
        assertThat(c.balance()).isGreaterThan(0.999);
        assertThat(Math.abs(c.highest() - c.lowest())).as("between its peaks").isBetween(150e3, 500e3);
    }

    /** The secondary moves the zero, the primary the balance: the order of the work follows from that. */
    @Test
    void theSecondaryMovesTheZeroAndThePrimaryTheBalance() {
        assertThat(read(IF, IF + 50e3).zero().orElseThrow()).isCloseTo(IF + 50e3, within(5e3));
        assertThat(read(IF + 50e3, IF).zero().orElseThrow()).isCloseTo(IF, within(5e3));
        assertThat(read(IF + 50e3, IF).balance()).isLessThan(0.9);
    }

    @Test
    void onAmAndWithoutDiodesThereIsNone() {
        assertThat(FmDetector.of(SET, SET.band("MW").orElseThrow())).isEmpty();
        Chassis without = SET.withParts(
                SET.parts().stream().filter(p -> !p.reference().equals("V5")).toList());
        assertThat(FmDetector.of(without, without.band("FM").orElseThrow())).isEmpty();
    }

    /** Points by a tenth of the width each: centre and width of a single circuit's bell within a twentieth of it. */
    @Test
    void aCurveThatIsReadSaysItsMiddleAndItsWidth() {
        double width = 8e3;
        List<Sample> samples = java.util.stream.IntStream.rangeClosed(-15, 15)
                .mapToObj(n -> 466e3 + n * 1e3)
                .map(f -> new Sample(f, 2 / Math.hypot(1, (f - 466e3) / (width / 2 / Math.sqrt(3)))))
                .toList();
        MeasuredCurve c = new MeasuredCurve(samples);
        assertThat(c.crosses()).isFalse();
        assertThat(c.centre()).isCloseTo(466e3, within(width / 20));
        assertThat(c.width().orElseThrow()).isCloseTo(width, within(width / 20));
        assertThat(c.zero()).isEmpty();
        assertThat(new MeasuredCurve(samples.subList(13, 18)).width())
                .as("not read so far down")
                .isEqualTo(Optional.empty());
    }

    @Test
    void aCurveIsTypedInPairs() {
        AlignRequest.Curve c = (AlignRequest.Curve) AlignRequest.parse("curve 10.6 -0.8, 10.7 0.02, 10.8 0.7V");
        assertThat(c.samples()).containsExactly(new Sample(10.6, -0.8), new Sample(10.7, 0.02), new Sample(10.8, 0.7));
    }

    @ParameterizedTest
    @ValueSource(strings = {"curve 1 2, 3 4", "curve 1, 2, 3", "curve a b, c d, e f", "curve 455 1 2, 460 1, 465 1"})
    void whatIsNoCurveIsRefused(String line) {
        assertThatThrownBy(() -> AlignRequest.parse(line)).isInstanceOf(InputException.class);
    }
}
