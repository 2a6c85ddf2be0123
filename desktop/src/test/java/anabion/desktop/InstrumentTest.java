package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import anabion.core.chassis.Measure;
import anabion.core.error.InputException;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Meter;
import anabion.instruments.Variac;
import anabion.instruments.Wattmeter;
import java.util.concurrent.CountDownLatch;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.mockito.Mock;

/** A key takes the reading from the connected meter; a meter that fails leaves everything as it was, and one that is slow holds nothing up. */
class InstrumentTest extends WindowCase {
    @Mock
    private Meter meter;

    private void connected() {
        when(instruments.connect(InstrumentRole.METER, "192.0.2.7")).thenReturn(meter);
        when(meter.name()).thenReturn("Bench,Meter");
        enter("connect 192.0.2.7");
        until("the key shows", () -> texts().contains("F6"));
        enter("V3.7");
        until("lit", () -> shows("V3.7 plate"));
    }

    private boolean taken(String point, double volts) {
        return session.need().readings().stream().anyMatch(r -> r.point().equals(point) && r.value() == volts);
    }

    @Test
    void theMeterFillsInTheLitRow() {
        openHalcyon();
        assertThat(texts()).as("no key for what is not there").doesNotContain("F6");
        connected();
        when(meter.read(eq(Measure.DC_VOLTS), any()))
                .thenReturn(84.7)
                .thenThrow(new InstrumentException(
                        InstrumentException.Kind.OVERLOAD, "The meter is over its range", "Check the leads"));
        key(KeyCode.F6);
        until("taken", () -> taken("V3.7", 84.7));
        int before = session.need().readings().size();
        key(KeyCode.F6);
        until("over its range", () -> shows("over its range"));
        until(
                "said where it would stand",
                () -> shell.probe().field().getPromptText().startsWith("meter gone since"));
        assertThat(session.need().readings()).hasSize(before);
    }

    @Test
    void aSlowMeterHoldsNothingUp() {
        openHalcyon();
        connected();
        CountDownLatch answers = new CountDownLatch(1);
        when(meter.read(eq(Measure.DC_VOLTS), any())).thenAnswer(call -> {
            answers.await();
            return 84.7;
        });
        key(KeyCode.F6);
        enter("V4.2 9.5");
        until("typed meanwhile", () -> taken("V4.2", 9.5));
        answers.countDown();
        until("and taken where it was asked for", () -> taken("V3.7", 84.7));
    }

    @Test
    void aWattmeterThatIsGoneKeepsNoReadingBack(@Mock Wattmeter wattmeter) {
        openHalcyon();
        when(instruments.connect(InstrumentRole.WATTMETER, "192.0.2.9")).thenReturn(wattmeter);
        when(wattmeter.name()).thenReturn("Watts");
        when(wattmeter.read())
                .thenThrow(new InstrumentException(InstrumentException.Kind.GONE, "It is gone", "Look for it"));
        enter("connect wattmeter 192.0.2.9");
        connected();
        when(meter.read(eq(Measure.DC_VOLTS), any())).thenReturn(84.7);
        key(KeyCode.F6);
        until("taken all the same", () -> taken("V3.7", 84.7));
        until("and said", () -> shows("gone"));
    }

    @Test
    void aSetThatIsOffIsNotRead(@Mock Variac variac) {
        openHalcyon();
        when(instruments.connect(InstrumentRole.VARIAC, "192.0.2.9")).thenReturn(variac);
        when(variac.name()).thenReturn("Variac");
        when(variac.dial()).thenReturn(0.0);
        enter("connect variac 192.0.2.9");
        connected();
        key(KeyCode.F6);
        until("refused", () -> shows("the set is off"));
        enter("turn 100");
        until("not without its log", () -> shows("the log says that the set is off"));
        verify(variac, never()).turn(100);
    }

    @Test
    void anotherMeterTakesThePlaceOfTheFirst(@Mock Meter other) {
        openHalcyon();
        connected();
        when(instruments.connect(InstrumentRole.METER, "192.0.2.8")).thenReturn(other);
        when(other.name()).thenReturn("Another");
        when(other.read(eq(Measure.DC_VOLTS), any())).thenReturn(85.5);
        enter("connect 192.0.2.8");
        enter("V3.7");
        until("lit", () -> shows("V3.7 plate"));
        key(KeyCode.F6);
        until("its reading", () -> taken("V3.7", 85.5));
        verify(meter).close();
    }

    @Test
    void withoutAMeterTheKeySaysHowToConnectOne() {
        openHalcyon();
        key(KeyCode.F6);
        until("said", () -> shows("no meter is connected"));
        when(instruments.connect(InstrumentRole.METER, "nowhere:port"))
                .thenThrow(InputException.at("nowhere:port")
                        .because("this is no address of a meter")
                        .so("type another"));
        enter("connect nowhere:port");
        until("refused", () -> shows("no address of a meter"));
    }
}
