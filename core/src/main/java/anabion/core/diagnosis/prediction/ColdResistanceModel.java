package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.evidence.LogScale;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * What an ohmmeter shows on every state of a set with the power off, as logarithms.
 *
 * <p>Resistors move ohms by the share of the ohmmeter's power that they take; what is no resistor has a tolerance of its own. Besides there is the state
 * of the electrolytics, which nobody knows before they are formed, and the severity.
 */
public final class ColdResistanceModel {
    /** Deviation of the logarithm of ohms in circuit: tolerances of what lies there, and the meter. */
    public static final double OHMS = 0.04;

    /** One standard deviation of what junctions make up, as a logarithm: their leakage and their warmth differ. */
    private static final double JUNCTIONS = 0.1;
    /** One standard deviation of the meter alone, as a logarithm, where tolerances are known. */
    private static final double METER = 0.012;

    /** One standard deviation of the state of electrolytics, as a share of the way from usual ones to those that leak badly. */
    private static final double LAIN = 0.4;
    /** The middle of what they are when the set comes to the bench, likewise. */
    private static final double USUALLY = 0.2;
    /** How far they lie apart among each other, as a share of that. */
    private static final double APART = 0.5;
    /** A resistor in the way bows the way from usual ones to bad ones: the middle of that, and its deviation, against half way. */
    private static final double BOWED = 0.65;

    private static final double BOWS = 0.35;
    /** What is off besides, as a share of that; and where junctions lie, whose bow takes too long to compute, as a share of one standard deviation. */
    private static final double BESIDES = 0.1;

    private static final double UNKNOWN = 0.25;
    /** Share of what electrolytics take from the meter, from which on one of them is lifted to see behind it. */
    private static final double SEEN = 0.03;
    /** Logarithms that differ by less are the same: a quarter of what the meter errs. */
    private static final double SAME = METER / 4;

    private final Setting usual;
    private final FaultState sound;
    private final Sources sources;

    /** @param sound the state without a fault */
    public ColdResistanceModel(Setting usual, FaultState sound, Sources sources) {
        this.sources = sources;
        this.usual = usual;
        this.sound = sound;
    }

    /** An open circuit reads alike wherever it is: no sharper where it is expected than where the measurement slipped. */
    public static boolean open(double log) {
        return log >= LogScale.OHMS.most();
    }

    /** Whether ohms between any two nets cost next to nothing: a set without junctions. */
    public boolean quick() {
        return sound.cold(usual).quick();
    }

    /** Ohms that a sound set shows. */
    public double sound(Measurement.Ohms p) {
        return at(sound, p).log();
    }

    /** Electrolytics through which the meter sees a sound set there, the one that takes most first. */
    public List<String> through(Measurement.Ohms p) {
        return at(sound, p).over().stream()
                .filter(s -> s.share() > SEEN)
                .sorted(Comparator.comparingDouble(Share::share).reversed())
                .map(s -> sources.electrolytics().get(s.source()))
                .toList();
    }

    /**
     * What a state shows at a measurement.
     *
     * @param lain by how much electrolytics that have lain for decades move it; where none lies in the meter's way that need not be computed
     * @param shares of the parts that move it, each by which share of itself
     * @param bow by how much the way there is bowed, half way
     * @param over the electrolytics in the meter's way, each by its share of what all of them take
     * @param rest share of what is neither a resistor, nor a capacitor, nor at fault
     */
    public record At(double log, double lain, double bow, List<Share> shares, List<Share> over, double rest) {
        /** Whether no meter tells them apart. */
        boolean alike(At other) {
            return Math.abs(log - other.log) < SAME
                    && Math.abs(lain - other.lain) < SAME
                    && Math.abs(bow - other.bow) < SAME
                    && Math.abs(rest - other.rest) < SAME;
        }

        void write(DataOutput out) throws IOException {
            for (double d : new double[] {log, lain, bow, rest}) out.writeDouble(d);
            for (List<Share> some : List.of(shares, over)) {
                out.writeInt(some.size());
                for (Share s : some) {
                    out.writeInt(s.source());
                    out.writeDouble(s.share());
                }
            }
        }

        static At read(DataInput in) throws IOException {
            double log = in.readDouble();
            double lain = in.readDouble();
            double bow = in.readDouble();
            double rest = in.readDouble();
            List<Share> shares = shares(in);
            return new At(log, lain, bow, shares, shares(in), rest);
        }

        private static List<Share> shares(DataInput in) throws IOException {
            List<Share> some = new ArrayList<>();
            for (int n = in.readInt(); n > 0; n--) some.add(new Share(in.readInt(), in.readDouble()));
            return List.copyOf(some);
        }
    }

    /** @param source its place among the parts, or among the electrolytics */
    public record Share(int source, double share) {}

    private At at(FaultState state, Measurement.Ohms p) {
        At alike = sound.unplugged().get(p);
        return state.unplugged()
                .computeIfAbsent(
                        p,
                        k -> alike != null && state != sound && (unchanged(state, p) || aside(state, p, alike))
                                ? alike
                                : computed(state, k));
    }

    /** Whether an ohmmeter knows nothing of what is wrong: of lost farads, of a tube's emission. */
    private boolean unchanged(FaultState state, Measurement.Ohms p) {
        return state.cold(usual.withFaults(p.off())).unchanged();
    }

    /** Whether what is wrong lies aside of the meter's current, whose solution of the sound set is at hand: then it reads as there. */
    private boolean aside(FaultState state, Measurement.Ohms p, At alike) {
        Setting setting = usual.withFaults(p.off());
        return !quick()
                && state.nets().stream()
                        .allMatch(nets -> sound.cold(setting).leavesLevel(p.net(), p.against(), p.test(), nets)
                                && (alike.over().isEmpty()
                                        || sound.worn(setting).leavesLevel(p.net(), p.against(), p.test(), nets)));
    }

    private At computed(FaultState state, Measurement.Ohms p) {
        Setting setting = usual.withFaults(p.off());
        ColdSet set = state.cold(setting);
        Map<String, Double> taken = set.shares(p.net(), p.against(), p.test());
        double log = shown(set, p);
        List<Share> shares = new ArrayList<>();
        for (int n = 0; n < sources.parts().size(); n++) {
            Double share = taken.get(sources.parts().get(n));
            if (share != null && !state.decides(sources.parts().get(n))) shares.add(new Share(n, share));
        }
        List<Share> over = over(taken);
        double worn = over.isEmpty() ? 0 : shown(state.worn(setting), p) - log;
        double bow = over.isEmpty() || !quick() ? 0 : shown(state.halfWorn(setting), p) - log - worn / 2;
        return new At(
                log + USUALLY * worn + BOWED * bow,
                LAIN * worn,
                bow,
                List.copyOf(shares),
                over,
                rest(state, setting, taken));
    }

    /** Leaks, of a capacitor or of a fault, have their spread in what electrolytics do and in the severity; what a faulty part has as a sound one differs from set to set as there. */
    private double rest(FaultState state, Setting setting, Map<String, Double> taken) {
        double known = 0;
        for (Map.Entry<String, Double> e : taken.entrySet()) {
            String part = OperatingPoint.reference(e.getKey());
            boolean ofTheFault = state.faulty(part) && !sound.cold(setting).has(e.getKey());
            if (sources.parts().contains(e.getKey()) || sources.capacitors().contains(part) || ofTheFault)
                known += e.getValue();
        }
        return Math.max(0, 1 - known);
    }

    private List<Share> over(Map<String, Double> taken) {
        double[] each = new double[sources.electrolytics().size()];
        taken.forEach((element, share) -> {
            int n = sources.electrolytics().indexOf(OperatingPoint.reference(element));
            if (n >= 0) each[n] += share;
        });
        double all = Arrays.stream(each).sum();
        return IntStream.range(0, each.length)
                .filter(n -> each[n] > 0)
                .mapToObj(n -> new Share(n, each[n] / all))
                .toList();
    }

    private static double shown(ColdSet set, Measurement.Ohms p) {
        return LogScale.OHMS.of(set.between(p.net(), p.against(), p.test()));
    }

    /** Computes at once, on all processors, what would be computed when asked for. */
    void ready(
            SeverityBisection bisection,
            List<List<FaultState>> ladders,
            Collection<? extends Measurement> measurements) {
        List<Measurement.Ohms> all = measurements.stream()
                .filter(Measurement.Ohms.class::isInstance)
                .map(Measurement.Ohms.class::cast)
                .toList();
        if (all.isEmpty()) return;
        // the others start from its answers
        for (List<Fault> off :
                all.stream().map(Measurement.Ohms::off).distinct().toList()) {
            Setting setting = usual.withFaults(off);
            sound.cold(setting);
            sound.worn(setting);
            if (quick()) sound.halfWorn(setting);
        }
        all.forEach(p -> at(sound, p));
        bisection.over(ladders, new SeverityBisection.Answer() {
            @Override
            public boolean known(FaultState state) {
                return state.unplugged().keySet().containsAll(all);
            }

            @Override
            public void compute(Simulator engine, FaultState state) {
                all.forEach(p -> at(state, p));
            }

            @Override
            public boolean settles(FaultState least, List<FaultState> between, FaultState most) {
                boolean settled = true;
                for (Measurement.Ohms p : all) {
                    At one = at(least, p);
                    if (one.alike(at(most, p)))
                        between.forEach(s -> s.unplugged().putIfAbsent(p, one));
                    else settled = false;
                }
                return settled;
            }
        });
    }

    /** Ohms of a resistor that is lifted; they say nothing where nobody knows what it should have. */
    public GaussianPrediction itself(SeverityInterval ends, Part part, Component.Resistor r) {
        double least = LogScale.OHMS.of(ends.least().ohms(part, r, usual));
        double most = LogScale.OHMS.of(ends.most().ohms(part, r, usual));
        double[] shares = sources.none();
        int n = sources.parts().indexOf(part.reference());
        if (n >= 0 && !ends.least().faulty(part.reference()))
            shares[n] = sources.spreads().get(n) / Math.log(10);
        shares[sources.severity()] = SeverityInterval.SEVERITY * (most - least);
        double noise = open(least) ? OHMS : METER;
        return new GaussianPrediction((least + most) / 2, shares, r.ohms() > 0 ? noise : LogScale.OHMS.range());
    }

    /** Where junctions lie, half way would take too long to compute and is taken to lie on the straight line. */
    public GaussianPrediction foreseen(SeverityInterval ends, Measurement.Ohms p) {
        At from = at(ends.least(), p);
        At to = at(ends.most(), p);
        double least = from.log();
        double most = to.log();
        At at = quick() && !from.alike(to) ? at(ends.middle(), p) : from;
        double half = quick() ? at.log() : (least + most) / 2;
        double[] shares = sources.none();
        for (Share x : at.shares())
            shares[x.source()] = x.share() * sources.spreads().get(x.source()) / Math.log(10);
        // read again through the same electrolytic it is the same: what is its own moves all these readings alike
        for (Share x : at.over()) shares[sources.electrolytic(x.source())] = APART * x.share() * at.lain();
        shares[sources.bowed()] = BOWS * at.bow();
        shares[sources.bent()] = SeverityInterval.bends(least, half, most);
        shares[sources.lain()] = at.lain();
        shares[sources.severity()] = SeverityInterval.SEVERITY * (most - least);
        double rest = (quick() ? OHMS : JUNCTIONS) * at.rest();
        double noise = open(least) && open(most) ? OHMS : Math.hypot(METER, rest);
        double besides = quick() ? BESIDES * at.bow() : UNKNOWN * at.lain();
        return new GaussianPrediction(SeverityInterval.value(least, half, most), shares, Math.hypot(noise, besides));
    }
}
