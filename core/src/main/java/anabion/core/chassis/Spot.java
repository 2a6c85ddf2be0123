package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/**
 * A place on a chassis as it is looked at.
 *
 * @param face from which side
 * @param x from the left, 0 to 1
 * @param y from the back, 0 to 1
 */
public record Spot(Face face, double x, double y) {
    /** A side of a chassis. */
    public enum Face implements Coded {
        ABOVE,
        BELOW;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public Spot {
        x = Math.max(0, Math.min(1, x));
        y = Math.max(0, Math.min(1, y));
    }

    /** How far another place lies, on the same side; far away on the other. */
    public double from(Spot other) {
        return face == other.face ? Math.hypot(x - other.x, y - other.y) : Double.POSITIVE_INFINITY;
    }
}
