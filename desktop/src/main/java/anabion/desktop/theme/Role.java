package anabion.desktop.theme;

import java.util.List;

/** The colours of both themes by role. Nothing else in the program names a colour. */
public enum Role {
    ROOM("#E9E4D8", "#15191A"),
    SHEET("#FAF7F0", "#1D2324"),
    INK("#21292B", "#DCD6C6"),
    SOFT("#5A605B", "#9BA29B"),
    RULE("#D3CBBB", "#323A3A"),
    PETROL("#1D5B63", "#6FB3B4"),
    PETROL_WASH("#DCE8E6", "#223535"),
    AMBER("#C97B12", "#E0A040"),
    AMBER_WASH("#F7E3BE", "#3A2E18"),
    BRICK("#A83A2B", "#E0806C"),
    MOSS("#466F3D", "#93BC83"),
    DIAL("#20302F", "#0C1112"),
    LEGEND("#EADFC2", "#E7D8B2"),
    LEGEND_SOFT("#A9A88F", "#A39B80"),
    DIAL_MOSS("#93BC83", "#93BC83"),
    DIAL_BRICK("#F08A74", "#E0806C"),
    GLOW("#F2B04A", "#F2B04A");

    private final String light;
    private final String dim;

    Role(String light, String dim) {
        this.light = light;
        this.dim = dim;
    }

    /** The colour as #RRGGBB. */
    public String hex(boolean dimTheme) {
        return dimTheme ? dim : light;
    }

    /** Its name in the style sheet: {@code -petrol-wash}. */
    public String variable() {
        return "-" + name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    /** A text role on a ground role. */
    public record Pairing(Role text, Role ground) {}

    /** Every text role on every ground that the style sheet puts it on; each must reach a contrast of 4.5:1. */
    public static List<Pairing> pairings() {
        return List.of(
                new Pairing(INK, ROOM),
                new Pairing(INK, SHEET),
                new Pairing(INK, AMBER_WASH),
                new Pairing(INK, PETROL_WASH),
                new Pairing(SOFT, ROOM),
                new Pairing(SOFT, SHEET),
                new Pairing(SOFT, AMBER_WASH),
                new Pairing(SOFT, PETROL_WASH),
                new Pairing(PETROL, SHEET),
                new Pairing(PETROL, PETROL_WASH),
                new Pairing(BRICK, SHEET),
                new Pairing(SHEET, BRICK),
                new Pairing(BRICK, AMBER_WASH),
                new Pairing(MOSS, SHEET),
                new Pairing(LEGEND, DIAL),
                new Pairing(LEGEND_SOFT, DIAL),
                new Pairing(GLOW, DIAL),
                new Pairing(DIAL_BRICK, DIAL),
                new Pairing(DIAL_MOSS, DIAL));
    }
}
