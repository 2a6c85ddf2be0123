package anabion.core.power;

import anabion.core.json.Coded;
import java.util.List;
import java.util.Locale;

/** What is drawn of a power-up. */
public enum PowerPicture implements Coded {
    /** The highest rail, or of a set on batteries its current, against the volts at the set. */
    SUPPLY,
    /** The watts against the volts at the set. */
    WATTS,
    /** The highest rail after switching on at the full line. */
    WARM_UP;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Those that a set has. */
    public static List<PowerPicture> of(PowerModel model) {
        boolean warms = model.rectified() && model.warmUp().moments().size() > 1;
        return warms ? List.of(values()) : List.of(SUPPLY, WATTS);
    }
}
