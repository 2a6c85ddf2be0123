package anabion.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.circuit.Solution;
import anabion.core.error.InputException;
import anabion.core.rectifier.Cycle;
import anabion.core.simulation.cold.ColdOhms;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.FaultList;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.spice.SpiceNetlist;
import anabion.core.testing.SharedSets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A five-tube set with a mains transformer at work, sound and broken. */
class HalcyonTest {
    private static final Chassis SET = SharedSets.named("halcyon");
    private static final Setting USUAL = Setting.of(230).withControls(Map.of("RV1", 0.0));
    private final Simulator engine = new Simulator();

    private double volts(String net, String... faults) {
        return with(faults).volts(net).orElseThrow();
    }

    private OperatingPoint with(String... faults) {
        OperatingPoint o = engine.solve(
                SET, USUAL.withFaults(List.of(faults).stream().map(Fault::parse).toList()));
        assertThat(o.converged()).as(List.of(faults).toString()).isTrue();
        return o;
    }

    @Test
    void theHealthySetStandsWhereATextbookSetStands() {
        OperatingPoint o = with();
        assertThat(o.volts("B1").orElseThrow()).isBetween(225.0, 265.0);
        assertThat(o.volts("V1.1").orElseThrow()).isBetween(-12.0, -7.0);
        assertThat(o.volts("V4.2").orElseThrow()).isBetween(9.0, 13.0);
        assertThat(o.volts("AVC").orElseThrow()).as("contact potential").isBetween(-1.0, -0.4);
        assertThat(o.alternating("H").orElseThrow()).isCloseTo(6.3, within(0.5));
        assertThat(o.wattsFromMains()).isBetween(25.0, 45.0);
        assertThat(o.direct().residual()).isLessThan(1e-9);
    }

    @Test
    void everySingleFaultSettles() {
        for (Fault f : FaultList.of(SET)) {
            OperatingPoint o = engine.solve(SET, USUAL.withFaults(List.of(f)));
            assertThat(o.converged()).as(f.text()).isTrue();
        }
    }

    @Test
    void aStartFromNothingEndsWhereAWarmStartEnds() {
        for (String f : List.of("C14:short", "R16:open", "V5:weak", "T2.primary:open")) {
            Setting s = USUAL.withFaults(List.of(Fault.parse(f)));
            Solution warm = engine.solve(SET, s).direct();
            Solution cold = new Simulator().solve(SET, s).direct();
            warm.nets().forEach((net, v) -> assertThat(cold.volts(net).orElseThrow())
                    .as(f + " at " + net)
                    .isCloseTo(v, within(1e-3 + 1e-4 * Math.abs(v))));
        }
    }

    @Test
    void aLeakyCouplingCapacitorLiftsGridAndCathode() {
        assertThat(volts("V4.1", "C14:leaky:1M")).isGreaterThan(5);
        assertThat(volts("V4.2", "C14:leaky:1M")).isGreaterThan(volts("V4.2") + 3);
        assertThat(volts("V4.1", "C14:leaky:10M")).isBetween(0.5, volts("V4.1", "C14:leaky:1M"));
    }

    @Test
    void aGassyTubeLiftsItsOwnGrid() {
        assertThat(volts("V4.1", "V4:gassy")).isGreaterThan(0.5);
    }

    @Test
    void screenFeedOpenLeavesTheScreenAndShortsItsBypassToo() {
        assertThat(Math.abs(volts("V2.6", "R7:open"))).isLessThan(8);
        assertThat(volts("V2.6", "C10:short")).isCloseTo(0, within(0.5));
        assertThat(volts("V2.6", "R7:drifted:68k")).isLessThan(volts("V2.6") - 20);
        assertThat(volts("V2.6", "R7:wrong:15k")).isGreaterThan(volts("V2.6") + 10);
    }

    @Test
    void anOpenCathodeResistorLetsTheCathodeRiseAndTheTubeStop() {
        assertThat(volts("V4.2", "R16:open")).isGreaterThan(25);
        assertThat(volts("B1", "R16:open")).isGreaterThan(volts("B1") + 20);
    }

    @Test
    void theOscillatorBiasesItselfWhileItRunsAndNotWhenItStops() {
        assertThat(volts("V1.1", "L2.upper:open")).isBetween(-1.0, 0.2);
        assertThat(volts("V1.1", "V1:emission:0.2")).isGreaterThan(-1.5);
        assertThat(volts("V1.6", "C3:open")).isLessThan(volts("V1.6") - 10);
    }

    @Test
    void withTheOutputPrimaryOpenTheScreenTakesOverAndGlows() {
        OperatingPoint open = with("T2.primary:open");
        double screen = open.direct().circuit().elements().stream()
                .filter(e -> e.name().equals("V4"))
                .mapToDouble(e -> open.direct().amperes(e)[1])
                .sum();
        double healthy = with().direct().circuit().elements().stream()
                .filter(e -> e.name().equals("V4"))
                .mapToDouble(e -> with().direct().amperes(e)[1])
                .sum();
        assertThat(screen).isGreaterThan(5 * healthy);
        assertThat(screen * open.volts("B2").orElseThrow()).as("screen watts").isGreaterThan(2);
    }

    /** The meter halves the leak, and the grid's own current, exponential in its volts, gives way: by V_T·ln 2, not by half. */
    @Test
    void aMeterOnATenMegohmGridMovesItAsItsOwnCurrentAllows() {
        Simulator.PreparedCircuit bench = engine.prepare(SET, USUAL);
        double free = bench.solve().volts("V3.1").orElseThrow();
        double read = bench.solveWithMeter("V3.1", 10e6).volts("V3.1").orElseThrow();
        double crude = bench.solveWithMeter("V3.1", 50e3).volts("V3.1").orElseThrow();
        assertThat(free).isBetween(-1.0, -0.5);
        assertThat(Math.abs(read)).isBetween(Math.abs(free) - 0.09, Math.abs(free) - 0.02);
        assertThat(Math.abs(crude)).isLessThan(0.6 * Math.abs(free));
        assertThat(bench.solveWithMeter("V4.2", 10e6).volts("V4.2").orElseThrow())
                .isCloseTo(bench.solve().volts("V4.2").orElseThrow(), within(0.01));
    }

    @Test
    void highLineLiftsEveryRailTogether() {
        OperatingPoint high = engine.solve(SET, USUAL.withLine(250));
        OperatingPoint usual = engine.solve(SET, USUAL);
        for (String rail : List.of("B1", "B2", "B3"))
            assertThat(high.volts(rail).orElseThrow() / usual.volts(rail).orElseThrow())
                    .as(rail)
                    .isBetween(1.05, 1.13);
    }

    @Test
    void beforeTheTubesWarmATubeRectifierGivesNothing() {
        assertThat(engine.solve(SET, USUAL.cold()).volts("B1").orElseThrow()).isCloseTo(0, within(0.5));
    }

    @Test
    void belowHalfLineTheTubesDoNotConductYet() {
        assertThat(engine.solve(SET, USUAL.withLine(100)).supplies().get("B1").amperes())
                .isLessThan(0.002);
        assertThat(engine.solve(SET, USUAL.withLine(180)).supplies().get("B1").amperes())
                .isGreaterThan(0.02);
    }

    @Test
    void aDriedReservoirHumsAndAShortedOneStopsTheSet() {
        Cycle sound = with().supplies().get("B1");
        assertThat(with("C18:dried").supplies().get("B1").ripple()).isGreaterThan(2 * sound.ripple());
        assertThat(volts("B1", "C18:short")).isLessThan(5);
        assertThat(volts("B1", "F1:open")).isCloseTo(0, within(0.5));
    }

    @Test
    void aLampInSeriesStaysDimUnlessTheSetIsShorted() {
        List<PowerUp.Step> sound = PowerUp.run(SET, USUAL, 230, 5, 100);
        PowerUp.Step last = sound.get(4);
        assertThat(sound).allMatch(PowerUp.Step::settled);
        assertThat(last.glow()).isBetween(0.1, 0.5);
        assertThat(last.set()).isBetween(170.0, 225.0);
        List<PowerUp.Step> shorted = PowerUp.run(SET, USUAL.withFaults(List.of(Fault.parse("C18:short"))), 230, 5, 100);
        assertThat(shorted.get(4).glow()).isGreaterThan(last.glow() + 0.15);
        assertThat(shorted.get(4).set()).isLessThan(last.set() - 30);
    }

    @Test
    void coldOhmsFollowThePathsThroughTheSet() {
        Setting off = Setting.of(0);
        assertThat(ColdOhms.between(SET, off, "V4.2", "CHASSIS", 1.5).ohms()).isCloseTo(270, within(1.0));
        assertThat(ColdOhms.between(SET, off, "V1.5", "B2", 1.5).ohms()).isCloseTo(11, within(0.1));
        ColdOhms.Answer rail = ColdOhms.between(SET, off, "B2", "CHASSIS", 1.5);
        assertThat(rail.low()).isLessThan(rail.high() / 10);
        Setting shorted = off.withFaults(List.of(Fault.parse("C10:short")));
        assertThat(ColdOhms.between(SET, shorted, "V2.6", "CHASSIS", 1.5).ohms())
                .isLessThan(1);
        Setting open = off.withFaults(List.of(Fault.parse("R16:open")));
        assertThat(ColdOhms.between(SET, open, "V4.2", "CHASSIS", 1.5).ohms()).isGreaterThan(1e6);
        Setting turned = off.withControls(Map.of("RV1", 0.3)).withFaults(List.of(Fault.parse("S2:open")));
        assertThat(ColdOhms.between(SET, turned, "VOL", "CHASSIS", 1.5).ohms()).isCloseTo(150e3, within(1500.0));
        assertThatThrownBy(() -> ColdOhms.between(SET, off, "NOWHERE", "CHASSIS", 1.5))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("NOWHERE");
    }

    @Test
    void unknownPartsAndAmountsOfTheWrongUnitAreCaught() {
        assertThatThrownBy(() -> with("C99:open"))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("C99");
        assertThatThrownBy(() -> with("C14:leaky:10nF")).isInstanceOf(InputException.class);
        assertThatThrownBy(() -> with("V4:emission:much"))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("much");
    }

    @Test
    void decksNameEveryNet() {
        String deck = SpiceNetlist.direct(SET, USUAL);
        for (String net : Simulator.nets(SET)) assertThat(deck).contains(" = " + net + "\n");
        assertThat(deck).contains(".op").endsWith(".end\n");
        assertThat(SpiceNetlist.overTime(SET, USUAL)).contains(".tran", "SIN(0 325.", ".meas tran mean");
    }
}
