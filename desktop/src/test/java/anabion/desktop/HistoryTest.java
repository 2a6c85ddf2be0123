package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import anabion.core.job.Note;
import anabion.core.job.PowerEntry;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** Notes from anywhere, what happened, and words found in all sets. */
class HistoryTest extends WindowCase {
    @Test
    void aNoteIsOneKeyAwayAndWhatHappenedIsFoundAgain() throws Exception {
        openHalcyon();
        key(KeyCode.F11);
        until("the line is begun", () -> shell.probe().field().getText().equals("note "));
        interact(() -> shell.probe().clear());
        enter("note smells of the fireplace");
        enter("ordered tuning eye from the Attic 18 due 2026-12-10");
        until("kept", () -> session.need().job().orders().size() == 1);
        assertThat(session.need().job().notes(Note.Kind.REMARK)).hasSize(1);
        key(KeyCode.CONTROL, KeyCode.L);
        until("what happened", () -> shows("smells of the fireplace") && shows("tuning eye ordered"));
        write("fireplace");
        until("narrowed", () -> !shows("tuning eye ordered") && shows("smells of the fireplace"));
        key(KeyCode.ESCAPE);
        key(KeyCode.CONTROL, KeyCode.F);
        write("fireplace");
        until("found in its set", () -> shows("smells of the fireplace") && shows("Vessmark Halcyon"));
        key(KeyCode.ESCAPE);
        Path file = folder.resolve("dates.ics");
        when(files.toSave(any(), any())).thenReturn(Optional.of(file));
        key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.D);
        until("a calendar", () -> Files.exists(file));
        assertThat(Files.readString(file)).contains("tuning eye for Vessmark Halcyon");
        enter("arrived tuning");
        until("come", () -> session.need().job().waiting().isEmpty());
    }

    @Test
    void theRootCauseIsAskedBeforeASetIsDone() {
        openHalcyon();
        interact(() -> session.step().set(Step.HAND_BACK));
        key(KeyCode.CONTROL, KeyCode.D);
        until("under way", () -> session.order().get(Step.HAND_BACK.ordinal()).state() == StepState.UNDER_WAY);
        key(KeyCode.CONTROL, KeyCode.D);
        until("asked", () -> shows("what had made it fail is not said yet"));
        enter("cause C14 leaked and ran V4 hot");
        until("said", () -> session.need().job().notes(Note.Kind.CAUSE).size() == 1);
        key(KeyCode.CONTROL, KeyCode.D);
        until("done", () -> session.order().get(Step.HAND_BACK.ordinal()).state() == StepState.DONE);
    }

    /** On First power these words belong to the log of the power-up. */
    @Test
    void causeAndNoteKeepTheirMeaningOnFirstPower() {
        openHalcyon();
        interact(() -> session.step().set(Step.FIRST_POWER));
        until("its power-up is computed", () -> session.power().shown().get().isPresent());
        enter("cause F1 C18 was shorted");
        until("in the log", () -> session.need().job().power().entries().stream()
                .anyMatch(e -> e.kind() == PowerEntry.Kind.CAUSE && e.what().equals("F1")));
        enter("note the lamp was bright for a second");
        until("there, too", () -> session.need().job().power().entries().stream()
                .anyMatch(e -> e.kind() == PowerEntry.Kind.NOTE));
        assertThat(session.need().job().notes()).isEmpty();
    }
}
