package anabion.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.command.TypeLine;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.model.Fit;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import anabion.core.recap.Planner;
import anabion.core.recap.Policy;
import anabion.core.recap.Stock;
import anabion.core.signal.CircuitCheck;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.IndependentSolver;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Regulators, barretters, ballast tubes, cold-cathode rectifiers, and vibrators that rectify. */
class GasDevicesTest {
    private static OperatingPoint solved(Chassis set, double line) {
        OperatingPoint o = new Simulator().solve(set, Setting.of(line));
        assertThat(o.converged()).isTrue();
        return o;
    }

    /** 150 V at 5 mA, 154 V at 40 mA: within that for any line that leaves it its current. */
    @ParameterizedTest
    @ValueSource(doubles = {105, 117, 129})
    void aRegulatorHoldsItsVolts(double line) {
        OperatingPoint o = solved(CircuitFixtures.named("regulated"), line);
        assertThat(o.volts("REG").orElseThrow()).isBetween(149.9, 154.0);
    }

    /** Behind ten times the resistance the oscillator alone takes more than comes through: the divider by hand, and a finding. */
    @Test
    void aStarvedRegulatorIsFound() {
        Chassis set = CircuitFixtures.named("regulated", t -> t.replace("R19 6k8", "R19 68k"));
        OperatingPoint o = solved(set, 117);
        assertThat(o.volts("REG").orElseThrow()).isLessThan(140);
        assertThat(CircuitCheck.of(set))
                .extracting(r -> new Words(Vocabulary.STANDARD).say(r.words()))
                .anySatisfy(w -> assertThat(w).startsWith("V4 draws 0.0 mA"));
        assertThat(CircuitCheck.of(CircuitFixtures.named("regulated")))
                .extracting(r -> r.words().key())
                .doesNotContain("check.regulator-starved", "check.regulator-hot");
    }

    /** A list that states one point only, and one that states the upper end first. */
    @Test
    void oneRegulatorPointIsEnoughAndTheirOrderDoesNotMatter() {
        DeviceType regulator = DeviceLibrary.standard().find("0D3").orElseThrow();
        Section single = TypeLine.edit(regulator, "drop point 2").sections().get(0);
        double[] amperes = new double[2];
        Fit.law(single).currents(new double[] {149.95, 0}, amperes);
        assertThat(amperes[0]).as("below its published volts").isLessThan(0.005);
        Fit.law(single).currents(new double[] {150, 0}, amperes);
        assertThat(amperes[0]).as("at its published volts").isBetween(0.005, 0.007);
        Section barretter = DeviceLibrary.standard()
                .find("302")
                .orElseThrow()
                .section(Section.Kind.BARRETTER)
                .orElseThrow();
        List<Section.Point> turned = new ArrayList<>(barretter.points());
        Collections.reverse(turned);
        Section other = new Section(
                barretter.name(),
                barretter.kind(),
                barretter.mu(),
                barretter.cutoff(),
                barretter.oscillator(),
                turned,
                barretter.extra());
        assertThat(Fit.law(other)).isEqualTo(Fit.law(barretter));
    }

    /** A tube without a heater conducts in a cold set, a heated one does not. */
    @Test
    void aColdCathodeNeedsNoHeat() {
        Chassis cold = CircuitFixtures.named(
                "regulated", t -> t.replace("V3 83 1=FIL 2=HTA 3=HTB 4=FIR", "V3 0Z4 3=HTA 5=HTB 8=B1")
                        .replace("FIL>B1=2.5V,0.025R B1>FIR=2.5V,0.025R ", ""));
        Setting off = Setting.of(117).cold();
        assertThat(new Simulator().solve(cold, off).volts("B1").orElseThrow()).isGreaterThan(300);
        assertThat(new Simulator()
                        .solve(CircuitFixtures.named("regulated"), off)
                        .volts("B1")
                        .orElseThrow())
                .isLessThan(1);
        double hot = solved(CircuitFixtures.named("regulated"), 117).volts("B1").orElseThrow();
        assertThat(solved(cold, 117).volts("B1").orElseThrow())
                .as("24 V lost where the 83 loses 15")
                .isCloseTo(hot - 9, within(3.0));
    }

    /**
     * The chain has 62.6 V at 0.3 A and a barretter of 0.29 to 0.31 A between 112 and 195 V: by hand, at 230 V some 166 V lie across it, and the current is
     * 0.303 A; over ±10 % of the line it stays within 0.29 to 0.31 A, and the volts of heaters, which are wires, follow it twice as fast. A plain resistance
     * would let the heaters have 10 % more or less, or worse.
     */
    @ParameterizedTest
    @CsvSource({"207, 0.295", "230, 0.303", "253, 0.309"})
    void aBarretterHoldsTheHeatersCurrent(double line, double amperes) {
        OperatingPoint o = solved(CircuitFixtures.named("barretter"), line);
        double chain = Math.abs(o.mains().orElseThrow().volts("H4").orElseThrow());
        double hot = 62.6 * Math.pow(amperes / 0.3, 1.6);
        assertThat(chain).isCloseTo(hot, within(0.02 * hot));
    }

    /** On direct mains the same wire carries direct current. */
    @Test
    void aBarretterWorksOnDirectMains() {
        Chassis set = CircuitFixtures.named("barretter", t -> t.replace("! hot-chassis 230 50", "! dc-mains 230 0"));
        OperatingPoint o = solved(set, 230);
        assertThat(o.volts("H4").orElseThrow()).isCloseTo(62.6, within(3.0));
        assertThat(solved(set, 253).volts("H4").orElseThrow()).isCloseTo(62.6, within(5.0));
    }

    @Test
    void ballastTubesAreReadFromTheirCode() {
        assertThat(Notation.exact("BK49C", Unit.OHM)).isCloseTo(49 / 0.3, within(0.1));
        assertThat(Notation.exact("L55B", Unit.OHM)).isCloseTo(55 / 0.3, within(0.1));
        assertThat(Notation.exact("M47", Unit.OHM))
                .as("nought point four seven megohms")
                .isEqualTo(470e3);
    }

    /** Against a run over time of two pairs of contacts that close in turn, each nine tenths of its half cycle. */
    @Test
    void aSynchronousVibratorRectifies() throws Exception {
        OperatingPoint o = solved(CircuitFixtures.named("car-6-v-synchronous"), 6.3);
        double load = o.supplies().get("B1").amperes();
        String out = IndependentSolver.answer("synchronous-vibrator", vibrator(load));
        Matcher mean = Pattern.compile("(?m)^mean_out\\s*=\\s*(\\S+)").matcher(out);
        assertThat(mean.find()).isTrue();
        double rail = Double.parseDouble(mean.group(1));
        assertThat(o.volts("B1").orElseThrow()).isCloseTo(rail, within(0.02 * rail));
    }

    /** The heaters' 0.75 A are drawn from the battery, too; the deck has the wiring's copper and its own switches. */
    private static String vibrator(double load) {
        List<String> lines = List.of(
                "* a synchronous vibrator",
                "Vbatt batt 0 DC 6.3",
                "Rbatt batt a 0.07",
                "Iheaters a 0 DC 0.75",
                // strokes of 1/115 s, contacts closed for 45 % each
                "Vone one 0 PULSE(0 1 0.000217 1u 1u 0.003913 0.0086957)",
                "Vtwo two 0 PULSE(0 1 0.004565 1u 1u 0.003913 0.0086957)",
                ".model contact SW(VT=0.5 VH=0.1 RON=0.02 ROFF=1e7)",
                ".model secondary SW(VT=0.5 VH=0.1 RON=0.1 ROFF=1e8)",
                "S1 p1 0 one 0 contact",
                "S2 p2 0 two 0 contact",
                "S3 hta 0 one 0 secondary",
                "S4 htb 0 two 0 secondary",
                // P1>A and A>P2, each 6.3 V; HTA>B1 and B1>HTB, each 230 V: one flux u, in volts a turn of the primary
                "R1 p1 e1 0.1",
                "E1 e1 m1 u 0 1",
                "V1 m1 a DC 0",
                "E2 a m2 u 0 1",
                "V2 m2 e2 DC 0",
                "R2 e2 p2 0.1",
                "R3 hta e3 150",
                "E3 e3 m3 u 0 36.508",
                "V3 m3 b1 DC 0",
                "E4 b1 m4 u 0 36.508",
                "V4 m4 e4 DC 0",
                "R4 e4 htb 150",
                // the ampere turns of all windings add up to what little magnetises the core
                "F1 u 0 V1 1",
                "F2 u 0 V2 1",
                "F3 u 0 V3 36.508",
                "F4 u 0 V4 36.508",
                "Ru u 0 1000",
                "Cb1 b1 0 16u IC=215",
                "Iload b1 0 DC " + load,
                ".tran 5u 0.4 0 5u uic",
                ".meas tran mean_out AVG v(b1) from=0.3 to=0.4",
                ".end");
        return String.join("\n", lines) + "\n";
    }

    /** With the battery the other way round, or the windings, the rail is negative: the plan says that its capacitors stand the wrong way round. */
    @ParameterizedTest
    @CsvSource({
        "BT1 6.3V/.05R BATT CHASSIS, BT1 6.3V/.05R CHASSIS BATT",
        "4=HTA 5=HTB, 4=HTB 5=HTA",
    })
    void reversedABatteryGivesANegativeRail(String now, String turned) {
        Chassis set = CircuitFixtures.named("car-6-v-synchronous", t -> t.replace(now, turned));
        assertThat(solved(set, 6.3).volts("B1").orElseThrow()).isLessThan(-150);
        assertThat(Planner.plan(set, Policy.USUAL, Stock.NONE)
                        .item("C18.1")
                        .orElseThrow()
                        .choice()
                        .warnings())
                .extracting(w -> w.key())
                .contains("recap.warn.reversed");
    }
}
