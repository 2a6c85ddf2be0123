package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;

/** What a line of an alignment brings in tune. */
public enum AlignmentPurpose implements Coded {
    INTERMEDIATE,
    /** The primary of an FM detector. */
    DETECTOR,
    /** Its secondary. */
    BALANCE,
    OSCILLATOR_HIGH,
    OSCILLATOR_LOW,
    SIGNAL_HIGH,
    SIGNAL_LOW,
    /** What keeps a signal on the intermediate frequency out. */
    TRAP;

    /** Whether it moves the stations on the dial. */
    public boolean ofOscillator() {
        return this == OSCILLATOR_HIGH || this == OSCILLATOR_LOW;
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
