package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.when;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.SetKind;
import anabion.core.job.Step;
import anabion.core.job.SymptomKind;
import anabion.workshop.Op;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;

/** Arrival, Study, the Shelf and the overlays. */
class SheetsTest extends WindowCase {
    private void newSet(String maker, String model) {
        key(KeyCode.CONTROL, KeyCode.N);
        until("the card", () -> shows("New set"));
        write(maker);
        key(KeyCode.TAB);
        write(model);
        key(KeyCode.ENTER);
        until("the new set", () -> session.set()
                .get()
                .filter(s -> s.chassis().identity().model().equals(model))
                .isPresent());
        until("its arrival", () -> session.step().get() == Step.ARRIVAL);
    }

    @Test
    void aNewSetIsTypedFromNothingToItsFirstVerdict() {
        until("the shelf", () -> shows("Vessmark Halcyon"));
        newSet("Ostelle", "Box");
        key(KeyCode.ALT, KeyCode.DOWN);
        until("Study", () -> shows("No parts yet"));
        for (String line : new String[] {
            "V1 6AQ5",
            "C1 10n/400 PLATE V1.g1 coupling",
            "R1 470k V1.g1 CHASSIS grid leak",
            "R2 270 V1.k CHASSIS cathode"
        }) {
            enter(line);
            until(line, () -> session.need().chassis().part(line.split(" ")[0]).isPresent());
        }
        key(KeyCode.ALT, KeyCode.DIGIT2);
        until("Chart", () -> shows("No chart yet"));
        for (String line : new String[] {"V1.k 11", "V1.g1 0 470k", "chart-line 220", "chart-meter 1k/V"}) {
            enter(line);
            until(
                    "empty line after " + line,
                    () -> shell.probe().field().getText().isEmpty());
        }
        until("conditions", () -> shows("Taken at 220 V with a 1 kΩ/V meter"));
        key(KeyCode.ALT, KeyCode.DIGIT3);
        enter("Output: V1 C1 R1 R2");
        enter("MW = Output");
        until("stage", () -> session.need()
                .chassis()
                .band("MW")
                .filter(b -> b.stages().contains("Output"))
                .isPresent());
        while (session.step().get() != Step.VOLTAGES) key(KeyCode.ALT, KeyCode.DOWN);
        enter("V1.1 4");
        until("verdict", () -> shows("The grid of V1 stands at +4.0 V") || shows("leaks into the grid of V1"));
    }

    /** Voltages, out of sight, is computed anew as well: its own socket must not take the place of the one in sight. */
    @Test
    void theSocketInSightKeepsItsVolts() {
        openHalcyon();
        interact(() -> session.step().set(Step.TRACE));
        until("the socket of Trace with its volts", this::socketHasVolts);
        for (double line : new double[] {225, 228, 221}) {
            interact(() -> session.condition().set(session.condition().get().map(c -> c.withLine(line))));
            until("volts again at " + line, this::socketHasVolts);
        }
    }

    private boolean socketHasVolts() {
        return texts().stream().anyMatch(t -> t != null && t.matches("pin \\d+: .*\u00a0.*V.*"));
    }

    @Test
    void studyEditsInPlaceRenamesDropsAndUndoes() {
        openHalcyon();
        while (session.step().get() != Step.STUDY) key(KeyCode.ALT, KeyCode.UP);
        key(KeyCode.ENTER);
        until("the lit part's line", () -> shell.probe().field().getText().startsWith("V1 6BE6"));
        key(KeyCode.ESCAPE);
        enter("R13 270k V3.7 B2 plate load");
        until("edited", () -> session.need()
                .chassis()
                .part("R13")
                .filter(p -> p.printed().equals("270k"))
                .isPresent());
        enter("rename V4 V7");
        until("renamed with its readings", () -> session.need().readings().stream()
                .anyMatch(r -> r.point().equals("V7.1")));
        enter("drop C24");
        until("dropped", () -> session.need().chassis().part("C24").isEmpty());
        for (int i = 0; i < 3; i++) key(KeyCode.CONTROL, KeyCode.Z);
        until(
                "all back",
                () -> session.need().chassis().part("C24").isPresent()
                        && session.need().chassis().part("V4").isPresent()
                        && session.need()
                                .chassis()
                                .part("R13")
                                .filter(p -> p.printed().equals("220k"))
                                .isPresent());
        key(KeyCode.ALT, KeyCode.DIGIT4);
        until("the adjusters", () -> shows("secondary core"));
        enter("A9 L2 top oscillator core @ rear deck");
        until("entered and shown", () -> shows("oscillator core") && shows("rear deck"));
        enter("drop A9");
        until("gone", () -> session.need().chassis().adjusters().stream()
                .noneMatch(a -> a.letter().equals("A9")));
        key(KeyCode.ALT, KeyCode.DIGIT1);
        enter("R99 12q A B");
        until("refused", () -> shows("no unit or multiplier"));
    }

    @Test
    void listsArePastedAndBadOnesChangeNothing() {
        openHalcyon();
        while (session.step().get() != Step.STUDY) key(KeyCode.ALT, KeyCode.UP);
        Chassis before = session.need().chassis();
        clipboard("reference,value\nR13,330k\nC99,10n\n");
        key(KeyCode.CONTROL, KeyCode.V);
        until(
                "the report",
                () -> shows("not on the drawing: C99") && shows("R13 is 220k on the drawing and 330k in the list"));
        clipboard("reference,value,nets\nR50,10k,B2 V3.7\nR51,10q,B2 V3.7\n");
        key(KeyCode.CONTROL, KeyCode.V);
        until("refused", () -> shows("line 3"));
        assertThat(session.need().chassis().part("R50")).isEmpty();
        clipboard("R50 10k B2 V3.7\nC50 100p V3.7 CHASSIS\n");
        key(KeyCode.CONTROL, KeyCode.V);
        until("pasted lines", () -> session.need().chassis().part("C50").isPresent());
        assertThat(session.need().chassis().parts()).hasSize(before.parts().size() + 2);
        while (session.step().get() != Step.VOLTAGES) key(KeyCode.ALT, KeyCode.DOWN);
        clipboard("point;value\nV3.7;84,5\nV3.2;0\n");
        key(KeyCode.CONTROL, KeyCode.V);
        until("readings pasted", () -> session.need().readings().stream().anyMatch(r -> r.value() == 84.5));
        key(KeyCode.CONTROL, KeyCode.C);
        String[] copied = {""};
        WaitForAsyncUtils.asyncFx(
                () -> copied[0] = Clipboard.getSystemClipboard().getString());
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(copied[0]).containsPattern("V4\\.1\tgrid\t0\\.0\t0\\.\\d+\t2\\.\\d\tmust not be positive");
    }

    @Test
    void aRoleTakenFromWordsIsConfirmedByALineAndTakenBack() {
        openHalcyon();
        while (session.step().get() != Step.STUDY) key(KeyCode.ALT, KeyCode.UP);
        until("from words", () -> shows("mains transformer ?"));
        enter("role: T1");
        until("confirmed", () -> shows("mains transformer \u2713"));
        enter("role choke: V1");
        until("refused", () -> shows("cannot be \"choke\""));
        key(KeyCode.ESCAPE);
        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone", () -> shows("mains transformer ?"));
    }

    @Test
    void arrivalStoresEachFieldAsItIsLeft() {
        openHalcyon();
        while (session.step().get() != Step.ARRIVAL) key(KeyCode.ALT, KeyCode.UP);
        key(KeyCode.F2);
        until(
                "the first field",
                () -> lookup("#arrival-maker").<TextField>query().isFocused());
        key(KeyCode.CONTROL, KeyCode.A);
        write("Quillane");
        key(KeyCode.TAB);
        until("stored", () -> session.need().chassis().identity().maker().equals("Quillane"));
        until(
                "the focus went on",
                () -> lookup("#arrival-model").<TextField>query().isFocused());
        interact(() -> lookup("#arrival-year").<TextField>query().requestFocus());
        key(KeyCode.CONTROL, KeyCode.A);
        write("soon");
        key(KeyCode.ENTER);
        until("no year", () -> shows("\"soon\" is no year"));
        key(KeyCode.CONTROL, KeyCode.A);
        interact(() -> lookup("#arrival-arrangement")
                .<ComboBox<String>>query()
                .getSelectionModel()
                .select(Arrangement.HOT_CHASSIS.ordinal()));
        until("the consequence", () -> shows("Hot chassis: one mains side"));
        assertThat(lookup("#arrival-year").<TextField>query().getSelectedText())
                .as("while another field is stored")
                .isEqualTo("soon");
        interact(() -> lookup("#complaint-0")
                .<ComboBox<String>>query()
                .getSelectionModel()
                .select(SymptomKind.HUM.ordinal()));
        until("hum", () -> session.need().job().arrival().symptom("AM") == SymptomKind.HUM);
        interact(() -> lookup("#visitor-wire-nuts")
                .queryAs(javafx.scene.control.CheckBox.class)
                .fire());
        until("likelier", () -> session.need().job().arrival().visitors().size() == 2);
        key(KeyCode.ESCAPE);
        while (session.step().get() != Step.VOLTAGES) key(KeyCode.ALT, KeyCode.DOWN);
        until("the band of danger", () -> lookup(".safety").query().isVisible());
    }

    @Test
    void setsAreSearchedArchivedTrashedAndRestored() {
        until("the shelf", () -> shows("Dunmarrow Lark"));
        write("hot brae series");
        until("no match", () -> shows("No set has these words"));
        key(KeyCode.ESCAPE);
        write("brae");
        until("one", () -> shows("1 set"));
        key(KeyCode.CONTROL, KeyCode.DELETE);
        until("gone", () -> shows("0 sets"));
        key(KeyCode.ESCAPE);
        until("six", () -> shows("6 sets"));
        key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT2);
        until("in the trash", () -> shows("Trash") && shows("Tarnholt Brae"));
        key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.R);
        until("restored", () -> shows("The trash is empty"));
        key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT2);
        until("seven", () -> shows("7 sets"));
        assertThat(session.shelf().get()).allSatisfy(s -> assertThat(s.place()).isEqualTo(Op.Place.SHELF));
    }

    @Test
    void onlyTheTrashIsEmptiedForGood() {
        until("the shelf", () -> shows("7 sets"));
        write("brae");
        until("one", () -> shows("1 set"));
        key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DELETE);
        until("refused on the shelf", () -> shows("not in the trash"));
        key(KeyCode.CONTROL, KeyCode.DELETE);
        until("in the trash", () -> shows("0 sets"));
        key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT2);
        until("seen there", () -> shows("Tarnholt Brae"));
        key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DELETE);
        until("gone", () -> shows("The trash is empty") && session.shelf().get().size() == 6);
    }

    @Test
    void aCopyTakesTheDesignNotTheHistory() {
        openHalcyon();
        key(KeyCode.CONTROL, KeyCode.N);
        until("the card", () -> shows("New set"));
        interact(() -> lookup("#new-model").<TextField>query().setText("Halcyon two"));
        interact(() ->
                lookup("#new-copy").queryAs(javafx.scene.control.CheckBox.class).setSelected(true));
        interact(() -> lookup("#new-make").queryButton().fire());
        until("the copy", () -> session.need().chassis().identity().model().equals("Halcyon two"));
        assertThat(session.need().chassis().parts()).isNotEmpty();
        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone into the trash", () -> session.need().place() == Op.Place.TRASH && shows("taken back"));
        key(KeyCode.CONTROL, KeyCode.Y);
        until("and back", () -> session.need().place() == Op.Place.SHELF);
        assertThat(session.need().readings()).isEmpty();
        assertThat(session.need().chassis().identity().kind()).isEqualTo(SetKind.HOME);
    }

    @Test
    void archivesGoOutAndBadFilesComeInAsErrors() throws Exception {
        openHalcyon();
        Path file = folder.resolve("vessmark-halcyon.anabion.zip");
        when(files.toSave(any(), eq("vessmark-halcyon.anabion.zip"))).thenReturn(Optional.of(file));
        key(KeyCode.CONTROL, KeyCode.S);
        until("written", () -> Files.exists(file));
        Path bad = folder.resolve("bad.json");
        Path text = folder.resolve("photo.png");
        when(files.toOpen(any(), any()))
                .thenReturn(Optional.of(file))
                .thenReturn(Optional.of(bad))
                .thenReturn(Optional.of(text));
        key(KeyCode.CONTROL, KeyCode.O);
        until("here already", () -> shows("in the workshop already"));
        Files.writeString(bad, "{\"format\": \"anabion-chassis\", ");
        key(KeyCode.CONTROL, KeyCode.O);
        until("named", () -> shows("bad.json"));
        Files.writeString(text, "not a picture");
        key(KeyCode.CONTROL, KeyCode.P);
        until("no picture", () -> shows("not a picture"));
        assertThat(session.need().photos()).isEmpty();
    }

    @Test
    void allActionsAreListedAndFoundByTyping() {
        openHalcyon();
        key(KeyCode.CONTROL, KeyCode.K);
        until("the list", () -> shows("Everything that can be done"));
        write("dim theme");
        key(KeyCode.ENTER);
        until("done", () -> shell.dim());
        key(KeyCode.F1);
        until(
                "the guide at this sheet",
                () -> shows("Voltages") && shell.overlay().isOpen());
        key(KeyCode.ESCAPE);
        until("closed", () -> !shell.overlay().isOpen());
        assertThat(shell.probe().field().isFocused()).isTrue();
    }

    @Test
    void theLineSaysWhatAnyPointShouldRead() {
        openHalcyon();
        enter("should V3.7");
        until("the answer", () -> shows("V3.7 should read 7") && shows("231 V line"));
        enter("should V4.1 Pick-up RV1=0.3 C14:leaky:1M");
        until("with band, control and fault", () -> shows("Pick-up") && shows("V4.1 should read 1"));
        enter("should H");
        until("alternating", () -> shows("H should read 5.9 ~ V") || shows("H should read 6.0 ~ V"));
        enter("should V3.7 nonsense");
        until("refused", () -> shows("this is no fault"));
    }

    @Test
    void timersAndWaitingShowOnTheShelf() {
        openHalcyon();
        enter("timer 2h soak");
        enter("waits a knob");
        until("waits", () -> session.need().job().waitsFor().equals("a knob"));
        key(KeyCode.CONTROL, KeyCode.DIGIT1);
        until("both", () -> shows("2:00 left") && shows("waits for a knob"));
        key(KeyCode.CONTROL, KeyCode.T);
        until("the first is struck out", () -> session.timers().get().size() == 1);
        key(KeyCode.CONTROL, KeyCode.DIGIT2);
        key(KeyCode.CONTROL, KeyCode.Z);
        key(KeyCode.CONTROL, KeyCode.Z);
        until("the soak taken back too", () -> session.timers().get().stream()
                .noneMatch(t -> t.label().equals("soak")));
    }

    @Test
    void anUnexpectedFailureIsOneCalmNoticeWithoutOwnersData() {
        openHalcyon();
        interact(() -> shell.trouble(new IllegalStateException("the keeper's telephone number")));
        until("calm", () -> shows("Something went wrong in the program"));
        String details = lookup(".text-area")
                .queryAs(javafx.scene.control.TextArea.class)
                .getText();
        assertThat(details).contains("IllegalStateException").contains("Java").doesNotContain("telephone");
        key(KeyCode.ESCAPE);
        enter("V3.7 85");
        until("work goes on", () -> session.need().readings().stream().anyMatch(r -> r.value() == 85));
    }
}
