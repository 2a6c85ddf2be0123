package anabion.core.device;

import anabion.core.json.Coded;
import java.util.Locale;

/** What a semiconductor is, and so what law it follows. */
public enum SemiconductorKind implements Coded {
    BIPOLAR,
    /** A small diode, whose junction is followed in the circuit. */
    JUNCTION,
    /** A diode for supplies, which the supply's own solution switches. */
    RECTIFIER,
    FIELD_EFFECT;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Whether it amplifies. */
    public boolean amplifies() {
        return this == BIPOLAR || this == FIELD_EFFECT;
    }
}
