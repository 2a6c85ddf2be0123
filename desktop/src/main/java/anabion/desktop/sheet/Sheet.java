package anabion.desktop.sheet;

import anabion.core.command.Entry;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;

/** The middle of the Bench for one step. */
public interface Sheet {
    Node node();

    /** What the probe line is for now, such as the lit row. */
    String where();

    /** What can be typed there. */
    String prompt();

    default boolean takesReadings() {
        return false;
    }

    /** What instruments would read for the lit row; empty where none would. */
    default Optional<ReadingRequest> request() {
        return Optional.empty();
    }

    /** Carries out a typed reading. */
    default CompletableFuture<?> reading(Entry.Volts volts) {
        return CompletableFuture.completedFuture(null);
    }

    /** Lights the row of a point. */
    default void goTo(String point) {}

    /** Shows a socket from its other side, where there is one. */
    default void flip() {}

    /** Shows every band side by side, or one at a time again, where that makes a difference. */
    default void everyBand() {}

    /** Carries out a line that only this sheet understands. */
    default CompletableFuture<?> entered(String line) {
        throw anabion.core.error.InputException.at("\"" + line + "\"")
                .because("this sheet takes no such line")
                .so("press Ctrl K for everything that can be done here");
    }

    /** Enter on an empty line: begins editing the lit row where there is one; gives the text to edit. */
    default String edit() {
        return "";
    }

    /** Moves the lit row. */
    default void moved(KeyCode key) {}

    /** The rows as tab-separated text. */
    default String copy() {
        return "";
    }

    /** Takes pasted text in; says what came of it. */
    default CompletableFuture<?> paste(String text) {
        throw anabion.core.error.InputException.at("")
                .because("there is nothing to paste into here")
                .so("paste parts and charts on the Study sheet, readings on Voltages");
    }

    /** The tabs of the sheet, by number from 1; nothing where there are none. */
    default void tab(int number) {}

    /** Key hints to show at the right of the probe line: key and words. */
    default List<String[]> hints() {
        return List.of();
    }

    /** Puts the focus where typing should begin. */
    default void focus() {}
}
