package anabion.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.engine.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The laws of the odds, on figures that can be checked by hand. */
class LikelihoodTest {
    private static final double[] SOUND = {100, 200};
    private static final double[] METER = {0.02, 0.02};
    private static final double[] RANGE = {650, 650};

    private static Likelihood reading(double a, double b, double[][] spread) {
        return new Likelihood(new double[] {a, b}, SOUND, spread, METER, RANGE);
    }

    private static double[][] apart(double sigma) {
        return new double[][] {{sigma * sigma, 0}, {0, sigma * sigma}};
    }

    /** Against the density of a Gaussian, written out. */
    @Test
    void withoutSpreadItIsTheMetersOwnError() {
        double got = reading(101, 199, apart(0)).of(SOUND);
        double sa = 0.02 * 100 + 0.03;
        double sb = 0.02 * 200 + 0.03;
        double both = -0.5 * (1 / (sa * sa) + 1 / (sb * sb)) - Math.log(sa * sb) - Math.log(2 * Math.PI);
        double kept = 2 * Math.log(0.98) + both;
        assertThat(got).as("slips add a little").isBetween(kept, kept + 0.05);
    }

    /** Two readings that move together are one surprise, not two. */
    @Test
    void readingsThatShareARailAreNotCountedTwice() {
        double[][] together = {{100, 200}, {200, 400}};
        double rail = reading(110, 220, together).of(SOUND);
        double apart = reading(110, 220, apart(10)).of(SOUND);
        double against = reading(110, 180, together).of(SOUND);
        assertThat(rail).as("a high line").isGreaterThan(against + 3);
        assertThat(rail).isGreaterThan(apart - 3);
    }

    @Test
    void oneWildReadingCostsNoMoreThanASlip() {
        double good = reading(100, 200, apart(2)).of(SOUND);
        double wild = reading(100, 431, apart(2)).of(SOUND);
        double wilder = reading(100, 555, apart(2)).of(SOUND);
        assertThat(wild).isLessThan(good);
        assertThat(wild).as("as a slip it no longer matters how far").isCloseTo(wilder, within(1e-3));
        assertThat(good - wild).isLessThan(-Math.log(Likelihood.SLIP / 650) + 3);
    }

    @Test
    void twoWildReadingsAreNoSlip() {
        double one = reading(100, 431, apart(2)).of(SOUND);
        double two = reading(20, 431, apart(2)).of(SOUND);
        assertThat(two).isLessThan(one - 20);
    }

    /** A fault half as strong as the listed one lies on the line between it and the sound set. */
    @Test
    void anotherSeverityOfTheSameFaultIsForgivenAnotherDirectionIsNot() {
        double[] listed = {40, 260};
        double milder = reading(52, 248, apart(1)).of(listed);
        double sideways = reading(52, 272, apart(1)).of(listed);
        assertThat(milder).isGreaterThan(sideways + 2);
    }

    @Test
    void whatNobodyListedIsBetterThanAWrongFaultAndWorseThanTheRightOne() {
        Likelihood odd = reading(100, 431, apart(2));
        assertThat(odd.other()).isGreaterThan(odd.of(new double[] {20, 20}));
        Likelihood right = reading(40, 260, apart(2));
        assertThat(right.of(new double[] {40, 260})).isGreaterThan(right.other());
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark", "concerto"})
    void priorsSumToOneAndEveryPartHasSome(String name) {
        Chassis set = SharedSets.named(name);
        List<Hypothesis> all = Hypothesis.of(set);
        double sum = all.stream().mapToDouble(Hypothesis::prior).sum() + Hypothesis.OTHER;
        assertThat(sum).isCloseTo(1, within(1e-9));
        assertThat(all).allMatch(h -> h.prior() > 0);
        assertThat(all).filteredOn(h -> h.fault().isEmpty()).hasSize(1);
        assertThat(all).extracting(Hypothesis::name).doesNotHaveDuplicates();
        double paper = prior(all, "C14:leaky");
        if (name.equals("halcyon"))
            assertThat(paper).as("paper leaks, mica seldom").isGreaterThan(3 * prior(all, "C8:leaky"));
    }

    private static double prior(List<Hypothesis> all, String start) {
        return all.stream()
                .filter(h -> h.name().startsWith(start))
                .mapToDouble(Hypothesis::prior)
                .sum();
    }
}
