package anabion.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Measure;
import anabion.core.input.BadInput;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Against a small instrument that speaks the command language on the loopback address. */
class ScpiMeterTest {
    private final Map<String, String> answers = new ConcurrentHashMap<>(Map.of("*IDN?", "Bench,Meter,1,0"));
    private ServerSocket server;

    @BeforeEach
    void start() throws IOException {
        server = new ServerSocket(0, 5, InetAddress.getLoopbackAddress());
        Thread thread = new Thread(this::serve);
        thread.setDaemon(true);
        thread.start();
    }

    private void serve() {
        while (!server.isClosed()) {
            try (Socket socket = server.accept();
                    BufferedReader in = new BufferedReader(
                            new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII))) {
                for (String line = in.readLine(); line != null; line = in.readLine()) {
                    String answer = answers.get(line);
                    if ("hang up".equals(answer)) break;
                    if (answer != null)
                        socket.getOutputStream().write((answer + "\r\n").getBytes(StandardCharsets.US_ASCII));
                }
            } catch (IOException e) {
                return;
            }
        }
    }

    @AfterEach
    void stop() throws IOException {
        server.close();
    }

    private ScpiMeter connect() {
        return ScpiMeter.connect("127.0.0.1:" + server.getLocalPort());
    }

    @Test
    void aReadingComesAsTheInstrumentSendsIt() {
        answers.put("MEAS:VOLT:DC?", "+3.10000E+00");
        answers.put("MEAS:VOLT:AC?", "2.405E+02");
        answers.put("MEAS:RES?", "4.70E+05");
        try (Meter meter = connect()) {
            assertThat(meter.name()).isEqualTo("Bench,Meter,1,0");
            assertThat(meter.read(Measure.DC_VOLTS)).isEqualTo(3.1);
            assertThat(meter.read(Measure.AC_VOLTS)).isEqualTo(240.5);
            assertThat(meter.read(Measure.OHMS)).isEqualTo(470e3);
        }
    }

    @Test
    void overRangeIsNoReading() {
        answers.put("MEAS:VOLT:DC?", "-9.9E37");
        try (Meter meter = connect()) {
            assertThatThrownBy(() -> meter.read(Measure.DC_VOLTS))
                    .isInstanceOf(MeterTrouble.class)
                    .hasMessageContaining("over its range");
        }
    }

    @Test
    void nonsenseIsNoReading() {
        answers.put("MEAS:VOLT:DC?", "ERR -113");
        try (Meter meter = connect()) {
            assertThatThrownBy(() -> meter.read(Measure.DC_VOLTS))
                    .isInstanceOf(MeterTrouble.class)
                    .hasMessageContaining("ERR -113");
        }
    }

    @Test
    void silenceEndsInTime() {
        try (Meter meter = connect()) {
            long start = System.nanoTime();
            assertThatThrownBy(() -> meter.read(Measure.DC_VOLTS))
                    .isInstanceOf(MeterTrouble.class)
                    .hasMessageContaining("did not answer in time");
            assertThat((System.nanoTime() - start) / 1e9).isLessThan(10);
        }
    }

    @Test
    void aLostConnectionSaysSo() {
        answers.put("MEAS:VOLT:DC?", "hang up");
        try (Meter meter = connect()) {
            assertThatThrownBy(() -> meter.read(Measure.DC_VOLTS))
                    .isInstanceOf(MeterTrouble.class)
                    .hasMessageContaining("lost");
        }
    }

    @Test
    void nobodyThereIsNamed() {
        // below the range from which connections take their own ports: no other program can have been given it
        // meanwhile
        assertThatThrownBy(() -> ScpiMeter.connect("127.0.0.1:1"))
                .isInstanceOf(MeterTrouble.class)
                .hasMessageContaining("No meter answers at 127.0.0.1");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", ":5025", "127.0.0.1:port", "127.0.0.1:70000"})
    void anAddressThatIsNoneIsBadInput(String address) {
        assertThatThrownBy(() -> ScpiMeter.connect(address)).isInstanceOf(BadInput.class);
    }
}
