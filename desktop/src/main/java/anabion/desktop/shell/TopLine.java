package anabion.desktop.shell;

import anabion.core.quantity.Figures;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.MeterWords;
import anabion.desktop.shelf.ShelfPlace;
import anabion.workshop.Timer;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;

/** The line above everything: the set, the places, the next timer, the condition that readings are taken in. */
final class TopLine extends HBox {
    private final Session session;
    private final Consumer<Shell.Where> go;
    private Shell.Where where = Shell.Where.SHELF;

    TopLine(Session session, Consumer<Shell.Where> go) {
        super(6);
        this.session = session;
        this.go = go;
        setAlignment(Pos.CENTER_LEFT);
        setMinHeight(32);
        session.set().addListener((o, a, b) -> rebuild());
        session.condition().addListener((o, a, b) -> rebuild());
        session.timers().addListener((o, a, b) -> rebuild());
        session.words().addListener((o, a, b) -> rebuild());
    }

    void show(Shell.Where place) {
        where = place;
        rebuild();
    }

    private void rebuild() {
        getChildren().clear();
        Label name =
                Texts.label(session.set().get().map(s -> s.chassis().name()).orElse(session.say("ui.name")), "strong");
        name.setStyle("-fx-font-size: 17px;");
        getChildren().add(name);
        for (Shell.Where w : Shell.Where.values()) {
            Button place = new Button(session.say("place." + w.name().toLowerCase(java.util.Locale.ROOT)));
            place.getStyleClass().setAll("place");
            if (w == where) place.getStyleClass().add("here");
            place.setOnAction(e -> go.accept(w));
            HBox.setMargin(place, new Insets(0, 0, 0, 14));
            getChildren().addAll(place, Texts.label("Ctrl " + (w.ordinal() + 1), "key"));
        }
        getChildren().add(Texts.gap());
        session.timers().get().stream().findFirst().ifPresent(t -> getChildren().add(timer(t)));
        session.condition().get().ifPresent(c -> getChildren()
                .add(Texts.label(
                        session.say(
                                "ui.condition",
                                Figures.fixed(c.line(), 0),
                                hertz(),
                                MeterWords.of(c.meter().text())),
                        "soft")));
    }

    private String hertz() {
        double hz = session.set().get().map(s -> s.chassis().supply().hertz()).orElse(0.0);
        return hz > 0 ? " " + Figures.fixed(hz, 0) + " Hz" : "";
    }

    private Label timer(Timer t) {
        String name = session.shelf().get().stream()
                .filter(s -> s.id().equals(t.set()))
                .map(s -> s.name())
                .findFirst()
                .orElse("");
        Label label = Texts.label(t.label() + ", " + name + ": " + ShelfPlace.left(session, t), "soft");
        HBox.setMargin(label, new Insets(0, 18, 0, 0));
        return label;
    }
}
