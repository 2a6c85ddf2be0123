package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.format.ChassisCodec;
import anabion.core.testing.SharedSets;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Variac;
import anabion.instruments.process.BenchProcess;
import anabion.instruments.scpi.ScpiConnector;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Readings for scripts, from a simulated bench: another Java, which takes some seconds to start. */
class InstrumentCommandsTest extends Headless {
    @TempDir
    Path folder;

    @Test
    void aReadingIsTakenFromEveryInstrumentThatGivesOne() {
        try (BenchProcess bench = BenchProcess.start(ChassisCodec.text(SharedSets.named("halcyon")), "1", 1)) {
            String at = bench.address();
            assertThat(run("meter", at, "read", "--json")).isZero();
            assertThat(out).contains("\"volts\" : 0").contains("Simulated meter");
            assertThat(run("meter", at, "read", "--measure", "ohms")).isZero();
            assertThat(out).contains("ohms: ");
            assertThat(run("meter", at + "/wattmeter", "read", "--role", "wattmeter"))
                    .isZero();
            assertThat(out).contains("watts: ", "amperes: ", "volts: ");
            assertThat(run("meter", at + "/variac", "read", "--role", "variac")).isZero();
            assertThat(out).contains("volts: 0");
            ((Variac) new ScpiConnector().connect(InstrumentRole.VARIAC, at + "/variac")).turn(100);
            assertThat(run("meter", at, "read", "--measure", "ohms", "--json")).isZero();
            assertThat(out).as("ohms of a set that is on").contains("\"ohms\" : null");
            assertThat(run("meter", at, "write")).isEqualTo(2);
            assertThat(run("meter", at, "read", "--role", "generator")).isEqualTo(2);
            assertThat(run("meter", at, "read", "--measure", "henries")).isEqualTo(2);
        }
    }

    @Test
    void whereNothingAnswersItSaysSo() {
        assertThat(run("meter", "127.0.0.1:1", "read", "--json")).isEqualTo(2);
        assertThat(err).contains("\"where\" : \"127.0.0.1:1\"");
        assertThat(run("meter", "two words", "read")).isEqualTo(2);
    }

    @Test
    void aBenchThatMakesNoSenseDoesNotStart() throws Exception {
        Path set = folder.resolve("halcyon.json");
        Files.writeString(set, ChassisCodec.text(SharedSets.named("halcyon")));
        assertThat(run("bench-sim", set.toString(), "--fault", "X9:open")).isEqualTo(2);
        assertThat(run("bench-sim", set.toString(), "--port", "70000")).isEqualTo(2);
        assertThat(run("bench-sim", set.toString(), "--speed", "0")).isEqualTo(2);
        assertThat(run("bench-sim", folder.resolve("none.json").toString())).isEqualTo(2);
    }
}
