package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.job.LooseKind;
import anabion.core.job.Step;
import anabion.core.job.StripDownEntry.State;
import anabion.desktop.shell.Shell;
import anabion.workshop.demo.DemoWorkshop;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** What comes off is typed in that order, and goes on again backwards. */
class StripDownTest extends WindowCase {
    private void strip(String name) {
        interact(() -> session.open(DemoWorkshop.chassis(name).id(), () -> {
            session.step().set(Step.STRIP_DOWN);
            shell.go(Shell.Where.BENCH);
        }));
        until("the sheet", () -> shows("Nothing came off yet."));
    }

    @Test
    void aSetIsTakenApartAndPutTogetherAgain() {
        strip("halcyon");
        enter("4 screws M3x8 back, bag A");
        enter("lead red V3.5 -> T2.1");
        enter("lead blue ? -> C14.1");
        until(
                "what hangs",
                () -> shows("2 leads still hang") && shows("blue: nobody knows → C14.1: where does it go?"));
        enter("broke 2");
        until(
                "what it leads to is suspect",
                () -> session.need().job().accidents().contains("V3"));
        assertThat(session.need().job().loose()).allMatch(l -> l.kind() == LooseKind.ACCIDENT);
        interact(() -> session.step().set(Step.FIRST_POWER));
        until("a warning before power", () -> shows("Leads are still off (2): see Strip-down before any power."));
        interact(() -> session.step().set(Step.STRIP_DOWN));
        enter("on 3");
        until("the one before is lit", () -> shows("One lead still hangs"));
        enter("on");
        until("no lead hangs", () -> shows("One thing is still off"));
        clickOn("4 screws M3x8 back, bag A");
        until("together", () -> shows("All is on again"));
        assertThat(session.need().job().stripDown()).allMatch(e -> e.state() == State.ON);
        enter("left over 2 washers");
        until("what is left over is in sight", () -> shows("2 washers: left over"));
        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone", () -> session.need().job().stripDown().size() == 3);
    }
}
