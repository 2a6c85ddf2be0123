package anabion.core.power;

import anabion.core.power.PowerReading.What;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * What the readings of a power-up look like: the set as it should be, a common fault, or something else.
 *
 * <p>Method: Bayes' rule. A reading falls about its curve by what a meter, the line and the spread of tubes leave open: an independent share, and one that all
 * readings of a kind have in common, since a specimen, or a meter, is off by the same factor all the way up (a covariance of a diagonal and one product, which
 * the Sherman–Morrison formula inverts). Something else is every value alike.
 *
 * @param sound odds that it is as it should be
 * @param kinds odds of each kind of fault that has any, the likeliest first
 * @param other odds of something else
 */
public record PowerJudgement(double sound, List<Odds> kinds, double other) {
    /** Odds before any reading: most sets that come to this step have passed their cold checks. */
    private static final double SOUND = 0.7;

    private static final double OTHER = 0.03;
    /** How often a fault comes on the way up, against being there from the beginning. */
    private static final double GIVES_WAY = 0.1;

    /** Meter, relative. */
    private static final double METER = 0.015;
    /** The line, and where a tube begins to emit: relative volts at the set. */
    private static final double LINE = 0.025;
    /** Tubes, parts and the calibration of a meter: the factor that all readings of a rail share. */
    private static final double SPECIMEN = 0.05;

    private static final double VOLTS = 0.4;
    private static final double RIPPLE = 0.3;
    /** Electrolytics are made to wide tolerances. */
    private static final double CAPACITANCE = 0.2;

    private static final double WATTS = 0.7;
    private static final double AMPERES = 0.002;
    /** Watts and currents are taken by cheap meters, and iron takes some that nothing computes. */
    private static final double LOAD = 0.08;

    /** Half of a step on the scale of glow. */
    private static final double GLOW = 0.6;
    /** How often a dark tube is taken for a lit one in a bright room, or the other way round. */
    private static final double OVERSEEN = 0.05;
    /** Odds below this are not worth a line. */
    private static final double NAMED = 0.01;

    /** How many nominal values a reading of something else may reach. */
    private static final double WIDTH = 1.5;

    public PowerJudgement {
        kinds = List.copyOf(kinds);
    }

    /**
     * A kind of fault.
     *
     * @param likeliest the fault of that kind that explains the readings best
     */
    public record Odds(LookAlike.Kind kind, double odds, LookAlike likeliest) {}

    /**
     * What readings look like. Each fault was there from the beginning, or came with the last step: what was sound may give way on the way up.
     *
     * @param lamp in the line while all of it was read
     */
    public static PowerJudgement of(PowerModel model, List<PowerReading> readings, Optional<SeriesLamp> lamp) {
        double last = readings.isEmpty() ? 0 : readings.get(readings.size() - 1).dial();
        Weigher all = new Weigher(model, readings, lamp);
        Weigher before = all.only(r -> r.dial() != last);
        Weigher now = all.only(r -> r.dial() == last);
        double until = before.readings().isEmpty() ? Double.NEGATIVE_INFINITY : Math.log(GIVES_WAY) + before.sound();
        List<Weighed> weighed = new ArrayList<>();
        for (PowerModel.Faulty f : model.others())
            weighed.add(new Weighed(f.what(), added(all.log(f), until + now.log(f))));
        double sound = all.sound();
        double other = added(all.other(), until + now.other());
        double top = Math.max(
                Math.max(sound, other),
                weighed.stream().mapToDouble(Weighed::log).max().orElse(sound));
        return normalised(model, weighed, SOUND * Math.exp(sound - top), OTHER * Math.exp(other - top), top);
    }

    /** A fault and the log-likelihood of what was read with it. */
    private record Weighed(LookAlike what, double log) {}

    /** The logarithm of a sum of which the logarithms are known. */
    private static double added(double a, double b) {
        double top = Math.max(a, b);
        return top + Math.log(Math.exp(a - top) + Math.exp(b - top));
    }

    private static PowerJudgement normalised(
            PowerModel model, List<Weighed> weighed, double sound, double other, double top) {
        Map<LookAlike.Kind, Long> members = new EnumMap<>(LookAlike.Kind.class);
        model.others().forEach(f -> members.merge(f.what().kind(), 1L, Long::sum));
        Map<LookAlike.Kind, Double> weights = new EnumMap<>(LookAlike.Kind.class);
        Map<LookAlike.Kind, Weighed> best = new EnumMap<>(LookAlike.Kind.class);
        for (Weighed w : weighed) {
            LookAlike.Kind k = w.what().kind();
            double prior = (1 - SOUND - OTHER) / members.size() / members.get(k);
            weights.merge(k, prior * Math.exp(w.log() - top), Double::sum);
            best.merge(k, w, (a, b) -> b.log() > a.log() ? b : a);
        }
        double sum = sound
                + other
                + weights.values().stream().mapToDouble(Double::doubleValue).sum();
        List<Odds> kinds = new ArrayList<>();
        weights.forEach((k, w) -> kinds.add(new Odds(k, w / sum, best.get(k).what())));
        kinds.sort(Comparator.comparingDouble(Odds::odds).reversed());
        kinds.removeIf(o -> o.odds() < NAMED);
        return new PowerJudgement(sound / sum, kinds, other / sum);
    }

    /** Whether nothing is likelier than that it is as it should be. */
    public boolean healthy() {
        return sound >= other && kinds.stream().allMatch(k -> sound >= k.odds());
    }

    /** What one reading should be by a curve. */
    static double foreseen(SupplyCurve curve, PowerReading r, Optional<SeriesLamp> lamp, double shift) {
        SupplyPoint p = r.atSet() > 0 ? curve.at(r.atSet() * (1 + shift)) : curve.atDial(r.dial() * (1 + shift), lamp);
        return switch (r.what()) {
            case RAIL -> p.rail(r.net());
            case RIPPLE -> p.ripple(r.net());
            case WATTS -> p.watts();
            case AMPERES -> p.amperes();
            case GLOW -> lamp.map(l -> scale(l, p)).orElse(0.0);
            case DARK -> 0;
        };
    }

    /** The glow on a scale that runs through its steps without jumps. */
    private static double scale(SeriesLamp lamp, SupplyPoint p) {
        return lamp.steps(lamp.across(p.amperes()));
    }

    /**
     * Standard deviation of a reading of a sound set about its curve.
     *
     * @param what the highest rail, watts or amperes
     */
    public static double spread(PowerModel model, double volts, What what) {
        String net = what == What.RAIL ? model.rail().map(Rail::net).orElse("") : "";
        return deviation(model.sound(), new PowerReading(volts, volts, what, net, 0), Optional.empty());
    }

    /** Standard deviation of a reading about a curve, of all that is left open. */
    static double deviation(SupplyCurve curve, PowerReading r, Optional<SeriesLamp> lamp) {
        double common = Weigher.common(r.what()) * foreseen(curve, r, lamp, 0);
        return Math.sqrt(own(curve, r, lamp) + common * common);
    }

    /** Variance of what a reading shares with no other. */
    private static double own(SupplyCurve curve, PowerReading r, Optional<SeriesLamp> lamp) {
        double slope = (foreseen(curve, r, lamp, LINE) - foreseen(curve, r, lamp, -LINE)) / 2;
        return Math.pow(METER * foreseen(curve, r, lamp, 0), 2) + slope * slope + Math.pow(Weigher.least(r.what()), 2);
    }

    /** The log-likelihood of all readings. */
    private record Weigher(PowerModel model, List<PowerReading> readings, Optional<SeriesLamp> lamp) {
        Weigher only(Predicate<PowerReading> which) {
            return new Weigher(model, readings.stream().filter(which).toList(), lamp);
        }

        double sound() {
            return log(model.sound(), false);
        }

        double log(PowerModel.Faulty f) {
            return log(f.curve(), f.what().kind() == LookAlike.Kind.HEATER_OPEN);
        }

        double log(SupplyCurve curve, boolean dark) {
            double sum = 0;
            for (PowerReading r : readings)
                if (r.what() == What.DARK) sum += Math.log(dark == r.value() > 0 ? 1 - OVERSEEN : OVERSEEN);
            for (What what : What.values()) if (what != What.DARK) sum += log(curve, what);
            return sum;
        }

        /** Of one kind: independent deviations beside one that all share. */
        private double log(SupplyCurve curve, What what) {
            double squares = 0;
            double mixed = 0;
            double shared = 0;
            double logs = 0;
            for (PowerReading r : readings) {
                if (r.what() != what) continue;
                double value = foreseen(curve, r, lamp, 0);
                double own = own(curve, r, lamp);
                double common = common(what) * value;
                double off = r.value() - value;
                squares += off * off / own;
                mixed += off * common / own;
                shared += common * common / own;
                logs += Math.log(2 * Math.PI * own);
            }
            return -0.5 * (logs + Math.log1p(shared) + squares - mixed * mixed / (1 + shared));
        }

        private static double least(What what) {
            return switch (what) {
                case RAIL -> VOLTS;
                case RIPPLE -> RIPPLE;
                case WATTS -> WATTS;
                case AMPERES -> AMPERES;
                case GLOW -> GLOW;
                case DARK -> 1;
            };
        }

        private static double common(What what) {
            return switch (what) {
                case RAIL -> SPECIMEN;
                case RIPPLE -> CAPACITANCE;
                case WATTS, AMPERES -> LOAD;
                case GLOW, DARK -> 0;
            };
        }

        /** Anything between nothing and {@value #WIDTH} times what the sound set has at its nominal line. */
        double other() {
            SupplyPoint full = model.sound().at(model.nominal());
            double sum = 0;
            for (PowerReading r : readings)
                sum -= Math.log(
                        switch (r.what()) {
                            case RAIL -> WIDTH * Math.max(1, Math.abs(full.rail(r.net())));
                            case RIPPLE -> 4 * WIDTH * Math.max(1, full.ripple(r.net()));
                            case WATTS -> 2 * WIDTH * Math.max(1, full.watts());
                            case AMPERES -> 2 * WIDTH * Math.max(0.01, full.amperes());
                            case GLOW -> SeriesLamp.Glow.values().length;
                            case DARK -> 2;
                        });
            return sum;
        }
    }
}
