package anabion.desktop.control;

import javafx.scene.layout.Region;

/** The strip over which what goes on beyond an edge fades out; clicks go through it. */
final class Fade extends Region {
    static final double HEIGHT = 24;

    private Fade(String style) {
        getStyleClass().add(style);
        setManaged(false);
        setMouseTransparent(true);
    }

    static Fade above() {
        return new Fade("fade-above");
    }

    static Fade below() {
        return new Fade("fade-below");
    }
}
