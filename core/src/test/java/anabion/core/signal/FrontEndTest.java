package anabion.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.command.BandsLine;
import anabion.core.command.StudyLine;
import anabion.core.command.WiringLine;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What the gang tunes. */
class FrontEndTest {
    private static final FrontEnd HALCYON = of("halcyon", "AM").orElseThrow();

    static Optional<FrontEnd> of(String name, String band) {
        return of(SharedSets.named(name), band);
    }

    static Optional<FrontEnd> of(Chassis set, String band) {
        return FrontEnd.of(
                new Simulator(), set, Setting.fed(set), set.band(band).orElseThrow());
    }

    @ParameterizedTest
    @CsvSource({
        "halcyon,AM,L2,C6,C5,16",
        "brae,MW,L2,C25,C5,9",
        "brae,LW,L6,,,9",
        "concerto,MW,L3,C54,C9,9",
        "concerto,LW,L4,,,9",
        "lark,MW,L2,C22,,1",
        "rover,MW,L2,C25,C24,9",
        "trunk-road,MW,L2,C24,C23,9"
    })
    void everySuperhetCoversItsDialWithItsOwnPartsAndTracks(
            String name, String band, String coil, String trimmer, String padder, double kilohertz) {
        FrontEnd f = of(name, band).orElseThrow();
        FrontEnd.Circuit oscillator = f.circuits().get(0);
        assertThat(oscillator.kind()).isEqualTo(FrontEnd.Kind.OSCILLATOR);
        assertThat(oscillator.coil().reference()).isEqualTo(coil);
        assertThat(oscillator.trimmer().map(Part::reference)).isEqualTo(Optional.ofNullable(trimmer));
        assertThat(oscillator.padder().map(Part::reference)).isEqualTo(Optional.ofNullable(padder));
        assertThat(oscillator.inferredCore())
                .as("what the sheet says of the coil")
                .isCloseTo(1, within(0.05));
        assertThat(f.share(f.range().low())).isCloseTo(1, within(1e-6));
        assertThat(f.share(f.range().high())).isCloseTo(FrontEnd.OPEN, within(1e-6));
        for (int n = 0; n <= 10; n++) {
            double dial = f.range().at(n / 10.0);
            assertThat(f.heard(dial, FrontEnd.Turned.NOTHING)).isCloseTo(dial, within(1.0));
            assertThat(Math.abs(mistracks(f, dial))).as(dial + " Hz").isLessThan(kilohertz * 1e3);
        }
        assertThat(Math.abs(mistracks(f, f.low()))).isLessThan(1e3);
        assertThat(Math.abs(mistracks(f, f.high()))).isLessThan(1e3);
    }

    @Test
    void anOscillatorBelowItsSignalCoversTheDialLikewise() {
        Chassis set = BandsLine.parse(SharedSets.named("halcyon"), "AM 1605-3000 below");
        assertThat(BandsLine.text(set)).isEqualTo("AM 1605-3000 below");
        FrontEnd f = of(set, "AM").orElseThrow();
        assertThat(f.oscillator(2e6)).isEqualTo(2e6 - f.intermediate());
        for (double dial : new double[] {1.605e6, 2e6, 3e6})
            assertThat(f.heard(dial, FrontEnd.Turned.NOTHING)).isCloseTo(dial, within(1.0));
        assertThat(f.heard(2e6, new FrontEnd.Turned(1.01, 0, 1)))
                .as("more inductance, and the set hears what is lower")
                .isBetween(1.98e6, 1.995e6);
        assertThat(f.converted(2.001e6, 2e6))
                .as("a signal above is turned into one above")
                .isEqualTo(f.intermediate() + 1e3);
        assertThat(of(BandsLine.parse(set, "AM 300-400 below"), "AM"))
                .as("no oscillator has a frequency below nothing")
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"AVC>AGC", "AGC>AVC"})
    void aSetTunedBySlugsCoversItsDialWithTheirTravel(String eitherEndFirst) {
        Chassis set = CircuitFixtures.tunedBySlugs(eitherEndFirst);
        FrontEnd f = of(set, set.bands().get(0).name()).orElseThrow();
        FrontEnd.Circuit own = f.circuits().get(0);
        assertThat(own.trimmer().map(Part::reference)).contains("C41");
        assertThat(f.signals()).isEqualTo(1);
        assertThat(f.share(f.range().low())).isCloseTo(1, within(1e-6));
        double low = f.oscillator(f.range().low());
        double high = f.oscillator(f.range().high());
        double wound = own.inferredCore() * 260;
        assertThat(whole(wound * f.share(f.range().high())) / whole(wound))
                .as("the whole inductance goes with the square of the frequency")
                .isCloseTo(low * low / (high * high), within(0.005));
        for (double dial : new double[] {540e3, 1e6, 1.6e6}) {
            assertThat(f.heard(dial, FrontEnd.Turned.NOTHING)).isCloseTo(dial, within(1.0));
            assertThat(f.tuned(0, dial, FrontEnd.Turned.NOTHING)).isCloseTo(dial, within(1.0));
        }
        assertThat(f.heard(600e3, new FrontEnd.Turned(1.02, 0, 1))).isBetween(570e3, 595e3);
        assertThat(f.heard(1500e3, new FrontEnd.Turned(1, 5e-12, 1)))
                .as("a trimmer counts at the end where the slugs are out")
                .isLessThan(1480e3);
    }

    /** By cores that the dial moves, or by small sections on the gang of the other bands, which stays theirs. */
    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void anFmBandIsTunedBySlugsOrByItsOwnSections(boolean slugs) {
        Chassis concerto = SharedSets.named("concerto");
        Chassis set = slugs
                ? changed(
                        concerto,
                        "L12 RF V1.6>BRF=0.1uH,slug FM RF coil",
                        "L14 oscillator FMO>CHASSIS=0.3uH,slug FM oscillator coil")
                : changed(
                        concerto,
                        "L14 oscillator FMO>CHASSIS=0.1uH FM oscillator coil",
                        gang(concerto) + " 490+490+12+12pF AMG OSC FMO V1.6 CHASSIS tuning gang");
        FrontEnd f = of(set, "FM").orElseThrow();
        assertThat(f.circuits())
                .extracting(FrontEnd.Circuit::coil)
                .extracting(Part::reference)
                .containsExactly("L14", "L12");
        assertThat(f.circuits().get(0).trimmer().map(Part::reference)).contains("C4");
        for (double dial : new double[] {f.range().low(), 98e6, f.range().high()})
            assertThat(f.heard(dial, FrontEnd.Turned.NOTHING)).isCloseTo(dial, within(100.0));
        assertThat(f.heard(98e6, new FrontEnd.Turned(1, 1e-12, 1))).isBetween(90e6, 97.9e6);
        assertThat(of(set, "MW").orElseThrow().circuits())
                .isEqualTo(of(concerto, "MW").orElseThrow().circuits());
    }

    private static String gang(Chassis set) {
        return set.parts().stream()
                .filter(p -> p.is(PartRole.TUNING_GANG))
                .findFirst()
                .orElseThrow()
                .reference();
    }

    private static Chassis changed(Chassis set, String... lines) {
        List<Part> parts = new ArrayList<>(set.parts());
        for (String line : lines) {
            Part part = WiringLine.parse(line, set);
            parts.replaceAll(p -> p.reference().equals(part.reference()) ? part : p);
        }
        return set.withParts(parts);
    }

    /** Microhenries of an oscillator's winding in series with its feedback winding of 6, loosely coupled. */
    private static double whole(double wound) {
        return wound + 6 + 2 * 0.5 * Math.sqrt(6 * wound);
    }

    /** By how much the circuits of the carrier lie beside it. */
    private static double mistracks(FrontEnd f, double dial) {
        double worst = 0;
        for (int n = 0; n < f.signals(); n++)
            worst = Math.max(worst, Math.abs(f.tuned(n, dial, FrontEnd.Turned.NOTHING) - dial));
        return worst;
    }

    /** One winding, a padder in series with the gang, a trimmer across: by the formula of any textbook. */
    @Test
    void theTankIsThatOfTheFormula() {
        // without the grid's capacitor: behind it the grid leak adds a quarter of a picofarad
        Chassis brae = StudyLine.drop("C3", SharedSets.named("brae"));
        Chassis plain = brae.withParts(brae.parts().stream()
                .map(p -> p.reference().equals("L2") ? p.withComponent(first(p)) : p)
                .toList());
        FrontEnd f = of(plain, "MW").orElseThrow();
        FrontEnd.Circuit c = f.circuits().get(0);
        double henries = 84e-6 * c.inferredCore();
        double across = c.inferredStray() + Tank.MIDDLE * 30e-12;
        for (double share : new double[] {0.05, 0.2, 0.6, 1}) {
            double gang = share * 490e-12;
            double farads = across + gang * 520e-12 / (gang + 520e-12);
            double oscillator = 1 / (2 * Math.PI * Math.sqrt(henries * farads));
            double moved = f.share(oscillator * 1.0005 - f.intermediate());
            double other = f.share(oscillator * 0.9995 - f.intermediate());
            assertThat(share).as("within 0.05 % in frequency").isBetween(moved, other);
        }
    }

    /** A coil without its feedback winding. */
    private static Component.Windings first(Part p) {
        return new Component.Windings(
                ((Component.Windings) p.component()).windings().subList(0, 1));
    }

    @Property(tries = 60)
    void theFartherAnythingIsTurnedInTheLowerItHears(
            @ForAll @DoubleRange(min = 0.02, max = 0.98) double place,
            @ForAll @DoubleRange(min = 0.01, max = 0.08) double more) {
        double dial = HALCYON.range().at(place);
        assertThat(HALCYON.heard(dial, new FrontEnd.Turned(1 + more, 0, 1))).isLessThan(dial);
        assertThat(HALCYON.heard(dial, new FrontEnd.Turned(1, more * 1e-10, 1))).isLessThan(dial);
        assertThat(HALCYON.heard(dial, new FrontEnd.Turned(1, 0, 1 + more))).isLessThan(dial);
    }

    @Test
    void aTrimmerCountsAtTheHighEndAndAPadderAtTheLow() {
        var trimmer = HALCYON.receives(new FrontEnd.Turned(1, 2e-12, 1));
        var padder = HALCYON.receives(new FrontEnd.Turned(1, 0, 1.05));
        assertThat(600e3 - trimmer.apply(600e3)).isLessThan((1500e3 - trimmer.apply(1500e3)) / 4);
        assertThat(600e3 - padder.apply(600e3)).isGreaterThan(1.5 * (1500e3 - padder.apply(1500e3)));
    }

    @Test
    void aBandWhoseCoilsCannotReachItsDialIsRefused() {
        assertThat(of("rover", "LW")).isEmpty();
        assertThat(of("halcyon", "Pick-up")).isEmpty();
        assertThat(of("concerto", "FM")).isEmpty();
        Chassis without = StudyLine.drop("C1", SharedSets.named("halcyon"));
        assertThat(of(without, "AM")).isEmpty();
    }

    /** Nets are named by people: nothing may hang on the names. */
    @Test
    void namesOfNetsDoNotMatter() {
        Chassis brae = SharedSets.named("brae");
        Chassis renamed = brae.withParts(brae.parts().stream()
                .map(p -> p.withNets(p.nets().entrySet().stream()
                        .collect(java.util.stream.Collectors.toMap(
                                java.util.Map.Entry::getKey,
                                e -> switch (e.getValue()) {
                                    case "OSC" -> "X17";
                                    case "OSG" -> "green wire";
                                    case "OL" -> "tag 4";
                                    default -> e.getValue();
                                },
                                (a, b) -> a,
                                java.util.LinkedHashMap::new))))
                .toList());
        FrontEnd f = of(renamed, "MW").orElseThrow();
        assertThat(f.circuits().get(0).coil().reference()).isEqualTo("L2");
        assertThat(f.circuits().get(0).inferredStray())
                .isCloseTo(of("brae", "MW").orElseThrow().circuits().get(0).inferredStray(), within(1e-15));
    }

    @Test
    void theIntermediateFrequencyIsHighestWhereItsCoresStand() {
        Chassis set = SharedSets.named("halcyon");
        Band am = set.band("AM").orElseThrow();
        IfResponse aligned = IfResponse.of(new Simulator(), set, Setting.fed(set), am, Optional.empty());
        assertThat(aligned.centre()).isCloseTo(465e3, within(500.0));
        assertThat(aligned.width().orElseThrow()).isBetween(3e3, 12e3);
        Part first = set.part("L3").orElseThrow();
        var windings = ((Component.Windings) first.component()).windings();
        java.util.Map<String, Double> trims = new java.util.HashMap<>();
        for (String l : new String[] {"L3", "L4"}) for (var w : windings) trims.put(Setting.core(l, w), 1.04);
        IfResponse in = IfResponse.of(new Simulator(), set, Setting.fed(set).withTrims(trims), am, Optional.empty());
        assertThat(in.centre()).as("2 % lower with 4 % more").isCloseTo(465e3 / Math.sqrt(1.04), within(700.0));
    }

    /** The capacitor of a winding may be inside its can and on no drawing: it stays what it is when the core is turned. */
    @ParameterizedTest
    @CsvSource({"brae,MW,L4,secondary", "brae,MW,L4,primary", "halcyon,AM,L3,primary", "lark,MW,L5,primary"})
    void aCoreThatIsTurnedTakesFromTheOutput(String name, String band, String can, String winding) {
        Chassis set = SharedSets.named(name);
        TunedSet tuned = TunedSet.of(
                        new Simulator(), set, Setting.fed(set), set.band(band).orElseThrow())
                .orElseThrow();
        double f = tuned.frontEnd().intermediate();
        assertThat(tuned.intermediate(java.util.Map.of(), f)).isCloseTo(1, within(1e-9));
        for (double factor : new double[] {0.9, 1.1})
            assertThat(tuned.intermediate(java.util.Map.of(can + "." + winding, factor), f))
                    .as(can + " times " + factor)
                    .isLessThan(0.5);
    }

    @Test
    void aStationComesWhereTheDialSaysAndFallsBesideIt() {
        Chassis set = SharedSets.named("halcyon");
        TunedSet tuned = TunedSet.of(
                        new Simulator(), set, Setting.fed(set), set.band("AM").orElseThrow())
                .orElseThrow();
        var signals = java.util.List.of(FrontEnd.Turned.NOTHING);
        double at = tuned.frontEnd().low();
        double there = tuned.carrier(java.util.Map.of(), FrontEnd.Turned.NOTHING, signals, at, at);
        assertThat(there).isBetween(0.9, 1.01);
        assertThat(tuned.carrier(java.util.Map.of(), FrontEnd.Turned.NOTHING, signals, at, at + 20e3))
                .isLessThan(0.1 * there);
        assertThat(tuned.carrier(java.util.Map.of(), new FrontEnd.Turned(1.1, 0, 1), signals, at, at))
                .isLessThan(0.1 * there);
    }
}
