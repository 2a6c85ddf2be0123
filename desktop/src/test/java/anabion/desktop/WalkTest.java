package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.when;

import anabion.core.job.Outcome;
import anabion.core.job.Step;
import java.io.IOException;
import java.nio.file.Files;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** From the shelf to a written record, by keyboard alone. */
class WalkTest extends WindowCase {
    @Test
    @Tag("smoke")
    void aRestorerWalksTheHalcyonFromTheShelfToAWrittenRecord() throws IOException {
        openHalcyon();
        until("the first verdict", () -> shows("Coupling capacitor C14 leaks into the grid of V4"));
        int before = session.need().readings().size();

        enter("V3.7 85");
        until("the reading", () -> session.need().readings().size() == before + 1);
        until("the leak from the real plate voltage", () -> shows("85.0 V plate before it"));

        enter("v4.1 0,0");
        until("the grid is well again", () -> !shows("Coupling capacitor C14 leaks"));
        until("the next finding moves up", () -> shows("R7 starves the screen of V2"));

        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone", () -> shows("Coupling capacitor C14 leaks into the grid of V4"));
        key(KeyCode.CONTROL, KeyCode.Y);
        until("done again", () -> !shows("Coupling capacitor C14 leaks"));
        key(KeyCode.CONTROL, KeyCode.Z);

        when(files.toSave(any(), eq("vessmark-halcyon.pdf")))
                .thenReturn(Optional.of(folder.resolve("vessmark-halcyon.pdf")));
        key(KeyCode.CONTROL, KeyCode.E);
        until("the record", () -> Files.exists(folder.resolve("vessmark-halcyon.pdf")));
        assertThat(new String(
                        Files.readAllBytes(folder.resolve("vessmark-halcyon.pdf")),
                        0,
                        5,
                        java.nio.charset.StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
    }

    @Test
    void theLitRowIsReadWithoutNamingIt() {
        openHalcyon();
        enter("V3.2");
        until("V3.2 lit", () -> shows("V3.2 cathode"));
        enter("0.02");
        until(
                "taken and moved on",
                () -> session.need().readings().stream().anyMatch(r -> r.point().equals("V3.2"))
                        && shows("V3.7 plate"));
        key(KeyCode.UP);
        until("back", () -> shows("V3.2 cathode"));
        key(KeyCode.ENTER);
        until("an empty line moves on", () -> shows("V3.7 plate"));
        enter("90?");
        until("doubtful", () -> shows("doubtful") && shows("90.0?"));
    }

    @Test
    void whatCannotBeUnderstoodStaysInTheLine() {
        openHalcyon();
        int before = session.need().readings().size();
        for (String bad : new String[] {"V9.9 12", "V4.1 lots", "V4.1 1,000"}) {
            enter(bad);
            until("kept: " + bad, () -> shell.probe().field().getText().equals(bad));
            assertThat(lookup("#probe-said").queryLabeled().getText()).isNotBlank();
            key(KeyCode.ESCAPE);
        }
        assertThat(session.need().readings()).hasSize(before);
    }

    @Test
    void lineMeterAndBandAreConditions() {
        openHalcyon();
        enter("line 240");
        until("line", () -> shows("240 V 50 Hz"));
        enter("meter 20k/V");
        until("meter", () -> shows("20 kΩ/V meter"));
        key(KeyCode.F3);
        until(
                "the other band",
                () -> session.condition().get().orElseThrow().band().equals("Pick-up"));
        until("its strip", () -> shows("socket") && !texts().contains("Aerial"));
        enter("band am");
        until("back", () -> texts().contains("Aerial"));
        enter("band uhf");
        until("refused", () -> shows("no such band"));
    }

    @Test
    void aLiftedPartIsTheFirstThingShownBeforePower() {
        openHalcyon();
        enter("lift C14 to test it");
        until("loose end", () -> shows("C14 lifted"));
        until("the danger", () -> shows("C14 is disconnected"));
        until("old readings around it must be taken again", () -> shows("read again: changed since"));
        enter("refit C14");
        until("mended", () -> !shows("C14 is disconnected"));
        enter("lift Z9");
        until("refused", () -> shows("no such part"));
    }

    @Test
    void aSingleLeadIsLiftedAndPutBackByItsName() {
        openHalcyon();
        enter("lift t2.PRIMARY");
        until("loose end", () -> shows("T2.primary lifted"));
        until("old readings around it must be taken again", () -> shows("read again: changed since"));
        enter("renew T2.primary");
        until("refused", () -> shows("a single lead is lifted or put back"));
        enter("refit T2.primary");
        until("mended", () -> !shows("T2.primary lifted"));
    }

    @Test
    void whatIsHeardWithAControlTurnedIsKept() {
        openHalcyon();
        enter("turned R7 down hum");
        until("refused", () -> shows("no control of that name"));
        enter("turned rv1 down hum");
        until("kept", () -> session.need().job().heard().stream()
                .anyMatch(h -> h.point().equals("RV1.2") && h.outcome() == Outcome.HUM));
    }

    @Test
    void thePointerNarrowsTheSheetToAStage() {
        openHalcyon();
        key(KeyCode.ALT, KeyCode.RIGHT);
        key(KeyCode.ALT, KeyCode.RIGHT);
        key(KeyCode.ALT, KeyCode.RIGHT);
        until(
                "the IF stage",
                () -> session.stage().get().filter("IF"::equals).isPresent() && !shows("V4.1") && shows("V2.6"));
        until("its finding", () -> shows("R7 starves the screen of V2"));
        key(KeyCode.ESCAPE);
        until("all again", () -> shows("V4.1"));
    }

    @Test
    void arithmeticSocketThemeAndWordsAreOneKeyAway() {
        openHalcyon();
        key(KeyCode.F4);
        until("the arithmetic", () -> shows("How V4.1 is worked out") && shows("meter loads it"));
        key(KeyCode.F5);
        until("the other side", () -> shows("seen from above"));
        key(KeyCode.F7);
        assertThat(shell.dim()).isTrue();
        key(KeyCode.F8);
        until("anode", () -> shows("anode") && !texts().contains("plate"));
        key(KeyCode.F8);
        until("plate", () -> texts().contains("plate"));
    }

    @Test
    void everyStepHasASheet() {
        openHalcyon();
        for (Step step : Step.values()) {
            while (session.step().get() != step) key(KeyCode.ALT, KeyCode.DOWN);
            until(step.name(), () -> shows(session.say("step." + step.code())));
            assertThat(shell.probe().field().isFocused()).isTrue();
        }
        while (session.step().get() != Step.HAND_BACK) key(KeyCode.ALT, KeyCode.DOWN);
        until("what it will hold", () -> shows("covers and back"));
        key(KeyCode.CONTROL, KeyCode.D);
        until(
                "marked",
                () -> session.order().get(Step.HAND_BACK.ordinal()).state() == anabion.core.job.StepState.UNDER_WAY);
    }
}
