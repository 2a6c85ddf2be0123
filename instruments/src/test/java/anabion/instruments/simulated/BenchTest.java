package anabion.instruments.simulated;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.error.InputException;
import anabion.core.job.PowerStage;
import anabion.core.power.PowerModel;
import anabion.core.power.StageTable;
import anabion.core.power.StageTables;
import anabion.core.signal.Domain;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import anabion.instruments.Hands;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** A set on the simulated bench, whose clock stands but where it is told to go. Warming it up is to solve it some dozen times: half a second each. */
class BenchTest {
    private static final Chassis HALCYON = SharedSets.named("halcyon");

    private static final double INTERMEDIATE = 465e3;

    private static Bench bench(String... faults) {
        return new Bench(HALCYON, Stream.of(faults).map(Fault::parse).toList(), 3, () -> 0);
    }

    private static Bench warm(Bench bench) {
        bench.turn(230);
        bench.pause(60);
        return bench;
    }

    private static List<String> look(Bench bench) {
        return bench.look().stream().map(Hands.Seen::text).toList();
    }

    private static double volts(Bench bench, String point) {
        bench.probe(point, "CHASSIS");
        return Double.parseDouble(bench.directVolts(OptionalDouble.empty()));
    }

    @Test
    void aSoundSetReadsAsTheEngineHasIt() {
        Bench bench = warm(bench());
        double rail =
                new Simulator().solve(HALCYON, Setting.of(230)).volts("B1").orElseThrow();
        assertThat(volts(bench, "B1")).as("tolerances and a meter").isCloseTo(rail, within(0.08 * rail));
        assertThat(Double.parseDouble(bench.watts())).isBetween(33.0, 45.0);
        assertThat(bench.look()).isEmpty();
        assertThat(bench.listen()).isEqualTo("loud");
    }

    /** Nothing is there at once: cathodes warm, and what filters hold fades. */
    @Test
    void heatersTakeTimeAndFiltersEmpty() {
        Bench bench = bench();
        bench.turn(230);
        bench.pause(4);
        double early = volts(bench, "B1");
        bench.pause(56);
        double warm = volts(bench, "B1");
        assertThat(early).as("a rectifier that warms").isLessThan(0.7 * warm);
        bench.turn(0);
        assertThat(volts(bench, "B1")).isGreaterThan(0.9 * warm);
        bench.pause(30);
        assertThat(volts(bench, "B1")).isLessThan(1);
    }

    /** Behind 15 MΩ a meter of ten shows less than half of what is there. */
    @Test
    void aMeterLoadsWhatItReads() {
        Bench bench = warm(bench("R13:drifted:15M", "V3:dead"));
        double rail = volts(bench, "B2");
        assertThat(volts(bench, "V3.7")).isBetween(0.2 * rail, 0.5 * rail);
    }

    @Test
    void ohmsAreReadWithThePowerOffAlone() {
        Bench bench = bench();
        bench.probe("V3.7", "B2");
        assertThat(Double.parseDouble(bench.ohms())).isBetween(10e3, 1e6);
        assertThat(warm(bench).ohms()).isEqualTo(Shown.BEYOND);
        bench.turn(0);
        bench.probe("B1", "CHASSIS");
        assertThat(bench.ohms()).as("a filter that still holds its volts").isEqualTo(Shown.BEYOND);
    }

    /** Behind a lamp a short leaves the set next to nothing, and burns nothing. */
    @Test
    void theLampKeepsAShortFromBurningAnything() {
        Bench bench = bench("C18.1:short");
        bench.lamp("100W");
        bench.turn(230);
        bench.pause(120);
        assertThat(look(bench)).anyMatch(s -> s.matches("lamp (half|bright)"));
        assertThat(look(bench)).noneMatch(s -> s.startsWith("burnt"));
        Bench bare = bench("C18.1:short");
        bare.turn(230);
        bare.pause(300);
        assertThat(look(bare)).anyMatch(s -> s.startsWith("burnt"));
    }

    @Test
    void whatIsRenewedIsSound() {
        Bench bench = warm(bench("C14:leaky:300k"));
        assertThat(bench.test("C14")).isFalse();
        assertThat(bench.listen()).isNotEqualTo("loud");
        assertThatThrownBy(() -> bench.renew("C14"))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("on");
        bench.turn(0);
        bench.renew("C14");
        assertThat(warm(bench).listen()).isEqualTo("loud");
        assertThat(bench.test("C14")).isTrue();
    }

    @Test
    void aToneComesOutAtTheSpeaker() {
        Bench bench = warm(bench());
        bench.inject("DET1", Domain.AF);
        bench.frequency(400);
        bench.level(0.01);
        double hum = Double.parseDouble(bench.outputVolts());
        bench.gives(true);
        double quiet = Double.parseDouble(bench.outputVolts());
        bench.level(0.02);
        double loud = Double.parseDouble(bench.outputVolts());
        assertThat(quiet).isGreaterThan(3 * hum);
        assertThat(loud / quiet).isCloseTo(2, within(0.1));
    }

    /** Each specimen's cores stand elsewhere: it peaks off its frequency, and only a generator tells. */
    @Test
    void aSpecimensCoresStandElsewhere() {
        assertThat(peak(3)).isNotEqualTo(peak(4));
        assertThat(Math.abs(peak(3) - INTERMEDIATE)).isLessThan(5e3);
    }

    private static double peak(long seed) {
        Bench bench = warm(new Bench(HALCYON, List.of(), seed, () -> 0));
        bench.inject("V2.1", Domain.IF);
        bench.level(0.002);
        bench.gives(true);
        double best = 0;
        double at = 0;
        for (double hertz = INTERMEDIATE - 5e3; hertz <= INTERMEDIATE + 5e3; hertz += 500) {
            bench.frequency(hertz);
            double out = Double.parseDouble(bench.outputVolts());
            if (out > best) {
                best = out;
                at = hertz;
            }
        }
        return at;
    }

    @Test
    void aDarkTubeIsSeen() {
        assertThat(look(warm(bench("V2:heater-open")))).contains("dark V2");
    }

    @Test
    void whatMakesNoSenseIsRefused() {
        assertThatThrownBy(() -> bench("X9:open")).isInstanceOf(InputException.class);
        assertThatThrownBy(() -> bench().turn(1000)).isInstanceOf(InputException.class);
        assertThatThrownBy(() -> bench().probe("V9.9", "CHASSIS")).isInstanceOf(InputException.class);
        assertThatThrownBy(() -> bench().lamp("candle")).isInstanceOf(InputException.class);
        assertThatThrownBy(() -> bench().band("UHF")).isInstanceOf(InputException.class);
    }

    /** One lead off is not the whole part off; what the set does not have is refused. */
    @Test
    void aSingleLeadIsLifted() {
        Bench bench = bench();
        bench.lift(List.of("T2.primary"));
        bench.turn(230);
        bench.pause(60);
        assertThat(volts(bench, "V4.5")).isLessThan(5);
        assertThat(volts(bench, "B1")).isGreaterThan(200);
        assertThatThrownBy(() -> bench.lift(List.of("T2.tertiary"))).isInstanceOf(InputException.class);
    }

    /** The transformer alone: its terminals are probed like pins, and all tubes are out. */
    @Test
    void aTransformersWindingsAreReadWithTheTubesOut() {
        StageTable.Row heaters =
                StageTables.of(HALCYON, PowerModel.sound(HALCYON), Optional.empty()).get(0).rows().stream()
                        .filter(r -> r.point().equals("T1.6"))
                        .findFirst()
                        .orElseThrow();
        Bench bench = bench();
        bench.lift(StageTables.out(HALCYON, PowerStage.TRANSFORMER));
        bench.turn(230);
        bench.pause(5);
        bench.probe(heaters.point(), heaters.against());
        assertThat(Double.parseDouble(bench.alternatingVolts(OptionalDouble.of(heaters.expected()))))
                .isBetween(heaters.least(), heaters.most());
        assertThat(volts(bench, "B1")).as("no rectifier").isCloseTo(0, within(0.1));
    }

    /** A car's six volts, a portable's batteries, a hot chassis: each is fed by its own volts. */
    @Test
    void everyDemoSetWorks() {
        for (String name : List.of("brae", "lark", "concerto", "rover", "trunk-road")) {
            Chassis set = SharedSets.named(name);
            Bench bench = new Bench(set, List.of(), 5, () -> 0);
            bench.turn(set.supply().volts());
            bench.pause(60);
            assertThat(bench.look()).as(name).isEmpty();
            assertThat(bench.listen()).as(name).isEqualTo("loud");
        }
    }
}
