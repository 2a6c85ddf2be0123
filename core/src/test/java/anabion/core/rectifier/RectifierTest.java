package anabion.core.rectifier;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.device.model.Fit;
import anabion.core.device.model.RectifierLaw;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RectifierTest {
    private static final RectifierLaw TUBE = new RectifierLaw.Vacuum(0.07 / Math.pow(22, 1.5), 0);

    private static Rectifier full(RectifierLaw law, double farads) {
        return new Rectifier(List.of(new Path(240, 200, law), new Path(-240, 200, law)), Wave.SINE, 50, farads);
    }

    private static Rectifier half(RectifierLaw law, double farads) {
        return new Rectifier(List.of(new Path(230, 100, law)), Wave.SINE, 50, farads);
    }

    @Test
    void withoutLoadTheReservoirStandsAtThePeak() {
        Cycle c = full(Fit.silicon(), 16e-6).cycle(new Load(1e-9, 0));
        assertThat(c.volts()).isCloseTo(240 * Math.sqrt(2), within(2.0));
        assertThat(c.ripple()).isLessThan(0.1);
    }

    /** Between peaks a capacitor loses I/(2fC): the textbook's estimate is high by the time it is being charged. */
    @Test
    void rippleIsNearTheTextbook() {
        Rectifier stiff = new Rectifier(
                List.of(new Path(240, 1, Fit.silicon()), new Path(-240, 1, Fit.silicon())), Wave.SINE, 50, 100e-6);
        Cycle c = stiff.cycle(new Load(0.06 / 330, 0));
        double textbook = c.amperes() / (2 * 50 * 100e-6);
        assertThat(c.ripple()).isBetween(0.75 * textbook, textbook);
        assertThat(c.settled()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(doubles = {1e-3, 2e-4, 5e-5})
    void whatFlowsInFlowsOut(double siemens) {
        Cycle c = half(TUBE, 40e-6).cycle(new Load(siemens, 0));
        assertThat(c.amperes()).isCloseTo(siemens * c.volts(), within(0.01 * c.amperes()));
        assertThat(c.given()).isGreaterThan(c.volts() * c.amperes());
        assertThat(c.effective()).isGreaterThan(1.5 * c.amperes());
        assertThat(c.inverse()).isBetween(2 * c.volts() * 0.9, 2 * 230 * Math.sqrt(2) + 1);
    }

    @Test
    void aTubeGivesLessThanSiliconAndAWeakOneLessAgain() {
        Load load = new Load(2.5e-4, 0);
        double silicon = full(Fit.silicon(), 16e-6).cycle(load).volts();
        double tube = full(TUBE, 16e-6).cycle(load).volts();
        double weak = full(TUBE.weakened(0.3), 16e-6).cycle(load).volts();
        assertThat(silicon).isGreaterThan(tube + 10);
        assertThat(tube).isGreaterThan(weak + 10);
    }

    @Test
    void aDeadPlateLeavesHalfWaveWithMoreRipple() {
        Load load = new Load(2.5e-4, 0);
        Cycle both = full(TUBE, 16e-6).cycle(load);
        Rectifier one = new Rectifier(List.of(new Path(240, 200, TUBE)), Wave.SINE, 50, 16e-6);
        Cycle left = one.cycle(load);
        assertThat(left.ripple()).isGreaterThan(1.6 * both.ripple());
        assertThat(left.volts()).isLessThan(both.volts());
    }

    @Test
    void withoutItsReservoirTheRailFollowsTheHalfWaves() {
        Cycle c = half(Fit.silicon(), 0).cycle(new Load(1 / 3000.0, 0));
        assertThat(c.volts()).isBetween(85.0, 112.0);
        assertThat(c.ripple()).isGreaterThan(200);
    }

    @Test
    void theCharacteristicAgreesWithCyclesOfItsOwn() {
        Rectifier r = full(TUBE, 16e-6);
        Characteristic k = new Characteristic(r, 1e-3);
        for (double back : new double[] {150, 200, 250, 300}) {
            Cycle c = r.cycle(new Load(1e-3, back));
            assertThat(k.amperes(c.volts())).isCloseTo(c.amperes(), within(0.01 * c.amperes() + 2e-5));
        }
        double before = Double.MAX_VALUE;
        for (double v = -50; v < 500; v += 5) {
            assertThat(k.amperes(v)).isLessThan(before);
            before = k.amperes(v);
        }
    }

    /** What is read off the table is what a cycle under the same load gives. */
    @Test
    void aCycleOfTheTableIsOneOfItsOwn() {
        Rectifier r = full(TUBE, 16e-6);
        Characteristic k = new Characteristic(r, 1e-3);
        for (double share = 0.35; share < 0.95; share += 0.05) {
            double volts = share * r.open();
            Cycle read = k.cycle(volts);
            double g = Math.max(1e-3, read.amperes() / volts); // no load draws on below nothing
            Cycle own = r.cycle(new Load(g, volts - read.amperes() / g));
            assertThat(own.volts()).isCloseTo(volts, within(5e-4 * volts));
            assertThat(read.ripple()).isCloseTo(own.ripple(), within(5e-3 * own.ripple()));
            assertThat(read.peak()).isCloseTo(own.peak(), within(0.02 * own.peak()));
            assertThat(read.effective()).isCloseTo(own.effective(), within(0.02 * own.effective()));
            assertThat(read.given()).isCloseTo(own.given(), within(5e-3 * own.given()));
        }
    }

    @Test
    void aVibratorGivesMoreMeanForTheSameEffectiveVolts() {
        Load load = new Load(2e-4, 0);
        Rectifier sine = full(Fit.silicon(), 1e-6);
        Rectifier square = new Rectifier(sine.paths(), Wave.VIBRATOR, 115, 1e-6);
        assertThat(square.cycle(load).ripple()).isLessThan(sine.cycle(load).ripple());
    }

    /** Above the critical current V = 2√2/π·V_rms less the drops; with next to no load the peak. (Any textbook.) */
    @Test
    void aChokeHoldsTheMeanAboveTheCriticalCurrentAndLetsItClimbBelow() {
        Rectifier r = new Rectifier(
                List.of(new Path(240, 20, Fit.silicon()), new Path(-240, 20, Fit.silicon())),
                Wave.SINE,
                50,
                32e-6,
                10,
                100,
                0);
        Cycle loaded = r.cycle(new Load(1 / 2500.0, 0));
        double mean = 2 * Math.sqrt(2) / Math.PI * 240;
        assertThat(loaded.settled()).isTrue();
        assertThat(loaded.volts()).isCloseTo(mean - loaded.amperes() * 120 - 0.8, within(0.02 * mean));
        assertThat(loaded.peak()).isLessThan(1.6 * loaded.amperes());
        Cycle light = r.cycle(new Load(1 / 200e3, 0));
        assertThat(light.volts()).isBetween(1.25 * mean, 240 * Math.sqrt(2));
        Cycle directly = full(Fit.silicon(), 32e-6).cycle(new Load(1 / 2500.0, 0));
        assertThat(loaded.ripple()).isLessThan(directly.ripple() / 3);
    }

    @Test
    void directCurrentIsNoSourceForARectifier() {
        assertThatThrownBy(() -> new Rectifier(List.of(), Wave.SINE, 0, 1e-6)).hasMessageContaining("alternating");
    }
}
