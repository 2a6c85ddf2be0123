package anabion.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.json.Extra;
import java.util.List;
import java.util.OptionalDouble;
import java.util.UUID;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class ExpectationTest {
    private static Chart chart(double line, String meter) {
        Chart.Conditions c = new Chart.Conditions(line, meter, "", "", "none", "", "CHASSIS", Extra.NONE);
        return new Chart(UUID.randomUUID(), "", false, 0.1, c, List.of(), Extra.NONE);
    }

    private static ChartRow row(double value, OptionalDouble source, boolean follows) {
        return new ChartRow(
                UUID.randomUUID(),
                "V3.7",
                "",
                Measure.DC_VOLTS,
                value,
                source,
                OptionalDouble.empty(),
                follows,
                Extra.NONE);
    }

    private static Expectation restate(double value, double source, double line, String meter) {
        return Expectation.of(
                chart(220, "20k/V"),
                row(value, OptionalDouble.of(source), true),
                Condition.of(line, MeterSpec.parse(meter), ""),
                Tolerances.STANDARD);
    }

    @Test
    void aHighResistancePlateReadsHigherOnABetterMeter() {
        // 74 V on 5 MΩ behind 60 kΩ: 74·(1 + 60k/5M) = 74.888 V free; ×231/220 = 78.632; on 10 MΩ ÷ 1.006 = 78.163
        assertThat(restate(74, 60e3, 231, "10M").value()).isCloseTo(78.163, within(0.001));
    }

    /** A heater of 5.7 V is judged as close as a plate of 219 V: within the chart's tenth. */
    @Test
    void windingsAreJudgedByTheChartAlone() {
        for (double volts : List.of(5.7, 219.0)) {
            ChartRow winding = new ChartRow(
                    UUID.randomUUID(),
                    "V1.3",
                    "",
                    Measure.AC_VOLTS,
                    volts,
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    true,
                    Extra.NONE);
            Expectation e = Expectation.of(
                    chart(220, "20k/V"), winding, Condition.of(220, MeterSpec.parse("10M"), ""), Tolerances.STANDARD);
            assertThat(e.half()).isCloseTo(0.1 * volts, within(1e-9));
        }
    }

    @Test
    void aPoorMeterPullsTheReadingDown() {
        // 1 kΩ/V on its 250 V range is 250 kΩ behind 200 kΩ
        double free = 100 * (1 + 200e3 / 5e6);
        assertThat(restate(100, 200e3, 220, "1k/V").value()).isCloseTo(free / (1 + 200e3 / 250e3), within(1e-6));
    }

    @Test
    void theArithmeticIsSaidStepByStep() {
        assertThat(restate(74, 60e3, 231, "10M").arithmetic())
                .extracting(p -> p.key())
                .containsExactly("arithmetic.unloaded", "arithmetic.line", "arithmetic.loaded", "arithmetic.tolerance");
    }

    @Test
    void contactPotentialDoesNotFollowTheLine() {
        Expectation e = Expectation.of(
                chart(220, "10M"),
                row(-0.7, OptionalDouble.empty(), false),
                Condition.of(250, MeterSpec.parse("10M"), ""),
                Tolerances.STANDARD);
        assertThat(e.value()).isEqualTo(-0.7);
    }

    @Test
    void theTolerancePolicyOverridesTheChart() {
        Tolerances strict = new Tolerances(OptionalDouble.of(0.05), 0, 1.5);
        Expectation e = Expectation.of(
                chart(220, "10M"),
                row(100, OptionalDouble.empty(), true),
                Condition.of(220, MeterSpec.parse("10M"), ""),
                strict);
        assertThat(e.low()).isCloseTo(95, within(1e-9));
        assertThat(e.high()).isCloseTo(105, within(1e-9));
        assertThat(e.deviation(110)).isCloseTo(2, within(1e-9));
    }

    /** More negative is more, where volts should be negative; a positive grid is high, whatever it should be. */
    @Test
    void sizeIsSeenFromZero() {
        Expectation bias = restate(-8, 0, 220, "10M");
        assertThat(bias.size(-10)).isPositive();
        assertThat(bias.size(-4)).isNegative();
        assertThat(bias.size(2)).isPositive();
        assertThat(restate(100, 0, 220, "10M").size(80)).isNegative();
    }

    @Test
    void anUnknownLineLeavesTheValueAlone() {
        Expectation e = Expectation.of(
                chart(0, "10M"),
                row(100, OptionalDouble.empty(), true),
                Condition.of(231, MeterSpec.parse("10M"), ""),
                Tolerances.STANDARD);
        assertThat(e.value()).isEqualTo(100);
    }

    @Property(seed = "11", tries = 300)
    void theChartsOwnConditionsGiveTheChartsOwnValue(
            @ForAll @DoubleRange(min = -250, max = 400) double value,
            @ForAll @DoubleRange(min = 0, max = 2e6) double source) {
        double free = value * (1 + source / MeterSpec.parse("20k/V@500").ohmsAt(value));
        Expectation e = Expectation.of(
                chart(220, "20k/V@500"),
                row(value, OptionalDouble.of(source), true),
                Condition.of(220, MeterSpec.parse("20k/V@500"), ""),
                Tolerances.STANDARD);
        assertThat(e.value()).isCloseTo(value, within(1e-9 * Math.max(1, Math.abs(free))));
    }

    @Property(seed = "12", tries = 300)
    void theExpectationRisesWithTheLineAndLiesInItsBand(
            @ForAll @DoubleRange(min = 1, max = 400) double value,
            @ForAll @DoubleRange(min = 100, max = 300) double line) {
        Expectation low = restate(value, 10e3, line, "10M");
        Expectation high = restate(value, 10e3, line * 1.05, "10M");
        assertThat(high.value()).isGreaterThan(low.value());
        assertThat(low.value()).isBetween(low.low(), low.high());
        assertThat(low.deviation(low.high())).isCloseTo(1, within(1e-9));
    }
}
