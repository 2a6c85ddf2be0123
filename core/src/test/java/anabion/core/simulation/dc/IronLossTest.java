package anabion.core.simulation.dc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.testing.SharedSets;
import org.junit.jupiter.api.Test;

class IronLossTest {
    /** Iron losses of 30 to 120 VA, as data of small transformers have them: some four to ten per cent. */
    @Test
    void ironTakesAFewWatts() {
        for (double va : new double[] {30, 60, 120})
            assertThat(IronLoss.watts(va) / va).as(va + " VA").isBetween(0.04, 0.1);
        assertThat(IronLoss.watts(60)).isCloseTo(4, within(0.5));
    }

    @Test
    void aSetWithoutATransformerHasNone() {
        assertThat(IronLoss.watts(SharedSets.named("brae"), 60)).isZero();
        assertThat(IronLoss.watts(SharedSets.named("lark"), 60)).isZero();
        assertThat(IronLoss.watts(SharedSets.named("halcyon"), 60)).isPositive();
    }
}
