package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.job.Job;
import anabion.core.job.Step;
import anabion.core.testing.Deep;
import anabion.core.testing.RowOfStages;
import anabion.workshop.Op;
import anabion.workshop.SetRecord;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** A set of 400 parts with 5,000 readings on the bench: opened, and read on again and again. To make and open it takes some seconds. */
class LargeSetTest extends WindowCase {
    private static final int PARTS = 400;
    private static final int READINGS = 5_000;
    private static final int TYPED = Deep.times("readings typed into a large set", 20, 200);

    @Test
    void itOpensAtOnceAndNeverHoldsTheWindow() {
        Chassis set = RowOfStages.of(PARTS);
        SetRecord record = new SetRecord(set, Job.NEW, RowOfStages.readings(set, READINGS), List.of(), Op.Place.SHELF);
        session.ask(
                        w -> {
                            w.sets().add(record);
                            return 0;
                        },
                        x -> {})
                .join();
        Platform.runLater(session::refreshShelf);
        until("on the shelf", () -> shows("Row of stages"));
        write("row of stages");
        Beat beat = new Beat();
        beat.start();
        long start = System.nanoTime();
        key(KeyCode.ENTER);
        until(
                "on the bench",
                () -> session.set().get().filter(s -> s.id().equals(set.id())).isPresent());
        double opened = (System.nanoTime() - start) / 1e6;
        Platform.runLater(() -> session.step().set(Step.VOLTAGES));
        until("its rows", () -> shows("V1.1"));
        double shown = (System.nanoTime() - start) / 1e6;
        beat.longest();
        Beat typing = new Beat();
        typing.start();
        for (int n = 0; n < TYPED; n++) enter("V" + (n % 60 + 1) + ".1 " + (100 + n % 30));
        until("all on disk", () -> session.set().get().orElseThrow().readings().size() == READINGS + TYPED);
        List<Double> longest = typing.longest();
        System.err.printf(
                "opened in %.0f ms, shown in %.0f ms; longest wait while %d are typed %.0f ms, one in a hundred %.0f ms%n",
                opened, shown, TYPED, longest.get(0), longest.get(longest.size() / 100));
        // bounds for a machine that does much else beside: by itself it is a fraction
        assertThat(shown).as("milliseconds until its rows are seen").isLessThan(5_000);
        assertThat(longest.get(longest.size() / 100))
                .as("milliseconds, one wait in a hundred")
                .isLessThan(500);
        assertThat(session.need().readings()).hasSize(READINGS + TYPED);
    }
}
