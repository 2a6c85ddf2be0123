package anabion.desktop.shell;

import anabion.desktop.control.Texts;
import java.util.Locale;
import javafx.scene.layout.HBox;

/** Everything that can be done, with its key, narrowed by typing. */
final class ActionList {
    private ActionList() {}

    static void show(Shell shell) {
        new PickList<Action>(
                        shell,
                        "action-search",
                        shell.session().say("actions.prompt"),
                        (text, found) -> {
                            String wanted = text.strip().toLowerCase(Locale.ROOT);
                            found.accept(shell.actions().all().stream()
                                    .filter(a -> shell.session()
                                            .say(a.words())
                                            .toLowerCase(Locale.ROOT)
                                            .contains(wanted))
                                    .toList());
                        },
                        a -> new HBox(
                                10,
                                Texts.label(shell.session().say(a.words())),
                                Texts.gap(),
                                Texts.label(a.keyText(), "key")),
                        a -> shell.guarded(a.run()))
                .open(shell, shell.session().say("actions.title"));
    }
}
