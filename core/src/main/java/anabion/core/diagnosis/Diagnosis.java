package anabion.core.diagnosis;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.MeterSpec;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.inference.ConditionalGaussian;
import anabion.core.diagnosis.inference.Explanation;
import anabion.core.diagnosis.inference.Groups;
import anabion.core.diagnosis.inference.LeaveOneOut;
import anabion.core.diagnosis.inference.Pairs;
import anabion.core.diagnosis.inference.Posterior;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.nexttest.NextMeasurements;
import anabion.core.diagnosis.nexttest.PartMeasurements;
import anabion.core.diagnosis.nexttest.RatedMeasurement;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.job.Outcome;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Odds of every fault after the evidence.
 *
 * @param suspects the likeliest first; what no measurement of this set can tell apart stands together
 * @param quiet causes that no measurement of this set would show: nothing speaks for them, and nothing against
 * @param sound odds that nothing is wrong, or nothing that shows
 * @param other odds of something that is not on the list
 * @param unsettled faults whose circuit did not settle, so that nothing can be said of them
 * @param next what to do next, the most telling per minute first
 * @param backed odds that the first suspect would keep without the reading that speaks loudest for it; 0 where another comes near it, and where nobody needs to know
 */
public record Diagnosis(
        List<RankedCause> suspects,
        List<Hypothesis> quiet,
        double sound,
        double other,
        List<String> unsettled,
        List<RatedMeasurement> next,
        double backed) {
    /** Odds at which one cause is enough to be repaired. */
    public static final double DECIDED_ODDS = 0.9;

    /** Odds that are enough if a little would be left without the reading that speaks loudest for it, and no other cause comes near. */
    public static final double LEADING_ODDS = 0.5;

    private static final double LEAST_BACKED_ODDS = 0.08;
    private static final double RIVAL_ODDS = 0.2;

    /** Causes below these odds are not compared with others. */
    private static final double COMPARED_ODDS = 1e-3;

    private static final int MOST_COMPARED = 64;
    /** A set comes to the bench because something shows: a sound one, or a fault that never shows, is rarer there by this. */
    private static final double SILENT_FAULT_FACTOR = 0.15;

    /** Where every band was heard to play well that is no reason any more: it may have come for its looks, or is repaired. */
    private static final double PLAYING_FACTOR = 0.5;

    /** Where single faults leave so much to something else, pairs are weighed. */
    private static final double PAIRS_FROM = 0.25;

    public Diagnosis {
        suspects = List.copyOf(suspects);
        quiet = List.copyOf(quiet);
        unsettled = List.copyOf(unsettled);
        next = List.copyOf(next);
    }

    /** Whether one cause holds most of the odds, and not on the word of one reading: then it is tested and repaired, not measured further. */
    public boolean decided() {
        if (suspects.isEmpty()) return false;
        double first = suspects.get(0).odds();
        return first >= DECIDED_ODDS || (first >= LEADING_ODDS && backed >= LEAST_BACKED_ODDS);
    }

    /** Weighs every single fault. */
    public static Diagnosis of(PredictionModel predictions, List<Observation> evidence) {
        return of(predictions, evidence, allowed(predictions, evidence));
    }

    /** @param allowed the measurements that may be proposed, and by which causes are told apart */
    public static Diagnosis of(PredictionModel predictions, List<Observation> evidence, List<Measurement> allowed) {
        return of(predictions, evidence, allowed, predictions.hypotheses(), true);
    }

    /** The odds alone, without asking what to do next. */
    public static Diagnosis verdict(
            PredictionModel predictions, List<Observation> evidence, List<Measurement> allowed) {
        return of(predictions, evidence, allowed, predictions.hypotheses(), false);
    }

    /** This diagnosis with each suspect as severe as the readings make it: for words. */
    public Diagnosis sized(PredictionModel predictions, List<Observation> evidence) {
        List<RankedCause> sized = suspects.stream()
                .map(s -> new RankedCause(
                        s.causes().stream()
                                .map(h -> ConditionalGaussian.of(predictions, h, evidence)
                                        .map(g -> h.at(g::severity))
                                        .orElse(h))
                                .toList(),
                        s.odds()))
                .toList();
        return new Diagnosis(sized, quiet, sound, other, unsettled, next, backed);
    }

    /** Why a suspect stands where it stands. */
    public Explanation explained(PredictionModel predictions, List<Observation> evidence, RankedCause suspect) {
        Hypothesis rival = suspects.stream()
                .filter(s -> !s.equals(suspect))
                .findFirst()
                .map(RankedCause::first)
                .orElse(predictions.healthy());
        return Explanation.of(predictions, evidence, suspect.first(), rival);
    }

    private static Diagnosis of(
            PredictionModel predictions,
            List<Observation> evidence,
            List<Measurement> allowed,
            List<Hypothesis> hypotheses,
            boolean asking) {
        Posterior w = new Posterior(predictions, evidence, hypotheses);
        Groups groups = new Groups(predictions, allowed);
        List<Hypothesis> likely = new ArrayList<>(w.likely(COMPARED_ODDS, MOST_COMPARED));
        List<Hypothesis> quiet = likely.stream()
                .filter(h -> groups.alike(h, predictions.healthy()))
                .toList();
        likely.removeAll(quiet);
        double silent = silent(predictions.chassis(), evidence);
        Map<Hypothesis, Double> odds = w.without(quiet, silent);
        double known = odds.values().stream().mapToDouble(x -> x).sum();
        double other = w.other(silent, quiet);
        List<RankedCause> suspects = groups.of(odds, likely);
        double first = suspects.isEmpty() ? 0 : suspects.get(0).odds();
        double second = suspects.size() > 1 ? suspects.get(1).odds() : 0;
        boolean doubtful = first >= LEADING_ODDS && first < DECIDED_ODDS && second <= RIVAL_ODDS;
        return new Diagnosis(
                suspects,
                quiet.stream().filter(h -> !h.sound()).toList(),
                Math.max(0, 1 - known - other),
                other,
                w.unsettled(),
                asking
                        ? new NextMeasurements(predictions, odds, suspects)
                                .of(
                                        Stream.concat(
                                                        allowed.stream(),
                                                        PartMeasurements.of(predictions, allowed, odds, evidence)
                                                                .stream())
                                                .toList(),
                                        evidence)
                        : List.of(),
                doubtful && !evidence.isEmpty()
                        ? new LeaveOneOut(predictions, evidence, hypotheses).kept(suspects, quiet, silent)
                        : 0);
    }

    /** How much rarer what does not show is on the bench. */
    private static double silent(Chassis chassis, List<Observation> evidence) {
        Set<String> well = evidence.stream()
                .filter(o -> o instanceof Observation.Heard h && h.outcome() == Outcome.LOUD)
                .map(Observation::measurement)
                .filter(m -> m instanceof Measurement.Listen l && l.controls().isEmpty())
                .map(m -> ((Measurement.Listen) m).band())
                .collect(Collectors.toSet());
        boolean all = !chassis.bands().isEmpty()
                && chassis.bands().stream().map(Band::name).allMatch(well::contains);
        return all ? PLAYING_FACTOR : SILENT_FAULT_FACTOR;
    }

    /**
     * The causes one by one, the likeliest first, each with the odds of all suspects that it has a part in: where two faults at once are weighed, these
     * add up to more than one.
     */
    public List<RankedCause> singly() {
        Map<String, Double> sums = new LinkedHashMap<>();
        Map<String, List<Hypothesis>> alike = new LinkedHashMap<>();
        for (RankedCause s : suspects)
            for (Hypothesis h : s.first().apart()) {
                sums.merge(h.cause(), s.odds(), Double::sum);
                alike.putIfAbsent(h.cause(), s.first().from().size() == 1 ? single(s.causes()) : List.of(h));
            }
        return sums.entrySet().stream()
                .map(e -> new RankedCause(alike.get(e.getKey()), e.getValue()))
                .sorted(Comparator.comparingDouble(RankedCause::odds).reversed())
                .toList();
    }

    /** With two at once looks alike what one of them does alone. */
    private static List<Hypothesis> single(List<Hypothesis> causes) {
        return causes.stream().filter(h -> h.from().size() == 1).toList();
    }

    /** Weighs single faults and, where these leave too much to something else or to slips, two at once of the likeliest. */
    public static Diagnosis withPairs(PredictionModel predictions, List<Observation> evidence) {
        return withPairs(predictions, evidence, allowed(predictions, evidence), true);
    }

    /** @param allowed the measurements that may be proposed, and by which causes are told apart */
    public static Diagnosis withPairs(
            PredictionModel predictions, List<Observation> evidence, List<Measurement> allowed) {
        return withPairs(predictions, evidence, allowed, true);
    }

    /** As {@link #withPairs(PredictionModel, List)}, without asking what to do next. */
    public static Diagnosis verdictWithPairs(PredictionModel predictions, List<Observation> evidence) {
        return withPairs(predictions, evidence, allowed(predictions, evidence), false);
    }

    private static Diagnosis withPairs(
            PredictionModel predictions, List<Observation> evidence, List<Measurement> allowed, boolean asking) {
        Diagnosis single = of(predictions, evidence, allowed, predictions.hypotheses(), asking);
        if (single.other() < PAIRS_FROM && !strained(predictions, evidence, single)) return single;
        List<Hypothesis> all = new ArrayList<>(predictions.hypotheses());
        all.addAll(Pairs.of(predictions, evidence));
        return of(predictions, evidence, allowed, all, asking);
    }

    /** Whether the likeliest cause leaves readings that only slips of the measurement would explain. */
    private static boolean strained(PredictionModel predictions, List<Observation> evidence, Diagnosis single) {
        if (single.suspects().isEmpty()) return false;
        Hypothesis first = single.suspects().get(0).first();
        return Observation.measured(evidence).stream().anyMatch(m -> predictions
                .at(first, m.measurement())
                .filter(f -> !f.allows(m.measurement().scaled(m.value())))
                .isPresent());
    }

    /** Ohms that are worth taking after the evidence, or before any, the most telling per minute first. */
    public static List<RatedMeasurement> ohms(PredictionModel predictions, List<Observation> evidence) {
        List<Measurement> all = List.copyOf(predictions.unplugged());
        Posterior w = new Posterior(predictions, evidence, predictions.hypotheses());
        Map<Hypothesis, Double> odds = w.without(List.of(), SILENT_FAULT_FACTOR);
        List<RankedCause> suspects = new Groups(predictions, all).of(odds, w.likely(COMPARED_ODDS, MOST_COMPARED));
        return new NextMeasurements(predictions, odds, suspects).worth(all, evidence);
    }

    /** What can be done without lifting anything, volts under the conditions of the last reading, levels where some were taken. */
    public static List<Measurement> allowed(PredictionModel predictions, List<Observation> evidence) {
        Setting setting = Setting.of(predictions.chassis().supply().volts());
        MeterSpec meter = new MeterSpec.Fixed(10e6);
        for (Observation o : evidence)
            if (o.measurement() instanceof Measurement.Volts v
                    && v.setting().faults().isEmpty()) {
                setting = v.setting();
                meter = v.meter();
            }
        return predictions.allowed(setting, meter, levelled(evidence));
    }

    /** Whoever has read one level of a band can read others. */
    private static Set<String> levelled(List<Observation> evidence) {
        return evidence.stream()
                .map(Observation::measurement)
                .filter(Measurement.Level.class::isInstance)
                .map(p -> ((Measurement.Level) p).band())
                .collect(Collectors.toCollection(TreeSet::new));
    }
}
