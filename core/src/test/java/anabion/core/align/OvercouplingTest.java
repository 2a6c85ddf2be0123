package anabion.core.align;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.job.AlignmentEntry.Sample;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Curves of two coupled circuits, by the formula of a textbook. */
class OvercouplingTest {
    private static final double MIDDLE = 455e3;
    private static final double QUALITY = 100;

    /** What comes through two like circuits: 1/|(1 + jx)² + (kQ)²|, where x = 2Q·off/f. */
    private static MeasuredCurve curve(double coupling, double from, double to) {
        List<Sample> all = new ArrayList<>();
        for (double f = from; f <= to; f += 500) {
            double x = 2 * QUALITY * (f - MIDDLE) / MIDDLE;
            double kq = coupling * QUALITY;
            all.add(new Sample(f, 1 / Math.hypot(1 + kq * kq - x * x, 2 * x)));
        }
        return new MeasuredCurve(all);
    }

    @Property(tries = 100)
    void theHumpsTellTheCouplingAndTheDampedWindingHasOnePeak(@ForAll @IntRange(min = 17, max = 40) int thousandths) {
        double k = thousandths / 1000.0;
        Overcoupling o = curve(k, 430e3, 480e3).overcoupling().orElseThrow();
        assertThat(o.coupling()).isCloseTo(k, within(0.1 * k));
        assertThat((o.lower() + o.upper()) / 2).isCloseTo(MIDDLE, within(500.0));
        double reactance = 2 * Math.PI * MIDDLE * 1.1e-3;
        double damped = o.damping(1.1e-3) / reactance;
        assertThat(k * Math.sqrt(damped * QUALITY))
                .as("coupled below the critical point")
                .isLessThan(0.6);
    }

    @Test
    void oneHumpIsNone() {
        assertThat(curve(0.009, 430e3, 480e3).overcoupling()).isEmpty();
        assertThat(curve(0.03, 455e3, 480e3).overcoupling())
                .as("but half of it was read")
                .isEmpty();
        assertThat(new MeasuredCurve(List.of(new Sample(1, -1), new Sample(2, 0.1), new Sample(3, 1))).overcoupling())
                .as("a detector's curve")
                .isEmpty();
    }
}
