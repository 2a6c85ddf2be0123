package anabion.core.diagnosis.prediction;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Points;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.SharedPredictions;
import anabion.core.diagnosis.evidence.LogScale;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.chart.Calibrations;
import anabion.core.simulation.cold.ColdOhms;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.LeftToDeep;
import anabion.core.testing.SharedSets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What hypotheses show, against solving each for itself. */
@ResourceLock(SharedPredictions.LOCK)
class PredictionModelTest {
    private static final PredictionModel PREDICTIONS = SharedPredictions.named("halcyon");
    private static final Chassis SET = PREDICTIONS.chassis();

    private static Hypothesis exactly(String... faults) {
        List<Fault> all = List.of(faults).stream().map(Fault::parse).toList();
        return new Hypothesis(all, all, 0.1);
    }

    private static GaussianPrediction at(Hypothesis h, String net, double line, String meter) {
        return PREDICTIONS
                .at(h, new Measurement.Volts(net, net, Setting.of(line), MeterSpec.parse(meter)))
                .orElseThrow();
    }

    private static double solved(Setting setting, String net, double meter) {
        return new Simulator()
                .prepare(SET, setting)
                .solveWithMeter(net, meter)
                .volts(net)
                .orElseThrow();
    }

    /** What the model says of a changed net is believed the less the more it is changed; a dead rail stands near zero, within a volt or two. */
    @Test
    void theModelIsNotExact() {
        double sound = at(exactly(), "V3.7", 230, "10M").noise();
        double raised = at(exactly("R13:open"), "V2.6", 230, "10M").noise();
        assertThat(raised)
                .as("a net that a fault leaves alone")
                .isCloseTo(at(exactly(), "V2.6", 230, "10M").noise(), within(0.3));
        assertThat(at(exactly("R13:drifted:110k"), "V3.7", 230, "10M").noise()).isGreaterThan(sound + 0.5);
        GaussianPrediction dead = at(exactly("V5:dead"), "B1", 230, "10M");
        assertThat(dead.noise()).isBetween(0.7, 4.0);
        assertThat(dead.allows(0)).isTrue();
        assertThat(dead.allows(30)).isFalse();
    }

    /** Plate and screen do not age alike: what both have of their tube is not all that they have. */
    @Test
    void oneElectrodeOfATubeDoesNotSettleTheOthers() {
        GaussianPrediction plate = at(exactly(), "V3.7", 230, "10M");
        GaussianPrediction rail = at(exactly(), "B1", 230, "10M");
        assertThat(plate.noise() / plate.value()).isGreaterThan(2 * rail.noise() / rail.value());
    }

    /** A leak that passes nothing, or a few shorted turns, make nothing sharper of the windings that the meter sees. */
    @ParameterizedTest
    @CsvSource({"lark, L2:leaky:10M", "lark, T2.secondary:short:0.02", "brae, T2:leaky:10M"})
    void whatAFaultyPartHasAsASoundOneIsKnownNoBetter(String name, String fault) {
        PredictionModel model = SharedPredictions.named(name);
        int alike = 0;
        for (Measurement.Ohms o : model.unplugged().stream().limit(120).toList()) {
            GaussianPrediction sound = model.at(model.healthy(), o).orElseThrow();
            GaussianPrediction faulty = model.at(exactly(fault), o).orElseThrow();
            if (Math.abs(sound.value() - faulty.value()) > 1e-4) continue;
            alike++;
            assertThat(faulty.noise()).as("%s", o).isGreaterThan(0.9 * sound.noise());
        }
        assertThat(alike).isGreaterThan(20);
    }

    /** With a light and a heavy meter, at stiff nets and at grids, sound and broken. */
    @ParameterizedTest
    @CsvSource({
        "V3.7, 10M, ''",
        "V3.7, 100k, ''",
        "V4.1, 10M, C14:leaky:3M",
        "V4.1, 1M, C14:leaky:3M",
        "B2, 20k, ''",
        "V2.6, 10M, R7:drifted:68k",
        "AVC, 10M, ''",
        "V3.7, 10M, R13:open"
    })
    void aMeterShowsWhatTheCircuitWithThatMeterShows(String net, String meter, String fault) {
        Hypothesis h = fault.isEmpty() ? exactly() : exactly(fault);
        double wanted = solved(
                Setting.of(230).withFaults(h.from()),
                net,
                MeterSpec.parse(meter).ohmsAt(1));
        double got = at(h, net, 230, meter).value();
        assertThat(got).isCloseTo(wanted, within(0.02 + 0.01 * Math.abs(wanted)));
    }

    /** Between the kept lines the slope does the rest. */
    @ParameterizedTest
    @ValueSource(doubles = {207, 215, 226, 234, 246, 253})
    void otherLinesAreFollowed(double line) {
        for (String net : List.of("B2", "V3.7", "V2.7", "V4.2")) {
            double wanted = solved(Setting.of(line), net, 10e6);
            assertThat(at(exactly(), net, line, "10M").value()).as(net).isCloseTo(wanted, within(0.02 + 0.01 * wanted));
        }
    }

    @Test
    void ohmsAreThoseOfTheColdSet() {
        Measurement.Ohms across = new Measurement.Ohms("V3.7", "B2", 1.5);
        double wanted = ColdOhms.between(
                        SET, Setting.of(230).withFaults(List.of(Fault.parse("R13:drifted:680k"))), "V3.7", "B2", 1.5)
                .ohms();
        double got = PREDICTIONS
                .at(exactly("R13:drifted:680k"), across)
                .orElseThrow()
                .value();
        assertThat(Math.pow(10, got)).isCloseTo(wanted, within(0.01 * wanted));
    }

    /** Beside a junction a resistor is read both ways round: one of them shows the resistor rather than the junction. */
    @ParameterizedTest
    @CsvSource({"R3, 1500", "R6, 680", "R10, 1000", "R18, 470"})
    void besideAJunctionBothWaysRoundAreAsked(String emitter, double ohms) {
        Chassis lark = SharedSets.named("lark");
        PredictionModel predictions = new PredictionModel(lark, Priors.USUAL);
        List<Double> both = predictions.unplugged().stream()
                .filter(o -> lark.part(emitter).orElseThrow().joins(o.net(), o.against()))
                .map(o -> predictions.at(predictions.healthy(), o).orElseThrow())
                .map(f -> Math.pow(10, f.value()))
                .sorted()
                .toList();
        assertThat(both).hasSize(2);
        assertThat(both.get(0)).isLessThan(0.7 * both.get(1));
        assertThat(both.get(1)).isBetween(0.7 * ohms, 1.01 * ohms);
    }

    /** Without junctions the other way round is the same question. */
    @Test
    void withoutJunctionsOneWayIsEnough() {
        Set<Measurement.Ohms> asked = new PredictionModel(SharedSets.named("halcyon"), Priors.USUAL).unplugged();
        assertThat(asked).noneMatch(o -> asked.contains(o.reversed()));
    }

    /** Over an electrolytic nobody knows the ohms; over a resistor far from one they are sharp. */
    @Test
    void whatElectrolyticsDecideIsForeseenBroadly() {
        double rail = PREDICTIONS
                .at(exactly(), new Measurement.Ohms("B2", "CHASSIS", 1.5))
                .orElseThrow()
                .deviation();
        double grid = PREDICTIONS
                .at(exactly(), new Measurement.Ohms("V1.1", "CHASSIS", 1.5))
                .orElseThrow()
                .deviation();
        assertThat(rail).isGreaterThan(5 * grid);
    }

    /** Two severities: the middle, and a spread that reaches both. */
    @Test
    void betweenTwoSeveritiesBothEndsAreWithinReach() {
        Hypothesis h =
                new Hypothesis(List.of(Fault.parse("C14:leaky:10M")), List.of(Fault.parse("C14:leaky:3M3")), 0.1);
        GaussianPrediction f = at(h, "V4.1", 230, "10M");
        for (String end : List.of("C14:leaky:10M", "C14:leaky:3M3")) {
            double v = at(exactly(end), "V4.1", 230, "10M").value();
            assertThat(Math.abs(v - f.value())).isLessThan(2 * f.deviation());
        }
    }

    @Test
    void aLiftedPartIsMissingFromWhatIsForeseen() {
        Setting lifted = Setting.of(230).withFaults(List.of(Fault.of("C14", FaultMode.OPEN)));
        Measurement.Volts grid = new Measurement.Volts("V4.1", "V4.1", lifted, MeterSpec.parse("10M"));
        double leak =
                PREDICTIONS.at(exactly("C14:leaky:1M"), grid).orElseThrow().value();
        double gas =
                PREDICTIONS.at(exactly("V4:gassy:4e-6"), grid).orElseThrow().value();
        assertThat(leak).as("the leak went with it").isCloseTo(0, within(0.3));
        assertThat(gas).isGreaterThan(0.8);
    }

    /** A slipped probe more often touches chassis or a rail than some odd voltage. */
    @Test
    void aSlipIsLikelierAtTheVoltsOfOtherNets() {
        Measurement.Volts p = new Measurement.Volts("V2.6", "V2.6", Setting.of(230), MeterSpec.parse("10M"));
        double rail = at(exactly(), "B2", 230, "10M").value();
        assertThat(PREDICTIONS.slip(p, 0)).isGreaterThan(3 * PREDICTIONS.slip(p, 160));
        assertThat(PREDICTIONS.slip(p, rail)).isGreaterThan(2 * PREDICTIONS.slip(p, 160));
        double sum = 0;
        double width = PREDICTIONS.range(p);
        for (double v = -width / 4; v < 3 * width / 4; v += 0.05) sum += 0.05 * PREDICTIONS.slip(p, v);
        assertThat(sum).as("a density").isBetween(0.8, 1.2);
    }

    /** What the chart says of its specimen is half believed of the design. */
    @Test
    void aChartsDeviationsAreHalfTheDesigns() {
        PredictionModel charted = new PredictionModel(SET, Map.of("R7", 1.21), ChartResidue.NONE, Priors.USUAL);
        Measurement.Volts p = new Measurement.Volts("V2.6", "V2.6", Setting.of(230), MeterSpec.parse("10M"));
        double half = charted.at(exactly(), p).orElseThrow().value();
        double wanted = solved(Setting.of(230).withTrims(Map.of("R7", 1.1)), "V2.6", 10e6);
        assertThat(half).isCloseTo(wanted, within(0.3));
    }

    /**
     * Laws of tubes that are not the model's leave something at every row of a chart: it is taken for the model's own error. All faults of three models are solved, half
     * a minute.
     */
    @Test
    @LeftToDeep
    void whatAChartLeavesIsTheModelsOwnErrorAndAccusesNobody() {
        Chassis odd = SET.withChart(SET.chart().map(PredictionModelTest::otherLaws));
        PredictionModel fitted = new PredictionModel(odd, Calibrations.of(odd), Priors.USUAL);
        List<Observation> own = odd.chart().orElseThrow().rows().stream()
                .filter(r -> r.measure() == Measure.DC_VOLTS)
                .<Observation>map(r -> new Observation.Measured(volts(odd, r), r.value()))
                .toList();
        Diagnosis d = Diagnosis.of(fitted, own);
        assertThat(d.decided())
                .as("%s", d.suspects().stream().limit(2).toList())
                .isFalse();
        assertThat(d.suspects().get(0).odds()).isLessThan(0.35);
        Diagnosis before = Diagnosis.of(
                new PredictionModel(odd, Calibrations.of(odd).orElseThrow().trims(), ChartResidue.NONE, Priors.USUAL),
                own);
        assertThat(d.sound()).as("surer that nothing is wrong").isGreaterThan(before.sound());
        List<Observation> starved = own.stream()
                .map(o -> (Observation.Measured) o)
                .<Observation>map(m -> {
                    Measurement.Volts v = (Measurement.Volts) m.measurement();
                    double now = solved(v.setting().withFaults(List.of(Fault.parse("R7:drifted:68k"))), v.net(), 20e3);
                    double well = solved(v.setting(), v.net(), 20e3);
                    return new Observation.Measured(v, m.value() * (Math.abs(well) < 0.05 ? 1 : now / well));
                })
                .toList();
        assertThat(Diagnosis.of(fitted, starved).suspects().get(0).parts())
                .as("a true fault is found all the same")
                .contains("R7");
    }

    private static Measurement.Volts volts(Chassis set, ChartRow r) {
        Chart.Conditions c = set.chart().orElseThrow().conditions();
        return new Measurement.Volts(
                r.point(),
                Points.of(set).need(r.point()).net(),
                Setting.of(c.line()).withBand(c.band()),
                MeterSpec.parse(c.meter()));
    }

    /** Plates a little higher, screens lower, cathodes as other knees and contact potentials make them. */
    private static Chart otherLaws(Chart chart) {
        List<ChartRow> rows = chart.rows().stream()
                .map(r -> new ChartRow(
                        r.id(),
                        r.point(),
                        r.band(),
                        r.measure(),
                        r.value() * (r.point().endsWith(".6") ? 0.93 : r.value() > 20 ? 1.04 : 1.12),
                        r.sourceOhms(),
                        r.tolerance(),
                        r.followsLine(),
                        r.extra()))
                .toList();
        return new Chart(
                chart.id(),
                chart.source(),
                chart.provisional(),
                chart.tolerance(),
                chart.conditions(),
                rows,
                chart.extra());
    }

    /** What lies aside of the meter's current is taken from the sound set, and nothing else: no change that a meter shows is missed. Over two seconds: a set with junctions is solved for each pair. */
    @Test
    void noChangeOfOhmsIsMissed() {
        PredictionModel lark = SharedPredictions.named("lark");
        Setting off = Setting.fed(lark.chassis());
        List<Measurement.Ohms> pairs = lark.unplugged().stream().toList();
        List<Hypothesis> some = IntStream.range(0, lark.hypotheses().size())
                .filter(n -> n % 40 == 7)
                .mapToObj(lark.hypotheses()::get)
                .filter(h -> !h.sound())
                .toList();
        List<Hypothesis> all = new ArrayList<>(some);
        lark.hypotheses().stream()
                .filter(h -> h.cause().equals("L1.coupling:open"))
                .forEach(all::add);
        assertThat(all).hasSizeGreaterThan(10);
        ColdSet sound = ColdSet.of(lark.chassis(), off);
        lark.ready(all, pairs);
        for (Hypothesis h : all) {
            ColdSet faulty = ColdSet.of(lark.chassis(), off.withFaults(h.from()));
            for (int n = 0; n < pairs.size(); n += 3) {
                Measurement.Ohms o = pairs.get(n);
                double moved = LogScale.OHMS.of(faulty.between(o.net(), o.against(), o.test()))
                        - LogScale.OHMS.of(sound.between(o.net(), o.against(), o.test()));
                if (Math.abs(moved) < 0.05 || h.graded()) continue;
                double foreseen = lark.at(h, o).orElseThrow().value()
                        - lark.at(lark.healthy(), o).orElseThrow().value();
                assertThat(foreseen).as("%s, %s", h, o.text()).isCloseTo(moved, within(0.3 + 0.3 * Math.abs(moved)));
                assertThat(Math.abs(foreseen)).as("%s, %s", h, o.text()).isGreaterThan(0.01);
            }
        }
    }
}
