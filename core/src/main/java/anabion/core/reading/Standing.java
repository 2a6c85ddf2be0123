package anabion.core.reading;

import anabion.core.json.Coded;
import java.util.Locale;

/** How a row stands. Shown as shape, colour and word. */
public enum Standing implements Coded {
    WITHIN,
    DRIFTING,
    OUT,
    NOT_TAKEN,
    DOUBTFUL,
    UNCHARTED,
    OFF_BY_DESIGN;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The worse of two, for a stage or a set. */
    public Standing worse(Standing other) {
        return rank() >= other.rank() ? this : other;
    }

    private int rank() {
        return switch (this) {
            case OUT -> 6;
            case DRIFTING -> 5;
            case DOUBTFUL -> 3;
            case WITHIN -> 4;
            case UNCHARTED -> 2;
            case NOT_TAKEN -> 1;
            case OFF_BY_DESIGN -> 0;
        };
    }
}
