package anabion.benchmarks.alignment;

import anabion.core.align.AdjusterEffects;
import anabion.core.align.AlignmentLine;
import anabion.core.align.AlignmentProcedure;
import anabion.core.align.Travel;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import anabion.core.signal.FrontEnd;
import anabion.core.signal.FrontEnd.Circuit;
import anabion.core.signal.FrontEnd.Turned;
import anabion.core.signal.TunedSet;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Function;

/**
 * A specimen whose adjusters stand anywhere within their travel, with parts that differ from their sheet; perhaps with a fault. Who aligns it turns adjusters, sets the dial
 * and reads an indicator, and sees nothing else.
 */
final class HiddenSet {
    private static final double PADDER = 0.3;
    /** Standard deviation of coils and small capacitors. */
    private static final double SCATTER = 0.02;

    /** The meter's own error, the same at every reading … */
    private static final double METER = 0.02;
    /** … and what differs from one to the next. */
    private static final double JITTER = 0.005;

    /** Decibels by which an ear errs from one listening to the next, one standard deviation. */
    private static final double EAR = 1;

    /** What an indicator shows of itself, against the aligned set. */
    private static final double NOISE = 3e-4;

    /** What is left of a change by a factor of e above the knee of the AVC. */
    private static final double FLAT = 0.15;

    private static final int TURNS = 8;
    private static final int HALVINGS = 24;

    private final Chassis chassis;
    private final AdjusterEffects effects;
    private final TunedSet set;
    private final List<Circuit> circuits;
    private final Random random;
    /** Where each adjuster stands, from −1 to 1. */
    private final Map<String, Double> stands = new LinkedHashMap<>();
    /** By how much the circuits are off with every adjuster in the middle: of a coil or capacitor a factor. */
    private final Map<String, Double> off = new HashMap<>();

    private final Optional<Part> fault;
    private final double meter;
    private boolean listening;

    /** @param wrong a capacitor that is off by a fifth; empty for a sound specimen */
    HiddenSet(Chassis chassis, TunedSet set, AlignmentProcedure procedure, Optional<Part> wrong, Random random) {
        this.chassis = chassis;
        this.effects = new AdjusterEffects(chassis);
        this.set = set;
        this.circuits = set.frontEnd().circuits();
        this.random = random;
        this.fault = wrong;
        this.meter = 1 + METER * random.nextGaussian();
        for (Part p : chassis.parts()) {
            if (p.component() instanceof Component.Windings w && p.role().isPresent())
                for (Winding x : w.windings())
                    off.put(Setting.core(p.reference(), x), 1 + SCATTER * random.nextGaussian());
            else if (p.component() instanceof Component.Capacitor c
                    && c.farads().size() == 1
                    && c.farads().get(0) < 2e-9) off.put(p.reference(), 1 + SCATTER * random.nextGaussian());
        }
        wrong.ifPresent(p -> off.put(p.reference(), random.nextBoolean() ? 1.2 : 0.8));
        for (AlignmentLine l : procedure.lines())
            for (Adjuster a : l.adjusters()) stands.put(a.letter(), 1.6 * random.nextDouble() - 0.8);
    }

    /** The same, heard instead of read. */
    HiddenSet heard() {
        listening = true;
        return this;
    }

    Optional<Part> fault() {
        return fault;
    }

    double stands(Adjuster a) {
        return stands.get(a.letter());
    }

    void turn(Adjuster a, double to) {
        stands.put(a.letter(), Math.max(-1, Math.min(1, to)));
    }

    private Map<String, Double> shares() {
        Map<String, Double> shares = new HashMap<>();
        for (Adjuster a : chassis.adjusters())
            if (stands.containsKey(a.letter()))
                Travel.of(chassis, a)
                        .ifPresent(t -> shares.put(
                                a.letter(), stands.get(a.letter()) * (t == Travel.PADDER ? PADDER : t.reach())));
        return shares;
    }

    private Map<String, Double> trims() {
        Map<String, Double> trims = new HashMap<>(off);
        effects.trims(shares()).forEach((k, v) -> trims.merge(k, v, (x, y) -> x * y));
        return trims;
    }

    private Turned turned(Circuit c) {
        return effects.turned(c, shares(), off);
    }

    private Turned oscillator() {
        return turned(circuits.get(0));
    }

    private List<Turned> signals() {
        List<Turned> all = new ArrayList<>();
        for (Circuit c : circuits.subList(1, circuits.size())) all.add(turned(c));
        return all;
    }

    /**
     * What the output meter shows on a line.
     *
     * @param level of the generator, against the one that the sheet begins with; the AVC flattens what is above the standard output
     */
    double read(AlignmentLine l, double dial, double level) {
        double is = level * is(l, dial);
        double shown = is <= 1 ? is : 1 + FLAT * Math.log(is);
        // an ear has no memory for less than a decibel or so
        if (listening)
            return shown * Math.pow(10, EAR * random.nextGaussian() / 20) + NOISE * Math.abs(random.nextGaussian());
        return shown * meter * (1 + JITTER * random.nextGaussian()) + NOISE * Math.abs(random.nextGaussian());
    }

    private double is(AlignmentLine l, double dial) {
        return l.dial().isEmpty()
                ? set.intermediate(trims(), l.hertz())
                : set.carrier(trims(), oscillator(), signals(), dial, l.hertz());
    }

    /** What is heard at a place of the dial, as somebody finds it who looks for stations. */
    double heard(double dial) {
        return set.heard(dial, oscillator());
    }

    /** Output at a place of the dial where a station is tuned in, against the aligned set. */
    double output(double dial) {
        double hertz = heard(dial);
        return Double.isFinite(hertz) ? set.carrier(trims(), oscillator(), signals(), dial, hertz) : 0;
    }

    /**
     * The best that its adjusters let it have at places of the dial: each circuit of the gang with its trimmer in tune at the high end and its core or padder at the low;
     * what has no adjuster, and what lies between, stays as this specimen has it.
     */
    List<Double> best(double... dials) {
        FrontEnd f = set.frontEnd();
        Turned oscillator = inTune(circuits.get(0), t -> f.receives(t));
        List<Turned> signals = new ArrayList<>();
        for (int n = 0; n < f.signals(); n++) {
            int which = n;
            signals.add(inTune(circuits.get(n + 1), t -> f.tunes(which, t)));
        }
        List<Double> all = new ArrayList<>();
        for (double dial : dials) {
            double heard = f.heard(dial, oscillator);
            double best = 1;
            for (int n = 0; n < signals.size(); n++) best *= TunedSet.response(heard, f.tuned(n, dial, signals.get(n)));
            all.add(best);
        }
        return all;
    }

    /** @param tunes where a circuit is in tune at each place of the dial */
    private Turned inTune(Circuit c, Function<Turned, Function<Double, Double>> tunes) {
        FrontEnd f = set.frontEnd();
        Turned now = new Turned(
                off.getOrDefault(c.coil().reference() + "." + c.winding(), 1.0),
                0,
                c.padder().map(p -> off.getOrDefault(p.reference(), 1.0)).orElse(1.0));
        boolean trimmed = chassis.adjusters().stream().anyMatch(a -> a.turns(c.trimmer()));
        boolean padded = chassis.adjusters().stream().anyMatch(a -> a.turns(c.padder()));
        boolean cored = chassis.adjusters().stream().anyMatch(a -> a.turns(c.coil(), c.winding()));
        for (int turn = 0; turn < TURNS; turn++) {
            Turned from = now;
            if (trimmed)
                now = halved(x -> new Turned(from.core(), x, from.padder()), from.trimmer(), 20e-12, f.high(), tunes);
            Turned then = now;
            if (padded)
                now = halved(x -> new Turned(then.core(), then.trimmer(), x), then.padder(), 0.3, f.low(), tunes);
            else if (cored)
                now = halved(x -> new Turned(x, then.trimmer(), then.padder()), then.core(), 0.2, f.low(), tunes);
        }
        return now;
    }

    /** One adjuster where it meets the dial, by bisection: more of it tunes lower. */
    private static Turned halved(
            Function<Double, Turned> turned,
            double middle,
            double reach,
            double dial,
            Function<Turned, Function<Double, Double>> tunes) {
        double low = middle - reach;
        double high = middle + reach;
        for (int k = 0; k < HALVINGS; k++) {
            double at = (low + high) / 2;
            double tuned = tunes.apply(turned.apply(at)).apply(dial);
            if (tuned > dial || Double.isNaN(tuned)) low = at;
            else high = at;
        }
        return turned.apply((low + high) / 2);
    }

    FrontEnd frontEnd() {
        return set.frontEnd();
    }
}
