package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** On which side of the signal a superhet's oscillator runs, by the intermediate frequency. */
public enum OscillatorSide implements Coded {
    /** The usual one. */
    ABOVE(1),
    /** As in some FM sets, and on the highest short waves of some others. */
    BELOW(-1);

    private final int sign;

    OscillatorSide(int sign) {
        this.sign = sign;
    }

    /** The frequency of the oscillator for a signal; all in hertz. */
    public double oscillator(double signal, double intermediate) {
        return signal + sign * intermediate;
    }

    /** The signal that an oscillator receives. */
    public double signal(double oscillator, double intermediate) {
        return oscillator - sign * intermediate;
    }

    /** The frequency that a signal is turned into while the oscillator stands for another one. */
    public double converted(double signal, double receives, double intermediate) {
        return intermediate + sign * (receives - signal);
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
