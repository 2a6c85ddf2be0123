package anabion.core.diagnosis;

import anabion.core.job.Outcome;
import anabion.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a probe would show if a cause were true.
 *
 * @param answer in words, such as "2.4 V", "weak" or "good": the likeliest
 */
public record Meaning(Hypothesis cause, Phrase answer) {
    private static final int SEARCHED = 16;

    /** Of the first suspects, and of a sound set last; where all of these answer alike, of the first suspect as well that does not. */
    public static List<Meaning> of(
            Forecasts forecasts, List<Observation> evidence, Diagnosis d, Probe probe, int most) {
        List<Meaning> all = new ArrayList<>();
        d.suspects().stream()
                .limit(most)
                .map(Diagnosis.Suspect::first)
                .forEach(h -> all.add(of(forecasts, evidence, h, probe)));
        Meaning sound = of(forecasts, List.of(), forecasts.healthy(), probe);
        if (all.stream().allMatch(m -> m.answer().equals(sound.answer())))
            d.suspects().stream()
                    .skip(most)
                    .limit(SEARCHED)
                    .map(s -> of(forecasts, evidence, s.first(), probe))
                    .filter(m -> !m.answer().equals(sound.answer()))
                    .findFirst()
                    .ifPresent(all::add);
        all.add(sound);
        return all;
    }

    /** Of a cause as severe as the readings make it. */
    private static Meaning of(Forecasts forecasts, List<Observation> evidence, Hypothesis h, Probe probe) {
        Optional<Given> given = Given.of(forecasts, h, evidence);
        Hypothesis cause = given.map(g -> h.at(g.severity())).orElse(h);
        if (probe instanceof Probe.Measured m) {
            boolean volts = probe instanceof Probe.Volts;
            double value = forecasts
                    .at(h, m)
                    .map(f -> given.map(g -> g.outlook(f)[0]).orElse(f.value()))
                    .map(v -> volts ? v : Math.pow(10, v))
                    .orElse(0.0);
            return new Meaning(cause, CauseWords.value(value, volts));
        }
        double[] odds = forecasts.said(h, probe);
        if (probe instanceof Probe.Parted p) return new Meaning(cause, CauseWords.tried(p, odds[0] > odds[1]));
        int best = 0;
        for (int n = 1; n < odds.length; n++) if (odds[n] > odds[best]) best = n;
        return new Meaning(cause, Phrase.of("outcome." + Outcome.values()[best].code()));
    }
}
