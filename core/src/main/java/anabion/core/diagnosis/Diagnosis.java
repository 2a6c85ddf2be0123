package anabion.core.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.MeterSpec;
import anabion.core.engine.Engine;
import anabion.core.engine.Setting;
import anabion.core.engine.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Odds of every fault after the evidence.
 *
 * @param suspects the likeliest first; faults that no reading of this set can tell apart stand together
 * @param sound odds that nothing is wrong
 * @param other odds of something that is not on the list
 * @param unsettled faults whose circuit did not settle, so that nothing can be said of them
 * @param next what to read next, the most telling per minute first
 */
public record Diagnosis(
        List<Suspect> suspects, double sound, double other, List<String> unsettled, List<NextTest> next) {
    private static final double METER = 0.02;
    /** Deviation of the logarithm of ohms in circuit: tolerances of what lies in parallel. */
    private static final double OHMS = 0.06;

    private static final double DECADES = 9;
    private static final double LIKELY = 1e-4;
    /** Predictions closer than this, as a share and in volts, cannot be told apart. */
    private static final double SAME = 0.02;

    private static final double SAME_VOLTS = 0.1;
    private static final double MINUTES = 0.5;
    private static final int MOST_NEXT = 5;

    /**
     * Faults that look alike, with the odds of all of them together.
     *
     * @param faults the likeliest first
     * @param silent whether they show the same volts everywhere as a sound set: nothing speaks for them, and nothing against
     */
    public record Suspect(List<Fault> faults, double odds, boolean silent) {
        public Suspect {
            faults = List.copyOf(faults);
        }

        /** The parts they belong to. */
        public Set<String> parts() {
            Set<String> parts = new LinkedHashSet<>();
            faults.forEach(f -> parts.add(f.part()));
            return parts;
        }
    }

    /**
     * A reading worth taking.
     *
     * @param information expected fall of entropy, in bits
     */
    public record NextTest(String net, double minutes, double information) {}

    public Diagnosis {
        suspects = List.copyOf(suspects);
        unsettled = List.copyOf(unsettled);
        next = List.copyOf(next);
    }

    /**
     * Weighs all single faults of a chassis.
     *
     * @param trims what the chart says about this design, by part; empty for nominal
     */
    public static Diagnosis of(Chassis chassis, List<Observation> evidence, Map<String, Double> trims) {
        return new Weighing(chassis, evidence, trims).diagnosis();
    }

    /** One diagnosis in the making. */
    private static final class Weighing {
        private final Chassis chassis;
        private final List<Observation> evidence;
        private final Predictions predictions;
        private final List<String> unsettled = new ArrayList<>();
        private final Map<Hypothesis, Double> odds = new LinkedHashMap<>();
        private double other;

        Weighing(Chassis chassis, List<Observation> evidence, Map<String, Double> trims) {
            this.chassis = chassis;
            this.evidence = evidence;
            this.predictions = new Predictions(chassis, evidence, trims);
        }

        Diagnosis diagnosis() {
            weigh();
            List<Suspect> suspects = grouped();
            double sound = odds.entrySet().stream()
                    .filter(e -> e.getKey().fault().isEmpty())
                    .mapToDouble(Map.Entry::getValue)
                    .sum();
            return new Diagnosis(suspects, sound, other, unsettled, next());
        }

        private void weigh() {
            Likelihood likelihood = likelihood();
            Map<Hypothesis, Double> logs = new LinkedHashMap<>();
            double all = Math.log(Hypothesis.OTHER) + likelihood.other();
            double otherLog = all;
            for (Hypothesis h : Hypothesis.of(chassis)) {
                Optional<double[]> predicted = predictions.of(h);
                if (predicted.isEmpty()) {
                    unsettled.add(h.name());
                    continue;
                }
                double log = Math.log(h.prior()) + likelihood.of(predicted.get());
                logs.put(h, log);
                all = Likelihood.logSum(all, log);
            }
            for (Map.Entry<Hypothesis, Double> e : logs.entrySet()) odds.put(e.getKey(), Math.exp(e.getValue() - all));
            other = Math.exp(otherLog - all);
        }

        private Likelihood likelihood() {
            int n = evidence.size();
            double[] read = new double[n];
            double[] meter = new double[n];
            double[] range = new double[n];
            double most = 0;
            for (double v : predictions.sound()) most = Math.max(most, Math.abs(v));
            for (int i = 0; i < n; i++) {
                boolean ohms = evidence.get(i) instanceof Observation.Ohms;
                read[i] = ohms
                        ? Predictions.logOhms(evidence.get(i).value())
                        : evidence.get(i).value();
                meter[i] = ohms ? OHMS : METER;
                range[i] = ohms ? DECADES : 2.6 * Math.max(25, Math.max(most, Math.abs(read[i])));
            }
            return new Likelihood(read, predictions.sound(), spread(), meter, range);
        }

        /** Covariance of sound specimens; readings of different settings, and ohms, share nothing. */
        private double[][] spread() {
            int n = evidence.size();
            double[][] covariance = new double[n][n];
            Map<Setting, List<Integer>> bySetting = new LinkedHashMap<>();
            for (int i = 0; i < n; i++)
                if (evidence.get(i) instanceof Observation.Volts v)
                    bySetting
                            .computeIfAbsent(v.setting(), s -> new ArrayList<>())
                            .add(i);
            bySetting.forEach((setting, rows) -> {
                MeterSpec meter = ((Observation.Volts) evidence.get(rows.get(0))).meter();
                List<String> nets =
                        rows.stream().map(i -> evidence.get(i).net()).toList();
                Spread.of(new Engine(), chassis, setting, meter, nets).ifPresent(s -> {
                    for (int a = 0; a < rows.size(); a++)
                        for (int b = 0; b < rows.size(); b++)
                            covariance[rows.get(a)][rows.get(b)] =
                                    s.readings().get(a).covariance(s.readings().get(b));
                });
            });
            return covariance;
        }

        private Setting setting() {
            return evidence.stream()
                    .filter(Observation.Volts.class::isInstance)
                    .map(o -> ((Observation.Volts) o).setting())
                    .findFirst()
                    .orElse(Setting.of(chassis.supply().volts()));
        }

        private List<Hypothesis> likely() {
            return odds.entrySet().stream()
                    .filter(e -> e.getValue() > LIKELY)
                    .sorted(Map.Entry.<Hypothesis, Double>comparingByValue().reversed())
                    .map(Map.Entry::getKey)
                    .toList();
        }

        /** Likely faults, those together that show the same volts at every net and the same ohms where ohms were read. */
        private List<Suspect> grouped() {
            List<List<Hypothesis>> groups = new ArrayList<>();
            List<Map<String, Double>> shown = new ArrayList<>();
            Map<String, Double> sound = predictions
                    .nets(new Hypothesis(Optional.empty(), 0), setting())
                    .orElse(Map.of());
            for (Hypothesis h : likely()) {
                if (h.fault().isEmpty()) continue;
                Map<String, Double> nets = predictions.nets(h, setting()).orElse(Map.of());
                int at = -1;
                for (int g = 0; g < groups.size() && at < 0; g++)
                    if (same(shown.get(g), nets) && sameOhms(groups.get(g).get(0), h)) at = g;
                if (at < 0) {
                    groups.add(new ArrayList<>(List.of(h)));
                    shown.add(nets);
                } else groups.get(at).add(h);
            }
            List<Suspect> found = new ArrayList<>();
            for (int g = 0; g < groups.size(); g++)
                found.add(new Suspect(
                        groups.get(g).stream().map(h -> h.fault().orElseThrow()).toList(),
                        groups.get(g).stream().mapToDouble(odds::get).sum(),
                        same(shown.get(g), sound)));
            return found.stream()
                    .sorted(Comparator.comparingDouble(Suspect::odds).reversed())
                    .toList();
        }

        private static boolean same(Map<String, Double> a, Map<String, Double> b) {
            if (a.isEmpty() || b.isEmpty()) return false;
            for (Map.Entry<String, Double> e : a.entrySet()) {
                double other = b.getOrDefault(e.getKey(), 0.0);
                if (Math.abs(e.getValue() - other)
                        > SAME * Math.max(Math.abs(e.getValue()), Math.abs(other)) + SAME_VOLTS) return false;
            }
            return true;
        }

        private boolean sameOhms(Hypothesis a, Hypothesis b) {
            double[] one = predictions.of(a).orElseThrow();
            double[] two = predictions.of(b).orElseThrow();
            for (int i = 0; i < evidence.size(); i++)
                if (evidence.get(i) instanceof Observation.Ohms && Math.abs(one[i] - two[i]) > OHMS) return false;
            return true;
        }

        /**
         * Nets not read yet by what they would tell: likely faults whose predictions lie within the meter's error of each other fall into
         * one outcome; the information is the entropy of the outcomes.
         */
        private List<NextTest> next() {
            Set<String> done = new LinkedHashSet<>();
            evidence.forEach(o -> done.add(o.net()));
            List<Hypothesis> likely = likely();
            List<Map<String, Double>> shown = new ArrayList<>();
            for (Hypothesis h : likely) shown.add(predictions.nets(h, setting()).orElse(Map.of()));
            List<NextTest> found = new ArrayList<>();
            for (String net : Engine.nets(chassis)) {
                if (done.contains(net) || net.equals(Engine.reference(chassis))) continue;
                double bits = information(net, likely, shown);
                if (bits > 0.01) found.add(new NextTest(net, MINUTES, bits));
            }
            found.sort(Comparator.comparingDouble((NextTest t) -> t.information() / t.minutes())
                    .reversed());
            return found.stream().limit(MOST_NEXT).toList();
        }

        private double information(String net, List<Hypothesis> likely, List<Map<String, Double>> shown) {
            List<double[]> values = new ArrayList<>();
            for (int i = 0; i < likely.size(); i++)
                values.add(new double[] {shown.get(i).getOrDefault(net, 0.0), odds.get(likely.get(i))});
            values.sort(Comparator.comparingDouble(v -> v[0]));
            double bits = 0;
            double all = values.stream().mapToDouble(v -> v[1]).sum();
            double bin = 0;
            double from = Double.NEGATIVE_INFINITY;
            for (double[] v : values) {
                if (v[0] - from > 2 * (METER * Math.abs(v[0]) + 2 * SAME_VOLTS)) {
                    bits += entropy(bin / all);
                    bin = 0;
                    from = v[0];
                }
                bin += v[1];
            }
            return bits + entropy(bin / all);
        }

        private static double entropy(double p) {
            return p <= 0 ? 0 : -p * Math.log(p) / Math.log(2);
        }
    }
}
