package anabion.core.diagnosis.evidence;

/**
 * Where the oscillator of a band runs: by a counter, by another receiver that hears it, or by a station that is heard; 0 where it does not run.
 *
 * @param dial what the dial shows meanwhile, in hertz
 */
public record Frequency(String band, double dial) implements Measurement.Metered {
    @Override
    public double minutes() {
        return 3;
    }

    @Override
    public String at() {
        return band;
    }

    @Override
    public double scaled(double value) {
        return LogScale.HERTZ.of(value);
    }

    @Override
    public String text() {
        return "frequency on " + band + " at " + Math.round(dial);
    }
}
