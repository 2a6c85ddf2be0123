package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.job.Step;
import anabion.workshop.Summary;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** What was refused stays, is replaced by the next thing typed, and never follows to another sheet; what was entered comes back. */
class ProbeLineTest extends WindowCase {
    private String line() {
        return shell.probe().field().getText();
    }

    private String whole() {
        Label whole = lookup("#probe-whole").query();
        return whole.isVisible() ? whole.getText() : "";
    }

    @Test
    void aRefusedLineIsReplacedByTheNextThingTyped() {
        openHalcyon();
        enter("V3.7 eighty");
        until("the refusal", () -> shows("is not a reading"));
        assertThat(line()).isEqualTo("V3.7 eighty");
        assertThat(shell.probe().field().getSelectedText()).isEqualTo("V3.7 eighty");
        int before = session.need().readings().size();
        enter("V3.7 85");
        until("the reading", () -> session.need().readings().size() == before + 1);
        assertThat(line()).isEmpty();
    }

    /** The Shelf is a projection: it follows once the set has been judged. */
    @Test
    void theShelfFollowsAReading() {
        openHalcyon();
        until("nine read", () -> read() == 9);
        enter("V3.7 71");
        until("ten read", () -> read() == 10);
        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone", () -> read() == 9);
    }

    private int read() {
        return session.shelf().get().stream()
                .filter(s -> s.name().equals("Vessmark Halcyon"))
                .mapToInt(Summary::read)
                .findFirst()
                .orElse(-1);
    }

    /** A slow disk keeps a line back; meanwhile somebody types the next one. */
    @Test
    void whatIsBeingTypedStaysWhileALineThatWasKeptBackIsWritten() {
        openHalcyon();
        int before = session.need().readings().size();
        CountDownLatch slow = new CountDownLatch(1);
        interact(() -> session.ask(
                w -> {
                    try {
                        return slow.await(30, TimeUnit.SECONDS);
                    } catch (InterruptedException e) {
                        throw new AssertionError(e);
                    }
                },
                x -> {}));
        enter("V3.7 85");
        enter("V4.6 200");
        write("V4.2 1");
        slow.countDown();
        until("both are on disk", () -> session.need().readings().size() == before + 2);
        assertThat(line()).isEqualTo("V4.2 1");
        enter("0.1");
        until("and the third", () -> session.need().readings().size() == before + 3);
        assertThat(session.need().readings().get(before + 2).value()).isEqualTo(10.1);
    }

    @Test
    void aRefusedLineIsEditedWithArrows() {
        openHalcyon();
        enter("V3.7 85x");
        until("the refusal", () -> shows("is not a reading"));
        int before = session.need().readings().size();
        key(KeyCode.END);
        key(KeyCode.BACK_SPACE);
        key(KeyCode.ENTER);
        until("the reading", () -> session.need().readings().size() == before + 1);
    }

    @Test
    void aRefusedLineDoesNotFollowToAnotherSheet() {
        openHalcyon();
        enter("V3.7 eighty");
        until("the refusal", () -> shows("is not a reading"));
        interact(() -> session.step().set(Step.STUDY));
        until("an empty line", () -> line().isEmpty() && !shows("is not a reading"));
    }

    @Test
    void aRowOfferedForEditingDoesNotFollowToAnotherSheet() {
        openHalcyon();
        interact(() -> session.step().set(Step.STUDY));
        key(KeyCode.ENTER);
        until("the row", () -> line().startsWith("V1 6BE6"));
        interact(() -> session.step().set(Step.RECAP));
        until("an empty line", () -> line().isEmpty());
    }

    @Test
    void earlierLinesComeBack() {
        openHalcyon();
        int before = session.need().readings().size();
        enter("V3.7 85");
        until("the first", () -> session.need().readings().size() == before + 1);
        enter("V4.5 233");
        until("the second", () -> session.need().readings().size() == before + 2);
        write("x");
        key(KeyCode.UP);
        assertThat(line()).isEqualTo("V4.5 233");
        key(KeyCode.UP);
        assertThat(line()).isEqualTo("V3.7 85");
        key(KeyCode.DOWN);
        assertThat(line()).isEqualTo("V4.5 233");
        key(KeyCode.DOWN);
        assertThat(line()).as("what was being typed").isEqualTo("x");
    }

    @Test
    void aReasonThatIsLongerThanTheLineStandsWholeAboveIt() {
        openHalcyon();
        enter("reference nothing at all");
        until("the reason", () -> !whole().isEmpty());
        assertThat(whole()).endsWith("this set, then the reference.");
        enter("V3.7 85");
        until("that it goes", () -> whole().isEmpty());
    }
}
