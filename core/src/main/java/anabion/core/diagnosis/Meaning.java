package anabion.core.diagnosis;

import anabion.core.job.Outcome;
import anabion.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;

/**
 * What a probe would show if a cause were true.
 *
 * @param answer in words, such as "2.4 V", "weak" or "good": the likeliest
 */
public record Meaning(Hypothesis cause, Phrase answer) {
    private static final int SEARCHED = 16;

    /** Of the first suspects, and of a sound set last; where all of these answer alike, of the first suspect as well that does not. */
    public static List<Meaning> of(Forecasts forecasts, Diagnosis d, Probe probe, int most) {
        List<Meaning> all = new ArrayList<>();
        d.suspects().stream().limit(most).map(Diagnosis.Suspect::first).forEach(h -> all.add(of(forecasts, h, probe)));
        Meaning sound = of(forecasts, forecasts.healthy(), probe);
        if (all.stream().allMatch(m -> m.answer().equals(sound.answer())))
            d.suspects().stream()
                    .skip(most)
                    .limit(SEARCHED)
                    .map(s -> of(forecasts, s.first(), probe))
                    .filter(m -> !m.answer().equals(sound.answer()))
                    .findFirst()
                    .ifPresent(all::add);
        all.add(sound);
        return all;
    }

    private static Meaning of(Forecasts forecasts, Hypothesis h, Probe probe) {
        if (probe instanceof Probe.Measured m) {
            boolean volts = probe instanceof Probe.Volts;
            double value = forecasts
                    .at(h, m)
                    .map(f -> volts ? f.value() : Math.pow(10, f.value()))
                    .orElse(0.0);
            return new Meaning(h, CauseWords.value(value, volts));
        }
        double[] odds = forecasts.said(h, probe);
        if (probe instanceof Probe.Parted p) return new Meaning(h, CauseWords.tried(p, odds[0] > odds[1]));
        int best = 0;
        for (int n = 1; n < odds.length; n++) if (odds[n] > odds[best]) best = n;
        return new Meaning(h, Phrase.of("outcome." + Outcome.values()[best].code()));
    }
}
