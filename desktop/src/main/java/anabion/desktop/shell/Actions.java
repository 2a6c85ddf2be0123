package anabion.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyEvent;

/** The registry of all actions. Two actions with the same key are a mistake in the program. */
public final class Actions {
    private final List<Action> all = new ArrayList<>();

    public void add(String id, String key, Runnable run) {
        Action action = Action.of(id, key, run);
        for (Action a : all) {
            if (a.key().equals(action.key())) throw new IllegalArgumentException(key + " is taken by " + a.id());
            if (a.id().equals(id)) throw new IllegalArgumentException("two actions are called " + id);
        }
        all.add(action);
    }

    public List<Action> all() {
        return List.copyOf(all);
    }

    public Action get(String id) {
        return all.stream().filter(a -> a.id().equals(id)).findFirst().orElseThrow();
    }

    public Optional<Action> matching(KeyEvent event) {
        return all.stream().filter(a -> a.key().match(event)).findFirst();
    }
}
