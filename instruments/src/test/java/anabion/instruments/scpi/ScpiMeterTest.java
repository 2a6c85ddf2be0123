package anabion.instruments.scpi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import anabion.core.chassis.Measure;
import anabion.core.error.InputException;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Meter;
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
import java.util.OptionalDouble;
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
import org.mockito.stubbing.OngoingStubbing;

/** Against a small instrument that speaks the command language on the loopback address, and where a network fails against one that is made to. */
@ExtendWith(MockitoExtension.class)
class ScpiMeterTest {
    private final Map<String, String> answers = new ConcurrentHashMap<>(Map.of("*IDN?", "Bench,Meter,1,0"));
    private ServerSocket server;

    @Mock
    private SocketFactory sockets;

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
                    if ("trickle".equals(answer)) trickle(socket);
                    if (answer != null)
                        socket.getOutputStream().write((answer + "\r\n").getBytes(StandardCharsets.US_ASCII));
                }
            } catch (IOException e) {
                return;
            }
        }
    }

    private static void trickle(Socket socket) throws IOException {
        try {
            for (int n = 0; n < 20; n++) {
                socket.getOutputStream().write('1');
                Thread.sleep(250);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @AfterEach
    void stop() throws IOException {
        server.close();
    }

    private Meter connect() {
        return connect("127.0.0.1:" + server.getLocalPort(), SocketFactory.getDefault());
    }

    private static Meter connect(String address, SocketFactory sockets) {
        return (Meter) new ScpiConnector(Links.through(sockets)).connect(InstrumentRole.METER, address);
    }

    private static double read(Meter meter, Measure measure) {
        return meter.read(measure, OptionalDouble.empty());
    }

    @Test
    void aReadingComesAsTheInstrumentSendsIt() {
        answers.put("MEAS:VOLT:DC?", "+3.10000E+00");
        answers.put("MEAS:VOLT:AC?", "2.405E+02");
        answers.put("MEAS:RES?", "4.70E+05");
        try (Meter meter = connect()) {
            assertThat(meter.name()).isEqualTo("Bench,Meter,1,0");
            assertThat(read(meter, Measure.DC_VOLTS)).isEqualTo(3.1);
            assertThat(read(meter, Measure.AC_VOLTS)).isEqualTo(240.5);
            assertThat(read(meter, Measure.OHMS)).isEqualTo(470e3);
        }
    }

    @Test
    void overRangeIsNoReading() {
        answers.put("MEAS:VOLT:DC?", "-9.9E37");
        try (Meter meter = connect()) {
            assertThatThrownBy(() -> read(meter, Measure.DC_VOLTS))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("over its range");
        }
    }

    @Test
    void nonsenseIsNoReading() {
        answers.put("MEAS:VOLT:DC?", "ERR -113");
        try (Meter meter = connect()) {
            assertThatThrownBy(() -> read(meter, Measure.DC_VOLTS))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("ERR -113");
        }
    }

    /** What Java reads as a number is not yet what a meter sends as one. */
    @ParameterizedTest
    @ValueSource(strings = {"NaN", "Infinity", "-inf", "0x1p3", "12d", "1.5f", "1e9999", "1,5", "", "9.91E37"})
    void onlyNumbersAreReadings(String answer) {
        answers.put("MEAS:VOLT:DC?", answer);
        try (Meter meter = connect()) {
            assertThatThrownBy(() -> read(meter, Measure.DC_VOLTS)).isInstanceOf(InstrumentException.class);
            answers.put("MEAS:VOLT:DC?", "1.5");
            assertThat(read(meter, Measure.DC_VOLTS)).isEqualTo(1.5);
        }
    }

    /** A connection that gives these answers, and then what comes at its end. */
    private static Socket giving(String answers, Exception end) throws IOException {
        Socket socket = mock(Socket.class);
        InputStream in = mock(InputStream.class);
        when(socket.getOutputStream()).thenReturn(OutputStream.nullOutputStream());
        when(socket.getInputStream()).thenReturn(in);
        OngoingStubbing<Integer> bytes = when(in.read());
        for (char c : answers.toCharArray()) bytes = bytes.thenReturn((int) c);
        bytes.thenThrow(end);
        return socket;
    }

    private static SocketTimeoutException late() {
        return new SocketTimeoutException("Read timed out");
    }

    /** The system ends the wait; nothing is waited for here. What comes late is on a connection that nobody reads any more. */
    @Test
    void anAnswerThatComesLateIsNotTakenForTheNext() throws IOException {
        Socket slow = giving("Bench\n", late());
        Socket anew = giving("Bench\n2.50E+00\nBench\n", late());
        when(sockets.createSocket()).thenReturn(slow, anew);
        try (Meter meter = connect("192.0.2.7", sockets)) {
            assertThat(meter.name()).isEqualTo("Bench");
            assertThatThrownBy(() -> read(meter, Measure.DC_VOLTS))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("did not answer in time");
            verify(slow).close();
            assertThat(read(meter, Measure.DC_VOLTS)).isEqualTo(2.5);
        }
        verify(slow).connect(new InetSocketAddress("192.0.2.7", 5025), ScpiConnection.TIMEOUT_MS);
        verify(anew).close();
    }

    @Test
    void aSecondLineIsNotTakenForTheNextReading() throws IOException {
        Socket chatty = giving("Bench\n1.5\nBench\n2.5\n", late());
        Socket anew = giving("Bench\n3.5\nBench\n", late());
        when(chatty.getInputStream().available()).thenReturn(0, 4);
        when(sockets.createSocket()).thenReturn(chatty, anew);
        try (Meter meter = connect("192.0.2.7", sockets)) {
            assertThat(read(meter, Measure.DC_VOLTS)).isEqualTo(1.5);
            assertThat(read(meter, Measure.DC_VOLTS)).isEqualTo(3.5);
        }
    }

    /** Twice the same, or an answer to what was asked long ago: nobody knows which of them is the reading. */
    @Test
    void anAnswerThatComesTwiceIsNoReading() throws IOException {
        Socket twice = giving("Bench\n1.5\n1.5\nBench\n", late());
        Socket anew = giving("2.5\nBench\n3.5\nBench\n", late());
        when(sockets.createSocket()).thenReturn(twice, anew);
        try (Meter meter = connect("192.0.2.7", sockets)) {
            assertThatThrownBy(() -> read(meter, Measure.DC_VOLTS))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("more than once");
            assertThat(read(meter, Measure.DC_VOLTS))
                    .as("from where the new connection says its name")
                    .isEqualTo(3.5);
        }
    }

    @Test
    void anotherInstrumentAtItsPlaceIsNotRead() throws IOException {
        Socket first = giving("Bench\n", new IOException("reset"));
        Socket other = giving("Supply\n", late());
        when(sockets.createSocket()).thenReturn(first, other);
        try (Meter meter = connect("192.0.2.7", sockets)) {
            assertThatThrownBy(() -> read(meter, Measure.DC_VOLTS)).hasMessageContaining("lost");
            assertThatThrownBy(() -> read(meter, Measure.DC_VOLTS)).isInstanceOf(InstrumentException.class);
            verify(other).close();
        }
    }

    /** A range that holds what is expected; where the reading lies elsewhere, the meter searches. */
    @Test
    void theRangeFollowsWhatIsExpected() {
        answers.put("MEAS:VOLT:DC? 102", "9.9E37");
        answers.put("MEAS:VOLT:DC?", "231.5");
        answers.put("MEAS:VOLT:DC? 300", "248.2");
        try (Meter meter = connect()) {
            assertThat(meter.read(Measure.DC_VOLTS, OptionalDouble.of(-250))).isEqualTo(248.2);
            assertThat(meter.read(Measure.DC_VOLTS, OptionalDouble.of(85))).isEqualTo(231.5);
        }
    }

    @Test
    void anEndlessLineEnds() throws IOException {
        Socket endless = giving("Bench\n" + "1".repeat(ScpiConnection.LONGEST + 1), late());
        when(sockets.createSocket()).thenReturn(endless);
        try (Meter meter = connect("192.0.2.7", sockets)) {
            assertThatThrownBy(() -> read(meter, Measure.DC_VOLTS))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("no end");
        }
    }

    /** A byte now and then keeps no reading waiting: the time is that of the whole answer. It waits three seconds, as long as the answer may take. */
    @Test
    void aTrickleEndsInTime() {
        answers.put("MEAS:VOLT:DC?", "trickle");
        try (Meter meter = connect()) {
            long start = System.nanoTime();
            assertThatThrownBy(() -> read(meter, Measure.DC_VOLTS))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("did not answer in time");
            assertThat((System.nanoTime() - start) / 1e9).isLessThan(5);
        }
    }

    @Test
    void whoDoesNotEvenSayItsNameIsLetGo() throws IOException {
        Socket silent = giving("", late());
        when(sockets.createSocket()).thenReturn(silent);
        assertThatThrownBy(() -> connect("192.0.2.7:5555", sockets))
                .isInstanceOf(InstrumentException.class)
                .hasMessageContaining("No meter answers at 192.0.2.7:5555");
        verify(silent).close();
    }

    @Test
    void aLostConnectionSaysSo() {
        answers.put("MEAS:VOLT:DC?", "hang up");
        try (Meter meter = connect()) {
            assertThatThrownBy(() -> read(meter, Measure.DC_VOLTS))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("lost");
        }
    }

    @Test
    void nobodyThereIsNamed() {
        // below the range from which connections take their own ports: no other program can have been given it
        // meanwhile
        assertThatThrownBy(() -> connect("127.0.0.1:1", SocketFactory.getDefault()))
                .isInstanceOf(InstrumentException.class)
                .hasMessageContaining("No meter answers at 127.0.0.1");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", ":5025", "127.0.0.1:port", "127.0.0.1:70000"})
    void anAddressThatIsNoneIsBadInput(String address) {
        assertThatThrownBy(() -> connect(address, SocketFactory.getDefault())).isInstanceOf(InputException.class);
    }
}
