package anabion.desktop;

import anabion.core.chassis.Provenance;
import anabion.core.command.StudyLine;
import anabion.core.command.WiringLine;
import anabion.core.job.Step;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** A circuit entered by keyboard, or begun from a usual one. */
class EditorTest extends WindowCase {
    /** A restorer types a five-tube set from its parts list, line by line, and the circuit answers. */
    @Test
    void aFiveTubeSetIsTypedFromStartToSolved() throws IOException {
        key(KeyCode.CONTROL, KeyCode.N);
        until("the new set", () -> shows("New set"));
        interact(() -> lookup("#new-model").<TextField>query().setText("Typed"));
        interact(() -> lookup("#new-make").<Button>query().fire());
        until("on the bench", () -> session.set()
                .get()
                .filter(s -> s.chassis().name().contains("Typed"))
                .isPresent());
        interact(() -> session.step().set(Step.STUDY));
        List<String> lines;
        try (var in = EditorTest.class.getResourceAsStream("/anabion/typical/five-tube.txt")) {
            lines = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList();
        }
        int parts = 0;
        int row = 0;
        for (String line : lines) {
            boolean part = WiringLine.looksLike(line);
            if (!part && row == 0) {
                key(KeyCode.ALT, KeyCode.DIGIT3);
                row++;
            }
            if (parts % 6 == 0) enter(line);
            else {
                interact(() -> shell.probe().field().setText(line)); // the others faster than a hand can
                key(KeyCode.ENTER);
            }
            if (part) parts++;
        }
        int typed = parts;
        until(
                "all parts stored",
                () -> session.set().get().get().chassis().parts().size() == typed
                        && !session.set().get().get().chassis().bands().isEmpty()
                        && session.set()
                                .get()
                                .get()
                                .chassis()
                                .band("Pick-up")
                                .filter(b -> !b.stages().isEmpty())
                                .isPresent());
        until("nothing odd", () -> session.remarks().get().isEmpty());
        enter("should V4.6");
        until("the answer", () -> shows("V4.6 should read 2"));
        key(KeyCode.ALT, KeyCode.DIGIT1);
        enter("R13 220k V3.7 NOWHERE plate load");
        key(KeyCode.ALT, KeyCode.DIGIT5);
        until("the end in the air is noticed", () -> shows("NOWHERE hangs in the air: R13 alone reaches it"));
    }

    @Test
    void aSetStartsFromATypicalCircuitWithEverythingMarkedAsInferred() {
        key(KeyCode.CONTROL, KeyCode.N);
        until("the new set", () -> shows("New set"));
        interact(() -> {
            lookup("#new-model").<TextField>query().setText("Borrowed");
            lookup("#new-typical").<ComboBox<String>>query().getSelectionModel().select(1);
            lookup("#new-make").<Button>query().fire();
        });
        until("on the bench", () -> session.set()
                .get()
                .filter(s -> s.chassis().name().contains("Borrowed"))
                .isPresent());
        interact(() -> session.step().set(Step.STUDY));
        until("marked", () -> shows("(inferred)"));
        enter("R13 270k V3.7 B2 plate load");
        until(
                "known now",
                () -> session.set().get().get().chassis().part("R13").get().provenance() == Provenance.SHEET);
        enter("drop Detector");
        until("a stage less", () -> session.need().chassis().stage("Detector").isEmpty());
        enter("stages");
        until("found again", () -> session.need().chassis().stage("Detector").isPresent());
    }

    /** Three lines entered before the first is on disk: each builds on the one before it, and none is lost. */
    @Test
    void linesTypedFasterThanTheDiskAreAllKept() {
        openHalcyon();
        int before = session.need().chassis().stages().size();
        interact(() -> {
            for (String line : List.of("Tone:", "Mute:", "Meter:"))
                session.putChassis(
                        line, StudyLine.stageOrBand(line, session.need().chassis()));
        });
        until("all three", () -> stages() == before + 3);
        interact(() -> {
            for (int n = 0; n < 3; n++) session.undo();
        });
        until("each undone by itself", () -> stages() == before);
    }

    private int stages() {
        return session.set().get().orElseThrow().chassis().stages().size();
    }
}
