package anabion.desktop.sheet;

import anabion.core.align.Alignment;
import anabion.core.chassis.TuningRange;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.desktop.control.AlignmentView;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Selectivity of the aligned set, and the error of the dial as its stations tell it, side by side. */
final class AlignPictures extends VBox {
    private static final double HEIGHT = 180;
    private static final double SHARE = 0.24;

    private final Session session;
    private final Label selective = Texts.label("", "soft", "small");
    private final Label dial = Texts.label("", "soft", "small");
    private final AlignmentView selectivity = new AlignmentView();
    private final AlignmentView tracking = new AlignmentView();

    AlignPictures(Session session) {
        super(4);
        this.session = session;
        VBox left = new VBox(2, selective, selectivity);
        VBox right = new VBox(2, dial, tracking);
        for (VBox half : List.of(left, right)) {
            HBox.setHgrow(half, Priority.ALWAYS);
            half.setMinWidth(0);
            half.setPrefWidth(100);
        }
        selective.setMinWidth(0);
        dial.setMinWidth(0);
        HBox both = new HBox(14, left, right);
        both.setPadding(new Insets(4, 14, 4, 14));
        getChildren().setAll(Texts.rule(), both);
        fit(0);
    }

    /** @param sheet height of the sheet at whose foot they stand */
    void fit(double sheet) {
        double height = Math.min(HEIGHT, SHARE * sheet);
        selectivity.setPrefHeight(height);
        tracking.setPrefHeight(height);
    }

    void show(Alignment a) {
        selectivity.selectivity(a.response().map(r -> r.points()).orElse(List.of()));
        selective.setText(a.response()
                .map(r -> session.say(
                        r.width().isPresent() ? "align.picture.selectivity" : "align.picture.selectivity-only",
                        r.width().map(w -> Figures.si(Quantity.hertz(w), 2)).orElse("")))
                .orElse(session.say("align.picture.no-selectivity")));
        TuningRange range = a.table().procedure().band().range();
        tracking.tracking(range.low(), range.high(), a.curve(), a.stations());
        dial.setText(session.say(
                a.stations().isEmpty()
                        ? "align.picture.no-stations"
                        : a.advice().isPresent() ? "align.picture.tracking" : "align.picture.stations"));
    }
}
