package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;

/** What is heard while a signal is put in, against what a good set gives there. */
public enum Outcome implements Coded {
    LOUD,
    WEAK,
    NOTHING,
    DISTORTED,
    HUM,
    CRACKLE;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
