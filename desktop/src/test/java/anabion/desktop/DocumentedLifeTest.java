package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.desktop.shell.Shell;
import anabion.workshop.demo.DemoWorkshop;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** A set is documented from the first screw to the last soak, and all of it is found again. */
class DocumentedLifeTest extends WindowCase {
    private void at(Step step) {
        interact(() -> session.step().set(step));
        until(step.name(), () -> shows(session.say("step." + step.code())));
    }

    @Test
    void fromTheFirstScrewToTheLastSoak() throws IOException {
        interact(() -> session.open(DemoWorkshop.chassis("brae").id(), () -> {
            session.step().set(Step.STRIP_DOWN);
            shell.go(Shell.Where.BENCH);
        }));
        until("the sheet", () -> shows("Nothing came off yet."));
        enter("4 screws M4 back, bag A");
        enter("lead red V5.3 -> T1.1");
        BufferedImage image = new BufferedImage(200, 150, BufferedImage.TYPE_INT_RGB);
        Path photo = folder.resolve("chassis.png");
        ImageIO.write(image, "png", photo.toFile());
        when(files.toOpen(any(), any())).thenReturn(Optional.of(photo));
        key(KeyCode.CONTROL, KeyCode.P);
        until("a photo", () -> session.need().photos().size() == 1);
        enter("pin C14 swollen at 40 60");
        at(Step.VOLTAGES);
        enter("note it hums until it is warm");
        enter("renew C14 10n 630 V film");
        at(Step.STRIP_DOWN);
        enter("on 2");
        until("no lead hangs", () -> shows("One thing is still off"));
        at(Step.SOAK);
        enter("start");
        enter("230 210 40W T1 44C ambient 21");
        until("a row", () -> session.need().job().soak().size() == 2);
        enter("off");
        at(Step.DRIVE_AND_CASE);
        enter("control RV1, contact cleaner");
        enter("better 1");
        enter("cause C14 had leaked for years");
        enter("model C14 leaks in every one of them");
        enter("fragile the dial glass has a crack");
        enter("cost 1.20 capacitor");
        until("all of it", () -> session.need().job().notes().size() == 5);
        at(Step.STRIP_DOWN);
        enter("on 1");
        until("together", () -> shows("All is on again"));
        key(KeyCode.CONTROL, KeyCode.L);
        for (String told :
                new String[] {"4 screws M4 back", "C14", "control RV1", "root cause: C14 had leaked for years"}) {
            write(told);
            until(told, () -> shows(told));
            interact(() -> lookup("#timeline").queryTextInputControl().clear());
        }
        key(KeyCode.ESCAPE);
        at(Step.HAND_BACK);
        key(KeyCode.CONTROL, KeyCode.D);
        until("under way", () -> session.order().get(Step.HAND_BACK.ordinal()).state() == StepState.UNDER_WAY);
        key(KeyCode.CONTROL, KeyCode.D);
        until(
                "done, for its cause is said",
                () -> session.order().get(Step.HAND_BACK.ordinal()).state() == StepState.DONE);
        Path file = folder.resolve("record.html");
        when(files.toSave(any(), any())).thenReturn(Optional.of(file));
        key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.E);
        until("written", () -> Files.exists(file));
        assertThat(Files.readString(file))
                .contains("C14 had leaked for years", "the dial glass has a crack", "<h2>Soak</h2>", "plays better");
        key(KeyCode.CONTROL, KeyCode.DIGIT1);
        write("swollen");
        until(
                "nothing of a pin is lost: its set is found",
                () -> session.need().photos().get(0).marks().size() == 1);
    }
}
