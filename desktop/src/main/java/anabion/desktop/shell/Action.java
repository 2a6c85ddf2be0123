package anabion.desktop.shell;

import javafx.scene.input.KeyCombination;

/** Something the user can do, with its key and its words. */
public record Action(String id, KeyCombination key, Runnable run) {
    static Action of(String id, String key, Runnable run) {
        return new Action(id, KeyCombination.keyCombination(key), run);
    }

    /** Key of its name in the word bundle. */
    public String words() {
        return "action." + id;
    }

    /** The key as shown: {@code Ctrl K}. */
    public String keyText() {
        return key.getName()
                .replace("Shortcut", "Ctrl")
                .replace('+', ' ')
                .replace("Equals", "+")
                .replace("Minus", "−")
                .replace("Left", "←")
                .replace("Right", "→")
                .replace("Up", "↑")
                .replace("Down", "↓");
    }
}
