package anabion.core.diagnosis;

import static anabion.core.diagnosis.Workbench.odds;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.evidence.Frequency;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.prediction.Measurements;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.format.EvidenceCodec;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Alternating volts, ripple, current and rails without their load among the evidence. */
@ResourceLock(SharedPredictions.LOCK)
class SupplyEvidenceTest {
    private static final PredictionModel PREDICTIONS = SharedPredictions.named("halcyon");
    private static final Chassis HALCYON = PREDICTIONS.chassis();

    private static List<Observation> read(Chassis set, String... rows) throws IOException {
        return EvidenceCodec.read(
                new StringReader("kind,at,value,against,line\n" + String.join("\n", rows) + "\n"), set);
    }

    private static double foreseen(String fault, String net, String against) {
        return PREDICTIONS.hypotheses().stream()
                .filter(h -> fault.isEmpty() ? h.sound() : h.cause().startsWith(fault))
                .reduce((least, most) -> most)
                .flatMap(h -> PREDICTIONS.at(h, new AlternatingVolts(net, net, against, Setting.of(230))))
                .orElseThrow()
                .value();
    }

    /** No rail: with the winding's volts at its plates the rectifier is dead, without them the winding is open. */
    @Test
    void platesTellARectifierFromItsWinding() throws IOException {
        String plate = PREDICTIONS.chassis().part("V5").orElseThrow().nets().get("1");
        double usual = foreseen("", plate, "CHASSIS");
        assertThat(usual).isBetween(200.0, 400.0);
        List<Observation> there =
                read(HALCYON, "volts,B1,0.1,,230", String.format(Locale.ROOT, "ac,V5.1,%.0f,,230", usual));
        List<Observation> gone = read(HALCYON, "volts,B1,0.1,,230", "ac,V5.1,0.2,,230");
        assertThat(odds(Diagnosis.of(PREDICTIONS, there), "V5:dead"))
                .isGreaterThan(5 * odds(Diagnosis.of(PREDICTIONS, gone), "V5:dead"));
        assertThat(Diagnosis.of(PREDICTIONS, gone).suspects().get(0).causes())
                .as("the mains is gone, whether a fuse went by itself or what lies across the line took it along")
                .anyMatch(h -> h.cause().startsWith("T1")
                        || h.cause().startsWith("C19:short")
                        || h.cause().startsWith("F1")
                        || h.cause().startsWith("S1"));
    }

    /** A signal at a plate is no ripple: read there, alternating volts say nothing. And nobody is sent to the mains' own volts. */
    @Test
    void onlyTheSupplyAlternates() throws IOException {
        Diagnosis before = Diagnosis.of(PREDICTIONS, List.of());
        Diagnosis after = Diagnosis.of(PREDICTIONS, read(HALCYON, "ac,V3.7,2.5,,230"));
        assertThat(after.other()).isCloseTo(before.other(), within(0.02));
        assertThat(PREDICTIONS.soundSet().alternating()).contains("V5.1", "B1").doesNotContain("MAINS-L", "M2");
        assertThat(SharedPredictions.named("brae").soundSet().alternating())
                .as("its chassis may be live")
                .allMatch(n -> n.startsWith("B"));
    }

    /** A few millivolts of bias make an output stage's current half as large again: among sound sets it lies wide apart, upwards above all. */
    @Test
    void theCurrentOfABatterySetMayBeHalfAsLargeAgain() throws IOException {
        PredictionModel lark = SharedPredictions.named("lark");
        Diagnosis before = Diagnosis.of(lark, List.of());
        Diagnosis more = Diagnosis.of(lark, read(lark.chassis(), "current,,22 mA,,9"));
        Diagnosis none = Diagnosis.of(lark, read(lark.chassis(), "current,,0,,9"));
        assertThat(more.sound()).isGreaterThan(before.sound() / 3);
        assertThat(none.sound()).isLessThan(0.01);
        assertThat(Diagnosis.of(lark, read(lark.chassis(), "current,,300 mA,,9"))
                        .sound())
                .isLessThan(0.01);
    }

    /** A dried reservoir ripples more, and what is left of it behind the filter is less. */
    @Test
    void rippleRisesWhereAReservoirDries() throws IOException {
        double sound = foreseen("", "B1", "CHASSIS");
        double dried = foreseen("C18:dried", "B1", "CHASSIS");
        assertThat(dried).isGreaterThan(3 * sound);
        assertThat(foreseen("", "B2", "CHASSIS")).isLessThan(sound / 2).isPositive();
        List<Observation> read =
                read(HALCYON, "volts,B1,180,,230", String.format(Locale.ROOT, "ac,B1,%.1f,,230", dried));
        assertThat(Diagnosis.of(PREDICTIONS, read).suspects().get(0).first().cause())
                .startsWith("C18");
    }

    /** A short is anything from some hundredths of an ohm to thirty. */
    @ParameterizedTest
    @ValueSource(strings = {"0.3", "3", "18"})
    void aShortHasSomeOhms(String ohms) throws IOException {
        Diagnosis d = Diagnosis.of(PREDICTIONS, read(HALCYON, String.format(Locale.ROOT, "ohms,B1,%s,CHASSIS,", ohms)));
        assertThat(d.suspects().get(0).first().cause()).as("%s", d.suspects()).isEqualTo("C18.1:short");
        assertThat(d.suspects().get(0).odds())
                .isGreaterThan(5 * d.suspects().get(1).odds());
    }

    /** With a padder far too large the oscillator runs elsewhere at the low end of the dial; dead, it runs nowhere. */
    @Test
    void whereTheOscillatorRunsSpeaksOfItsCircuit() throws IOException {
        Frequency low = PREDICTIONS.frequencies().get(0);
        double usual = hertz("", low);
        assertThat(usual).isCloseTo(low.dial() + 465e3, within(1.0));
        double padder = hertz("C5:wrong", low);
        assertThat(padder).as("a larger one in series").isLessThan(0.95 * usual);
        String row = "frequency,%.0f,%.0f,,".formatted(low.dial(), padder);
        Diagnosis moved = Diagnosis.of(PREDICTIONS, read(HALCYON, row));
        assertThat(odds(moved, "C5:wrong")).isGreaterThan(10 * odds(Diagnosis.of(PREDICTIONS, List.of()), "C5:wrong"));
        Diagnosis still = Diagnosis.of(
                PREDICTIONS, read(HALCYON, String.format(Locale.ROOT, "frequency,%.0f,none,,", low.dial())));
        assertThat(still.sound()).isLessThan(0.2);
        assertThat(hertz("V1:dead", low)).isLessThan(1e5);
        Diagnosis runs = Diagnosis.of(
                PREDICTIONS, read(HALCYON, String.format(Locale.ROOT, "frequency,%.0f,%.0f,,", low.dial(), usual)));
        assertThat(odds(runs, "V1:dead")).isLessThan(1e-3);
    }

    private static double hertz(String fault, Frequency p) {
        return PREDICTIONS.hypotheses().stream()
                .filter(h -> fault.isEmpty() ? h.sound() : h.cause().startsWith(fault))
                .reduce((least, most) -> most)
                .flatMap(h -> PREDICTIONS.at(h, p))
                .map(f -> p.unscaled(f.value()))
                .orElseThrow();
    }

    @Test
    void whatNoMeterShowsIsRefused() {
        assertThatThrownBy(() -> read(HALCYON, "ac,B1,-3,,230")).hasMessageContaining("no sign");
        assertThatThrownBy(() -> read(HALCYON, "level,rf L1,12mV,,")).hasMessageContaining("of a field");
        assertThatThrownBy(() -> read(HALCYON, "tapped,V4,better,,")).hasMessageContaining("changes or same");
        assertThatThrownBy(() -> read(HALCYON, "current,,-4mA,,")).hasMessageContaining("no sign");
        assertThatThrownBy(() -> read(HALCYON, "frequency,30MHz,31MHz,,")).hasMessageContaining("beyond the dial");
        assertThatThrownBy(() -> read(HALCYON, "frequency,fish,1MHz,,")).hasMessageContaining("fish");
        assertThatThrownBy(() -> read(HALCYON, "ac,B1,3,NOWHERE,230")).hasMessageContaining("NOWHERE");
    }

    /** The current of a transistor set at rest speaks for what takes it. Over two seconds: every fault of that set is solved, once for all tests. */
    @Test
    void currentOfABatterySpeaks() throws IOException {
        PredictionModel lark = SharedPredictions.named("lark");
        List<Observation> usual =
                read(SharedSets.named("lark"), String.format(Locale.ROOT, "current,,%.4f,,", current(lark)));
        List<Observation> more =
                read(SharedSets.named("lark"), String.format(Locale.ROOT, "current,,%.4f,,", 6 * current(lark)));
        Diagnosis sound = Diagnosis.of(lark, usual);
        Diagnosis drawn = Diagnosis.of(lark, more);
        assertThat(drawn.sound()).isLessThan(sound.sound() / 2);
        Measurement.Metered asked = ((Observation.Measured) more.get(0)).measurement();
        double first = asked.unscaled(
                lark.at(drawn.suspects().get(0).first(), asked).orElseThrow().value());
        assertThat(first).isGreaterThan(3 * current(lark));
    }

    private static double current(PredictionModel lark) {
        Measurement.Metered asked =
                (Measurement.Metered) Measurements.of(lark, Setting.fed(lark.chassis()), Workbench.METER).stream()
                        .filter(m -> m.text().equals("current"))
                        .findFirst()
                        .orElseThrow();
        return asked.unscaled(lark.at(lark.healthy(), asked).orElseThrow().value());
    }

    /** With its load off a rail rises: that is asked for where every capacitor bears it, and not where one does not. */
    @Test
    void aRailLosesItsLoadOnlyWhereTheCapacitorsBearIt() {
        Setting off =
                Setting.of(230).withFaults(List.of(Fault.of("R18", FaultMode.OPEN), Fault.of("T2", FaultMode.OPEN)));
        Setting much = off.withLine(400);
        assertThat(PREDICTIONS.soundSet().bears(Setting.of(230))).isTrue();
        assertThat(PREDICTIONS.soundSet().bears(off)).isTrue();
        assertThat(PREDICTIONS.soundSet().bears(much)).isFalse();
    }
}
