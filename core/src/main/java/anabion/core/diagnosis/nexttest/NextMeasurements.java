package anabion.core.diagnosis.nexttest;

import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.prediction.PredictionModel;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** What to measure next: the measurement with the largest expected fall of entropy over the causes, per minute of bench time. */
public final class NextMeasurements {
    private static final int MOST = 5;

    private static final int LEAST = 3;
    /** Bits below which nobody reaches for the measurement. */
    private static final double WORTH = 0.04;

    /** Bits from which on, and number of measurements of which, it is worth asking what the readings leave open of their answers. */
    private static final double FIRST_LOOK = 0.03;

    private static final int LOOKED_AT = 60;
    /** So many are looked at for the few that are proposed, since some ask the same. */
    private static final int CANDIDATES = 12;
    /** So many are looked at before the next are asked whether they can still come first. */
    private static final int AT_ONCE = 12;
    /** Share of what it tells that a proposal must still tell when those before it have been answered. */
    private static final double NEW = 0.5;

    private static final Comparator<RatedMeasurement> PER_MINUTE = Comparator.comparingDouble(
                    (RatedMeasurement t) -> t.information() / t.minutes())
            .reversed();

    private final InformationGain alone;

    /**
     * @param odds of those hypotheses that are still to be told apart
     * @param suspects causes that stand together, so that nobody asks which of them
     */
    public NextMeasurements(PredictionModel predictions, Map<Hypothesis, Double> odds, List<RankedCause> suspects) {
        Map<String, String> together = new HashMap<>();
        suspects.forEach(
                s -> s.causes().forEach(h -> together.put(h.cause(), s.first().cause())));
        this.alone = InformationGain.of(predictions, odds, cause -> together.getOrDefault(cause, cause));
    }

    /** A few, the most telling per minute first, mostly without those that ask what one before them has asked. */
    public List<RatedMeasurement> of(List<Measurement> allowed, List<Observation> evidence) {
        InformationGain narrowed = alone.narrowed(evidence);
        List<RatedMeasurement> found = found(allowed, evidence);
        List<RatedMeasurement> best = looked(found, narrowed, CANDIDATES);
        List<RatedMeasurement> some = new ArrayList<>();
        List<RatedMeasurement> same = new ArrayList<>();
        InformationGain telling = narrowed;
        int tried = 0;
        for (int n = 0; n < found.size() && tried < CANDIDATES && some.size() < MOST; n++) {
            Measurement p = (n < best.size() ? best : found).get(n).measurement();
            if (some.stream().anyMatch(o -> alone.alike(o.measurement(), p))) continue;
            tried++;
            RatedMeasurement t = n < best.size()
                    ? best.get(n)
                    : looked(found.subList(n, n + 1), narrowed).get(0);
            if (t.information() <= WORTH) continue;
            if (telling.bits(p) >= NEW * t.information()) {
                some.add(t);
                telling = telling.after(p);
            } else same.add(t);
        }
        // somebody who cannot do the first wants another way to the same answer
        same.stream().limit(Math.max(0, LEAST - some.size())).forEach(some::add);
        some.sort(PER_MINUTE);
        return some;
    }

    /** All that is worth doing and was not done yet, the most telling per minute first. */
    public List<RatedMeasurement> worth(List<? extends Measurement> allowed, List<Observation> evidence) {
        List<RatedMeasurement> looked = looked(found(allowed, evidence), alone.narrowed(evidence), LOOKED_AT);
        return looked.stream().filter(t -> t.information() > WORTH).toList();
    }

    /** What may be worth a closer look, the most telling per minute first. */
    private List<RatedMeasurement> found(List<? extends Measurement> allowed, List<Observation> evidence) {
        Set<String> done = evidence.stream().map(o -> asked(o.measurement())).collect(Collectors.toSet());
        alone.ready(allowed);
        List<Measurement> open = allowed.stream()
                .filter(p -> !done.contains(asked(p)))
                .<Measurement>map(p -> p)
                .toList();
        return tests(open, alone).stream()
                .filter(t -> t.information() > FIRST_LOOK)
                .sorted(PER_MINUTE)
                .toList();
    }

    private static List<RatedMeasurement> tests(List<Measurement> measurements, InformationGain telling) {
        double[] bits = telling.bits(measurements);
        return IntStream.range(0, bits.length)
                .mapToObj(n -> new RatedMeasurement(
                        measurements.get(n), measurements.get(n).minutes(), bits[n]))
                .toList();
    }

    /** A level that nothing came out of was answered by ear. */
    private static String asked(Measurement p) {
        return p instanceof Measurement.Level l ? l.ear().text() : p.text();
    }

    /** Those first found with what the readings leave of them, sorted anew: at least so many that surely come first. */
    private static List<RatedMeasurement> looked(List<RatedMeasurement> found, InformationGain narrowed, int most) {
        List<RatedMeasurement> looked = new ArrayList<>();
        List<RatedMeasurement> ahead = List.of();
        for (int n = 0; n < Math.min(found.size(), LOOKED_AT); n++) {
            // after others a reading seldom tells more than before them: what follows cannot come before these
            if (before(found.get(n), looked) >= most) break;
            if (n % AT_ONCE == 0) ahead = looked(found.subList(n, Math.min(found.size(), n + AT_ONCE)), narrowed);
            looked.add(ahead.get(n % AT_ONCE));
        }
        looked.sort(PER_MINUTE);
        return looked;
    }

    /** What was heard does not narrow what is heard. */
    private static List<RatedMeasurement> looked(List<RatedMeasurement> found, InformationGain narrowed) {
        List<Measurement> measured = found.stream()
                .map(RatedMeasurement::measurement)
                .filter(Measurement.Metered.class::isInstance)
                .toList();
        Iterator<RatedMeasurement> narrower = tests(measured, narrowed).iterator();
        return found.stream()
                .map(t -> t.measurement() instanceof Measurement.Metered ? narrower.next() : t)
                .toList();
    }

    private static long before(RatedMeasurement t, List<RatedMeasurement> others) {
        return others.stream()
                .filter(o -> o.information() > WORTH && PER_MINUTE.compare(o, t) <= 0)
                .count();
    }
}
