package anabion.core.recap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chart;
import anabion.core.chassis.Chassis;
import anabion.core.command.WiringLine;
import anabion.core.format.ListCodec;
import anabion.core.json.Extra;
import anabion.core.recap.Choice.SafetyClass;
import anabion.core.testing.CircuitFixtures;
import anabion.core.text.Phrase;
import anabion.core.typical.TypicalCircuit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What stands at the mains, on circuits that are no demo set: found from the circuit, whatever its nets are called. */
class MainsRolesTest {
    private static final Chassis SERIES = CircuitFixtures.typical(TypicalCircuit.FIVE_TUBE_AC_DC);

    /** Each circuit is read once: another reading has other identities, and is another chassis. */
    private static final Map<TypicalCircuit, Chassis> TYPICAL = new HashMap<>();

    private static Chassis typical(TypicalCircuit circuit) {
        return TYPICAL.computeIfAbsent(circuit, CircuitFixtures::typical);
    }

    private static Chassis with(Chassis set, String... lines) {
        Chassis grown = set;
        for (String line : lines) grown = ListCodec.withPart(grown, WiringLine.parse(line, grown));
        return grown;
    }

    /** A plan takes some tenths of a second, and most of these tests ask the same ones. */
    private static final Map<Chassis, Plan> PLANS = new HashMap<>();

    private static Plan planned(Chassis set) {
        return PLANS.computeIfAbsent(set, s -> Planner.plan(s, Policy.USUAL, Stock.NONE));
    }

    private static Item item(Chassis set, String key) {
        return planned(set).item(key).orElseThrow();
    }

    private static Role role(Chassis set, String key) {
        return item(set, key).role();
    }

    private static SafetyClass klass(Item item) {
        return item.choice().safety().orElseThrow().klass();
    }

    private static boolean warned(Item item, String key) {
        return item.choice().warnings().stream().anyMatch(w -> w.key().equals(key));
    }

    /** Ten ohms, a choke, a fuse or a lamp between switch and capacitor change nothing. */
    @ParameterizedTest
    @ValueSource(
            strings = {"R90 10 LINE LINE2", "L90 1mH LINE LINE2", "F90 1A LINE LINE2", "LP90 6.3V/.15A LINE LINE2"})
    void acrossTheLineBehindSomethingSmall(String between) {
        Chassis set = with(SERIES, between, "C20 .05/400 LINE2 B-", "R91 2k2 LINE2 B- load");
        assertThat(role(set, "C20")).isEqualTo(Role.ACROSS_LINE);
        assertThat(klass(item(set, "C20"))).isEqualTo(SafetyClass.X2);
    }

    /** An open heater below puts the whole line across it; as the set works there are 11 V. */
    @ParameterizedTest
    @ValueSource(strings = {"H1", "H2", "H3", "H4"})
    void aCapacitorAtTheHeaterChainIsAcrossTheLine(String net) {
        Item c = item(with(SERIES, "C90 .01/400 " + net + " B- heater bypass"), "C90");
        assertThat(c.role()).isEqualTo(Role.ACROSS_LINE);
        assertThat(c.why().key()).isEqualTo("recap.why.across-line.open");
    }

    /** With the switch open the line stands across its contact. */
    @Test
    void aCapacitorAcrossTheSwitchIsAcrossTheLine() {
        assertThat(role(with(SERIES, "C90 .01/400 MAINS-L LINE switch spark"), "C90"))
                .isEqualTo(Role.ACROSS_LINE);
    }

    /** From the rectifier's plate behind its surge resistor, on every directly connected set. */
    @ParameterizedTest
    @CsvSource({"HOT_CHASSIS,C21", "AUTOTRANSFORMER,C21", "HEATER_TRANSFORMER,C21"})
    void aPlateBufferOnADirectlyConnectedSetIsAcrossTheLine(TypicalCircuit circuit, String key) {
        assertThat(role(typical(circuit), key)).isEqualTo(Role.ACROSS_LINE);
    }

    @Test
    void behindATransformerABufferBearsAlternatingVolts() {
        Item c = item(typical(TypicalCircuit.DIRECTLY_HEATED_RECTIFIER), "C22");
        assertThat(c.role()).isEqualTo(Role.RECTIFIER_BUFFER);
        assertThat(c.choice().pulses()).isTrue();
        assertThat(c.choice().volts()).isGreaterThanOrEqualTo(1600);
        assertThat(Labels.of(c.choice())).endsWith("pulse");
    }

    /** A bypass to a live return is none: nothing of the line stands across it. */
    @ParameterizedTest
    @CsvSource({
        "C23,CATHODE_BYPASS",
        "C4,AVC_FILTER",
        "C14,COUPLING",
        "C18.1,RESERVOIR",
        "C18.2,SMOOTHING",
        "C22,PLATE_BYPASS",
        "C24,PLATE_TONE"
    })
    void whatOnlyReturnsToALiveNegativeIsNotAtTheMains(String key, Role role) {
        assertThat(role(SERIES, key)).isEqualTo(role);
    }

    /** The current of capacitor and resistor together, by hand: √((2πfCV)² + (V/R)²). */
    @Test
    void theBarrierOfAFloatingNegativeIsCapacitorAndResistor() {
        Item c = item(SERIES, "C19");
        assertThat(c.role()).isEqualTo(Role.LINE_TO_CHASSIS);
        assertThat(klass(c)).isEqualTo(SafetyClass.Y1);
        double farads = c.choice().value();
        double together = 117 * Math.hypot(2 * Math.PI * 60 * farads, 1 / 390e3);
        assertThat(c.choice().safety().orElseThrow().amperes()).isCloseTo(together, within(0.02 * together));
        assertThat(together).isLessThan(0.5e-3);
        assertThat(c.choice().warnings())
                .filteredOn(w -> w.key().equals("recap.warn.touch"))
                .singleElement()
                .satisfies(
                        w -> assertThat(Double.parseDouble(w.fillings().get(1).toString()))
                                .as("0.1 µF and 220 kΩ at 117 V 60 Hz")
                                .isCloseTo(4.44, within(0.05)));
        assertThat(warned(c, "recap.warn.bleeder-low"))
                .as("220 kΩ alone passes 0.53 mA")
                .isTrue();
        assertThat(warned(c, "recap.warn.smaller")).isTrue();
    }

    private static Chassis measuredFrom(Chassis set, String reference) {
        Chart.Conditions k = new Chart.Conditions(117, "20k/V", "AM", "", "none", "", reference, Extra.NONE);
        return set.withChart(new Chart(UUID.randomUUID(), "", false, 0.2, k, List.of(), Extra.NONE));
    }

    private static Map<String, String> plan(Chassis set) {
        Map<String, String> all = new TreeMap<>();
        for (Item i : planned(set).items()) all.put(i.key(), i.role() + " " + Labels.of(i.choice()));
        return all;
    }

    /** Measured from B− or from the metal, and whatever both are called, the plan is the same. */
    @ParameterizedTest
    @ValueSource(strings = {"FIVE_TUBE_AC_DC", "THREE_WAY_PORTABLE"})
    void rolesDoNotDependOnTheReferenceOrItsName(TypicalCircuit circuit) {
        Chassis set = typical(circuit);
        Map<String, String> usual = plan(set);
        assertThat(plan(measuredFrom(set, "B-"))).isEqualTo(usual);
        UnaryOperator<String> renamed = t -> t.replace("B-", "COMMON");
        assertThat(plan(CircuitFixtures.typical(circuit, renamed))).isEqualTo(usual);
        assertThat(plan(measuredFrom(CircuitFixtures.typical(circuit, renamed), "COMMON")))
                .isEqualTo(usual);
    }

    /** Either leg may hold the switch. */
    @Test
    void rolesDoNotDependOnTheLegOfTheSwitch() {
        Chassis other = CircuitFixtures.typical(
                TypicalCircuit.FIVE_TUBE_AC_DC, t -> t.replace("S1 off/on MAINS-L LINE", "S1 off/on LINK B-")
                        .replace("F1 1A MAINS-N B-", "F1 1A MAINS-N LINK")
                        .replace("LP1 6.3V", "R40 0.5 MAINS-L LINE\nLP1 6.3V"));
        assertThat(plan(other)).isEqualTo(plan(SERIES));
    }

    /** The name of the net where something is plugged in does not matter. */
    @ParameterizedTest
    @ValueSource(strings = {"AE", "A1", "DIPOLE", "X17", "SOCKET"})
    void whatKeepsAnAerialFromTheMainsIsOfClassY(String net) {
        Chassis set = CircuitFixtures.typical(
                TypicalCircuit.HOT_CHASSIS,
                t -> t.replace(" A1", " COIL").replace("A1>", "COIL>").replace(" AE ", " " + net + " "));
        Item c = item(set, "C30");
        assertThat(c.role()).isEqualTo(Role.AERIAL_ISOLATOR);
        assertThat(klass(c)).isEqualTo(SafetyClass.Y1);
    }

    @ParameterizedTest
    @CsvSource({"C31,E,EARTHY", "C31,E,GND1", "C32,PU,GRAMMO", "C32,PU,J3"})
    void whatKeepsALeadOrSocketFromTheMainsIsOfClassY(String key, String net, String called) {
        Chassis set = CircuitFixtures.typical(
                TypicalCircuit.HOT_CHASSIS, t -> t.replace(" " + net + " ", " " + called + " "));
        Item c = item(set, key);
        assertThat(c.role().rule()).isEqualTo(Role.Rule.SAFETY);
        assertThat(klass(c)).isEqualTo(SafetyClass.Y1);
    }

    /** The metal of a floating set may have any name: the resistor beside the capacitor tells. */
    @Test
    void metalOfAnotherNameIsTouchedToo() {
        Chassis set = CircuitFixtures.typical(TypicalCircuit.FIVE_TUBE_AC_DC, t -> t.replace("CHASSIS", "CABINET"));
        assertThat(role(set, "C19")).isEqualTo(Role.LINE_TO_CHASSIS);
    }

    @Test
    void behindATransformerTheChassisIsOfClassY2() {
        Item c = item(typical(TypicalCircuit.DIRECTLY_HEATED_RECTIFIER), "C19");
        assertThat(c.role()).isEqualTo(Role.LINE_TO_CHASSIS);
        assertThat(klass(c)).isEqualTo(SafetyClass.Y2);
    }

    /** On direct-current mains the filter behind the choke is a filter. */
    @Test
    void onDirectCurrentMainsOnlyWhatPrecedesTheChokeIsAcrossTheLine() {
        Chassis set = typical(TypicalCircuit.DC_MAINS);
        assertThat(role(set, "C20")).isEqualTo(Role.ACROSS_LINE);
        assertThat(item(set, "C18.1").choice().safety()).isEmpty();
        assertThat(klass(item(set, "C33"))).isEqualTo(SafetyClass.Y1);
    }

    @Test
    void aTubesDropperCapacitorIsAtTheMains() {
        assertThat(role(CircuitFixtures.named("capacitor-dropper"), "C40")).isEqualTo(Role.ACROSS_LINE);
    }

    /** The reservoir of a 35W4 that bears 40 µF. */
    @Test
    void theChooserKeepsToTheRectifiersLimit() {
        Item forty = item(with(SERIES, "C18 40+30/150 B1 B2 B- reservoir"), "C18.1");
        assertThat(forty.choice().value()).isLessThanOrEqualTo(40e-6);
        Item fifty = item(SERIES, "C18.1");
        assertThat(fifty.choice().value()).as("no larger than the original").isCloseTo(47e-6, within(1e-9));
        assertThat(warned(fifty, "recap.warn.reservoir")).isTrue();
    }

    /** A battery under charge has 14.4 V, or 7.2. */
    @ParameterizedTest
    @CsvSource({"CAR_HYBRID,C22,14.4,25"})
    void carsAreComputedUnderCharge(TypicalCircuit circuit, String key, double volts, double rating) {
        Item c = item(typical(circuit), key);
        assertThat(c.stress().worst()).isBetween(0.9 * volts, volts);
        assertThat(c.choice().volts()).isEqualTo(rating);
        assertThat(Stresses.high(typical(circuit))).isCloseTo(volts, within(0.01));
    }

    @Test
    void theCheckAfterSafetyPartsHasAColdAndALiveHalf() {
        Plan plan = planned(SERIES);
        assertThat(plan.batches().get(0).test().key()).isEqualTo("recap.test.safety");
        assertThat(plan.batches().get(0).test().fillings())
                .containsExactly(Phrase.of("recap.test.safety.bleeders", "220 kΩ"), "0.5");
    }
}
