package anabion.core.recap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.error.InputException;
import anabion.core.format.StockCodec;
import anabion.core.job.PartTest;
import anabion.core.testing.SharedSets;
import anabion.core.text.Phrase;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Plans as a restorer reads them. */
class RecapTest {
    private final Chassis halcyon = SharedSets.named("halcyon");

    private static Plan plan(String name, String policy) {
        return Planner.plan(SharedSets.named(name), Policy.USUAL.with(policy), Stock.NONE);
    }

    private static Item item(Plan plan, String key) {
        return plan.item(key).orElseThrow(() -> new AssertionError("no " + key));
    }

    @Test
    void aLeakyLineCapacitorBecomesASafetyCapacitorThatAHandCanBear() {
        Plan plan = plan("halcyon", "");
        var across = item(plan, "C19").choice();
        assertThat(across.safety().orElseThrow().klass()).isEqualTo(Choice.SafetyClass.X2);
        var chassis = item(plan, "C20").choice();
        assertThat(chassis.safety().orElseThrow().klass()).isEqualTo(Choice.SafetyClass.Y2);
        assertThat(chassis.value()).isCloseTo(4.7e-9, within(1e-12));
        assertThat(chassis.safety().orElseThrow().amperes()).isCloseTo(0.34e-3, within(0.005e-3));
        assertThat(chassis.warnings()).extracting(Phrase::key).contains("recap.warn.touch");
        var aerial = item(plan("brae", ""), "C20").choice();
        assertThat(aerial.safety().orElseThrow().klass()).isEqualTo(Choice.SafetyClass.Y1);
        assertThat(item(plan("brae", ""), "C19").choice().safety().orElseThrow().klass())
                .as("line to chassis on a hot chassis is across the line")
                .isEqualTo(Choice.SafetyClass.X2);
    }

    @Test
    void theStartBeforeTheTubesWarmSetsTheReservoirsRating() {
        Item reservoir = item(plan("halcyon", ""), "C18.1");
        assertThat(reservoir.stress().start())
                .isGreaterThan(1.2 * reservoir.stress().normal());
        assertThat(reservoir.choice().volts()).isGreaterThanOrEqualTo(450);
        assertThat(reservoir.stress().ripple()).isBetween(0.02, 0.3);
        assertThat(reservoir.choice().effective()).isLessThanOrEqualTo(16.001e-6);
    }

    /** (2·V_r − V)/(0.01·C·V_r), the next value of E12 below, at twice its watts. */
    @Test
    void whatNoSingleElectrolyticBearsIsMadeOfTwoWithResistors() {
        Item reservoir = item(plan("true/moor", ""), "C20");
        Choice c = reservoir.choice();
        var pair = c.pair().orElseThrow();
        assertThat(c.effective()).isGreaterThanOrEqualTo(8e-6);
        assertThat(c.bears()).isGreaterThan(reservoir.stress().worst());
        double needed =
                Math.max(450, ReplacementRules.MARGIN * reservoir.stress().worst());
        double formula = (2 * c.volts() - needed) / (0.01 * c.value() * c.volts());
        assertThat(pair.ohms()).isBetween(0.8 * formula, formula * 1.001);
        assertThat(pair.watts()).isCloseTo(needed * needed / 2 / pair.ohms(), within(1e-6));
        assertThat(c.warnings()).extracting(Phrase::key).contains("recap.warn.pair");
    }

    @Test
    void seleniumGivesWayToSiliconAndAResistorThatBringsTheRailBack() {
        Plan plan = plan("rover", "");
        assertThat(plan.swaps()).hasSize(1);
        SeleniumSwap s = plan.swaps().get(0);
        assertThat(s.part().reference()).isEqualTo("D1");
        assertThat(s.ohms()).isBetween(50.0, 1000.0);
        assertThat(s.reached()).isCloseTo(s.target(), within(0.03 * s.target()));
        assertThat(s.inverse()).isGreaterThan(2 * Math.sqrt(2) * 230);
        assertThat(s.watts()).as("more than the mean current alone would heat").isGreaterThan(0.2);
    }

    @Test
    void switchingTheSchoolSaysWhatChanges() {
        Plan usual = plan("halcyon", "");
        Plan tested = plan("halcyon", "tested");
        assertThat(tested.since(usual)).extracting(Phrase::key).contains("recap.change.action");
        assertThat(item(tested, "C14").choice().action()).isEqualTo(Choice.Action.TEST);
        assertThat(item(tested, "C19").choice().action())
                .as("never leave a line capacitor")
                .isEqualTo(Choice.Action.RENEW);
        Plan single = plan("halcyon", "power-first");
        assertThat(single.batches()).hasSizeGreaterThan(usual.batches().size());
        assertThat(single.batches().get(2).keys()).hasSize(1);
        Plan nearest = plan("halcyon", "nearest");
        assertThat(item(nearest, "C23").choice().value()).isCloseTo(22e-6, within(1e-9));
        assertThat(item(usual, "C23").choice().value()).isCloseTo(33e-6, within(1e-9));
        assertThat(usual.since(usual)).isEmpty();
    }

    @Test
    void powerComesBeforeTheOutputAndThatBeforeTheRest() {
        Plan plan = plan("concerto", "");
        assertThat(plan.batches())
                .extracting(b -> b.title().key())
                .startsWith("recap.batch.safety", "recap.batch.power", "recap.batch.output");
        assertThat(plan.batches().get(2).keys()).contains("C41", "C40", "C42");
    }

    @Test
    void aPartThatTestsBadIsRenewedInEverySchoolAndAGoodOneStays() {
        Map<String, PartTest> tests = Map.of(
                "C14", new PartTest("C14", PartTest.What.LEAKAGE, 20e-6, 0, 300),
                "C17", new PartTest("C17", PartTest.What.VALUE, 10.4e-9, 0, 0),
                "C8", new PartTest("C8", PartTest.What.VALUE, 40e-12, 0, 0),
                "R13", new PartTest("R13", PartTest.What.VALUE, 300e3, 0, 0));
        Plan plan = Planner.plan(halcyon, Policy.USUAL.with("tested"), Stock.NONE, Map.of(), tests);
        assertThat(item(plan, "C14").choice().action()).isEqualTo(Choice.Action.RENEW);
        assertThat(item(plan, "C17").choice().action()).isEqualTo(Choice.Action.KEEP);
        assertThat(item(plan, "C8").choice().action()).as("a mica that failed").isEqualTo(Choice.Action.RENEW);
        assertThat(plan.resistors())
                .anyMatch(r -> r.part().reference().equals("R13") && r.action() == Choice.Action.RENEW);
    }

    @Test
    void aRoleByHandRulesAndSaysSo() {
        Plan plan = Planner.plan(halcyon, Policy.USUAL, Stock.NONE, Map.of("C4", Role.VIBRATOR_BUFFER), Map.of());
        Item c4 = item(plan, "C4");
        assertThat(c4.byHand()).isTrue();
        assertThat(c4.choice().volts()).isGreaterThanOrEqualTo(1600);
    }

    @ParameterizedTest
    @CsvSource({
        "VALUE, 8e-6, 0, 0, true",
        "VALUE, 20e-6, 0, 0, false",
        "ESR, 60, 0, 0, true",
        "ESR, 3, 0, 0, false",
        "LEAKAGE, 2e-3, 0, 350, true",
        "LEAKAGE, 0.2e-3, 0, 350, false",
        "LEAKAGE, 0.4e-3, 0.1e-3, 350, true",
        "LEAKAGE, 0.25e-3, 0.1e-3, 350, false"
    })
    void testsOfASixteenMicrofaradElectrolyticAreJudgedByStatedLimits(
            PartTest.What what, double amount, double good, double volts, boolean fails) {
        CapacitorSection c = CapacitorSection.of(halcyon).stream()
                .filter(p -> p.key().equals("C18.1"))
                .findFirst()
                .orElseThrow();
        Tested.Verdict v = Tested.of(new PartTest("C18.1", what, amount, good, volts), c);
        assertThat(v.fails()).isEqualTo(fails);
        assertThat(new Words(Vocabulary.STANDARD).say(v.words())).doesNotContain("recap.");
    }

    @Test
    void tubesAndResistorsAreJudgedToo() {
        assertThat(Tested.of(new PartTest("V4", PartTest.What.EMISSION, 40, 50, 0))
                        .fails())
                .isTrue();
        assertThat(Tested.of(new PartTest("V4", PartTest.What.EMISSION, 62, 50, 0))
                        .fails())
                .isFalse();
        Component.Resistor r = new Component.Resistor(220e3, 0.1, 0.5);
        assertThat(Tested.of(new PartTest("R13", PartTest.What.VALUE, 260e3, 0, 0), r, 0.1)
                        .fails())
                .isTrue();
        assertThat(Tested.of(new PartTest("R13", PartTest.What.VALUE, 260e3, 0, 0), r, 0.2)
                        .fails())
                .isFalse();
    }

    @Test
    void neighboursShowWhatTheyChangeAndWhatTheDrawerHolds() throws IOException {
        Stock stock = StockCodec.read(new StringReader(
                "kind,value,count,class\nfilm,10n/630,8,\nelectrolytic,22u/450,2,\nceramic,4n7/250,3,Y2\n"));
        Plan plan = Planner.plan(halcyon, Policy.USUAL, stock);
        Item coupling = item(plan, "C14");
        var own = coupling.neighbours().stream()
                .filter(n -> Math.abs(n.farads() - 10e-9) < 1e-12)
                .findFirst()
                .orElseThrow();
        assertThat(own.stock()).isEqualTo(8);
        // 10 nF sees the grid leak and the plate's source: some half a megohm
        double corner = 1 / (2 * Math.PI * coupling.seen() * 10e-9);
        assertThat(coupling.seen()).isBetween(470e3, 600e3);
        assertThat(corner).isBetween(25.0, 35.0);
        var ripples = item(plan, "C18.1").neighbours();
        assertThat(ripples)
                .hasSizeGreaterThan(1)
                .allMatch(n -> n.effect().get(0).key().equals("recap.effect.ripple"));
        var hum = item(plan, "C18.2").neighbours();
        assertThat(hum)
                .hasSizeGreaterThan(1)
                .allMatch(n -> n.effect().get(0).key().equals("recap.effect.hum"));
        // 20 V of ripple, divided by 1 kΩ and the 48 Ω of 33 µF at 100 Hz: some 0.9 V, and less behind more
        assertThat(hum.stream()
                        .filter(n -> Math.abs(n.farads() - 33e-6) < 1e-9)
                        .findFirst()
                        .orElseThrow()
                        .effect()
                        .get(0)
                        .fillings()
                        .get(0)
                        .toString())
                .matches("(8|9)\\d\\d mV|1(\\.[0-3]\\d?)? V");
        assertThat(item(plan, "C4").neighbours().get(0).effect().get(0).key()).isEqualTo("recap.effect.time");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "kind,value,count;film,many,8 | line 2",
                "kind,value,count;wood,10n/630,8 | no kind of part",
                "kind,value,count;film,10n/630,-3 | no count",
                "kind,count;film,8 | value"
            })
    void aStockListThatCannotBeReadSaysWhere(String csv, String said) {
        assertThatThrownBy(() -> StockCodec.read(new StringReader(csv.replace(';', '\n'))))
                .isInstanceOf(InputException.class)
                .hasMessageContaining(said);
    }

    @Test
    void aWornTubeIsNamedWithTheBestSpareInTheDrawer() throws IOException {
        Stock stock = StockCodec.read(new StringReader(
                "kind,value,count\ntube,6AQ5 71/50,1\ntube,6AQ5 88/50,1\ntube,6AQ5 30/50,1\ntube,6X4 40/60,1\n"));
        Map<String, PartTest> tests = Map.of(
                "V4", new PartTest("V4", PartTest.What.EMISSION, 35, 50, 0),
                "V5", new PartTest("V5", PartTest.What.EMISSION, 20, 60, 0),
                "V2", new PartTest("V2", PartTest.What.EMISSION, 80, 50, 0));
        Plan plan = Planner.plan(halcyon, Policy.USUAL, stock, Map.of(), tests);
        assertThat(plan.tubes()).extracting(t -> t.part().reference()).containsExactly("V4", "V5");
        assertThat(new Words(Vocabulary.STANDARD).say(plan.tubes().get(0).spare()))
                .contains("88");
        assertThat(plan.tubes().get(1).spare().key()).as("a dead spare is none").isEqualTo("recap.no-spare");
        assertThat(plan.batches().stream().flatMap(b -> b.keys().stream())).contains("V4", "V5");
    }

    @ParameterizedTest
    @CsvSource({"24x70, true", "14x70, false", "40x25, false", "18x20, false"})
    void newOnesGoIntoAnOldCanOrDoNot(String size, boolean fits) {
        Plan plan = plan("halcyon", "restuff");
        List<Choice> both =
                List.of(item(plan, "C18.1").choice(), item(plan, "C18.2").choice());
        assertThat(CanFit.of(size).takes(both)).isEqualTo(fits);
        assertThatThrownBy(() -> CanFit.of("large")).isInstanceOf(InputException.class);
    }

    /** 1/((2π·465 kHz)²·1.17 mH) = 100 pF. */
    @Test
    void aTuningMicaThatFailedIsChosenByResonanceWhereItsCoilIsKnown() {
        List<Part> parts = new ArrayList<>();
        for (Part p : halcyon.parts()) {
            if (!p.reference().equals("L3")) {
                parts.add(p);
                continue;
            }
            List<anabion.core.chassis.Winding> windings = new ArrayList<>();
            for (var w : ((Component.Windings) p.component()).windings())
                windings.add(new anabion.core.chassis.Winding(
                        w.id(), w.name(), w.from(), w.to(), w.ohms(), 1.1714e-3, w.volts(), w.extra()));
            parts.add(p.withComponent(new Component.Windings(windings)));
        }
        Map<String, PartTest> tests = Map.of("C8", new PartTest("C8", PartTest.What.VALUE, 60e-12, 0, 0));
        Choice c = item(Planner.plan(halcyon.withParts(parts), Policy.USUAL, Stock.NONE, Map.of(), tests), "C8")
                .choice();
        assertThat(c.rule().key()).isEqualTo("recap.rule.resonance");
        assertThat(c.value()).isCloseTo(100e-12, within(0.2e-12));
    }

    @Test
    void policiesAreWordsAndSayThemselves() {
        Policy p = Policy.USUAL.with("tested, restuff nearest drift-10");
        assertThat(Policy.USUAL.with(p.text())).isEqualTo(p);
        assertThatThrownBy(() -> Policy.USUAL.with("guess"))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("guess");
    }

    @Test
    void aCircuitThatDoesNotSettleIsSaidAndNotPlanned() {
        Chassis none = halcyon.withParts(List.of());
        assertThat(Planner.plan(none, Policy.USUAL, Stock.NONE).items()).isEmpty();
    }
}
