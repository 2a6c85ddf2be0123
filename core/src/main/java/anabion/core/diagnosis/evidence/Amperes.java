package anabion.core.diagnosis.evidence;

import anabion.core.simulation.setting.Setting;

/** What the set takes from the mains, effective amperes; without mains from the battery with the highest volts. */
public record Amperes(Setting setting) implements Measurement.Powered {
    @Override
    public double minutes() {
        return 1.5;
    }

    /** An output stage's current grows with the logarithm of its bias: what makes it half or twice as large is as likely. */
    @Override
    public double scaled(double value) {
        return LogScale.AMPERES.of(value);
    }

    @Override
    public double unscaled(double scaled) {
        return scaled <= LogScale.AMPERES.least() ? 0 : Math.pow(10, scaled);
    }

    @Override
    public String at() {
        return "current";
    }

    @Override
    public String text() {
        return "current";
    }
}
