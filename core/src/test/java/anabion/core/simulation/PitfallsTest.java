package anabion.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.chassis.Provenance;
import anabion.core.chassis.RoleWords;
import anabion.core.chassis.TestSets;
import anabion.core.chassis.Winding;
import anabion.core.json.Extra;
import anabion.core.simulation.cold.ColdOhms;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.Overload;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** The classic traps, each on a small set of its own. */
class PitfallsTest {
    private final Simulator engine = new Simulator();

    private static Chassis with(Chassis chassis, Part part) {
        List<Part> parts = new ArrayList<>(chassis.parts());
        parts.add(part);
        return chassis.withParts(parts);
    }

    private static Part wound(String reference, String role, Map<String, String> nets, Winding... windings) {
        return new Part(
                UUID.randomUUID(),
                reference,
                new Component.Windings(List.of(windings)),
                nets,
                role,
                RoleWords.suggest(new Component.Windings(List.of(windings)), role, ""),
                "",
                "",
                Provenance.SHEET,
                "",
                Extra.NONE);
    }

    private static Winding winding(String name, String from, String to, double ohms, double volts) {
        return new Winding(UUID.randomUUID(), name, from, to, ohms, 0, volts, Extra.NONE);
    }

    private double volts(Chassis c, Setting s, String net) {
        OperatingPoint o = engine.solve(c, s);
        assertThat(o.converged()).isTrue();
        return o.volts(net).orElseThrow();
    }

    private static Chassis mainsSet(String rectifier) {
        return TestSets.wired(
                Arrangement.HOT_CHASSIS,
                "S1 off/on MAINS-N CHASSIS",
                rectifier,
                "C1 32@350 B1 CHASSIS reservoir",
                "R1 10k B1 CHASSIS load");
    }

    @Test
    void coldStartBringsSiliconToThePeakAtOnceWhereATubeWaits() {
        Chassis silicon = mainsSet("D1 1N4007 1=MAINS-L 2=B1");
        Chassis tube = mainsSet("V1 UY41 2=MAINS-L 7=B1");
        assertThat(volts(silicon, Setting.of(230).cold(), "B1")).isBetween(270.0, 326.0);
        assertThat(volts(tube, Setting.of(230).cold(), "B1")).isCloseTo(0, within(0.5));
        assertThat(volts(silicon, Setting.of(230), "B1")).isGreaterThan(270);
    }

    @Test
    void aHotFieldCoilHasMoreOhmsThanAColdOneAndUnpluggedOpensTheRail() {
        Chassis set = with(
                TestSets.wired(
                        Arrangement.HOT_CHASSIS,
                        "S1 off/on MAINS-N CHASSIS",
                        "D1 1N4007 1=MAINS-L 2=B1",
                        "C1 32@350 B1 CHASSIS reservoir",
                        "C2 32@350 B2 CHASSIS smoothing",
                        "R1 5k B2 CHASSIS load"),
                wound("L1", "field coil", Map.of("1", "B1", "2", "B2"), winding("field", "1", "2", 1000, 0)));
        OperatingPoint hot = engine.solve(set, Setting.of(230));
        double amperes = hot.volts("B2").orElseThrow() / 5000;
        double ohms = (hot.volts("B1").orElseThrow() - hot.volts("B2").orElseThrow()) / amperes;
        assertThat(ohms).isBetween(1200.0, 1300.0);
        assertThat(ColdOhms.between(set, Setting.of(0), "B1", "B2", 1.5).ohms()).isCloseTo(1000, within(10.0));
        Setting unplugged = Setting.of(230).withFaults(List.of(Fault.parse("L1:open")));
        assertThat(volts(set, unplugged, "B2")).isCloseTo(0, within(0.1));
        assertThat(volts(set, unplugged, "B1")).isGreaterThan(300);
    }

    @Test
    void aChokeBeforeTheReservoirIsRecognised() {
        String[] lines = {
            "S1 off/on MAINS-N CHASSIS",
            "D2 1N4007 1=MAINS-L 2=B0",
            "L1 10H B0 B1 choke",
            "C1 32@350 B1 CHASSIS reservoir",
            "R1 5k B1 CHASSIS load"
        };
        Chassis choke = TestSets.wired(Arrangement.HOT_CHASSIS, lines);
        lines[2] = "R2 10 B0 B1 surge";
        Chassis direct = TestSets.wired(Arrangement.HOT_CHASSIS, lines);
        assertThat(volts(choke, Setting.of(230), "B1")).isLessThan(0.8 * volts(direct, Setting.of(230), "B1"));
    }

    /** In a series chain the plate currents of the upper tubes flow down through the filaments below. */
    @Test
    void plateCurrentsAddDownAChainOfFilaments() {
        Chassis set = TestSets.wired(
                Arrangement.BATTERY_A_B,
                "BT1 90 B CHASSIS",
                "R1 1k8 B FIL filament dropper",
                "V1 1T4 1=MID 5=MID 7=FIL 6=MID 3=S1 2=B",
                "V2 1T4 1=CHASSIS 5=CHASSIS 7=MID 6=CHASSIS 3=S2 2=B",
                "R2 10k B S1 screen feed",
                "R3 10k B S2 screen feed");
        OperatingPoint o = engine.solve(set, Setting.of(90));
        double upper = o.volts("FIL").orElseThrow() - o.volts("MID").orElseThrow();
        double lower = o.volts("MID").orElseThrow();
        assertThat(o.converged()).isTrue();
        assertThat(lower).isGreaterThan(upper * 1.03);
    }

    @Test
    void onFmTheOscillatorOfAnAmMixerIsOffByDesign() {
        Chassis halcyon = SharedSets.named("halcyon");
        List<anabion.core.chassis.Band> bands = new ArrayList<>(halcyon.bands());
        bands.add(new anabion.core.chassis.Band(
                UUID.randomUUID(), "FM", anabion.core.chassis.BandKind.FM, List.of("Audio"), Extra.NONE));
        Chassis withFm = halcyon.withStages(halcyon.stages(), bands);
        assertThat(volts(withFm, Setting.of(230).withBand("FM"), "V1.1")).isBetween(-1.0, 0.2);
        assertThat(volts(withFm, Setting.of(230).withBand("AM"), "V1.1")).isLessThan(-6);
    }

    @Test
    void aBandSwitchContactOpenOnOneBandLeavesTheOthersAlone() {
        Chassis brae = SharedSets.named("brae");
        Setting fault = Setting.of(230).withFaults(List.of(Fault.parse("S2:open:MW")));
        double mw =
                ColdOhms.between(brae, fault.withBand("MW"), "V1.6", "AVC", 1.5).ohms();
        double lw =
                ColdOhms.between(brae, fault.withBand("LW"), "V1.6", "AVC", 1.5).ohms();
        double sound = ColdOhms.between(brae, Setting.of(230).withBand("MW"), "V1.6", "AVC", 1.5)
                .ohms();
        assertThat(sound).isLessThan(3);
        assertThat(mw).isCloseTo(lw, within(0.1)).isGreaterThan(20);
    }

    @Test
    void aGermaniumJunctionGivesARangeOfOhms() {
        Chassis lark = SharedSets.named("lark");
        ColdOhms.Answer a = ColdOhms.between(lark, Setting.of(0), "Q4.2", "Q4.1", 1.5);
        assertThat(a.high()).isGreaterThan(1.5 * a.low());
    }

    @Test
    void anOpenOutputPrimaryBurnsTheScreenAndAShortedDecouplerItsFeedResistor() {
        Chassis halcyon = SharedSets.named("halcyon");
        assertThat(overloads(halcyon)).isEmpty();
        assertThat(overloads(halcyon, "T2.primary:open")).contains("V4 SCREEN");
        assertThat(overloads(halcyon, "C10:short")).anyMatch(x -> x.endsWith("BODY"));
    }

    private List<String> overloads(Chassis set, String... faults) {
        Setting s = Setting.of(230)
                .withFaults(List.of(faults).stream().map(Fault::parse).toList());
        return Overload.of(set, engine.solve(set, s)).stream()
                .map(o -> o.part() + " " + o.place())
                .toList();
    }
}
