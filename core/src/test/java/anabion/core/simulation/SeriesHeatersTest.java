package anabion.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.command.WiringLine;
import anabion.core.error.InputException;
import anabion.core.format.ListCodec;
import anabion.core.recap.Causes;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.FaultList;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import anabion.core.typical.TypicalCircuit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Heaters on alternating current are part of the circuit: what is shorted or open in their chain shows everywhere, and faults are honoured or refused. */
class SeriesHeatersTest {
    private static final Chassis SET = CircuitFixtures.typical(TypicalCircuit.FIVE_TUBE_AC_DC);

    private static Chassis with(Chassis set, String line) {
        return ListCodec.withPart(set, WiringLine.parse(line, set));
    }

    private static OperatingPoint solved(Chassis set, String... faults) {
        return new Simulator()
                .solve(
                        set,
                        Setting.of(set.supply().volts())
                                .withFaults(List.of(faults).stream()
                                        .map(Fault::parse)
                                        .toList()));
    }

    private static double heater(OperatingPoint o, String from, String to) {
        return Math.abs(o.mains().orElseThrow().volts(from).orElse(0)
                - o.mains().orElseThrow().volts(to).orElse(0));
    }

    /** By hand: with H2 on the return, three tubes of 12.6 V are dark and the line stands on the other two, 85 V rated. */
    @Test
    void aShortedCapacitorAtTheChainOverheatsWhatIsLeft() {
        Chassis set = with(SET, "C90 .01/400 H2 B- heater bypass");
        OperatingPoint well = solved(set);
        OperatingPoint shorted = solved(set, "C90:short");
        assertThat(heater(shorted, "H2", "B-")).isLessThan(0.1);
        assertThat(heater(shorted, "H1", "H2")).isGreaterThan(1.25 * heater(well, "H1", "H2"));
        assertThat(heater(shorted, "LINE", "H2")).isCloseTo(117, within(0.5));
        assertThat(shorted.heaterWatts("V5")).isGreaterThan(1.5 * well.heaterWatts("V5"));
        assertThat(shorted.heaterWatts("V1")).isLessThan(0.01 * well.heaterWatts("V1"));
    }

    /** A heater that touches its cathode does the same through the cathode's resistor. */
    @Test
    void aHeaterThatTouchesItsCathodeLoadsTheChain() {
        OperatingPoint well = solved(SET);
        OperatingPoint touching = solved(SET, "V4:heater-cathode:5R");
        assertThat(heater(touching, "LINE", "H1")).isGreaterThan(1.2 * heater(well, "LINE", "H1"));
        assertThat(touching.mains().orElseThrow().volts("V4.1").orElse(0)).isGreaterThan(20);
    }

    /** So does a lead of the chain that touches the chassis, where the circuit returns to it: what is behind it stays dark. A chassis that floats takes nothing. */
    @Test
    void aLeadThatTouchesTheChassisShortsWhatIsBehindIt() {
        Chassis brae = SharedSets.named("brae");
        OperatingPoint well = solved(brae);
        OperatingPoint touching = solved(brae, "V4.1:earthed");
        assertThat(touching.mains()
                        .orElseThrow()
                        .volts(brae.part("V4").orElseThrow().nets().get("1")))
                .hasValueCloseTo(0.0, within(0.1));
        assertThat(touching.heaterWatts("V5")).isGreaterThan(1.1 * well.heaterWatts("V5"));
        assertThat(touching.heaterWatts("V1")).isLessThan(0.1 * well.heaterWatts("V1"));
        assertThat(FaultList.of(brae)).extracting(Fault::mode).contains(FaultMode.EARTHED);
        Setting off = Setting.of(220).withFaults(List.of(Fault.parse("V4.1:earthed")));
        assertThat(ColdSet.of(brae, off).between("HD", brae.reference(), 1.5)).isLessThan(1);
        assertThat(FaultList.of(SET)).extracting(Fault::mode).doesNotContain(FaultMode.EARTHED);
        assertThat(solved(SET, "V4.3:earthed").heaterWatts("V5"))
                .isCloseTo(solved(SET).heaterWatts("V5"), within(0.1));
        assertThatThrownBy(() -> solved(brae, "V4:earthed")).hasMessageContaining("V4.1:earthed");
        assertThatThrownBy(() -> solved(brae, "V4.2:earthed")).hasMessageContaining("V4.1");
    }

    /** That is how a rectifier is killed: the search for a cause finds it. */
    @Test
    void theCauseOfABurntRectifierIsFoundInTheChain() {
        Chassis set = with(SET, "C90 .01/400 H2 B- heater bypass");
        assertThat(Causes.of(set, set.part("V5").orElseThrow()))
                .extracting(c -> c.fault().text())
                .contains("C90:short");
    }

    /** Its own heater's current keeps the plate's feed going when the lamp beside the tap is open, and the tap's piece bears what the lamp left. */
    @Test
    void theTapCarriesTheLampsCurrentWhenTheLampIsOpen() {
        OperatingPoint well = solved(SET);
        OperatingPoint open = solved(SET, "LP1:open");
        assertThat(heater(well, "LINE", "TAP")).isBetween(2.5, 4.5);
        assertThat(heater(open, "LINE", "TAP")).as("50 Ω at 0.15 A").isCloseTo(7.3, within(0.5));
        assertThat(open.supplies()).containsKey("B1");
        assertThat(open.volts("B1").orElseThrow()).isLessThan(well.volts("B1").orElseThrow());
    }

    /** A dropper bears the heaters' current: 0.15² A × 160 Ω is 3.6 W, and nothing in the set can make it millions of times that. */
    @Test
    void theLoadOfADropperIsThatOfItsAlternatingCurrent() {
        Chassis set = CircuitFixtures.typical(TypicalCircuit.LINE_CORD);
        OperatingPoint well = solved(set);
        double amperes = heater(well, "MAINS-L", "HX") / 160;
        assertThat(well.watts().get("R20")).isCloseTo(amperes * amperes * 160, within(0.05));
        OperatingPoint shorted = solved(set, "C18:short");
        OperatingPoint dark = solved(set, "V5:heater-open");
        for (OperatingPoint worst : List.of(shorted, dark))
            assertThat(worst.watts().get("R20") / well.watts().get("R20")).isLessThan(80);
    }

    @ParameterizedTest
    @CsvSource({
        "halcyon,C18.1:short",
        "halcyon,C18.2:leaky:1k",
        "halcyon,C18.1:dried:0.05",
        "halcyon,T1.primary:short",
        "halcyon,T1.primary:short:0.3",
        "rover,D1:weak:2k"
    })
    void aFaultOfASectionWindingOrAmountIsComputed(String name, String fault) {
        Chassis set = SharedSets.named(name);
        OperatingPoint well = solved(set);
        OperatingPoint broken = solved(set, fault);
        boolean moved = well.supplies().keySet().stream()
                .anyMatch(n -> Math.abs(well.volts(n).orElse(0)
                                        - broken.volts(n).orElse(0))
                                > 0.3
                        || Math.abs(well.supplies().get(n).ripple()
                                        - broken.supplies()
                                                .getOrDefault(n, well.supplies().get(n))
                                                .ripple())
                                > 0.3);
        boolean gone = !broken.supplies().keySet().equals(well.supplies().keySet());
        assertThat(moved || gone).as(fault).isTrue();
    }

    /** The section that is named fails, and the other does not. */
    @Test
    void aFaultOfOneSectionLeavesTheOther() {
        Chassis set = SharedSets.named("halcyon");
        Part can = set.part("C18").orElseThrow();
        Faults open = new Faults(set, List.of(Fault.parse("C18.2:open")));
        assertThat(open.farads(can, 2, 32e-6)).isZero();
        assertThat(open.farads(can, 1, 16e-6)).isEqualTo(16e-6);
        assertThat(solved(set, "C18.2:short").volts("B2").orElseThrow()).isLessThan(1);
        assertThat(solved(set, "C18.2:short").volts("B1").orElseThrow()).isGreaterThan(20);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "C14.1:leaky", "C13:dried:2", "C13:dried:lots", "V5:weak:0.1", "V4:dead:0.5", "R13:open:1M",
                        "R13:short:10",
                "R13.1:drifted:1M", "V4.99:joint", "V4:joint", "T1.nothing:short", "C18.3:short", "C14:open:0.5",
                        "V4:heater-open:3"
            })
    void whatIsNotUnderstoodIsRefused(String fault) {
        Chassis set = SharedSets.named("halcyon");
        assertThatThrownBy(() -> solved(set, fault))
                .isInstanceOf(InputException.class)
                .hasMessageContaining(fault)
                .hasMessageMatching("(?s).*(Use|Write|Name|Give|Enter) .*");
    }
}
