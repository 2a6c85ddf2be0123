package anabion.desktop.theme;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import javafx.scene.Parent;
import javafx.scene.text.Font;

/** Fonts, style sheet and theme. */
public final class Look {
    private Look() {}

    /** Loads the shipped faces; the machine's own fonts are never relied on. */
    public static void loadFonts() {
        for (String weight : new String[] {"Regular", "Medium", "SemiBold"}) {
            try (InputStream in =
                    Look.class.getResourceAsStream("/anabion/fonts/IBMPlexSansCondensed-" + weight + ".ttf")) {
                Font.loadFont(in, 15);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Puts the style sheet and the theme's colours on a root. */
    public static void dress(Parent root, boolean dim) {
        String sheet = Look.class.getResource("/anabion/theme/anabion.css").toExternalForm();
        if (!root.getStylesheets().contains(sheet)) root.getStylesheets().add(sheet);
        StringBuilder style = new StringBuilder();
        for (Role role : Role.values())
            style.append(role.variable()).append(": ").append(role.hex(dim)).append("; ");
        root.setStyle(style.toString());
    }
}
