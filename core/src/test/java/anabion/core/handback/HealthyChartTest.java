package anabion.core.handback;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.job.FittedState;
import anabion.core.json.Extra;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import anabion.core.testing.SharedSets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** What a set reads when it is in order, as a chart of its own. */
class HealthyChartTest {
    private static final Instant NOW = Instant.parse("2026-11-01T12:00:00Z");
    private final Chassis set = SharedSets.named("halcyon");

    private static Condition at(double line, String band) {
        return Condition.of(line, new MeterSpec.Fixed(10e6), band);
    }

    private Reading reading(String point, double volts, Condition condition, boolean doubtful) {
        return new Reading(
                UUID.randomUUID(),
                point,
                set.reference(),
                Measure.DC_VOLTS,
                volts,
                doubtful,
                condition,
                FittedState.AS_FOUND,
                NOW,
                Extra.NONE);
    }

    @Test
    void ofEachPointTheLastSoundReadingOfTheUsualConditionCounts() {
        List<Reading> all = new ArrayList<>(List.of(
                reading("V4.6", 150, at(115, "AM"), false),
                reading("V4.6", 200, at(230, "AM"), false),
                reading("V4.5", 225, at(231, "AM"), false),
                reading("V3.7", 60, at(230, "AM"), true),
                reading("V2.7", 2.0, at(230, "AM").withOpenEnds(List.of("C14")), false),
                reading("V4.2", 10, at(229.5, "AM"), false),
                reading("V1.5", 210, at(230, "Pick-up"), false),
                reading("V4.1", 2.4, at(230, "AM"), false),
                reading("V4.6", 203, at(230, "AM"), false)));
        Chart chart = HealthyChart.of(set, all, "own").orElseThrow();
        assertThat(chart.rows())
                .extracting(ChartRow::point, ChartRow::value, ChartRow::band)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("V4.6", 203.0, ""),
                        org.assertj.core.groups.Tuple.tuple("V4.5", 225.0, ""),
                        org.assertj.core.groups.Tuple.tuple("V4.2", 10.0, ""),
                        org.assertj.core.groups.Tuple.tuple("V1.5", 210.0, "Pick-up"));
        assertThat(chart.conditions().line()).isBetween(229.0, 231.0);
        assertThat(chart.conditions().band()).isEqualTo("AM");
        assertThat(HealthyChart.of(set, all, "own")).as("the same each time").contains(chart);
    }

    @Test
    void twoReadingsAreNoChart() {
        assertThat(HealthyChart.of(
                        set,
                        List.of(reading("V4.6", 200, at(230, "AM"), false), reading("V4.5", 225, at(230, "AM"), false)),
                        "own"))
                .isEmpty();
    }
}
