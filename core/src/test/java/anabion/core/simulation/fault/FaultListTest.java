package anabion.core.simulation.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.TestSets;
import anabion.core.error.InputException;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.cold.ColdOhms;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The ways in which the parts of the demo sets fail. */
class FaultListTest {
    private static double size(Fault f) {
        return f.plain() ? Double.parseDouble(f.amount()) : f.size().value();
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "rover", "lark", "trunk-road", "concerto"})
    void everyWayIsOfOnePartAndItsSeveritiesGoOneWay(String name) {
        Chassis set = SharedSets.named(name);
        for (List<Fault> way : FaultList.ways(set)) {
            assertThat(way).isNotEmpty().allMatch(f -> f.target()
                    .equals(way.get(0).target()));
            assertThat(way).allMatch(f -> f.mode().equals(way.get(0).mode()));
            assertThat(set.part(way.get(0).part())).isPresent();
            for (Fault f : way) assertThat(Fault.parse(f.text())).isEqualTo(f);
            for (int n = 2; n < way.size(); n++)
                assertThat(Math.signum(size(way.get(n)) - size(way.get(n - 1))))
                        .as("%s", way)
                        .isEqualTo(Math.signum(size(way.get(1)) - size(way.get(0))));
        }
        assertThat(FaultList.of(set)).doesNotHaveDuplicates();
    }

    /** Nothing that carries current is thought to last for ever. */
    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark", "concerto"})
    void everyPartOfTheCircuitCanFail(String name) {
        Chassis set = SharedSets.named(name);
        List<String> failing = FaultList.of(set).stream().map(Fault::part).toList();
        for (Part p : set.parts()) {
            String kind = p.component().kind();
            if (kind.equals("resistor") || kind.equals("capacitor") || kind.equals("tube"))
                assertThat(failing).contains(p.reference());
        }
    }

    /** On old lists 30M may be thirty thousand; in the grammar of faults it never is. */
    @ParameterizedTest
    @CsvSource({"30M, 30e6", "10M, 10e6", "3M3, 3.3e6", "33k, 33e3", "270, 270", "35M, 35e6", "300M, 300e6"})
    void inTheFaultGrammarMIsMega(String amount, double ohms) {
        assertThat(new Fault("C14", FaultMode.LEAKY, amount).ohms().value()).isCloseTo(ohms, within(ohms * 1e-9));
        Chassis set = SharedSets.named("halcyon");
        Faults faults = new Faults(set, List.of(new Fault("C14", FaultMode.LEAKY, amount)));
        assertThat(faults.ohms("C14", FaultMode.LEAKY, 1)).isCloseTo(ohms, within(ohms * 1e-9));
    }

    @Test
    void anAmountThatIsNoResistanceSaysSo() {
        Chassis set = SharedSets.named("halcyon");
        assertThatThrownBy(() -> new Faults(set, List.of(new Fault("C14", FaultMode.LEAKY, "much")))
                        .ohms("C14", FaultMode.LEAKY, 1))
                .isInstanceOf(InputException.class);
    }

    /** Of a capacitor the wrong value is farads, as people write them; too large a one harms only where it tunes. */
    @Test
    void aWrongCapacitorIsInFarads() {
        Chassis set = SharedSets.named("halcyon");
        for (String written : new String[] {"C14:wrong:470pF", "C14:wrong:470p", "C14:wrong:.00047 mfd"})
            assertThat(new Faults(set, List.of(Fault.parse(written)))
                            .farads(set.part("C14").orElseThrow(), 1, 1e-8))
                    .isCloseTo(470e-12, within(1e-15));
        assertThat(Fault.parse("C14:wrong:2.2nF").toward(Fault.parse("C14:wrong:220pF"), 0.5))
                .isEqualTo(Fault.parse("C14:wrong:700pF"));
        double listed = ((Component.Capacitor) set.part("C14").orElseThrow().component())
                .farads()
                .get(0);
        assertThat(FaultList.of(set))
                .filteredOn(f -> f.target().equals("C14") && f.mode() == FaultMode.WRONG)
                .isNotEmpty()
                .allMatch(f -> f.farads().value() < listed / 4);
        assertThat(FaultList.of(set)).anyMatch(f -> f.text().startsWith("C5:wrong:"));
        assertThat(FaultList.of(set)).noneMatch(f -> f.text().startsWith("C6:wrong:"));
    }

    @ParameterizedTest
    @CsvSource({
        "C14:wrong, what is fitted",
        "R7:wrong, what is fitted",
        "C14:wrong:0, no capacitor",
        "C14:wrong:2F, no capacitor",
        "C18:wrong:1uF, several sections"
    })
    void aWrongValueThatSaysNothingIsRefused(String fault, String why) {
        Chassis set = SharedSets.named("halcyon");
        assertThatThrownBy(() -> new Faults(set, List.of(Fault.parse(fault))))
                .isInstanceOf(InputException.class)
                .hasMessageContaining(why);
    }

    /** A smoothing capacitor of a tenth lets the rail sag as a dried one does. */
    @Test
    void aReservoirFarTooSmallLowersTheRail() {
        Chassis set = SharedSets.named("rover");
        Setting usual = Setting.of(set.supply().volts());
        OperatingPoint sound = new Simulator().solve(set, usual);
        OperatingPoint wrong = new Simulator().solve(set, usual.withFaults(List.of(Fault.parse("C20:wrong:2uF"))));
        assertThat(wrong.volts("B0").orElseThrow())
                .isLessThan(0.97 * sound.volts("B0").orElseThrow());
    }

    /** Gas in a tube of several systems comes to the grid that has a pin, not to a net of its own. */
    @ParameterizedTest
    @CsvSource({"brae, V1:gassy:4e-6, V1.6", "concerto, V7:gassy:4e-6, V7.2", "halcyon, V4:gassy:4e-6, V4.1"})
    void gasRaisesTheGrid(String name, String fault, String grid) {
        Chassis set = SharedSets.named(name);
        String net = anabion.core.chassis.Points.of(set).need(grid).net();
        Setting usual = Setting.of(set.supply().volts());
        OperatingPoint sound = new Simulator().solve(set, usual);
        OperatingPoint gassy = new Simulator().solve(set, usual.withFaults(List.of(Fault.parse(fault))));
        assertThat(gassy.converged()).isTrue();
        assertThat(gassy.direct().iterations()).as("it settles like any other").isLessThan(500);
        assertThat(gassy.volts(net).orElseThrow())
                .isGreaterThan(sound.volts(net).orElseThrow() + 0.05);
    }

    /** Through its insulation a winding pulls down whatever it carries; one that lies at chassis anyway has nothing to leak. */
    @ParameterizedTest
    @CsvSource({
        "halcyon, T2.primary:core:10k, V4.5",
        "halcyon, L4.secondary:core:100k, DET1",
        "trunk-road, L9:core:10k, B"
    })
    void aWindingLeaksToItsCore(String name, String fault, String net) {
        Chassis set = SharedSets.named(name);
        Setting off = Setting.of(set.supply().volts());
        double sound = ColdOhms.between(set, off, net, "CHASSIS", 1.5).ohms();
        double leaking = ColdOhms.between(set, off.withFaults(List.of(Fault.parse(fault))), net, "CHASSIS", 1.5)
                .ohms();
        double leak = Fault.parse(fault).ohms().value();
        assertThat(leaking).isCloseTo(1 / (1 / sound + 1 / leak), within(0.002 * leaking));
        assertThat(FaultList.of(set)).contains(Fault.parse(fault));
        assertThat(FaultList.of(set)).noneMatch(f -> f.target().equals("T2.secondary") && f.mode() == FaultMode.CORE);
    }

    @Test
    void aWindingThatIsNotThereIsRefused() {
        Chassis set = SharedSets.named("halcyon");
        assertThatThrownBy(() -> new Faults(set, List.of(Fault.parse("T2.tertiary:core:10k"))))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("T2.primary");
        Setting off = Setting.of(230);
        double whole = ColdOhms.between(
                        set, off.withFaults(List.of(Fault.parse("T2:core:10k"))), "V4.5", "CHASSIS", 1.5)
                .ohms();
        double first = ColdOhms.between(
                        set, off.withFaults(List.of(Fault.parse("T2.primary:core:10k"))), "V4.5", "CHASSIS", 1.5)
                .ohms();
        assertThat(whole).as("the part's own name is its first winding").isEqualTo(first);
    }

    /** A wafer's contact that no longer closes takes the oscillator's supply away on its own bands, and only there. */
    @Test
    void aSwitchContactFailsByItself() {
        Chassis set = SharedSets.named("concerto");
        Setting broken = Setting.of(230).withFaults(List.of(Fault.parse("S2:open:1/6")));
        assertThat(new Simulator()
                        .solve(set, broken.withBand("MW"))
                        .volts("OSCB")
                        .orElseThrow())
                .isLessThan(5);
        assertThat(new Simulator()
                        .solve(set, broken.withBand("FM"))
                        .volts("BFM")
                        .orElseThrow())
                .isGreaterThan(150);
        assertThat(FaultList.of(set)).contains(Fault.parse("S2:open:1/6"), Fault.parse("S2:open:8/16"));
        assertThatThrownBy(() -> new Faults(set, List.of(Fault.parse("S2:open:1/7"))))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("7/8");
    }

    /** A trimmer that parted shifts the oscillator; its grid capacitor stops it. */
    @Test
    void theOscillatorStopsWithoutItsGridCapacitorButNotWithoutItsTrimmer() {
        Chassis set = SharedSets.named("halcyon");
        Setting usual = Setting.of(230);
        double runs = new Simulator().solve(set, usual).volts("V1.1").orElseThrow();
        double trimmer = new Simulator()
                .solve(set, usual.withFaults(List.of(Fault.parse("C6:open"))))
                .volts("V1.1")
                .orElseThrow();
        double stopped = new Simulator()
                .solve(set, usual.withFaults(List.of(Fault.parse("C3:open"))))
                .volts("V1.1")
                .orElseThrow();
        assertThat(runs).isLessThan(-5);
        assertThat(trimmer).isCloseTo(runs, within(0.1));
        assertThat(stopped).isGreaterThan(-1.5);
    }

    /** A short of the second section is another suspect than one of the first, and lies on another rail. */
    @Test
    void theSectionsOfACanFailOneByOne() {
        Chassis set = SharedSets.named("halcyon");
        assertThat(FaultList.of(set))
                .extracting(Fault::cause)
                .contains("C18:open", "C18:dried", "C18.1:short", "C18.2:short", "C18.1:leaky", "C18.2:dried")
                .doesNotContain("C18:short", "C18:leaky", "C1.1:leaky");
        Simulator engine = new Simulator();
        Setting fed = Setting.fed(set);
        double b1 = engine.solve(set, fed.withFaults(List.of(Fault.parse("C18.2:short"))))
                .volts("B1")
                .orElseThrow();
        assertThat(b1).isBetween(60.0, 210.0);
    }

    /** Either half of a tapped filament can break, and takes half of the emission with it; in a chain the others go dark as well. */
    @ParameterizedTest
    @ValueSource(strings = {"V4:heater-open:1/5", "V4:heater-open:5/7"})
    void halfAFilamentGivesHalfTheCurrent(String broken) {
        Chassis parallel = TestSets.wired(
                Arrangement.BATTERY_A_B,
                "BT1 90V/10R B1 CHASSIS",
                "BT2 1.4V/.1R A1 CHASSIS",
                "V4 DL96 1=CHASSIS 5=A1 7=CHASSIS 2=P 3=B1 6=G",
                "R1 5k P B1 load",
                "R2 1M G CHASSIS grid leak");
        double whole = amperes(parallel, Setting.of(90));
        double half = amperes(parallel, Setting.of(90).withFaults(List.of(Fault.parse(broken))));
        assertThat(half).isBetween(0.3 * whole, 0.7 * whole);
        Chassis chain = SharedSets.named("rover");
        assertThat(FaultList.of(chain)).contains(Fault.parse(broken), Fault.parse("V4:heater-open"));
        Setting fed = Setting.fed(chain);
        assertThat(amperes(chain, fed)).isGreaterThan(1e-3);
        assertThat(amperes(chain, fed.withFaults(List.of(Fault.parse(broken))))).isLessThan(1e-5);
        assertThatThrownBy(() -> new Faults(chain, List.of(Fault.parse("V4:heater-open:2/3"))))
                .hasMessageContaining("1/5");
    }

    private static double amperes(Chassis set, Setting setting) {
        OperatingPoint solved = new Simulator().solve(set, setting);
        assertThat(solved.converged()).isTrue();
        return Math.abs(
                solved.direct().amperes(solved.direct().circuit().device("V4").orElseThrow())[2]);
    }

    /** A double triode has two: each leaks by itself, and none is forgotten. */
    @Test
    void eachCathodeOfATubeLeaksToTheHeater() {
        Chassis set = TestSets.wired(
                Arrangement.TRANSFORMER,
                "V1 ECC83 1=P1 2=G1 3=K1 6=P2 7=G2 8=K2 4=CHASSIS 5=CHASSIS 9=H",
                "R1 1k K1 CHASSIS cathode",
                "R2 1k K2 CHASSIS cathode",
                "R3 10k H CHASSIS");
        assertThat(FaultList.of(set))
                .extracting(Fault::cause)
                .contains("V1.3:heater-cathode", "V1.8:heater-cathode")
                .doesNotContain("V1:heater-cathode");
        assertThat(leaks(set, "V1.8:heater-cathode:30k")).containsExactly("K2");
        assertThat(leaks(set, "V1:heater-cathode")).hasSize(1);
        assertThat(leaks(SharedSets.named("brae"), "V4:heater-cathode:30k")).containsExactly("V4.7");
        assertThatThrownBy(() -> new Faults(set, List.of(Fault.parse("V1.1:heater-cathode"))))
                .hasMessageContaining("V1.3");
    }

    private static List<String> leaks(Chassis set, String fault) {
        Fault f = Fault.parse(fault);
        return new Sockets(new Faults(set, List.of(f)))
                .heaterLeaks(set.part(f.part()).orElseThrow(), set.reference()).stream()
                        .map(Sockets.HeaterLeak::to)
                        .toList();
    }

    /** What still conducts lies between open and sound. */
    @Test
    void aJointMayHaveSomeOhmsLeft() {
        Chassis set = SharedSets.named("halcyon");
        Simulator engine = new Simulator();
        Setting fed = Setting.fed(set);
        double[] screen = Stream.of("V4.6:joint:1k", "V4.6:joint:100k", "V4.6:joint")
                .mapToDouble(f -> {
                    OperatingPoint solved = engine.solve(set, fed.withFaults(List.of(Fault.parse(f))));
                    return solved.volts("V4.6*").orElseThrow();
                })
                .toArray();
        assertThat(screen[0]).isBetween(200.0, 216.0);
        assertThat(screen[1]).isBetween(5.0, screen[0] - 50);
        assertThat(screen[2]).isLessThan(screen[1]);
        for (String none : List.of("V4.6:joint:0", "V4:heater-cathode:0"))
            assertThatThrownBy(() -> engine.solve(set, fed.withFaults(List.of(Fault.parse(none)))))
                    .as("a short is no way of failing of a tube")
                    .hasMessageContaining(none.replace(":0", ":1k"));
        for (String refused : List.of("V5.7:joint:1k", "R7.1:joint:1k"))
            assertThatThrownBy(() -> new Faults(set, List.of(Fault.parse(refused))))
                    .as(refused)
                    .isInstanceOf(InputException.class);
    }
}
