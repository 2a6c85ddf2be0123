package anabion.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.command.WiringLine;
import anabion.core.format.ChassisCodec;
import anabion.core.format.ListCodec;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is heard from each point, sound and broken, against what a restorer would expect. */
class LoudnessTest {
    private static Setting loud(Chassis set) {
        return Setting.of(set.supply().volts()).withControls(Controls.volume(set, 1));
    }

    private static Loudness of(Chassis set, String band, String... faults) {
        List<Fault> all = List.of(faults).stream().map(Fault::parse).toList();
        return Loudness.of(
                        new Simulator(),
                        set,
                        loud(set).withFaults(all),
                        set.band(band).orElseThrow())
                .orElseThrow();
    }

    /** Behind a tube that detects, sound levels do not hang on the carrier, so the quick way and the long one must agree. */
    @ParameterizedTest
    @CsvSource({"halcyon, AM", "brae, LW", "concerto, FM"})
    void soundNeedsWhatTheGainsSay(String name, String band) {
        Chassis set = SharedSets.named(name);
        Band b = set.band(band).orElseThrow();
        Gains gains = Gains.of(new Simulator(), set, loud(set), b).orElseThrow();
        Map<String, Double> quick = of(set, band).decibels();
        for (Gains.Level l : gains.levels()) {
            if (l.domain() != Domain.AF) continue;
            double wanted = 20 * Math.log10(gains.output() / l.volts());
            assertThat(quick.get(Loudness.key(Domain.AF, l.point())))
                    .as(l.point())
                    .isCloseTo(wanted, within(1.0));
        }
    }

    /** How much quieter the set gets when the fault lies behind the point, and before it. */
    @ParameterizedTest
    @CsvSource({
        "R7:open, if V2.1, if V2.5",
        "C10:open, if V2.1, if V2.5",
        "R13:open, af V3.1, af V4.1",
        "C14:open, af V3.7, af V4.1",
        "C3:open, rf V1.7, if V1.7",
        "C14:wrong:100pF, af V3.7, af V4.1",
        "C5:wrong:47pF, rf V1.7, if V1.7"
    })
    void whatLiesBetweenTheFaultAndTheSpeakerIsCleared(String fault, String quieter, String asBefore) {
        Chassis set = SharedSets.named("halcyon");
        Loudness sound = of(set, "AM");
        Loudness broken = of(set, "AM", fault);
        assertThat(broken.decibels().get(quieter)).isLessThan(sound.decibels().get(quieter) - 8);
        assertThat(broken.decibels().get(asBefore))
                .isGreaterThan(sound.decibels().get(asBefore) - 3);
    }

    @Test
    void aDriedSmootherHumsAndALeakIntoAGridDistorts() {
        Chassis set = SharedSets.named("halcyon");
        Loudness sound = of(set, "AM");
        assertThat(sound.distorted()).isFalse();
        assertThat(of(set, "AM", "C18:dried").hum()).isGreaterThan(sound.hum() + 14);
        assertThat(of(set, "AM", "C14:leaky:1M").distorted()).isTrue();
        assertThat(of(set, "Pick-up").decibels()).as("no carrier on pick-up").allSatisfy((key, v) -> assertThat(key)
                .startsWith("af "));
    }

    /** Each is worse than the one before it, by more than an ear's doubt from first to last. */
    @ParameterizedTest
    @CsvSource({
        "T2.primary:short:0.02, T2.primary:short:0.1, T2.primary:short:0.5",
        "L3.secondary:mistuned:0.02, L3.secondary:mistuned:0.06, L3.secondary:mistuned:0.3",
        "L4.primary:short:0.02, L4.primary:short:0.2, L4.primary:short:0.5"
    })
    void windingsFailByDegrees(String little, String more, String most) {
        Chassis set = SharedSets.named("halcyon");
        double[] whole = Stream.of("", little, more, most)
                .mapToDouble(f -> {
                    Loudness l = f.isEmpty() ? of(set, "AM") : of(set, "AM", f);
                    return l.decibels().get(l.whole());
                })
                .toArray();
        for (int n = 1; n < whole.length; n++) assertThat(whole[n]).isLessThan(whole[n - 1] + 0.01);
        assertThat(whole[3]).isLessThan(whole[0] - 6);
    }

    /** Behind the volume control it hums on when that is down; a cathode on the chassis has nothing to hum with. */
    @Test
    void aHeaterThatLeaksToItsCathodeHumsWhateverTheVolume() {
        Chassis set = SharedSets.named("brae");
        Loudness sound = of(set, "MW");
        assertThat(of(set, "MW", "V4:heater-cathode:30k").hum()).isGreaterThan(sound.hum() + 6);
        assertThat(of(set, "MW", "V4:heater-cathode:1k").hum()).isGreaterThan(sound.hum() + 18);
        assertThat(of(set, "MW", "V3:heater-cathode:1k").hum()).isCloseTo(sound.hum(), within(1.0));
        Loudness down = Loudness.of(
                        new Simulator(),
                        set,
                        Setting.of(set.supply().volts())
                                .withControls(Controls.volume(set, 0))
                                .withFaults(List.of(Fault.parse("V4:heater-cathode:1k"))),
                        set.band("MW").orElseThrow())
                .orElseThrow();
        assertThat(down.hum()).isGreaterThan(sound.hum() + 18);
        assertThat(down.decibels().get(down.whole()))
                .isLessThan(sound.decibels().get(sound.whole()) - 40);
    }

    @ParameterizedTest
    @CsvSource({"Q7:open", "Q6:open", "T1.second base:open", "T2.first half:open"})
    void halfAPushPullStageIsHeardToBeMissing(String fault) {
        Chassis set = SharedSets.named("lark");
        assertThat(of(set, "MW").distorted()).isFalse();
        assertThat(of(set, "MW", fault).distorted()).isTrue();
        assertThat(of(set, "MW", "C14:open").distorted())
                .as("weak, and no more")
                .isFalse();
    }

    /** A stage that cannot swing so far, wherever the signal comes from before it. */
    @ParameterizedTest
    @ValueSource(strings = {"T2.first half:open", "C15:open", "R22:open", "C16:open"})
    void theStandardOutputIsOutOfReachFromWhereGainsSay(String fault) {
        Chassis set = SharedSets.named("lark");
        Gains gains = Gains.of(
                        new Simulator(),
                        set,
                        loud(set).withFaults(List.of(Fault.parse(fault))),
                        set.band("MW").orElseThrow())
                .orElseThrow();
        assertThat(of(set, "MW", fault).beyond())
                .containsExactlyInAnyOrderElementsOf(gains.levels().stream()
                        .filter(l -> !l.heard())
                        .map(l -> Loudness.key(l.domain(), l.point()))
                        .toList());
    }

    /** The test's own fault: shorted turns load the whole transformer. */
    @ParameterizedTest
    @CsvSource({"halcyon, AM, T2:short", "brae, MW, L1:short", "brae, MW, L4:short"})
    void shortedTurnsAreHeard(String name, String band, String fault) {
        Chassis set = SharedSets.named(name);
        Loudness sound = of(set, band);
        Loudness broken = of(set, band, fault);
        assertThat(broken.decibels().get(sound.whole()))
                .isLessThan(sound.decibels().get(sound.whole()) - 4);
    }

    /** The set's own loop or rod hears: broken, or its winding to the base, nothing comes from the air, and all behind it plays. */
    @ParameterizedTest
    @CsvSource({
        "halcyon, AM, L1:open, rf V1.7",
        "lark, MW, L1.tuned:open, if Q2.2",
        "lark, MW, L1.coupling:open, if Q3.2"
    })
    void aBrokenLoopHearsNothing(String name, String band, String fault, String behind) {
        Chassis set = SharedSets.named(name);
        Loudness sound = of(set, band);
        Loudness broken = of(set, band, fault);
        assertThat(sound.whole()).isEqualTo("rf L1");
        assertThat(broken.decibels().get("rf L1")).isLessThan(sound.decibels().get("rf L1") - 20);
        assertThat(broken.decibels().get(behind)).isGreaterThan(sound.decibels().get(behind) - 8);
    }

    /** Its diodes, its loads and what holds them: on FM alone. */
    @Test
    void theDetectorOfFmHasFaultsOfItsOwn() {
        Chassis set = SharedSets.named("concerto");
        Loudness sound = of(set, "FM");
        String whole = sound.whole();
        assertThat(sound.distorted() || sound.noisy()).isFalse();
        assertThat(of(set, "FM", "V5:dead").decibels().get(whole))
                .isLessThan(sound.decibels().get(whole) - 60);
        assertThat(of(set, "FM", "C28:short").decibels().get(whole))
                .isLessThan(sound.decibels().get(whole) - 10);
        assertThat(of(set, "FM", "R28:open").distorted()).as("half a detector").isTrue();
        Loudness loose = of(set, "FM", "C28:open");
        assertThat(loose.noisy()).as("nothing holds the loads").isTrue();
        assertThat(loose.decibels().get(whole)).isGreaterThan(sound.decibels().get(whole) - 6);
        assertThat(of(set, "MW", "C28:open").noisy()).as("on FM alone").isFalse();
    }

    /** Whatever the net of the aerial's terminal is called. */
    @Test
    void theTerminalOfAnAerialIsFoundByItsWinding() throws IOException {
        String text;
        try (InputStream in = SharedSets.class.getResourceAsStream("/anabion/demo/brae.json")) {
            text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
        Chassis renamed = ChassisCodec.read(
                new ByteArrayInputStream(text.replace("\"AE\"", "\"X17\"").getBytes(StandardCharsets.UTF_8)));
        Loudness usual = of(SharedSets.named("brae"), "MW");
        Loudness here = of(renamed, "MW");
        assertThat(here.whole()).isEqualTo("rf X17");
        assertThat(here.decibels().get("rf X17")).isEqualTo(usual.decibels().get("rf AE"));
    }

    /** One coil with both windings, its free end with any name: an aerial is plugged in there, and it is no loop. */
    @Test
    void aCoilWithAFreeEndIsNoLoop() {
        Chassis halcyon = SharedSets.named("halcyon");
        Chassis coil = ListCodec.withPart(
                halcyon, WiringLine.parse("L1 X9>CHASSIS=20R,1mH V1.7>AVC=2R,190uH aerial coil", halcyon));
        assertThat(of(coil, "AM").whole()).isEqualTo("rf X9");
        assertThat(of(coil, "AM", "L1:open").decibels().get("rf X9"))
                .isLessThan(of(coil, "AM").decibels().get("rf X9") - 30);
    }

    @Test
    void theLastPointIsTheAerial() {
        assertThat(of(SharedSets.named("brae"), "MW").whole()).isEqualTo("rf AE");
        assertThat(Loudness.of(
                        new Simulator(),
                        SharedSets.named("moor"),
                        loud(SharedSets.named("moor")),
                        SharedSets.named("moor").bands().get(0)))
                .as("a set without its circuit")
                .isEmpty();
    }

    /** An open voice coil, or a lead of it off, is silent, though a meter at its terminals shows more than before. */
    @Test
    void nobodyHearsAnOpenVoiceCoil() {
        Chassis set = SharedSets.named("halcyon");
        Loudness sound = of(set, "AM");
        for (String fault : List.of("LS1:open", "LS1.1:joint")) {
            Loudness open = of(set, "AM", fault);
            assertThat(open.heard(open.whole())).as(fault).isEqualTo(Double.NEGATIVE_INFINITY);
            assertThat(open.heardHum()).isEqualTo(Double.NEGATIVE_INFINITY);
            assertThat(open.decibels().get(open.whole()))
                    .isGreaterThan(sound.decibels().get(sound.whole()));
        }
        assertThat(sound.heard(sound.whole())).isEqualTo(sound.decibels().get(sound.whole()));
    }
}
