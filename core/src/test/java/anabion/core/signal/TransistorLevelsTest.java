package anabion.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.circuit.HybridPi;
import anabion.core.circuit.SmallSignal;
import anabion.core.command.WiringLine;
import anabion.core.numeric.Phasor;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import anabion.core.typical.TypicalCircuit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What transistor sets need at their bases, and what a transistor is at the intermediate frequency. */
class TransistorLevelsTest {
    static Stream<Chassis> sets() {
        return Stream.of(
                SharedSets.named("lark"),
                CircuitFixtures.typical(TypicalCircuit.SEVEN_TRANSISTOR),
                CircuitFixtures.typical(TypicalCircuit.SILICON_TRANSISTORS));
    }

    /**
     * Service sheets of such sets ask for a microvolt to ten at the mixer's base, modulated by 30 %, from a low-ohm generator through 10 nF, for 50 mW: with
     * every stage at its best, as here, the lower end. They name some 25 to 30 dB for the mixer and 28 to 35 dB for an IF stage.
     */
    @ParameterizedTest
    @MethodSource("sets")
    void theMixersBaseNeedsAMicrovolt(Chassis set) {
        Band band = set.bands().get(0);
        Setting loud = Setting.of(set.supply().volts()).withControls(Controls.volume(set, 1));
        Gains g = Gains.of(new Simulator(), set, loud, band).orElseThrow();
        Gains.Level mixer = g.levels().stream()
                .filter(l -> l.stage().equals("Mixer") && l.point().endsWith(".2") && l.domain() == Domain.IF)
                .findFirst()
                .orElseThrow();
        assertThat(mixer.volts()).isBetween(0.8e-6, 10e-6);
        assertThat(g.gains().stream().filter(s -> s.stage().startsWith("IF")))
                .hasSize(2)
                .allSatisfy(s -> assertThat(s.decibels()).as(s.stage()).isBetween(26.0, 36.0));
    }

    /** A stage of an OC45 at a milliampere, whose input at 470 kHz is published as some 500 to 1500 ohms beside a nanofarad. */
    private static Phasor input(double hertz) {
        Chassis set = Chassis.blank(
                new java.util.UUID(1, 2),
                anabion.core.chassis.Identity.of("Tarnholt", "Stage", anabion.core.chassis.SetKind.HOME),
                TypicalCircuit.SEVEN_TRANSISTOR.supply());
        for (String line : List.of(
                "Q1 OC45 1=E 2=B 3=C",
                "BT1 9V CHASSIS BATT battery",
                "R1 39k B BATT base bias",
                "R2 10k B CHASSIS base bias",
                "R3 1k5 E CHASSIS emitter",
                "C1 100/6 E CHASSIS emitter bypass",
                "R4 10 C BATT collector load")) {
            List<anabion.core.chassis.Part> parts = new ArrayList<>(set.parts());
            parts.add(WiringLine.parse(line, set));
            set = set.withParts(parts);
        }
        OperatingPoint o = new Simulator().solve(set, Setting.of(9));
        double dividers = 1 / 39e3 + 1 / 10e3;
        SmallSignal network = new Networks(set, Setting.of(9), o, Optional.empty()).aligned();
        Phasor ohms = network.at(hertz).driven("B", "CHASSIS").at("B");
        return new Phasor(1, 0).over(ohms).minus(new Phasor(dividers, 0));
    }

    @Test
    void theInputOfAnAlloyTypeFallsWithFrequency() {
        double low = 1 / input(10e3).re();
        double high = 1 / input(470e3).re();
        assertThat(low).as("β over the slope, and the emitter's loss times β").isBetween(1200.0, 2200.0);
        assertThat(high).isBetween(500.0, 1300.0).isLessThan(low);
        assertThat(input(470e3).im() / (2 * Math.PI * 470e3)).as("farads").isBetween(0.5e-9, 1.5e-9);
    }

    /** By hand, for a slope of 38 mS, 1 mS, 1 nF, 10 pF, 75 Ω, at 470 kHz: the collector's conductance is Re(jωC(1 + gm·r/(1 + r(g + jωC_π)))). */
    @Test
    void feedbackLoadsTheCollectorAndNeutralisingStopsTheRest() {
        double w = 2 * Math.PI * 470e3;
        HybridPi.Slopes slopes = new HybridPi.Slopes(1e-3, 0, 38e-3, 20e-6);
        HybridPi free = new HybridPi(slopes, 1e-9, 10e-12, 75, 0, false);
        Phasor inner = new Phasor(1 + 75e-3, w * 75 * (1e-9 + 10e-12));
        Phasor by =
                new Phasor(1, 0).plus(new Phasor(38e-3, -w * 10e-12).times(75).over(inner));
        double expected = 20e-6 + new Phasor(0, w * 10e-12).times(by).re();
        assertThat(free.admittances(w)[1][1].re()).isCloseTo(expected, within(1e-9));
        assertThat(free.admittances(w)[0][1].size()).isGreaterThan(1e-6);
        HybridPi still = new HybridPi(slopes, 1e-9, 10e-12, 75, 0, true);
        assertThat(still.admittances(w)[0][1].size()).isZero();
    }

    /** Two resistances in the leads are those of a circuit that has them outside: Kirchhoff's laws, at a thousand frequencies. */
    @Test
    void leadsAreResistances() {
        HybridPi.Slopes slopes = new HybridPi.Slopes(1e-3, -1e-7, 38e-3, 20e-6);
        for (double w = 1e3; w < 1e9; w *= 1.014) {
            Phasor[][] inner = new HybridPi(slopes, 1e-9, 2e-12, 0, 0, false).admittances(w);
            Phasor[][] outer = new HybridPi(slopes, 1e-9, 2e-12, 60, 5, false).admittances(w);
            // one volt at the base, none at the collector: outside and inside must carry the same
            Phasor ib = outer[0][0];
            Phasor ic = outer[1][0];
            Phasor emitter = ib.plus(ic).times(5);
            Phasor base = new Phasor(1, 0).minus(ib.times(60)).minus(emitter);
            Phasor collector = new Phasor(0, 0).minus(emitter);
            Phasor again = inner[0][0].times(base).plus(inner[0][1].times(collector));
            assertThat(again.minus(ib).size()).isLessThan(1e-9 * ib.size());
        }
    }
}
