package anabion.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Points;
import anabion.core.job.FittedState;
import anabion.core.json.Extra;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** A set for AM and FM whose switch moves supplies about. */
class EveryBandTest {
    private static final Chassis SET = SharedSets.named("concerto");
    private static final Condition NOW = Condition.of(230, new MeterSpec.Fixed(10e6), "FM");

    private static EveryBand of(Chassis set, List<Reading> readings) {
        return EveryBand.of(set, readings, List.of(), NOW, Tolerances.usual(set), CircuitPredictor.of(set));
    }

    private static EveryBand.BandRow line(EveryBand all, String point) {
        return all.lines().stream()
                .filter(l -> l.point().label().equals(point) && l.measure() == Measure.DC_VOLTS)
                .findFirst()
                .orElseThrow();
    }

    private static Reading reading(String point, String band, double volts) {
        return new Reading(
                UUID.randomUUID(),
                point,
                "CHASSIS",
                Measure.DC_VOLTS,
                volts,
                false,
                NOW.withBand(band),
                FittedState.AS_FOUND,
                Instant.EPOCH,
                Extra.NONE);
    }

    @Test
    void onlyPointsThatTheSwitchMovesStandThereEachOnEveryBand() {
        EveryBand all = of(SET, List.of());
        assertThat(all.bands()).containsExactly("FM", "MW", "LW", "Pick-up");
        assertThat(all.lines()).isNotEmpty().allMatch(l -> l.rows().size() == 4);
        assertThat(all.lines())
                .extracting(l -> l.point().label())
                .contains("V1.1", "V3.8")
                .doesNotContain("V7.7");
        double fm = line(all, "V1.1").rows().get(0).expectation().orElseThrow().value();
        double mw = line(all, "V1.1").rows().get(1).expectation().orElseThrow().value();
        assertThat(fm).isGreaterThan(150);
        assertThat(mw).as("the FM unit has no supply on AM").isLessThan(5);
    }

    /** A contact that does not close on the two AM bands: the readings are those of the circuit with that fault. */
    @Test
    void anOpenContactShowsOnItsOwnBands() {
        Simulator engine = new Simulator();
        List<Reading> readings = new ArrayList<>();
        for (String band : List.of("FM", "MW", "LW"))
            readings.add(reading(
                    "V3.8",
                    band,
                    engine.solve(SET, Setting.of(230).withBand(band).withFaults(List.of(Fault.parse("S2:open:1/6"))))
                            .volts(Points.of(SET).need("V3.8").net())
                            .orElse(0)));
        List<ReadingRow> rows = line(of(SET, readings), "V3.8").rows();
        assertThat(rows.get(0).standing()).isNotEqualTo(Standing.OUT);
        assertThat(rows.get(1).standing()).isEqualTo(Standing.OUT);
        assertThat(rows.get(2).standing()).isEqualTo(Standing.OUT);
        assertThat(rows.get(3).reading()).as("not taken").isEmpty();
    }

    @Test
    void aSetWithOneBandHasNoSuchPoints() {
        Chassis lark = SharedSets.named("lark");
        assertThat(EveryBand.of(
                                lark,
                                List.of(),
                                List.of(),
                                Condition.of(9, new MeterSpec.Fixed(10e6), "MW"),
                                Tolerances.usual(lark),
                                CircuitPredictor.of(lark))
                        .lines())
                .isEmpty();
    }
}
