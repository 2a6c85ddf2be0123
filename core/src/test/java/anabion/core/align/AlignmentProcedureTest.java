package anabion.core.align;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Aim;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Winding;
import anabion.core.command.AdjusterLine;
import anabion.core.job.AlignmentPurpose;
import anabion.core.signal.Gains;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import anabion.core.typical.TypicalCircuit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The lines of an alignment. Some 15 s: the levels of every band of thirteen superhets are computed, each once. */
class AlignmentProcedureTest {
    private static final Map<List<Object>, AlignmentProcedure> MADE = new ConcurrentHashMap<>();

    static AlignmentProcedure of(Chassis set, String band) {
        return MADE.computeIfAbsent(
                List.of(set, band),
                k -> AlignmentProcedure.of(
                        new Simulator(),
                        set,
                        Setting.fed(set).withControls(Controls.volume(set, 1)),
                        set.band(band).orElseThrow()));
    }

    private static List<String> letters(AlignmentProcedure p) {
        return p.lines().stream().map(AlignmentLine::letters).toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "halcyon|AM|A1 A2, A3 A4, A5, A6, A7",
                "brae|MW|1 2, 3 4, 7, 5, 6",
                "brae|LW|1 2, 3 4, 8, 9",
                "concerto|MW|A1 A2, A3 A4, A6, A5, A7",
                "concerto|LW|A1 A2, A3 A4, A8, A9",
                "concerto|FM|F2, F3, F4, F1, F5, F6",
                "lark|MW|1, 2, 3, 6, 4, 5",
                "rover|MW|1 2, 3 4, 6, 5, 7",
                "trunk-road|MW|1 2, 3 4, 6, 5, 7"
            })
    void lastTransformerFirstThenOscillatorThenAerial(String set, String band, String order) {
        assertThat(letters(of(SharedSets.named(set), band))).containsExactly(order.split(", "));
    }

    @Test
    void theWordsBesideAnAdjusterDecideNothing() {
        Chassis set = SharedSets.named("concerto");
        Chassis mute = set.withAdjusters(set.adjusters().stream()
                .map(a -> new Adjuster(
                        a.id(), a.letter(), a.part(), a.winding(), "", a.side(), a.place(), a.spot(), a.extra()))
                .toList());
        for (String band : List.of("FM", "MW", "LW"))
            assertThat(letters(of(mute, band))).isEqualTo(letters(of(set, band)));
    }

    @Test
    void theDetectorOfFmPeaksFirstAndIsBalancedLast() {
        AlignmentProcedure p = of(SharedSets.named("concerto"), "FM");
        AlignmentLine primary = p.lines().get(0);
        assertThat(primary.purpose()).isEqualTo(AlignmentPurpose.DETECTOR);
        assertThat(primary.indicator()).isEqualTo(Indicator.STABILISER_VOLTS);
        AlignmentLine secondary = p.lines().get(3);
        assertThat(secondary.purpose()).isEqualTo(AlignmentPurpose.BALANCE);
        assertThat(secondary.aim()).isEqualTo(Aim.ZERO);
        assertThat(secondary.indicator()).isEqualTo(Indicator.DETECTOR_VOLTS);
        assertThat(p.preparations()).contains(Preparation.AFC_OFF);
    }

    @ParameterizedTest
    @CsvSource({"halcyon,AM,LOOP", "brae,MW,DUMMY_AERIAL", "lark,MW,LOOP", "trunk-road,MW,CAR_AERIAL"})
    void theGeneratorReachesTheSetAsItsAerialDoes(String name, String band, Lead lead) {
        AlignmentProcedure p = of(SharedSets.named(name), band);
        assertThat(p.lines().get(p.lines().size() - 1).lead()).isEqualTo(lead);
        assertThat(p.preparations().contains(Preparation.LOOP_IN_PLACE)).isEqualTo(lead == Lead.LOOP);
        assertThat(p.preparations().contains(Preparation.LAST_IN_THE_CAR)).isEqualTo(lead == Lead.CAR_AERIAL);
    }

    @Test
    void aChassisThatMayBeLiveIsIsolatedFirst() {
        assertThat(of(SharedSets.named("brae"), "MW").preparations()).contains(Preparation.ISOLATE);
        assertThat(of(SharedSets.named("halcyon"), "AM").preparations()).doesNotContain(Preparation.ISOLATE);
    }

    /** The level leaves the AVC at rest: at it, the set gives what it would without AVC, but for half a decibel. */
    @Test
    void noLevelIsAboveTheKneeOfTheAvc() {
        Chassis set = SharedSets.named("halcyon");
        Setting loud = Setting.fed(set).withControls(Controls.volume(set, 1));
        Gains g = Gains.of(new Simulator(), set, loud, set.band("AM").orElseThrow())
                .orElseThrow();
        double knee = GeneratorLevels.knee(g);
        double free = g.control().get(0).detector() / g.control().get(0).input();
        for (Gains.Control c : g.control())
            if (c.detector() < knee)
                assertThat(20 * Math.log10(free / (c.detector() / c.input()))).isLessThan(GeneratorLevels.COMPRESSION);
        double level = of(set, "AM").lines().get(0).level().orElseThrow();
        Gains.Level whole = g.levels().stream()
                .filter(l -> l.point().equals("V1.7") && l.hertz() == 465e3)
                .findFirst()
                .orElseThrow();
        assertThat(level).isLessThanOrEqualTo(whole.volts());
        assertThat(level * g.carrier() / whole.volts()).isLessThanOrEqualTo(knee * 1.0001);
    }

    /** Its trimmers from the detector back; adjusters without a part are named, not dropped. */
    @Test
    void aTunedRadioFrequencySetIsAlignedSectionToSection() {
        Chassis moor = SharedSets.named("true/moor");
        assertThat(moor.adjusters()).isNotEmpty();
        String band = moor.bands().get(0).name();
        assertThat(of(moor, band).untold()).containsExactlyElementsOf(moor.adjusters());
        List<String> coils = moor.parts().stream()
                .filter(p -> p.is(PartRole.AERIAL_COIL) || p.is(PartRole.RF_TRANSFORMER))
                .map(Part::reference)
                .toList();
        assertThat(coils).isNotEmpty();
        Chassis with = AdjusterLine.put("T1 " + coils.get(0) + " top core", moor.withAdjusters(List.of()));
        AlignmentProcedure p = of(with, band);
        assertThat(p.frontEnd()).isEmpty();
        assertThat(p.lines()).singleElement().satisfies(l -> assertThat(l.purpose())
                .isEqualTo(AlignmentPurpose.SIGNAL_LOW));
    }

    /** Their trimmers with the cores drawn, the cores themselves with them in. */
    @Test
    void aSetTunedBySlugsIsAlignedByThemAtItsLowEnd() {
        Chassis set = CircuitFixtures.tunedBySlugs("AGC>AVC");
        for (String line : List.of("O C41 top", "OC L2 top oscillator core", "AT C1 top", "AC L1 top aerial core"))
            set = AdjusterLine.put(line, set);
        AlignmentProcedure p = of(set, set.bands().get(0).name());
        assertThat(letters(p)).containsExactly("O", "OC", "AT", "AC");
        assertThat(p.lines())
                .extracting(AlignmentLine::purpose)
                .containsExactly(
                        AlignmentPurpose.OSCILLATOR_HIGH,
                        AlignmentPurpose.OSCILLATOR_LOW,
                        AlignmentPurpose.SIGNAL_HIGH,
                        AlignmentPurpose.SIGNAL_LOW);
    }

    @Test
    void anAdjusterThatTheCircuitDoesNotKnowIsNamedBesideItsLines() {
        Chassis set = AdjusterLine.put("X1 R15 top hum balance", SharedSets.named("brae"));
        AlignmentProcedure p = of(set, "MW");
        assertThat(letters(p)).containsExactly("1 2", "3 4", "7", "5", "6");
        assertThat(p.untold())
                .as("those of LW are told there")
                .extracting(Adjuster::letter)
                .containsExactly("X1");
    }

    /** A new user's circuit has no adjusters yet: each can without one is named, and nothing throws. */
    @ParameterizedTest
    @EnumSource(TypicalCircuit.class)
    void aTypicalCircuitWithoutAdjustersNamesWhatHasNone(TypicalCircuit typical) {
        Chassis set = CircuitFixtures.typical(typical);
        List<Part> fixed = new ArrayList<>();
        for (var band : set.bands()) {
            AlignmentProcedure p = of(set, band.name());
            assertThat(p.lines()).isEmpty();
            fixed.addAll(p.fixed());
        }
        boolean superhet = set.parts().stream().anyMatch(x -> x.is(PartRole.IF_TRANSFORMER));
        assertThat(fixed.stream().anyMatch(x -> x.is(PartRole.IF_TRANSFORMER))).isEqualTo(superhet);
    }

    @Test
    void besideAPadderTheCoreSetsTheMiddleOfTheDial() {
        Chassis set = AdjusterLine.put("A8 L2 top upper core", SharedSets.named("halcyon"));
        AlignmentProcedure p = of(set, "AM");
        assertThat(letters(p)).containsExactly("A1 A2", "A3 A4", "A5", "A6", "A8", "A7");
        assertThat(p.lines().get(4).dial()).contains(p.frontEnd().orElseThrow().middle());
    }

    /** Without the inductance of its coil the circuit does not tell; the roles of a single band's parts do, and nothing is dropped in silence. */
    @Test
    void withoutItsCoilsASetIsAlignedByRolesOrSaysWhatItCannotTell() {
        Chassis halcyon = withoutHenries(SharedSets.named("halcyon"), "L2");
        AlignmentProcedure one = of(halcyon, "AM");
        assertThat(one.frontEnd()).isEmpty();
        assertThat(letters(one)).containsExactly("A1 A2", "A3 A4", "A5", "A6", "A7");
        assertThat(one.untold()).isEmpty();
        AlignmentProcedure several = of(withoutHenries(SharedSets.named("brae"), "L2"), "MW");
        assertThat(several.untold()).extracting(Adjuster::letter).contains("5", "6", "7");
        AlignmentProcedure beyond = of(SharedSets.named("rover"), "LW");
        assertThat(beyond.untold()).extracting(Adjuster::letter).containsExactly("5", "6", "7");
    }

    private static Chassis withoutHenries(Chassis set, String coil) {
        return set.withParts(set.parts().stream()
                .map(p -> p.reference().equals(coil) && p.component() instanceof Component.Windings w
                        ? p.withComponent(new Component.Windings(w.windings().stream()
                                .map(x -> new Winding(
                                        x.id(), x.name(), x.from(), x.to(), x.ohms(), 0, x.volts(), x.extra()))
                                .toList()))
                        : p)
                .toList());
    }

    /** Where the leads of a meter go follows from the circuit: across the stabiliser, at the detector's sound, at the AVC line. */
    @Test
    void directVoltsAreMeasuredWhereTheCircuitHasThem() {
        Chassis fm = SharedSets.named("concerto");
        Band band = fm.band("FM").orElseThrow();
        assertThat(Indicator.STABILISER_VOLTS.leads(fm, band))
                .hasValueSatisfying(
                        l -> assertThat(List.of(l.plus(), l.minus())).containsExactlyInAnyOrder("RDP", "RDN"));
        assertThat(Indicator.DETECTOR_VOLTS.leads(fm, band))
                .hasValueSatisfying(l -> assertThat(l.minus()).isEqualTo(fm.reference()));
        assertThat(Indicator.LIMITER_VOLTS.leads(fm, band))
                .hasValueSatisfying(l -> assertThat(l.plus()).startsWith("V4."));
        Chassis am = SharedSets.named("halcyon");
        Band medium = am.band("AM").orElseThrow();
        assertThat(Indicator.AVC_VOLTS.leads(am, medium))
                .hasValueSatisfying(l -> assertThat(l.plus()).isEqualTo("AVC"));
        assertThat(Indicator.OUTPUT_METER.leads(am, medium)).isEmpty();
        assertThat(Indicator.STABILISER_VOLTS.leads(am, medium)).isEmpty();
    }
}
