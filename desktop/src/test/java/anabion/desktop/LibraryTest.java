package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.job.Step;
import anabion.desktop.shell.Shell;
import anabion.workshop.demo.DemoWorkshop;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** The library by keyboard, and the circuit that draws itself. */
class LibraryTest extends WindowCase {
    private static final int TYPES = DeviceLibrary.standard().all().size();

    private void halcyon() {
        interact(() -> session.open(
                DemoWorkshop.chassis("halcyon").id(), () -> session.step().set(Step.STUDY)));
        until("the set", () -> session.set().get().isPresent());
    }

    private Optional<DeviceType> output() {
        return session.need()
                .chassis()
                .part("V4")
                .orElseThrow()
                .device()
                .orElseThrow()
                .known();
    }

    @Test
    void aTypeIsFoundLookedAtCorrectedAndTakenBack() {
        halcyon();
        key(KeyCode.CONTROL, KeyCode.DIGIT3);
        interact(() -> shell.probe().field().setText("6aq5"));
        until("one is left", () -> shows("one type"));
        until("how it works in the set", () -> shows("V4 works at 2") && shows("for sound"));
        key(KeyCode.ENTER);
        until("all are back, it stays lit", () -> shows(TYPES + " types") && shows("beam power tube"));
        Optional<DeviceType> shipped = output();
        enter("mu 12");
        until("own figures", () -> shows("own figures") && !output().equals(shipped));
        enter("mu none");
        until("the refusal", () -> shows("must be a number"));
        key(KeyCode.ESCAPE);
        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone", () -> output().equals(shipped));
        enter("X-9 like 6AQ5");
        until("the new one", () -> shows(TYPES + 1 + " types") && shows("X-9"));
        interact(() -> shell.go(Shell.Where.BENCH));
        key(KeyCode.ALT, KeyCode.DIGIT1);
        enter("V4 X-9");
        until("it can be fitted", () -> output().filter(t -> t.name().equals("X-9"))
                .isPresent());
        assertThat(session.need().chassis().part("V4").orElseThrow().nets()).containsEntry("5", "V4.5");
    }

    @Test
    void theCircuitLightsThePartInHandAndEditsIt() {
        halcyon();
        interact(() -> shell.go(Shell.Where.BENCH));
        key(KeyCode.ALT, KeyCode.DIGIT6);
        until("drawn", () -> shows("OSCT") && shows("cathode tap"));
        key(KeyCode.DOWN);
        until("the first part", () -> session.part().get().isPresent());
        key(KeyCode.DOWN);
        String second = session.part().get().orElseThrow();
        until("it is named below", () -> shows(second + "  "));
        key(KeyCode.ENTER);
        until("its line", () -> shell.probe().field().getText().startsWith(second + " "));
        key(KeyCode.ESCAPE);
        enter("R13 270k V3.7 B2 plate load");
        until("redrawn with the new value", () -> shows("270k"));
        assertThat(session.part().get()).contains("R13");
    }
}
