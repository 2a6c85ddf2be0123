package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.job.Step;
import anabion.desktop.session.Session;
import anabion.desktop.shell.Shell;
import anabion.workshop.Workshop;
import java.time.Clock;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** What was chosen is there again after a restart. */
class RememberTest extends WindowCase {
    @Test
    void themeScaleWordsSetAndSheetAreRemembered() {
        openHalcyon();
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
