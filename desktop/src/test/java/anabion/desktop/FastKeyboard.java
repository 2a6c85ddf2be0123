package anabion.desktop;

import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.event.EventHandler;
import javafx.event.EventTarget;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;
import org.testfx.util.WaitForAsyncUtils;

/** Presses keys without waiting between them, as somebody does who knows the program. */
final class FastKeyboard {
    /**
     * Presses keys of the display in their order and lets them go again, and waits until the window has them: what the display sends comes by its
     * own way.
     *
     * @param stage the window in front
     * @throws AssertionError if the window has not got them after ten seconds
     */
    void press(Stage stage, KeyCode... keys) {
        CountDownLatch released = new CountDownLatch(1);
        EventHandler<KeyEvent> last = e -> {
            if (e.getCode() == keys[0]) released.countDown();
        };
        WaitForAsyncUtils.waitForAsyncFx(10_000, () -> {
            stage.addEventFilter(KeyEvent.KEY_RELEASED, last);
            Robot robot = new Robot();
            for (KeyCode k : keys) robot.keyPress(k);
            for (int n = keys.length - 1; n >= 0; n--) robot.keyRelease(keys[n]);
        });
        try {
            if (!released.await(10, TimeUnit.SECONDS))
                throw new AssertionError("the window did not get " + List.of(keys) + "; it "
                        + (stage.isFocused() ? "has" : "does not have") + " the display's keyboard");
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        } finally {
            Platform.runLater(() -> stage.removeEventFilter(KeyEvent.KEY_RELEASED, last));
        }
    }

    /** A character to whatever has the focus; of keys that no keyboard here has, too. */
    static void type(Scene scene, String character) {
        if (!Platform.isFxApplicationThread()) throw new IllegalStateException("only the window's own thread types");
        for (KeyEvent e : List.of(
                event(KeyEvent.KEY_PRESSED, "", KeyCode.UNDEFINED),
                event(KeyEvent.KEY_TYPED, character, KeyCode.UNDEFINED),
                event(KeyEvent.KEY_RELEASED, "", KeyCode.UNDEFINED))) Event.fireEvent(focused(scene), e);
    }

    private static EventTarget focused(Scene scene) {
        return scene.getFocusOwner() == null ? scene : scene.getFocusOwner();
    }

    private static KeyEvent event(javafx.event.EventType<KeyEvent> type, String character, KeyCode code) {
        return new KeyEvent(type, character, "", code, false, false, false, false);
    }
}
