package anabion.core.diagnosis.evidence;

import anabion.core.simulation.setting.Setting;

/** What the set takes from the mains, effective amperes; without mains from the battery with the highest volts. */
public record Amperes(Setting setting) implements Measurement.Powered {
    @Override
    public double minutes() {
        return 1.5;
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
