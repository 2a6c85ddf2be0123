package anabion.core.soak;

import anabion.core.json.Coded;
import java.util.Locale;

/**
 * Classes of a winding's insulation, with how far its outside may be above the room.
 *
 * <p>The figures are the usual limits for the rise of a winding by its resistance (45, 60, 75 and 80 kelvin for the classes Y, A, E and B, as standards for transformers have
 * them), less {@value #INSIDE} kelvin that the inside is hotter than what a sensor touches.
 */
public enum Insulation implements Coded {
    Y(45),
    /** Paper, cotton and enamel, as in most sets of the time. */
    A(60),
    E(75),
    B(80);

    static final double INSIDE = 10;

    private final double rise;

    Insulation(double rise) {
        this.rise = rise;
    }

    /** Kelvin above the room that the outside of a winding may have. */
    public double outside() {
        return rise - INSIDE;
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
