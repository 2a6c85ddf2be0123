package anabion.desktop.control;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** Small builders for labels and spacers, so that every screen says the same thing the same way. */
public final class Texts {
    private Texts() {}

    public static Label label(String text, String... styles) {
        Label label = new Label(text);
        label.getStyleClass().addAll(styles);
        return label;
    }

    /** A label of fixed width; numbers are aligned to the right. */
    public static Label column(String text, double width, boolean number, String... styles) {
        Label label = label(text, styles);
        label.setMinWidth(width);
        label.setPrefWidth(width);
        label.setMaxWidth(width);
        label.setAlignment(number ? Pos.CENTER_RIGHT : Pos.CENTER_LEFT);
        return label;
    }

    public static Label wrapped(String text, String... styles) {
        Label label = label(text, styles);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    public static Region gap() {
        Region region = new Region();
        HBox.setHgrow(region, Priority.ALWAYS);
        return region;
    }

    public static Region rule() {
        Region region = new Region();
        region.getStyleClass().add("rule");
        return region;
    }
}
