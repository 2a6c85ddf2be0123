package anabion.core.schematic;

/**
 * One symbol of a drawing, in grid units; y grows downward.
 *
 * @param part reference of the part it belongs to
 * @param x of its centre
 * @param upright whether its two ends lie above and below, else left and right
 * @param label what stands beside it: the reference, and …
 * @param value … its value
 */
public record Symbol(String part, Kind kind, double x, double y, boolean upright, String label, String value) {
    /** How far the ends of a symbol with two ends lie from its centre, and how far a device reaches. */
    public static final double HALF = 1.5;

    public static final double RADIUS = 1.6;

    /** Where the words of an upright symbol begin, from its centre. */
    public double beside() {
        if (kind.amplifies()) return RADIUS + 0.2;
        return kind == Kind.SPEAKER ? 1.2 : 0.85;
    }

    /** What is drawn. The first end, upper or left, is the positive one of an electrolytic and the plate of a diode. */
    public enum Kind {
        RESISTOR,
        POTENTIOMETER,
        CAPACITOR,
        ELECTROLYTIC,
        COIL,
        SWITCH,
        LAMP,
        FUSE,
        SPEAKER,
        BATTERY,
        DIODE,
        OTHER,
        TRIODE,
        PENTODE,
        HEPTODE,
        NPN,
        PNP,
        FET;

        /** Whether it is the symbol of something that amplifies. */
        public boolean amplifies() {
            return ordinal() >= TRIODE.ordinal();
        }
    }
}
