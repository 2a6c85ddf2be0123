package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import anabion.core.job.AlterationKind;
import anabion.core.job.LooseKind;
import anabion.core.job.Step;
import anabion.core.job.Tick;
import anabion.core.recap.Choice;
import anabion.core.recap.Role;
import anabion.desktop.shell.Shell;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** A set is recapped by keyboard: planned, ticked off, tested, printed. */
class RecapTest extends WindowCase {
    private void recap(String name) {
        interact(() -> session.open(DemoWorkshop.chassis(name).id(), () -> {
            session.step().set(Step.RECAP);
            shell.go(Shell.Where.BENCH);
        }));
        until("the plan", () -> session.plan().get().isPresent() && shows("At the mains"));
    }

    private Set<Tick> ticks(String key) {
        return session.need().job().recap().ticks(key);
    }

    @Test
    void aPartIsTakenOutMeasuredAndReplacedByNothingButEnter() {
        recap("halcyon");
        enter("C14");
        until("lit", () -> shows("coupling, it leads from V3.7 to V4.1"));
        key(KeyCode.ENTER);
        until("the next tick is offered", () -> shell.probe().field().getText().equals("removed C14"));
        key(KeyCode.ENTER);
        until("out", () -> ticks("C14").contains(Tick.REMOVED));
        assertThat(session.need().job().fitted().openEnds())
                .anyMatch(a -> a.part().equals("C14"));
        enter("measured C14 4n1");
        until("measured, and too small", () -> shows("Tested: value 4.1 nF (−59.0 %), outside"));
        enter("fitted C14");
        until("in", () -> ticks("C14").contains(Tick.FITTED));
        var last = session.need().job().fitted().last().get("C14");
        assertThat(last.kind()).isEqualTo(AlterationKind.RENEWED);
        assertThat(last.detail()).isEqualTo("10 nF 630 V");
        assertThat(session.need().job().fitted().openEnds())
                .noneMatch(a -> a.part().equals("C14"));
        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone", () -> !ticks("C14").contains(Tick.FITTED));
    }

    @Test
    void anotherSchoolIsPlannedAnewAndSaysWhatItChanges() throws IOException {
        recap("halcyon");
        enter("school tested");
        until("what changes", () -> shows("renew becomes test"));
        enter("role C4 tone");
        until(
                "by hand",
                () -> session.plan()
                                .get()
                                .orElseThrow()
                                .item("C4")
                                .orElseThrow()
                                .role()
                        == Role.TONE);
        enter("mark C18.1 half-moon");
        enter("C18.1");
        until("the can", () -> shows("C18.1  16 µF  B1  half-moon"));
        enter("can C18 14x60");
        until("too narrow", () -> shows("do not go into 14x60 mm"));
        interact(() -> {
            var content = new javafx.scene.input.ClipboardContent();
            content.putString("kind,value,count\nfilm,10n/630,8\ntube,6AQ5 88/50,1\n");
            javafx.scene.input.Clipboard.getSystemClipboard().setContent(content);
        });
        key(KeyCode.CONTROL, KeyCode.V);
        enter("C14");
        until("what the drawer has", () -> shows("8 in stock"));
        enter("emission V4 31/50");
        until(
                "it is in the plan",
                () -> !session.plan().get().orElseThrow().tubes().isEmpty());
        enter("V4");
        until("worn, with its spare", () -> shows("the best spare 6AQ5 tests 88"));
        enter("burst R3");
        until("its causes", () -> shows("C7:short"));
        Path out = Files.createTempDirectory("anabion-sheet").resolve("sheet.html");
        when(files.toSave(any(), any())).thenReturn(Optional.of(out));
        key(KeyCode.CONTROL, KeyCode.J);
        until("the page", () -> Files.exists(out));
        assertThat(Files.readString(out)).contains("C18.1", "Power section", "class=\"box open\"");
        enter("C99 nonsense here");
        until("the refusal", () -> shows("not known here"));
    }

    @Test
    void whatIsBorrowedOrWantedStandsOnTheSetAndOnTheShelfUntilSettled() {
        recap("brae");
        enter("borrowed V4 from the Concerto");
        until("on the set", () -> shows("borrowed V4: from the Concerto"));
        enter("wanted UY41 or a silicon diode");
        until("both", () -> session.need().job().unsettled().size() == 2);
        key(KeyCode.CONTROL, KeyCode.DIGIT1);
        until("on the shelf", () -> shows("wanted UY41 or a silicon diode"));
        key(KeyCode.CONTROL, KeyCode.DIGIT2);
        enter("settled V4");
        until("settled", () -> session.need().job().unsettled().stream().allMatch(l -> l.kind() == LooseKind.WANTED));
    }

    @Test
    void aSetWithoutACircuitSaysWhatIsMissing() {
        interact(() -> session.open(DemoWorkshop.chassis("moor").id(), () -> {
            session.step().set(Step.RECAP);
            shell.go(Shell.Where.BENCH);
        }));
        until("the hint", () -> shows("No circuit to plan from yet"));
        assertThat(session.plan()
                        .get()
                        .map(p -> p.items().stream().noneMatch(i -> i.choice().action() == Choice.Action.RENEW))
                        .orElse(true))
                .isTrue();
    }
}
