package anabion.core.device.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SmoothTest {
    /** Of an exponential tail too every digit counts: a grid's start current hangs on it. */
    @ParameterizedTest
    @ValueSource(doubles = {-700, -300, -40, -36.8, -36.7, -30, -9, -1e-3, 0, 1e-9, 0.5, 12, 33.9, 34.1, 800})
    void roundIsTheLogarithmOfOneAndTheExponential(double x) {
        double expected = x > 0 ? x + Math.log1p(Math.exp(-x)) : Math.log1p(Math.exp(x));
        assertThat(Smooth.softplus(x)).isCloseTo(expected, withinPercentage(1e-11));
    }

    @Test
    void whatIsNoNumberStaysNone() {
        assertThat(Smooth.softplus(Double.NaN)).isNaN();
    }
}
