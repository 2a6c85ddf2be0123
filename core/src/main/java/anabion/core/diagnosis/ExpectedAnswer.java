package anabion.core.diagnosis;

import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.inference.ConditionalGaussian;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.job.Outcome;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a measurement would show if a cause were true.
 *
 * @param answer in words, such as "2.4 V", "weak" or "good": the likeliest
 */
public record ExpectedAnswer(Hypothesis cause, Phrase answer) {
    /** What a meter does not tell apart, relative. */
    private static final double VOLTS = 0.02;

    private static final double WATTS = 0.1;
    private static final double ALTERNATING = 0.05;
    private static final double PICKED_UP = 0.1;

    private static final double OHMS = 0.05;
    private static final double LEVEL = 0.15;

    /** One answer, with its number where it has one. */
    private record Answer(Hypothesis cause, Phrase answer, double number, double close) {
        boolean alike(Answer other) {
            return answer.equals(other.answer) || Math.abs(number - other.number) <= Math.max(close, other.close);
        }
    }

    /**
     * Of the first suspects, and of a sound set last; where all of these answer alike, of the first suspect as well that does not. Those that a meter
     * does not tell apart have the answer of the first of them.
     */
    public static List<ExpectedAnswer> of(
            PredictionModel predictions, List<Observation> evidence, Diagnosis d, Measurement measurement, int most) {
        List<Answer> all = new ArrayList<>();
        d.suspects().stream()
                .limit(most)
                .map(RankedCause::first)
                .forEach(h -> all.add(shown(predictions, evidence, h, measurement)));
        Answer sound = shown(predictions, List.of(), predictions.healthy(), measurement);
        if (all.stream().allMatch(m -> m.alike(sound)))
            d.suspects().stream()
                    .skip(most)
                    .map(s -> shown(predictions, evidence, s.first(), measurement))
                    .filter(m -> !m.alike(sound) && all.stream().noneMatch(m::alike))
                    .findFirst()
                    .ifPresent(all::add);
        all.add(sound);
        return all.stream()
                .map(m -> new ExpectedAnswer(
                        m.cause(),
                        all.stream().filter(m::alike).findFirst().orElse(m).answer()))
                .toList();
    }

    /**
     * Who gives which answer. Of two faults at once nobody asks about the one that all suspects share; only where all of these answer alike, it is that one
     * which answers, and the others go unsaid.
     *
     * @param meanings of one measurement
     * @return the causes of each answer, each with the faults that are said of it
     */
    public static Map<Phrase, List<List<Hypothesis>>> byAnswer(List<ExpectedAnswer> meanings) {
        List<ExpectedAnswer> faulty =
                meanings.stream().filter(m -> !m.cause().sound()).toList();
        List<String> shared = faulty.stream()
                .map(m -> m.cause().apart().stream().map(Hypothesis::cause).toList())
                .reduce((a, b) -> a.stream().filter(b::contains).toList())
                .orElse(List.of());
        boolean alike = !shared.isEmpty()
                && faulty.stream().map(ExpectedAnswer::answer).distinct().count() == 1;
        Map<Phrase, List<List<Hypothesis>>> by = new LinkedHashMap<>();
        for (ExpectedAnswer m : meanings) {
            if (alike && faulty.indexOf(m) > 0) continue;
            List<Hypothesis> all = m.cause().apart();
            List<Hypothesis> who = all.stream()
                    .filter(h ->
                            m.cause().sound() || all.size() == shared.size() || shared.contains(h.cause()) == alike)
                    .toList();
            if (!who.isEmpty())
                by.computeIfAbsent(m.answer(), k -> new ArrayList<>()).add(who);
        }
        return by;
    }

    private static double close(PredictionModel predictions, Measurement.Metered measurement, double value) {
        if (measurement instanceof Measurement.Volts) return Math.hypot(VOLTS * value, predictions.little());
        if (measurement instanceof AlternatingVolts) return ALTERNATING * value + PICKED_UP;
        if (measurement instanceof Measurement.Powered) return WATTS * value;
        return (measurement instanceof Measurement.Level ? LEVEL : OHMS) * value;
    }

    /** Of a cause as severe as the readings make it. */
    private static Answer shown(
            PredictionModel predictions, List<Observation> evidence, Hypothesis h, Measurement measurement) {
        Optional<ConditionalGaussian> given = ConditionalGaussian.of(predictions, h, evidence);
        Hypothesis cause = given.map(g -> h.at(g::severity)).orElse(h);
        if (measurement instanceof Measurement.Metered m) {
            double value = predictions
                    .at(h, m)
                    .map(f -> given.map(g -> g.outlook(f)[0]).orElse(f.value()))
                    .map(m::unscaled)
                    .orElse(0.0);
            return new Answer(cause, CauseWords.foreseen(m, value), value, close(predictions, m, value));
        }
        double[] odds = predictions.said(h, measurement);
        if (measurement instanceof Measurement.PartTest p)
            return new Answer(cause, CauseWords.tried(p, odds[0] > odds[1]), Double.NaN, 0);
        int best = 0;
        for (int n = 1; n < odds.length; n++) if (odds[n] > odds[best]) best = n;
        return new Answer(cause, Phrase.of("outcome." + Outcome.values()[best].code()), Double.NaN, 0);
    }
}
