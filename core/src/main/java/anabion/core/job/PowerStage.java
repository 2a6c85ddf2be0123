package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;

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

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Which one a power-up began; the whole set where its first line does not say. */
    public static PowerStage begun(PowerEntry first) {
        return Coded.find(values(), first.what()).orElse(WHOLE_SET);
    }
}
