package anabion.desktop.sheet;

import anabion.core.job.Step;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.VBox;

/** A step that has no sheet yet: one honest line about what it will hold. */
public final class LaterSheet implements Sheet {
    private final Session session;
    private final Step step;
    private final VBox pane = new VBox(10);

    public LaterSheet(Session session, Step step, String markKey) {
        this.session = session;
        this.step = step;
        pane.getStyleClass().add("sheet");
        pane.setPadding(new Insets(12, 14, 12, 14));
        pane.getChildren()
                .setAll(
                        Texts.label(session.say("step." + step.code()), "title"),
                        Texts.wrapped(session.say("later." + step.code())),
                        Texts.wrapped(session.say("later.mark", markKey), "soft"));
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return session.say("step." + step.code());
    }

    @Override
    public String prompt() {
        return session.say("ui.later.prompt");
    }
}
