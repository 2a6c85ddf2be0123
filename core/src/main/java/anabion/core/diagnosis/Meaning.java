package anabion.core.diagnosis;

import anabion.core.job.Outcome;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a probe would show if a cause were true.
 *
 * @param value volts or ohms; empty for what is heard
 * @param volts whether the value is in volts
 * @param outcome what would be heard, most likely
 */
public record Meaning(Hypothesis cause, Optional<Double> value, boolean volts, Optional<Outcome> outcome) {
    /** Of the first suspects, and of a sound set last. */
    public static List<Meaning> of(Forecasts forecasts, Diagnosis d, Probe probe, int most) {
        List<Meaning> all = new ArrayList<>();
        d.suspects().stream().limit(most).map(Diagnosis.Suspect::first).forEach(h -> all.add(of(forecasts, h, probe)));
        all.add(of(forecasts, forecasts.healthy(), probe));
        return all;
    }

    private static Meaning of(Forecasts forecasts, Hypothesis h, Probe probe) {
        boolean volts = probe instanceof Probe.Volts;
        if (probe instanceof Probe.Measured m)
            return new Meaning(
                    h,
                    forecasts.at(h, m).map(f -> volts ? f.value() : Math.pow(10, f.value())),
                    volts,
                    Optional.empty());
        double[] odds = forecasts.heard(h, probe);
        int best = 0;
        for (int n = 1; n < odds.length; n++) if (odds[n] > odds[best]) best = n;
        return new Meaning(h, Optional.empty(), false, Optional.of(Outcome.values()[best]));
    }
}
