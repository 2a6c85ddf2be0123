package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.when;

import anabion.core.job.Step;
import anabion.desktop.session.Session;
import anabion.desktop.shell.Shell;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Meter;
import anabion.workshop.Workshop;
import java.time.Clock;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.mockito.Mock;

/** What was chosen is there again after a restart. */
class RememberTest extends WindowCase {
    @Test
    void themeScaleWordsSetSheetAndInstrumentsAreRemembered(@Mock Meter meter) {
        openHalcyon();
        when(instruments.connect(InstrumentRole.METER, "192.0.2.7")).thenReturn(meter);
        when(meter.name()).thenReturn("Bench,Meter");
        enter("connect 192.0.2.7");
        until("connected", () -> shows("connected"));
        key(KeyCode.F7);
        key(KeyCode.F8);
        key(KeyCode.CONTROL, KeyCode.EQUALS);
        key(KeyCode.ALT, KeyCode.DOWN);
        until("trace", () -> session.step().get() == Step.TRACE);
        interact(() -> stage.hide());
        session.close();
        Workshop again = Workshop.open(folder, Clock.systemUTC());
        interact(() -> {
            session = new Session(again);
            shell = AnabionApp.show(stage, session, ports());
        });
        until(
                "the same set and sheet",
                () -> session.set().get().isPresent()
                        && session.step().get() == Step.TRACE
                        && shell.where() == Shell.Where.BENCH);
        until("where the meter is", () -> shows("F6 connects it"));
        assertThat(session.instruments().of(InstrumentRole.METER).orElseThrow().address())
                .isEqualTo("192.0.2.7:5025");
        assertThat(shell.dim()).isTrue();
        assertThat(shell.scaled()).isGreaterThan(1.05);
        assertThat(session.words().get().vocabulary().valve()).isTrue();
    }

    @Test
    void aWindowThatWasOnAScreenNowGoneComesBackInTheMiddle() {
        interact(() -> {
            assertThat(AnabionApp.bounds("9000.0 50.0 1280.0 800.0")[0]).isNaN();
            assertThat(AnabionApp.bounds("20.0 30.0 1100.0 750.0")).containsExactly(20, 30, 1100, 750);
            assertThat(AnabionApp.bounds("")[2]).isEqualTo(1280);
            assertThat(AnabionApp.bounds("a b c d")[2]).as("a damaged setting").isEqualTo(1280);
            assertThat(AnabionApp.bounds("0.0 0.0 300.0 200.0")).containsExactly(0, 0, 1024, 640);
        });
    }
}
