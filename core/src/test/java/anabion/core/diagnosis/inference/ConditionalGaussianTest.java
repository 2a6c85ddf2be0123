package anabion.core.diagnosis.inference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.MeterSpec;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.SharedPredictions;
import anabion.core.diagnosis.Workbench;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.GaussianPrediction;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What the readings leave open of the next one, and how severe they make a fault. */
@ResourceLock(SharedPredictions.LOCK)
class ConditionalGaussianTest {
    private static final PredictionModel PREDICTIONS = SharedPredictions.named("halcyon");
    private static final Chassis SET = PREDICTIONS.chassis();

    /** Two readings that hang on one source: by hand, the mean moves by half of the first's distance, and a half of the variance goes. */
    @Test
    void aSharedSourceCarriesOver() {
        GaussianPrediction first = new GaussianPrediction(10, new double[] {1, 0, 0}, 1);
        GaussianPrediction second = new GaussianPrediction(20, new double[] {1, 0, 0}, 0.1);
        double[] outlook =
                ConditionalGaussian.of(List.of(first), new double[] {11}).outlook(second);
        assertThat(outlook[0]).isCloseTo(20.5, within(1e-12));
        assertThat(outlook[1]).isCloseTo(Math.sqrt(0.01 + 0.5), within(1e-12));
    }

    @Test
    void whatHasNothingInCommonTellsNothing() {
        GaussianPrediction first = new GaussianPrediction(10, new double[] {1, 0, 0}, 1);
        GaussianPrediction second = new GaussianPrediction(20, new double[] {0, 2, 0}, 0.1);
        assertThat(ConditionalGaussian.of(List.of(first), new double[] {12}).outlook(second))
                .containsExactly(second.value(), second.deviation());
    }

    /** By the formula itself, of two readings that hang together: c·C⁻¹·d and c·C⁻¹·c. */
    @Test
    void twoReadingsTellTogether() {
        GaussianPrediction one = new GaussianPrediction(10, new double[] {2, 1, 0}, 0.5);
        GaussianPrediction two = new GaussianPrediction(20, new double[] {1, -1, 0}, 0.3);
        GaussianPrediction next = new GaussianPrediction(30, new double[] {1, 3, 1}, 0.2);
        double a = one.variance();
        double b = one.shared(two);
        double d = two.variance();
        double x = next.shared(one);
        double y = next.shared(two);
        double whole = a * d - b * b;
        double middle = 30 + (x * (d * 1.5 - b * -0.4) + y * (a * -0.4 - b * 1.5)) / whole;
        double variance = next.variance() - (x * (d * x - b * y) + y * (a * y - b * x)) / whole;
        for (double[] outlook : List.of(
                ConditionalGaussian.of(List.of(one, two), new double[] {11.5, 19.6})
                        .outlook(next),
                ConditionalGaussian.of(List.of(two, one), new double[] {19.6, 11.5})
                        .outlook(next))) {
            assertThat(outlook[0]).isCloseTo(middle, within(1e-9));
            assertThat(outlook[1]).isCloseTo(Math.sqrt(variance), within(1e-9));
        }
    }

    /** A slip is no news of the next reading. */
    @Test
    void aReadingFromElsewhereIsLeftOut() {
        GaussianPrediction first = new GaussianPrediction(10, new double[] {1, 0, 0}, 1);
        GaussianPrediction second = new GaussianPrediction(20, new double[] {1, 0, 0}, 0.1);
        assertThat(ConditionalGaussian.of(List.of(first), new double[] {200}).outlook(second)[0])
                .isEqualTo(20);
    }

    /** Behind a feed the ohms of a leak half way are up to 5 % off the straight line between its severities. */
    @ParameterizedTest
    @CsvSource({
        "C26:leaky:330k, C26:leaky:100k, ohms, V4.5, V3.7",
        "L3.primary:core:1M, L3.primary:core:100k, ohms, V2.5, V2.6",
        "C14:leaky:10M, C14:leaky:3M3, volts, V4.1, V4.2",
        "R7:drifted:66k, R7:drifted:115k5, volts, V2.6, V2.7"
    })
    void oneReadingHalfWayForeseesTheNext(String least, String most, String what, String read, String next) {
        Hypothesis h = new Hypothesis(List.of(Fault.parse(least)), List.of(Fault.parse(most)), 0.1);
        Fault half = h.at(x -> 0.5).from().get(0);
        Measurement.Metered first = measurement(what, read);
        Measurement.Metered second = measurement(what, next);
        Hypothesis exact = new Hypothesis(List.of(half), List.of(half), 0.1);
        double shown = PREDICTIONS.at(exact, first).orElseThrow().value();
        double wanted = PREDICTIONS.at(exact, second).orElseThrow().value();
        List<Observation> evidence = List.of(new Observation.Measured(first, first.unscaled(shown)));
        double foreseen = ConditionalGaussian.of(PREDICTIONS, h, evidence)
                .orElseThrow()
                .outlook(PREDICTIONS.at(h, second).orElseThrow())[0];
        assertThat(second.unscaled(foreseen)).isCloseTo(second.unscaled(wanted), withinPercentage(2));
    }

    private static Measurement.Metered measurement(String what, String at) {
        return what.equals("ohms")
                ? new Measurement.Ohms(at, "CHASSIS", 1.5)
                : new Measurement.Volts(at, at, Setting.of(230), MeterSpec.parse("10M"));
    }

    /** The amount that is named lies near the one planted, wherever between the listed severities that is. */
    @ParameterizedTest
    @CsvSource({"R7:drifted:46k", "R7:drifted:56k", "R7:drifted:64k", "R7:drifted:90k", "C14:leaky:2M", "C14:leaky:5M"})
    void theSeverityIsThatOfTheReadings(String fault) {
        Fault planted = Fault.parse(fault);
        Workbench bench = new Workbench(SET, 5, fault);
        List<Observation> evidence =
                new ArrayList<>(bench.read(List.of("V2.6", "V2.7", "V2.5", "V4.1", "V4.2", "V3.7")));
        evidence.add(bench.answer(new Measurement.Ohms("V2.6", "B2", 1.5)));
        Diagnosis d = Diagnosis.of(PREDICTIONS, evidence);
        assertThat(d.suspects().get(0).names(planted.cause()))
                .as("%s", d.suspects())
                .isTrue();
        Hypothesis listed = d.suspects().get(0).first();
        Hypothesis sized = d.sized(PREDICTIONS, evidence).suspects().get(0).first();
        assertThat(sized.cause()).isEqualTo(listed.cause());
        double named = sized.from().get(0).ohms().value();
        double least = listed.from().get(0).ohms().value();
        double most = listed.to().get(0).ohms().value();
        assertThat(named).isBetween(0.99 * Math.min(least, most), 1.01 * Math.max(least, most));
        double off = Math.abs(Math.log(named / planted.ohms().value()));
        assertThat(off).as("%s named %s", fault, sized).isLessThan(0.25);
    }

    /** Volts say how far a resistor has drifted; across it an ohmmeter must then show just that, whatever its tolerance once was. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void theOhmsThatAreNamedAreThoseThatAreForeseen(int seed) {
        Workbench bench = new Workbench(SET, seed, "R7:drifted:64k");
        List<Observation> evidence = new ArrayList<>(bench.read(List.of("V2.6", "V2.7", "V1.6")));
        Hypothesis drifted = about(Fault.parse("R7:drifted:64k"));
        Measurement.Ohms across = new Measurement.Ohms("V2.6", "B2", 1.5);
        ConditionalGaussian given =
                ConditionalGaussian.of(PREDICTIONS, drifted, evidence).orElseThrow();
        double named = drifted.at(given::severity).from().get(0).ohms().value();
        double foreseen =
                across.unscaled(given.outlook(PREDICTIONS.at(drifted, across).orElseThrow())[0]);
        assertThat(foreseen).isCloseTo(named, withinPercentage(1));
    }

    private static Hypothesis about(Fault fault) {
        double ohms = fault.ohms().value();
        return PREDICTIONS.hypotheses().stream()
                .filter(h -> h.cause().equals(fault.cause()))
                .filter(h -> (h.from().get(0).ohms().value() - ohms)
                                * (h.to().get(0).ohms().value() - ohms)
                        <= 0)
                .findFirst()
                .orElseThrow();
    }

    /** One slight and the other grave, or both, or neither: each is named with its own ohms. */
    @ParameterizedTest
    @CsvSource({
        "C14:leaky:9M, R7:drifted:110k",
        "C14:leaky:3M5, R7:drifted:68k",
        "C14:leaky:3M5, R7:drifted:110k",
        "C14:leaky:9M, R7:drifted:68k"
    })
    void ofTwoFaultsEachHasItsOwnSeverity(String one, String other) {
        List<Fault> planted = List.of(Fault.parse(one), Fault.parse(other));
        Workbench bench = new Workbench(SET, 3, one, other);
        List<Observation> evidence = bench.read(List.of("V2.6", "V2.7", "V2.5", "V4.1", "V4.2", "V3.7"));
        Hypothesis both = about(planted.get(0)).and(about(planted.get(1)));
        ConditionalGaussian given =
                ConditionalGaussian.of(PREDICTIONS, both, evidence).orElseThrow();
        List<Fault> named = both.at(given::severity).from();
        for (int n = 0; n < 2; n++)
            assertThat(Math.log(
                            named.get(n).ohms().value() / planted.get(n).ohms().value()))
                    .as("%s named %s", planted, named)
                    .isBetween(-0.25, 0.25);
        Measurement.Ohms across = new Measurement.Ohms("V2.6", "B2", 1.5);
        assertThat(across.unscaled(given.outlook(PREDICTIONS.at(both, across).orElseThrow())[0]))
                .isCloseTo(named.get(1).ohms().value(), withinPercentage(5));
    }

    /** What two faults move is shared out by what each moves alone; what they move together beyond that by the same share. */
    @Test
    void togetherTheyMoveWhatTheyMove() {
        GaussianPrediction both = new GaussianPrediction(10, new double[] {1, 0, 0, 6}, 1).apart(3, 1);
        assertThat(both.severe(0)).isCloseTo(4.5, within(1e-12));
        assertThat(both.severe(1)).isCloseTo(1.5, within(1e-12));
        assertThat(new GaussianPrediction(10, new double[] {1, 0, 0, 6}, 1)
                        .apart(0, 0)
                        .severe(0))
                .as("where neither moves it alone, one severity moves both")
                .isEqualTo(6);
    }

    /** Every reading narrows what is foreseen of the next, and none widens it. */
    @Test
    void evidenceNeverWidensTheOutlook() {
        Workbench bench = new Workbench(SET, 7);
        List<Observation> evidence = new ArrayList<>();
        GaussianPrediction next =
                PREDICTIONS.at(PREDICTIONS.healthy(), bench.volts("V2.5")).orElseThrow();
        double before = next.deviation();
        for (String p : List.of("V2.6", "V2.7", "V1.5", "V4.6", "V4.2")) {
            evidence.add(bench.read(p));
            double now = ConditionalGaussian.of(PREDICTIONS, PREDICTIONS.healthy(), evidence)
                    .orElseThrow()
                    .outlook(next)[1];
            assertThat(now).as("after %s", p).isLessThanOrEqualTo(before + 1e-9);
            before = now;
        }
        assertThat(before).isLessThan(0.75 * next.deviation());
    }
}
