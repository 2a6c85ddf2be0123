package anabion.core.diagnosis.inference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.hypothesis.PartStress;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.GaussianPrediction;
import anabion.core.signal.Domain;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The laws of the odds, on figures that can be checked by hand. */
class LikelihoodTest {
    private static final double[] ANYWHERE = {1 / 650.0, 1 / 650.0};
    private static final double[] RANGE = {650, 650};

    private static GaussianPrediction at(double value, double noise, double... shares) {
        return new GaussianPrediction(value, shares, noise);
    }

    private static double of(double a, double b, GaussianPrediction one, GaussianPrediction two) {
        return Likelihood.of(new double[] {a, b}, List.of(one, two), ANYWHERE);
    }

    /** Two readings of one rail, both at nothing, are a fault of that rail; of two places that have nothing in common both may be slips. */
    @Test
    void twoSlipsOnOneRailAreHardlyTwoSlips() {
        double ofOneRail = of(0, 0, at(240, 3, 12), at(230, 3, 12));
        double apart = of(0, 0, at(240, 3, 12, 0), at(230, 3, 0, 12));
        assertThat(ofOneRail).isLessThan(apart - 2);
        assertThat(of(240, 0, at(240, 3, 12), at(230, 3, 12)))
                .as("one slip costs what it did")
                .isCloseTo(of(240, 0, at(240, 3, 12, 0), at(230, 3, 0, 12)), within(0.01));
    }

    /** One of them in a covariance, and every odds would be none. */
    @Test
    void whatIsNoNumberIsRefusedBeforeItIsWeighed() {
        double none = Double.NaN;
        assertThatThrownBy(() -> at(none, 2, 0)).isInstanceOf(ArithmeticException.class);
        assertThatThrownBy(() -> at(100, none, 0)).isInstanceOf(ArithmeticException.class);
        assertThatThrownBy(() -> at(100, 2, 0, none)).isInstanceOf(ArithmeticException.class);
        assertThatThrownBy(() -> at(100, 2, Double.POSITIVE_INFINITY)).isInstanceOf(ArithmeticException.class);
        for (Measurement.Metered p : List.of(
                new Measurement.Volts("V1.6", "V1.6", Setting.of(230), MeterSpec.parse("10M")),
                new Measurement.Ohms("B2", "CHASSIS", 1.5),
                new Measurement.Value("R7"),
                new Measurement.Level("AM", Domain.AF, "DET1")))
            assertThatThrownBy(() -> new Observation.Measured(p, none))
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining(p.text());
        assertThat(new Observation.Measured(new Measurement.Ohms("B2", "CHASSIS", 1.5), Double.POSITIVE_INFINITY)
                        .value())
                .as("an open circuit is a reading")
                .isInfinite();
    }

    /** Against the density of a Gaussian, written out. */
    @Test
    void withoutSpreadItIsTheMetersOwnError() {
        double got = of(101, 199, at(100, 2, 0), at(200, 4, 0));
        double both = -0.5 * (0.25 + 1.0 / 16) - Math.log(8) - Math.log(2 * Math.PI);
        double kept = 2 * Math.log(1 - Likelihood.SLIP) + both;
        assertThat(got).as("slips add a little").isBetween(kept, kept + 0.05);
    }

    /** Two readings that move together are one surprise, not two. */
    @Test
    void readingsThatShareARailAreNotCountedTwice() {
        double rail = of(110, 220, at(100, 2, 10, 0), at(200, 4, 20, 0));
        double apart = of(110, 220, at(100, 2, 10, 0), at(200, 4, 0, 20));
        double against = of(110, 180, at(100, 2, 10, 0), at(200, 4, 20, 0));
        assertThat(rail).as("a high line").isGreaterThan(against + 3);
        assertThat(rail).isGreaterThan(apart);
    }

    @Test
    void oneWildReadingCostsNoMoreThanASlip() {
        GaussianPrediction one = at(100, 3, 0);
        GaussianPrediction two = at(200, 4, 0);
        double good = of(100, 200, one, two);
        double wild = of(100, 431, one, two);
        assertThat(wild).isLessThan(good);
        assertThat(wild).as("as a slip it no longer matters how far").isCloseTo(of(100, 555, one, two), within(1e-3));
        assertThat(good - wild).isLessThan(-Math.log(Likelihood.SLIP / 650) + 3);
    }

    /** Leaving readings out by the inverse is the same as leaving them out of the matrix. */
    @Test
    void theSumOverSlipsIsWhatItSaysItIs() {
        Random random = new Random(4);
        int n = 4;
        double[] read = new double[n];
        double[] slips = new double[n];
        List<GaussianPrediction> all = new java.util.ArrayList<>();
        for (int i = 0; i < n; i++) {
            read[i] = random.nextGaussian();
            slips[i] = 0.01 * (i + 1);
            all.add(at(0, 0.5, random.nextGaussian(), random.nextGaussian()));
        }
        double none = Likelihood.of(read, all, new double[n]);
        double with = Likelihood.of(read, all, slips);
        double expected = none;
        for (int out = 0; out < n; out++) {
            double[] rest = new double[n - 1];
            List<GaussianPrediction> others = new java.util.ArrayList<>(all);
            others.remove(out);
            for (int i = 0, k = 0; i < n; i++) if (i != out) rest[k++] = read[i];
            double one = Likelihood.of(rest, others, new double[n - 1]) + Math.log(Likelihood.SLIP * slips[out]);
            expected = Likelihood.logSum(expected, one);
        }
        assertThat(with).as("two slips add the least").isBetween(expected, expected + 0.01);
    }

    /** The severity of a fault moves both readings along one line. */
    @Test
    void anotherSeverityOfTheSameFaultIsForgivenAnotherDirectionIsNot() {
        GaussianPrediction one = at(40, 2, -12);
        GaussianPrediction two = at(260, 4, 12);
        assertThat(of(52, 248, one, two)).isGreaterThan(of(52, 272, one, two) + 2);
    }

    @Test
    void whatNobodyListedIsBetterThanAWrongFaultAndWorseThanTheRightOne() {
        List<GaussianPrediction> sound = List.of(at(100, 3, 0), at(200, 5, 0));
        double[] odd = {20, 431};
        double other = Likelihood.other(odd, sound, RANGE);
        assertThat(other).isGreaterThan(Likelihood.of(odd, List.of(at(150, 3, 0), at(90, 3, 0)), ANYWHERE));
        assertThat(Likelihood.of(odd, List.of(at(20, 3, 0), at(430, 8, 0)), ANYWHERE))
                .isGreaterThan(other);
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark", "concerto"})
    void priorsSumToOneAndEveryPartHasSome(String name) {
        Chassis set = SharedSets.named(name);
        List<Hypothesis> all = Hypothesis.of(set, Priors.USUAL, PartStress.UNKNOWN);
        double sum = all.stream().mapToDouble(Hypothesis::prior).sum() + Hypothesis.OTHER;
        assertThat(sum).isCloseTo(1, within(1e-9));
        assertThat(all).allMatch(h -> h.prior() > 0);
        assertThat(all).filteredOn(Hypothesis::sound).hasSize(1);
        assertThat(all).extracting(Hypothesis::toString).doesNotHaveDuplicates();
        if (name.equals("halcyon"))
            assertThat(prior(all, "C14:leaky"))
                    .as("paper leaks, mica seldom")
                    .isGreaterThan(3 * prior(all, "C8:leaky"));
    }

    @Test
    void anEarlierVisitorMakesJointsLikelierAndAHistoryItsOwnParts() {
        Chassis set = SharedSets.named("halcyon");
        double usual = prior(Hypothesis.of(set, Priors.USUAL, PartStress.UNKNOWN), "V2.6:joint");
        assertThat(prior(Hypothesis.of(set, Priors.USUAL.visited(), PartStress.UNKNOWN), "V2.6:joint"))
                .isGreaterThan(2 * usual);
        Priors.Key key = Priors.key(set.part("C14").orElseThrow(), FaultMode.LEAKY);
        List<Hypothesis> learned =
                Hypothesis.of(set, Priors.USUAL.with(java.util.Map.of(key, 3.0)), PartStress.UNKNOWN);
        assertThat(prior(learned, "C14:leaky"))
                .isGreaterThan(1.5 * prior(Hypothesis.of(set, Priors.USUAL, PartStress.UNKNOWN), "C14:leaky"));
    }

    @Test
    void whatBefellAPartOnTheBenchMakesItASuspect() {
        Chassis set = SharedSets.named("halcyon");
        double usual = prior(Hypothesis.of(set, Priors.USUAL, PartStress.UNKNOWN), "C9:short");
        List<Hypothesis> after = Hypothesis.of(set, Priors.USUAL.afterAccidents(Set.of("C9")), PartStress.UNKNOWN);
        assertThat(prior(after, "C9:short")).isGreaterThan(5 * usual);
    }

    /** Old carbon rises; only what was overheated falls. */
    @Test
    void resistorsRiseRatherThanFall() {
        Chassis set = SharedSets.named("halcyon");
        Part r7 = set.part("R7").orElseThrow();
        assertThat(Priors.USUAL.weight(r7, Fault.parse("R7:drifted:68k")))
                .isGreaterThan(3 * Priors.USUAL.weight(r7, Fault.parse("R7:drifted:22k")));
    }

    /** Where a part sits decides how often it fails: volts across it, a current through it, or neither. */
    @Test
    void stressedPartsFailOftener() {
        Chassis set = SharedSets.named("halcyon");
        PartStress stress = PartStress.of(set, new Simulator().solve(set, Setting.fed(set)));
        assertThat(odds(set, stress, "C14:leaky:1M")).isGreaterThan(1.5 * odds(set, stress, "C10:leaky:1M"));
        assertThat(odds(set, stress, "C10:leaky:1M")).isGreaterThan(2 * odds(set, stress, "C4:leaky:1M"));
        assertThat(odds(set, stress, "R7:open")).isGreaterThan(2 * odds(set, stress, "R15:open"));
        assertThat(odds(set, stress, "R15:drifted:680k"))
                .as("high values drift most")
                .isGreaterThan(2 * odds(set, stress, "R16:drifted:390"));
        assertThat(odds(set, PartStress.UNKNOWN, "C14:leaky:1M"))
                .as("of a circuit that is not known")
                .isEqualTo(odds(set, PartStress.UNKNOWN, "C10:leaky:1M"));
    }

    private static double odds(Chassis set, PartStress stress, String fault) {
        Fault f = Fault.parse(fault);
        Part part = set.part(f.part()).orElseThrow();
        return Priors.USUAL.weight(part, f) * stress.of(part, f);
    }

    private static double prior(List<Hypothesis> all, String start) {
        return all.stream()
                .filter(h -> h.cause().startsWith(start))
                .mapToDouble(Hypothesis::prior)
                .sum();
    }
}
