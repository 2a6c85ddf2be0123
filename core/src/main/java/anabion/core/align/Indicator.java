package anabion.core.align;

import anabion.core.json.Coded;
import java.util.Locale;

/** What shows how near an adjuster is. */
public enum Indicator implements Coded {
    /** Alternating volts at the speaker, under a modulated carrier. */
    OUTPUT_METER,
    /** Direct volts of a ratio detector's large capacitor, under an unmodulated carrier. */
    STABILISER_VOLTS,
    /** Direct volts at the grid of the limiter before a discriminator. */
    LIMITER_VOLTS,
    /** Direct volts where an FM detector gives its sound: zero in tune. */
    DETECTOR_VOLTS;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
