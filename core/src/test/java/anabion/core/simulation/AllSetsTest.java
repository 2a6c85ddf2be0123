package anabion.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.signal.Gains;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.Overload;
import anabion.core.simulation.fault.FaultList;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.Deep;
import anabion.core.testing.SharedSets;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds of every modelled set. */
class AllSetsTest {
    private final Simulator engine = new Simulator();

    static Stream<String> names() {
        return Stream.of("halcyon", "brae", "lark", "rover", "trunk-road", "concerto", "true/moor");
    }

    @ParameterizedTest
    @MethodSource("names")
    void itSettlesOnEveryBandAtLowAndHighLine(String name) {
        Chassis set = SharedSets.named(name);
        for (Band b : set.bands())
            for (double share : new double[] {0.9, 1, 1.1}) {
                OperatingPoint o = engine.solve(
                        set, Setting.of(share * set.supply().volts()).withBand(b.name()));
                assertThat(o.converged())
                        .as(b.name() + " at " + share + ": " + o.direct().unsettled())
                        .isTrue();
                assertThat(o.direct().residual()).isLessThan(1e-6);
            }
    }

    @ParameterizedTest
    @MethodSource("names")
    void nothingBurnsWhileItIsWell(String name) {
        Chassis set = SharedSets.named(name);
        for (Band b : set.bands())
            assertThat(Overload.of(
                            set,
                            engine.solve(set, Setting.of(set.supply().volts()).withBand(b.name()))))
                    .as(b.name())
                    .isEmpty();
    }

    @ParameterizedTest
    @MethodSource("names")
    void everySingleFaultSettles(String name) {
        Chassis set = SharedSets.named(name);
        for (Fault f : Deep.some("single faults of " + name + " that settle", 40, FaultList.of(set))) {
            OperatingPoint o =
                    engine.solve(set, Setting.of(set.supply().volts()).withFaults(List.of(f)));
            assertThat(o.converged())
                    .as(f.text() + ": " + o.direct().unsettled())
                    .isTrue();
        }
    }

    /** An engine remembers what it has solved: what it says of one fault must not hang on the faults before. */
    @ParameterizedTest
    @MethodSource("names")
    void whatWasSolvedBeforeDoesNotMatter(String name) {
        Chassis set = SharedSets.named(name);
        Setting usual = Setting.of(set.supply().volts());
        engine.solve(set, usual);
        List<Fault> reaching = FaultList.of(set).stream()
                .filter(f -> f.mode() == FaultMode.JOINT || f.mode().isOfHeater())
                .toList();
        for (Fault f : Deep.some("faults of " + name + " solved anew", 20, reaching)) {
            OperatingPoint kept = engine.solve(set, usual.withFaults(List.of(f)));
            OperatingPoint fresh = new Simulator().solve(set, usual.withFaults(List.of(f)));
            for (String net : Simulator.nets(set))
                assertThat(kept.volts(net).orElse(0))
                        .as(f.text() + " at " + net)
                        .isCloseTo(
                                fresh.volts(net).orElse(0),
                                within(0.05 + 0.001 * Math.abs(fresh.volts(net).orElse(0))));
        }
    }

    @ParameterizedTest
    @MethodSource("names")
    void everyBandBringsSoundToTheSpeaker(String name) {
        Chassis set = SharedSets.named(name);
        for (Band b : set.bands()) {
            Setting loud = Setting.of(set.supply().volts()).withControls(Controls.volume(set, 1));
            Gains g = Gains.of(engine, set, loud, b).orElseThrow();
            assertThat(g.levels()).as(b.name()).isNotEmpty().allSatisfy(l -> assertThat(l.volts())
                    .as(l.stage() + " " + l.point())
                    .isFinite());
            assertThat(g.hum()).isLessThan(g.output() / 3);
        }
    }

    @Test
    void onBatteryAndOnMainsThePortablesFilamentsAreFedAlike() {
        Chassis rover = SharedSets.named("rover");
        OperatingPoint mains = engine.solve(rover, Setting.of(230));
        OperatingPoint battery = engine.solve(
                rover, new Setting(230, "", Map.of(), Map.of("S3", "battery"), List.of(), Map.of(), true, 0, 0));
        assertThat(drop(mains, "F1", "CHASSIS")).isBetween(1.2, 2.0);
        assertThat(drop(mains, "F3", "V3F")).isBetween(1.2, 1.9);
        assertThat(drop(battery, "F1", "CHASSIS")).isBetween(1.3, 1.4);
        assertThat(drop(battery, "F4", "V4F")).isBetween(1.3, 1.4);
        assertThat(battery.volts("B1").orElseThrow()).isBetween(80.0, 90.0);
    }

    /** In a series chain one filament darkens all, and no plate draws current. */
    @Test
    void aBrokenFilamentDarkensTheWholeChain() {
        Chassis rover = SharedSets.named("rover");
        OperatingPoint o = engine.solve(rover, Setting.of(230).withFaults(List.of(Fault.parse("V2:heater-open"))));
        double rail = o.volts("B1").orElseThrow();
        assertThat(o.volts("V3.5").orElseThrow()).isGreaterThan(0.9 * rail);
        assertThat(rail)
                .isGreaterThan(engine.solve(rover, Setting.of(230)).volts("B1").orElseThrow() + 20);
    }

    @Test
    void twelveVoltPlatesWorkAndAWeakBatteryWeakensThem() {
        Chassis car = SharedSets.named("trunk-road");
        OperatingPoint full = engine.solve(car, Setting.of(12));
        OperatingPoint low = engine.solve(car, Setting.of(8));
        assertThat(full.volts("V3.6").orElseThrow()).isBetween(2.0, 8.0);
        assertThat(low.volts("V3.6").orElseThrow() / low.volts("BP").orElseThrow())
                .as("less current in its load")
                .isGreaterThan(
                        full.volts("V3.6").orElseThrow() / full.volts("BP").orElseThrow());
    }

    /** A detecting grid biases itself by its own current when a carrier comes: the plate rises. */
    @Test
    void aLeakyGridDetectorsPlateRisesWithTheSignal() {
        Chassis moor = SharedSets.named("true/moor");
        double quiet = engine.solve(moor, Setting.of(230)).volts("V3.a").orElseThrow();
        double loud = engine.solve(moor, Setting.of(230).withCarrier(1.5))
                .volts("V3.a")
                .orElseThrow();
        assertThat(loud).isGreaterThan(quiet + 10);
    }

    @Test
    void onFmTheTunersPlatesHaveVoltsAndOnMediumWaveNone() {
        Chassis concerto = SharedSets.named("concerto");
        assertThat(engine.solve(concerto, Setting.of(230).withBand("FM"))
                        .volts("V1.6")
                        .orElseThrow())
                .isGreaterThan(120);
        assertThat(engine.solve(concerto, Setting.of(230).withBand("MW"))
                        .volts("V1.6")
                        .orElseThrow())
                .isBetween(-4.0, 1.0);
        Setting broken = Setting.of(230).withBand("FM").withFaults(List.of(Fault.parse("S2:open:FM")));
        assertThat(engine.solve(concerto, broken).volts("V1.6").orElseThrow()).isLessThan(1);
    }

    private static double drop(OperatingPoint o, String plus, String minus) {
        return o.volts(plus).orElseThrow() - o.volts(minus).orElseThrow();
    }
}
