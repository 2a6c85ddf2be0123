package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;

/** When a complaint shows. */
public enum Circumstance implements Coded {
    ALWAYS,
    /** After a while, or after hours. */
    WARM,
    /** At first; it goes when the set is warm. */
    COLD,
    /** In the cabinet alone, not on the bench. */
    CABINET,
    /** It comes or goes with a knock. */
    KNOCKED;

    /** The name in files and word keys. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
