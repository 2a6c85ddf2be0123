package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import anabion.core.handback.ClosingGate;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.job.SymptomKind;
import anabion.core.job.Whereabouts;
import anabion.desktop.sheet.HandBackSheet;
import anabion.desktop.shell.Shell;
import anabion.workshop.Op;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** A set that the demo does not know comes in, is put in order, goes out, and comes back. Twelve sheets and a circuit to be solved: it takes some seconds. */
class WholeLifeTest extends WindowCase {
    private final Passing clock = new Passing();

    /** A clock that goes on when it is told. */
    private static final class Passing extends Clock {
        private volatile Instant now = NOW;

        void pass(Duration time) {
            now = now.plus(time);
        }

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now;
        }
    }

    @Override
    Clock clock() {
        return clock;
    }

    private void at(Step step) {
        interact(() -> session.step().set(step));
        until(step.name(), () -> shows(session.say("step." + step.code())));
        clock.pass(Duration.ofMinutes(3));
    }

    private void taken(String line) {
        String before = session.need().toString();
        enter(line);
        until(line, () -> !session.need().toString().equals(before));
        clock.pass(Duration.ofSeconds(20));
    }

    private void made() {
        until("the shelf", () -> shows("Vessmark Halcyon"));
        key(KeyCode.CONTROL, KeyCode.N);
        until("the card", () -> lookup("#new-model").tryQuery().isPresent());
        interact(() -> {
            lookup("#new-maker").queryTextInputControl().setText("Ansgarfell");
            lookup("#new-model").queryTextInputControl().setText("Plover");
            ComboBox<?> typical = lookup("#new-typical").queryComboBox();
            typical.getSelectionModel().select(4);
        });
        interact(() -> lookup("#new-make").queryButton().fire());
        until("on the bench", () -> session.set()
                .get()
                .filter(s -> s.chassis().identity().model().equals("Plover"))
                .isPresent());
    }

    private ClosingGate gate() {
        return HandBackSheet.gate(session).orElseThrow();
    }

    @Test
    void fromArrivalToHandBackAndBackAgain() throws IOException {
        made();
        at(Step.ARRIVAL);
        until("its bands", () -> lookup("#complaint-0").tryQuery().isPresent());
        interact(
                () -> lookup("#complaint-0").queryComboBox().getSelectionModel().select(SymptomKind.WEAK.ordinal()));
        until("told", () -> !session.need().job().arrival().complaints().isEmpty());
        at(Step.STRIP_DOWN);
        taken("4 screws M3 back, bag A");
        at(Step.COLD_CHECKS);
        taken("GANG CHASSIS 1.1");
        at(Step.RECAP);
        taken("fitted C20");
        at(Step.TRACE);
        taken("note weak on both bands");
        at(Step.VOLTAGES);
        until("rows", () -> shows("Q1"));
        taken("renew C20 100u 16 V");
        String[] pins = session.verdict().get().orElseThrow().rows().stream()
                .filter(r -> r.expectation().isPresent())
                .limit(5)
                .map(r -> r.point().label() + " "
                        + String.format(
                                java.util.Locale.ROOT,
                                "%.3f",
                                r.expectation().get().value()))
                .toArray(String[]::new);
        for (String pin : pins) taken(pin);
        at(Step.ALIGN);
        taken("leave because it plays as its sister does");
        at(Step.DRIVE_AND_CASE);
        taken("control RV1 volume, contact cleaner");
        until("the control has a row", () -> !session.need().job().casework().isEmpty());
        taken("better 1");
        at(Step.STRIP_DOWN);
        taken("on 1");
        at(Step.SOAK);
        taken("start");
        for (int hour = 0; hour <= 8; hour++) {
            clock.pass(Duration.ofMinutes(35));
            taken("9 8.9 0.2W Q7 30C ambient 22");
        }
        taken("off");
        taken("cause C20 had dried out and let the stages howl");
        at(Step.HAND_BACK);
        enter("handed back to its owner");
        until("refused while something is open", () -> shows("conditions that are open"));
        assertThat(Whereabouts.of(session.need().job()).left()).isEmpty();
        session.need().chassis().bands().forEach(b -> taken("heard " + b.name() + " 4 clear"));
        until("that nothing is open", () -> gate().open().isEmpty());
        Path file = folder.resolve("plover.html");
        when(files.toSave(any(), any())).thenReturn(Optional.of(file));
        key(KeyCode.CONTROL, KeyCode.R);
        until("the card", () -> lookup("#report-write").tryQuery().isPresent());
        interact(() -> lookup("#report-shop").queryTextInputControl().setText("The Loft"));
        interact(() -> lookup("#report-write").queryButton().fire());
        until("written", () -> Files.exists(file));
        assertThat(Files.readString(file))
                .contains("C20 had dried out and let the stages howl", "For the next restorer", "restored by The Loft")
                .contains("4 stations clear", "<svg", "Figure", pins[0].split(" ")[0])
                .doesNotContain("Draft");
        taken("handed back to its owner, ask in 6 weeks");
        until("in the archive", () -> session.need().place() == Op.Place.ARCHIVE);
        assertThat(session.order().get(Step.HAND_BACK.ordinal()).state()).isEqualTo(StepState.DONE);
        until("a day to ask", () -> session.timers().get().stream()
                .anyMatch(t -> t.label().equals("Ask how it plays")));
        clock.pass(Duration.ofDays(200));
        taken("came back because it is silent");
        until("here again", () -> session.step().get() == Step.ARRIVAL && shows("Came back 2026-11"));
        assertThat(session.need().place()).isEqualTo(Op.Place.SHELF);
        until("its own chart", () -> shows("compared with what it read when it was handed back (5 points)"));
        assertThat(gate().open()).as("all is to be looked at anew").isNotEmpty();
        at(Step.VOLTAGES);
        until("against itself", () -> shows("own readings of 2026-05-04"));
        interact(() -> shell.go(Shell.Where.BENCH));
        taken(pins[0].split(" ")[0] + " 0.01");
        until("it is out", () -> session.verdict().get().orElseThrow().rows().stream()
                .anyMatch(r -> r.point().label().equals(pins[0].split(" ")[0])
                        && r.standing() == anabion.core.reading.Standing.OUT
                        && r.before().isPresent()));
    }
}
