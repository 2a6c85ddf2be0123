package anabion.instruments;

import anabion.core.json.Coded;
import java.util.Locale;

/** What an instrument is for on the bench. There is one of each at most. */
public enum InstrumentRole implements Coded {
    /** {@link Meter}: volts and ohms. */
    METER,
    /** {@link Wattmeter}: between the line and the set. */
    WATTMETER,
    /** {@link Variac}: what feeds the set. */
    VARIAC,
    /** {@link Generator}: carriers and tones. */
    GENERATOR,
    /** {@link OutputMeter}: at the speaker. */
    OUTPUT_METER,
    /** {@link Hands}: who moves leads and turns controls, on a simulated bench alone. */
    HANDS;

    /** The name that is typed, remembered, and selected among the instruments of one address: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The noun in messages. */
    public String noun() {
        return code().replace('-', ' ');
    }
}
