package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A key takes the reading from the connected meter; a meter that fails leaves everything as it was. */
class MeterTest extends WindowCase {
    private ServerSocket server;
    private volatile String volts = "8.47E+01";

    @BeforeEach
    void instrument() throws IOException {
        server = new ServerSocket(0, 2, InetAddress.getLoopbackAddress());
        Thread thread = new Thread(() -> {
            try (Socket socket = server.accept();
                    BufferedReader in = new BufferedReader(
                            new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII))) {
                for (String line = in.readLine(); line != null; line = in.readLine()) {
                    String reply = line.equals("*IDN?") ? "Bench,Meter" : volts;
                    socket.getOutputStream().write((reply + "\n").getBytes(StandardCharsets.US_ASCII));
                }
            } catch (IOException e) {
                // the test is over
            }
        });
        thread.setDaemon(true);
        thread.start();
    }

    @AfterEach
    void unplug() throws IOException {
        server.close();
        shell.closeMeters();
    }

    @Test
    void theMeterFillsInTheLitRow() {
        openHalcyon();
        assertThat(texts()).as("no key for what is not there").doesNotContain("F6");
        enter("connect 127.0.0.1:" + server.getLocalPort());
        until("the key shows", () -> texts().contains("F6"));
        enter("V3.7");
        until("lit", () -> shows("V3.7 plate"));
        key(KeyCode.F6);
        until("taken", () -> session.need().readings().stream()
                .anyMatch(r -> r.point().equals("V3.7") && r.value() == 84.7));
        int before = session.need().readings().size();
        volts = "9.9E37";
        key(KeyCode.F6);
        until("over its range", () -> shows("over its range"));
        assertThat(session.need().readings()).hasSize(before);
    }

    @Test
    void withoutAMeterTheKeySaysHowToConnectOne() {
        openHalcyon();
        key(KeyCode.F6);
        until("said", () -> shows("no meter is connected"));
        enter("connect nowhere:port");
        until("refused", () -> shows("no address of a meter"));
    }
}
