package anabion.core.power;

import anabion.core.json.Coded;
import java.util.Locale;

/** How a part feels to the back of a hand, with the set off and the plug out. */
public enum Warmth implements Coded {
    COOL,
    /** A hand stays on it. */
    WARM,
    /** A hand does not. */
    HOT;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
