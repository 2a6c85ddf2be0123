package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import anabion.core.drive.CordPath;
import anabion.core.job.CaseEntry;
import anabion.core.job.Step;
import anabion.desktop.shell.Shell;
import anabion.workshop.demo.DemoWorkshop;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** A cord is entered, calculated and printed; the case is worked on. */
class DriveTest extends WindowCase {
    private void drive(String name) {
        interact(() -> session.open(DemoWorkshop.chassis(name).id(), () -> {
            session.step().set(Step.DRIVE_AND_CASE);
            shell.go(Shell.Where.BENCH);
        }));
        until("the sheet", () -> shows("No cord yet"));
    }

    @Test
    void aCordIsEnteredCalculatedAndPrinted() {
        drive("halcyon");
        enter("drum D 60 at 0 0");
        enter("pulley P 12 at 150 0");
        enter("thread 0.6");
        enter("run D@270 cw, P@90 cw");
        until("its length", () -> shows("Cut 209 mm"));
        enter("knots 40");
        enter("scale 190");
        until("longer, and the drum is too small", () -> shows("Cut 249 mm") && shows("the scale is 190"));
        assertThat(CordPath.of(session.need().job().cords().get(0)).length()).isCloseTo(249.4, within(0.2));
        enter("run D@270 cw, X cw, P@90 cw");
        until("refused", () -> shows("there is no wheel of that name"));
        Path file = folder.resolve("cord.pdf");
        when(files.toSave(any(), any())).thenReturn(Optional.of(file));
        key(KeyCode.CONTROL, KeyCode.J);
        until("printed", () -> Files.exists(file));
        key(KeyCode.CONTROL, KeyCode.Z);
        until(
                "the scale is forgotten",
                () -> session.need().job().cords().get(0).scale() == 0);
    }

    @Test
    void theCaseOfALiveChassisHasItsBarriers() {
        drive("brae");
        until(
                "what keeps hands away",
                () -> shows("grub screws of knobs covered") && shows("5 barriers not looked at"));
        enter("control RV1 volume, contact cleaner");
        enter("better 1");
        until("tried", () -> shows("plays better"));
        enter("done 2");
        until("looked at", () -> shows("4 barriers not looked at"));
        assertThat(session.need().job().casework())
                .extracting(CaseEntry::kind)
                .containsExactly(CaseEntry.Kind.CONTROL, CaseEntry.Kind.BARRIER);
        enter("base V5, cement 24h");
        until("its pins come first", () -> shows("which wire goes to which pin of V5 is not written down yet"));
        enter("cosmetic cabinet, shellac 24h");
        until("a timer", () -> session.timers().get().stream()
                .anyMatch(t -> t.label().contains("cabinet")));
    }
}
