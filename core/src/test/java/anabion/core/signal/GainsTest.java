package anabion.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Winding;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.fault.FaultList;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Specimen;
import anabion.core.testing.Deep;
import anabion.core.testing.SharedSets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What sets do with signals, as a restorer with a generator meets it. */
class GainsTest {
    private final Simulator engine = new Simulator();

    private Gains gains(String name, String... faults) {
        Chassis set = SharedSets.named(name);
        Setting setting = Setting.of(set.supply().volts())
                .withControls(Controls.volume(set, 1))
                .withFaults(List.of(faults).stream().map(Fault::parse).toList());
        return Gains.of(engine, set, setting, set.bands().get(0)).orElseThrow();
    }

    private static double volts(Gains g, String point, Domain domain) {
        return g.levels().stream()
                .filter(l -> l.point().equals(point) && l.domain() == domain)
                .findFirst()
                .orElseThrow()
                .volts();
    }

    private static double decibels(Gains g, String stage) {
        return g.gains().stream()
                .filter(s -> s.stage().equals(stage))
                .findFirst()
                .orElseThrow()
                .decibels();
    }

    /** Specimens with scattered parts and tubes lie about the nominal one, none far off. */
    @Test
    void specimensScatterAboutTheComputedLevels() {
        Chassis set = SharedSets.named("halcyon");
        Setting loud = Setting.of(set.supply().volts()).withControls(Controls.volume(set, 1));
        Gains nominal = gains("halcyon");
        List<Double> audio = new ArrayList<>();
        List<Double> carrier = new ArrayList<>();
        int specimens = Deep.times("specimens whose levels scatter", 20, 60);
        for (int seed = 1; seed <= specimens; seed++) {
            Gains g = Gains.of(
                            engine,
                            set,
                            loud.withTrims(Specimen.of(set, seed)),
                            set.bands().get(0))
                    .orElseThrow();
            audio.add(20 * Math.log10(volts(g, "V3.1", Domain.AF) / volts(nominal, "V3.1", Domain.AF)));
            carrier.add(20 * Math.log10(volts(g, "V1.7", Domain.RF) / volts(nominal, "V1.7", Domain.RF)));
        }
        for (List<Double> decibels : List.of(audio, carrier)) {
            double mean = decibels.stream().mapToDouble(d -> d).average().orElseThrow();
            double most = decibels.stream().mapToDouble(Math::abs).max().orElseThrow();
            assertThat(mean).isCloseTo(0, within(0.4));
            assertThat(most).isBetween(0.3, 4.0);
        }
    }

    /** In small signals four volts at the base would do, by way of the common rail. */
    @Test
    void nothingComesThroughAStageThatCouldNotSwingSoFar() {
        Gains g = gains("lark", "C15:open");
        assertThat(volts(g, "Q5.2", Domain.AF)).isLessThan(0.1);
        assertThat(g.levels().stream().filter(Gains.Level::heard).map(Gains.Level::point))
                .containsExactlyInAnyOrder("Q6.3", "Q6.2", "Q5.3", "Q5.2", "Q4.3");
        assertThat(gains("lark").levels()).as("sound").allMatch(Gains.Level::heard);
    }

    /** A leak from the detector to the base behind it: the strongest carrier shuts that stage and brings nothing, a usual one does. */
    @Test
    void aCarrierNeedNotBeTheStrongestToBringSound() {
        Gains leaking = gains("lark", "C13:leaky:100k");
        assertThat(leaking.levels()).allMatch(Gains.Level::heard);
        assertThat(volts(leaking, "Q3.4", Domain.IF) / volts(gains("lark"), "Q3.4", Domain.IF))
                .isBetween(0.5, 4.0);
    }

    @Test
    void aFiveTubeSetNeedsWhatTextbooksSay() {
        Gains g = gains("halcyon");
        assertThat(volts(g, "V4.1", Domain.AF)).as("output grid").isBetween(0.4, 1.5);
        assertThat(volts(g, "V3.1", Domain.AF)).as("first audio grid").isBetween(0.008, 0.05);
        assertThat(volts(g, "V2.1", Domain.IF)).as("IF grid").isBetween(5e-4, 5e-3);
        assertThat(volts(g, "V1.7", Domain.RF)).as("mixer grid").isBetween(2e-5, 2e-4);
        assertThat(decibels(g, "Audio")).as("a 6AT6 amplifies some fifty times").isBetween(30.0, 37.0);
        assertThat(Gains.width(g.selectivity(), 6).orElseThrow()).isBetween(4e3, 12e3);
        assertThat(g.hum()).isPositive().isLessThan(g.output() / 5);
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark"})
    void everyPointNearerTheAerialNeedsLessAndStagesAddUp(String name) {
        Gains g = gains(name);
        List<Gains.Level> all =
                g.levels().stream().filter(l -> l.domain() == Domain.IF).toList();
        for (int n = 3;
                n < all.size();
                n += 2) // plate and grid take turns; a plate may need more than the grid behind it
        assertThat(all.get(n).own()).isLessThan(all.get(n - 2).own());
        double sound = g.gains().stream()
                .filter(s -> s.domain() == Domain.AF && !s.stage().equals("Detector"))
                .mapToDouble(Gains.StageGain::decibels)
                .sum();
        Gains.Level first = g.levels().stream()
                .filter(l -> l.domain() == Domain.AF && l.stage().equals("Audio"))
                .reduce((a, b) -> b)
                .orElseThrow();
        assertThat(20 * Math.log10(g.output() / first.own())).isCloseTo(sound, within(0.5));
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae"})
    void automaticVolumeControlHoldsTheDetectorAgainstTheAerial(String name) {
        List<Gains.Control> c = gains(name).control();
        for (int n = 1; n < c.size(); n++) {
            assertThat(c.get(n).input()).isGreaterThan(c.get(n - 1).input());
            assertThat(c.get(n).line()).isLessThan(c.get(n - 1).line());
        }
        Gains.Control weak = c.get(1);
        Gains.Control strong = c.get(4);
        double at = 20 * Math.log10(strong.input() / weak.input());
        double out = 20 * Math.log10(strong.detector() / weak.detector());
        assertThat(out).isLessThan(0.9 * at);
    }

    @Test
    void inATransistorSetTheControlTakesTheBaseTowardEarth() {
        List<Gains.Control> c = gains("lark").control();
        assertThat(c.get(2).line()).isGreaterThan(c.get(0).line() + 0.2);
    }

    @ParameterizedTest
    @CsvSource({"C23:open,Output,1,8", "C11:open,IF,1,12", "V2:emission:0.4,IF,2,15", "C10:open,IF,0.5,40"})
    void aFaultTakesGainFromItsOwnStage(String fault, String stage, double least, double most) {
        double lost = decibels(gains("halcyon"), stage) - decibels(gains("halcyon", fault), stage);
        assertThat(lost).isBetween(least, most);
    }

    @ParameterizedTest
    @CsvSource({"C14:open,V3.7,AF", "L4:open,V2.1,IF", "L3.secondary:open,V1.7,IF", "T2.primary:open,V4.1,AF"})
    void behindABrokenLinkAPointNeedsHundredsOfTimesMore(String fault, String point, Domain domain) {
        double sound = volts(gains("halcyon"), point, domain);
        assertThat(volts(gains("halcyon", fault), point, domain)).isGreaterThan(50 * sound);
    }

    @Test
    void aTurnedCoreAndAStoppedOscillatorShow() {
        Gains sound = gains("halcyon");
        assertThat(volts(gains("halcyon", "L4:mistuned"), "V2.1", Domain.IF))
                .isGreaterThan(1.5 * volts(sound, "V2.1", Domain.IF));
        assertThat(volts(gains("halcyon", "L2:open"), "V1.7", Domain.RF)).isInfinite();
        assertThat(volts(gains("halcyon", "L2:open"), "V1.7", Domain.IF))
                .isLessThan(4 * volts(sound, "V1.7", Domain.IF));
    }

    /** Off by a share of what tunes it, said as a share, as picofarads or as henries: that is the same. Where nothing tunes it picofarads are refused. */
    @Test
    void aCoreIsOffByAShareByFaradsOrByHenries() {
        Chassis set = SharedSets.named("halcyon");
        double farads = set.partsOn("V1.5").stream()
                .flatMap(p -> p.component() instanceof Component.Capacitor c ? c.farads().stream() : Stream.empty())
                .findFirst()
                .orElseThrow();
        double inductance = 1 / (Math.pow(2 * Math.PI * 465e3, 2) * farads);
        String share = "L3.primary:mistuned:0.05";
        String picofarads = String.format(Locale.ROOT, "L3.primary:mistuned:%.4fpF", 0.05e12 * farads);
        String microhenries = String.format(Locale.ROOT, "L3.primary:mistuned:%.4fuH", 0.05e6 * inductance);
        double wanted = volts(gains("halcyon", share), "V1.7", Domain.IF);
        assertThat(wanted).isGreaterThan(1.02 * volts(gains("halcyon"), "V1.7", Domain.IF));
        assertThat(volts(gains("halcyon", picofarads), "V1.7", Domain.IF)).isCloseTo(wanted, within(1e-3 * wanted));
        assertThat(volts(gains("halcyon", microhenries), "V1.7", Domain.IF)).isCloseTo(wanted, within(1e-3 * wanted));
        assertThatThrownBy(() -> gains("halcyon", "T2.primary:mistuned:8pF"))
                .hasMessageContaining("no capacitor tunes");
        assertThatThrownBy(() -> gains("halcyon", "L3.primary:mistuned:900pF"))
                .hasMessageContaining("less than 100 pF");
        assertThatThrownBy(() -> gains("halcyon", "L3.primary:mistuned:lots"))
                .hasMessageContaining("L3.primary:mistuned:8pF");
    }

    /** A core a per cent in costs some gain, and half a per cent of frequency: the response leans to that side. */
    @Test
    void aCoreThatStandsElsewhereMovesItsCircuit() {
        Chassis set = SharedSets.named("halcyon");
        Winding secondary = ((Component.Windings) set.part("L4").orElseThrow().component())
                .windings()
                .get(1);
        Setting loud = Setting.of(set.supply().volts()).withControls(Controls.volume(set, 1));
        Setting turned = loud.withTrims(Map.of(Setting.core("L4", secondary), 1.01));
        Gains sound = gains("halcyon");
        Gains off = Gains.of(engine, set, turned, set.bands().get(0)).orElseThrow();
        assertThat(volts(off, "V2.1", Domain.IF)).isBetween(1.02 * volts(sound, "V2.1", Domain.IF), 3.0);
        List<Gains.Response> leaning = off.selectivity();
        int middle = leaning.size() / 2;
        assertThat(leaning.get(middle - 3).decibels())
                .as("below")
                .isGreaterThan(leaning.get(middle + 3).decibels());
        assertThat(volts(off, "V3.1", Domain.AF)).isCloseTo(volts(sound, "V3.1", Domain.AF), within(1e-6));
    }

    /** A loop in tune stands at the grid as many times higher as its quality: its reactance over its ohms, its losses and what lies across it. */
    @Test
    void aLoopGivesItsQuality() {
        Gains g = gains("halcyon");
        Gains.Level field = g.levels().get(g.levels().size() - 1);
        assertThat(field.induced()).isTrue();
        double grid = g.levels().stream()
                .filter(l -> l.point().equals("V1.7") && l.domain() == Domain.RF)
                .findFirst()
                .orElseThrow()
                .own();
        assertThat(grid / field.volts())
                .isBetween(60.0, 100.0); // a quality of a hundred, with copper and the grid's load
    }

    @Test
    void aDriedReservoirHums() {
        assertThat(gains("halcyon", "C18:dried").hum())
                .isGreaterThan(2 * gains("halcyon").hum());
        assertThat(gains("lark").hum()).isZero();
    }

    @Test
    void pickUpHasSoundOnlyAndTurningDownTheVolumeAsksForMore() {
        Chassis set = SharedSets.named("halcyon");
        var band = set.band("Pick-up").orElseThrow();
        Setting loud = Setting.of(230).withControls(Map.of("RV1", 1.0));
        Gains full = Gains.of(engine, set, loud, band).orElseThrow();
        Gains half = Gains.of(engine, set, loud.withControls(Map.of("RV1", 0.5)), band)
                .orElseThrow();
        assertThat(full.levels()).allMatch(l -> l.domain() == Domain.AF);
        assertThat(volts(half, "PU", Domain.AF))
                .isBetween(1.8 * volts(full, "PU", Domain.AF), 2.3 * volts(full, "PU", Domain.AF));
    }

    /** Whatever is broken, an answer is a number or says that nothing comes through. */
    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "lark"})
    void noFaultGivesNonsense(String name) {
        for (List<Fault> way :
                Deep.some("gains of " + name + " with a fault", 24, FaultList.ways(SharedSets.named(name)))) {
            Fault f = way.get(way.size() - 1);
            Gains g = gains(name, f.text());
            assertThat(g.levels()).as(f.text()).allSatisfy(l -> assertThat(l.volts())
                    .isPositive());
            assertThat(g.gains()).as(f.text()).allSatisfy(x -> assertThat(x.decibels())
                    .isNotNaN());
            assertThat(g.selectivity()).as(f.text()).allSatisfy(x -> assertThat(x.decibels())
                    .isNotNaN());
            assertThat(g.sound()).as(f.text()).allSatisfy(x -> assertThat(x.decibels())
                    .isNotNaN());
            assertThat(g.hum()).as(f.text()).isNotNaN();
        }
    }
}
