package anabion.instruments.scpi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Measure;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Meter;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A meter on a serial line: a pair of pseudo terminals, at one end of which a small instrument answers. One of the tests waits out the three seconds of a
 * late answer.
 */
class SerialLinkTest {
    private static final int STARTS_MS = 10_000;

    @TempDir
    Path folder;

    private final Map<String, String> answers = new ConcurrentHashMap<>(Map.of("*IDN?", "Serial,Meter,1,0"));
    private Process pair;

    /** The pair is made by socat: one end is named, the other is its own standard input and output. */
    @BeforeEach
    void start() throws IOException, InterruptedException {
        pair = new ProcessBuilder("socat", "PTY,raw,echo=0,link=" + folder.resolve("line"), "STDIO").start();
        for (int n = 0; n < STARTS_MS / 20 && !Files.exists(folder.resolve("line")); n++) Thread.sleep(20);
        Thread thread = new Thread(this::serve);
        thread.setDaemon(true);
        thread.start();
    }

    private void serve() {
        try (BufferedReader in =
                        new BufferedReader(new InputStreamReader(pair.getInputStream(), StandardCharsets.US_ASCII));
                OutputStream out = pair.getOutputStream()) {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                String answer = answers.get(line);
                if (answer == null) continue;
                // in two pieces, as slow lines bring them
                byte[] all = (answer + "\r\n").getBytes(StandardCharsets.US_ASCII);
                out.write(all, 0, all.length / 2);
                out.flush();
                out.write(all, all.length / 2, all.length - all.length / 2);
                out.flush();
            }
        } catch (IOException e) {
            // the line was taken away
        }
    }

    @AfterEach
    void stop() {
        pair.destroy();
    }

    private Meter connect() throws IOException {
        String device = folder.resolve("line").toRealPath().toString();
        return (Meter) new ScpiConnector().connect(InstrumentRole.METER, device + "@19200");
    }

    @Test
    void aReadingComesOverTheLine() throws IOException {
        answers.put("MEAS:VOLT:DC?", "+8.47000E+01");
        answers.put("MEAS:RES?", "4.7 KOHM");
        try (Meter meter = connect()) {
            assertThat(meter.name()).isEqualTo("Serial,Meter,1,0");
            assertThat(meter.read(Measure.DC_VOLTS, OptionalDouble.empty())).isEqualTo(84.7);
            assertThat(meter.read(Measure.OHMS, OptionalDouble.empty())).isEqualTo(4700);
        }
    }

    /** What comes after its time is not the next reading: a line keeps it, unlike a connection. */
    @Test
    void aLateAnswerIsNotTakenForTheNext() throws IOException {
        try (Meter meter = connect()) {
            assertThatThrownBy(() -> meter.read(Measure.DC_VOLTS, OptionalDouble.empty()))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("in time");
            answers.put("MEAS:VOLT:DC?", "2.5");
            answers.put("*IDN?", "1.5\r\nSerial,Meter,1,0");
            assertThatThrownBy(() -> meter.read(Measure.DC_VOLTS, OptionalDouble.empty()))
                    .as("an answer too many")
                    .isInstanceOf(InstrumentException.class);
            answers.put("*IDN?", "Serial,Meter,1,0");
            assertThat(meter.read(Measure.DC_VOLTS, OptionalDouble.empty())).isEqualTo(2.5);
        }
    }

    @Test
    void aLineThatIsPulledOutSaysSo() throws IOException, InterruptedException {
        answers.put("MEAS:VOLT:DC?", "2.5");
        try (Meter meter = connect()) {
            pair.destroy();
            pair.waitFor();
            assertThatThrownBy(() -> meter.read(Measure.DC_VOLTS, OptionalDouble.empty()))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("lost");
        }
    }

    @Test
    void aLineThatIsNotThereIsNamed() {
        assertThatThrownBy(() -> new ScpiConnector().connect(InstrumentRole.METER, "/dev/no-such-line"))
                .isInstanceOf(InstrumentException.class)
                .hasMessageContaining("/dev/no-such-line");
    }
}
