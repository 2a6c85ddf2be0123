package anabion.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import anabion.core.chassis.Measure;
import anabion.core.input.BadInput;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import javax.net.SocketFactory;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

/** Against a small instrument that speaks the command language on the loopback address, and where a network fails against one that is made to. */
@ExtendWith(MockitoExtension.class)
class ScpiMeterTest {
    private final Map<String, String> answers = new ConcurrentHashMap<>(Map.of("*IDN?", "Bench,Meter,1,0"));
    private ServerSocket server;

    @Mock
    private SocketFactory sockets;

    @Mock
    private Socket socket;

    @Mock
    private InputStream in;

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

    /** The system ends the wait; nothing is waited for here. */
    @Test
    void silenceEndsInTime() throws IOException {
        when(sockets.createSocket()).thenReturn(socket);
        when(socket.getOutputStream()).thenReturn(OutputStream.nullOutputStream());
        when(socket.getInputStream()).thenReturn(in);
        when(in.read(any(byte[].class), anyInt(), anyInt()))
                .thenAnswer(call -> {
                    byte[] name = "Bench\n".getBytes(StandardCharsets.US_ASCII);
                    System.arraycopy(name, 0, (byte[]) call.getArgument(0), 0, name.length);
                    return name.length;
                })
                .thenThrow(new SocketTimeoutException("Read timed out"));
        try (Meter meter = ScpiMeter.connect("192.0.2.7", sockets)) {
            assertThat(meter.name()).isEqualTo("Bench");
            assertThatThrownBy(() -> meter.read(Measure.DC_VOLTS))
                    .isInstanceOf(MeterTrouble.class)
                    .hasMessageContaining("did not answer in time");
        }
        verify(socket).connect(new InetSocketAddress("192.0.2.7", 5025), 3000);
        verify(socket).setSoTimeout(3000);
        verify(socket).close();
    }

    @Test
    void whoDoesNotEvenSayItsNameIsLetGo() throws IOException {
        when(sockets.createSocket()).thenReturn(socket);
        when(socket.getOutputStream()).thenReturn(OutputStream.nullOutputStream());
        when(socket.getInputStream()).thenReturn(in);
        when(in.read(any(byte[].class), anyInt(), anyInt())).thenThrow(new SocketTimeoutException("Read timed out"));
        assertThatThrownBy(() -> ScpiMeter.connect("192.0.2.7:5555", sockets))
                .isInstanceOf(MeterTrouble.class)
                .hasMessageContaining("No meter answers at 192.0.2.7:5555");
        verify(socket).close();
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
