package anabion.instruments.simulated;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Measure;
import anabion.core.format.ChassisCodec;
import anabion.core.job.SignalKind;
import anabion.core.testing.SharedSets;
import anabion.instruments.Generator;
import anabion.instruments.Hands;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Meter;
import anabion.instruments.OutputMeter;
import anabion.instruments.Variac;
import anabion.instruments.Wattmeter;
import anabion.instruments.process.BenchProcess;
import anabion.instruments.scpi.ScpiConnector;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** The bench as a process of its own, spoken to over its socket. It starts another Java, which takes some seconds. */
class SimulatedBenchTest {
    private final ScpiConnector connector = new ScpiConnector();
    private Meter left;

    @Test
    void everyInstrumentIsReachedThroughTheSocket() {
        try (BenchProcess process = BenchProcess.start(ChassisCodec.text(SharedSets.named("halcyon")), "3", 1)) {
            String at = process.address();
            assertThat(connector.roles(at)).containsExactly(InstrumentRole.values());
            Hands hands = (Hands) connector.connect(InstrumentRole.HANDS, at + "/hands");
            Variac variac = (Variac) connector.connect(InstrumentRole.VARIAC, at + "/variac");
            Wattmeter wattmeter = (Wattmeter) connector.connect(InstrumentRole.WATTMETER, at + "/wattmeter");
            Meter meter = (Meter) connector.connect(InstrumentRole.METER, at + "/meter");
            OutputMeter output = (OutputMeter) connector.connect(InstrumentRole.OUTPUT_METER, at + "/output-meter");
            Generator generator = (Generator) connector.connect(InstrumentRole.GENERATOR, at + "/generator");
            hands.lamp(Optional.of("100W"));
            variac.turn(115);
            hands.pause(60);
            assertThat(variac.dial()).isEqualTo(115);
            assertThat(wattmeter.read().volts()).isBetween(60.0, 115.0);
            hands.probe("B1", "CHASSIS");
            assertThat(meter.read(Measure.DC_VOLTS, OptionalDouble.of(50))).isFinite();
            hands.inject("DET1", SignalKind.AF);
            generator.give(400, 0.01, 0);
            double cold = output.volts();
            assertThat(hands.look()).contains(new Hands.Seen(Hands.Sign.LAMP, "dark"));
            assertThat(hands.listen()).as("at half the line").isEqualTo("nothing");
            variac.turn(230);
            hands.pause(60);
            assertThat(output.volts()).isGreaterThan(10 * cold + 0.01);
            generator.rest();
            assertThatThrownBy(() -> variac.turn(5000))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("gives 0 to");
            assertThatThrownBy(() -> hands.renew("C1"))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("it is on");
            variac.turn(0);
            hands.renew("C1");
            hands.lift(List.of("R13"));
            assertThat(process.runs()).isTrue();
            left = meter;
        }
        assertThatThrownBy(() -> left.read(Measure.DC_VOLTS, OptionalDouble.empty()))
                .as("its bench has gone")
                .isInstanceOf(InstrumentException.class);
    }

    /** As people number them: each draw weighs every fault of the set, so that forty take some seconds. */
    @Test
    void smallSeedsDrawOtherFaultsTheFrequentOnesMoreOften() {
        Chassis halcyon = SharedSets.named("halcyon");
        List<Fault> drawn = LongStream.rangeClosed(1, 40)
                .mapToObj(s -> new SimulatedBench(halcyon, List.of(), false, s, 0, 1)
                        .wrong()
                        .get(0))
                .toList();
        assertThat(new SimulatedBench(halcyon, List.of(), false, 7, 0, 1).wrong())
                .containsExactly(drawn.get(6));
        assertThat(drawn.stream().distinct().count()).isGreaterThan(20);
        assertThat(drawn.stream().filter(f -> f.mode() == FaultMode.LEAKY).count())
                .as("paper leaks more often than wrong values are fitted")
                .isGreaterThan(
                        drawn.stream().filter(f -> f.mode() == FaultMode.WRONG).count());
        assertThat(new SimulatedBench(halcyon, List.of(), true, 7, 0, 1).wrong())
                .isEmpty();
    }

    @Test
    void aSetThatCannotBeComputedDoesNotStart() {
        assertThatThrownBy(() -> BenchProcess.start("{}", "1", 1)).isInstanceOf(InstrumentException.class);
    }
}
