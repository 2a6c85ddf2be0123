package anabion.desktop;

import java.util.List;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.event.EventTarget;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.robot.Robot;
import org.testfx.util.WaitForAsyncUtils;

/** Presses keys without waiting between them, as somebody does who knows the program. */
final class FastKeyboard {
    /** Presses keys of the display in their order and lets them go again. */
    void press(KeyCode... keys) {
        WaitForAsyncUtils.waitForAsyncFx(10_000, () -> {
            Robot robot = new Robot();
            for (KeyCode k : keys) robot.keyPress(k);
            for (int n = keys.length - 1; n >= 0; n--) robot.keyRelease(keys[n]);
        });
        // what the display sends comes by its own way
        WaitForAsyncUtils.sleep(15, java.util.concurrent.TimeUnit.MILLISECONDS);
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
