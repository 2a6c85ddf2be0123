package anabion.core.simulation.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.reading.Condition;
import anabion.core.reading.Predictor;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Specimen;
import anabion.core.testing.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CircuitPredictorTest {
    private static Condition at(Chassis set, double line, String meter) {
        return Condition.of(line, MeterSpec.parse(meter), set.bands().get(0).name());
    }

    private static double predicted(Predictor p, Chassis set, String name, Condition c) {
        Point point = Points.of(set).need(name);
        return p.at(point, Measure.DC_VOLTS, c).orElseThrow().value();
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark"})
    void underTheChartsOwnConditionItSaysWhatTheChartSays(String name) {
        Chassis set = SharedSets.named(name);
        Predictor p = CircuitPredictor.of(set);
        Chart chart = set.chart().orElseThrow();
        Condition same = at(set, chart.conditions().line(), chart.conditions().meter());
        for (ChartRow r : chart.rows())
            assertThat(p.at(Points.of(set).need(r.point()), r.measure(), same)
                            .orElseThrow()
                            .value())
                    .as(r.point())
                    .isCloseTo(r.value(), within(1e-3));
    }

    /** The specimen that was charted is found again better than the nominal set, at another line and with another meter. */
    @Test
    void calibrationBringsTheModelNearerToTheSpecimen() {
        Chassis nominal = SharedSets.named("halcyon");
        var trims = Specimen.of(nominal, 77);
        Chassis charted = nominal.withChart(ChartMaker.of(nominal, trims));
        Predictor calibrated = CircuitPredictor.of(charted);
        Simulator engine = new Simulator();
        Setting truth =
                Setting.of(245).withControls(java.util.Map.of("RV1", 0.0)).withTrims(trims);
        Simulator.PreparedCircuit specimen = engine.prepare(nominal, truth);
        Simulator.PreparedCircuit plain = engine.prepare(nominal, truth.withTrims(java.util.Map.of()));
        double near = 0;
        double far = 0;
        for (String pin : List.of("V1.6", "V2.6", "V2.7", "V3.7", "V4.2", "V4.6", "V5.7")) {
            String net = Points.of(nominal).need(pin).net();
            double real = specimen.solveWithMeter(net, 10e6).volts(net).orElseThrow();
            double naive = plain.solveWithMeter(net, 10e6).volts(net).orElseThrow();
            double ours = predicted(calibrated, charted, pin, at(charted, 245, "10M"));
            near += Math.abs(ours / real - 1);
            far += Math.abs(naive / real - 1);
        }
        assertThat(near / 7).isLessThan(0.02);
        assertThat(near).isLessThan(far / 2);
    }

    @Test
    void theMeterIsPartOfTheAnswer() {
        Chassis set = SharedSets.named("halcyon");
        Predictor p = CircuitPredictor.of(set);
        double fine = predicted(p, set, "V3.7", at(set, 230, "10M"));
        double crude = predicted(p, set, "V3.7", at(set, 230, "1k/V"));
        assertThat(crude).isLessThan(0.85 * fine);
    }

    @Test
    void aLiftedPartIsMissingFromTheCircuitToo() {
        Chassis set = SharedSets.named("halcyon");
        Predictor p = CircuitPredictor.of(set);
        Condition whole = at(set, 230, "10M");
        double lifted = predicted(p, set, "V2.6", whole.withOpenEnds(List.of("R7")));
        assertThat(Math.abs(lifted)).isLessThan(10);
        assertThat(predicted(p, set, "V2.6", whole)).isGreaterThan(90);
    }

    @Test
    void aChartOfAnotherCircuitIsNotExplainedAway() {
        Chassis set = SharedSets.named("halcyon");
        Chart c = set.chart().orElseThrow();
        List<ChartRow> strange = c.rows().stream()
                .map(r -> r.point().equals("V2.6")
                        ? new ChartRow(
                                r.id(),
                                r.point(),
                                r.band(),
                                r.measure(),
                                20,
                                r.sourceOhms(),
                                r.tolerance(),
                                true,
                                r.extra())
                        : r)
                .toList();
        Chassis other =
                set.withChart(new Chart(c.id(), c.source(), false, c.tolerance(), c.conditions(), strange, c.extra()));
        Predictor p = CircuitPredictor.of(other);
        assertThat(p.at(Points.of(other).need("V2.6"), Measure.DC_VOLTS, at(other, 230, "10M")))
                .isEmpty();
    }

    @Test
    void aSetWithoutASupplyIsNotPredicted() {
        Chassis set = SharedSets.named("moor");
        assertThat(CircuitPredictor.of(set)).isSameAs(Predictor.NONE);
    }
}
