package anabion.core.power;

import anabion.core.job.PowerEntry;
import anabion.core.json.Coded;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;

/** What is powered, from little to all. */
public enum PowerStage implements Coded {
    /** Volts at the open lead, and their pole, before anything is joined to it. */
    POLARITY,
    /** All tubes out: secondaries, watts without load, warmth. */
    TRANSFORMER,
    /** Filament volts at every socket with the tubes out. */
    FILAMENTS,
    /** The rectifier in, a resistor in place of the other tubes. */
    RECTIFIER,
    /** Vibrator and rectifier in, a resistor in place of the other tubes. */
    VIBRATOR_ALONE,
    WHOLE_SET;

    /** What matters only once tubes draw current: with them out nothing reaches a grid or a speaker. */
    private static final Set<GateItem.Kind> OF_TUBES = EnumSet.of(GateItem.Kind.OUTPUT_COUPLING, GateItem.Kind.LOADS);

    /** What matters only once there is a rail. */
    private static final Set<GateItem.Kind> OF_RAILS =
            EnumSet.of(GateItem.Kind.FILTERS, GateItem.Kind.METER, GateItem.Kind.BUFFER);

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Whether a condition must be met before this stage. */
    public boolean asks(GateItem.Kind condition) {
        return switch (this) {
            case POLARITY -> false;
            case TRANSFORMER, FILAMENTS -> !OF_TUBES.contains(condition) && !OF_RAILS.contains(condition);
            case RECTIFIER, VIBRATOR_ALONE -> !OF_TUBES.contains(condition);
            case WHOLE_SET -> true;
        };
    }

    /** Which one a power-up began; the whole set where its first line does not say. */
    public static PowerStage begun(PowerEntry first) {
        for (PowerStage s : values()) if (s.code().equals(first.what())) return s;
        return WHOLE_SET;
    }
}
