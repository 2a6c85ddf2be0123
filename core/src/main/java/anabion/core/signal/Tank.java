package anabion.core.signal;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Winding;
import anabion.core.circuit.SmallSignal;
import anabion.core.numeric.LruCache;
import anabion.core.numeric.Phasor;
import anabion.core.signal.FrontEnd.Turned;
import anabion.core.simulation.setting.Setting;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * One circuit of a band that a section of the gang tunes: the coil that counts most there, a trimmer and a padder where it has them.
 *
 * <p>Method: with the section out, the network of coils and capacitors has an admittance at the section's net; it is in tune where the section's
 * capacitance cancels its imaginary part. So each frequency names the capacitance that it needs, and no resonance has to be sought. What no
 * sheet tells (the capacitance of wiring and tubes) is added across the coil by {@link #fitted}.
 *
 * <p>A coil that the dial tunes by its core likewise names the factor of its inductance that each frequency needs: the one at which its net wants no more capacitance
 * (by the secant method in the reciprocal of the factor, in which a lone coil is a straight line).
 */
final class Tank {
    private static final double STEP = 0.01;
    private static final double OTHER = 3;
    private static final double EXACT = 1e-9;
    private static final int KEPT = 32;
    private static final double PICO = 1e-12;
    /** Farads by which a part must move the tuning for a small step of its own to belong here. */
    private static final double COUNTS = 5e-14;
    /** Where a trimmer stands of which nothing is known: the middle of its travel, as it left the works. */
    static final double MIDDLE = 0.5;

    private static final int STEPS = 40;
    private static final int HALVINGS = 6;
    /** The longest step of the fit: a fifth of the inductance, 50 pF. */
    private static final double MOST_LOGARITHM = 0.2;

    private static final double MOST_FARADS = 50e-12;

    private final Chassis chassis;
    private final Function<Setting, Networks> networks;
    private final Setting setting;
    /** Of the sheet's values: others share its direct-current circuit. */
    private final SmallSignal base;

    private final String net;
    private final Part coil;
    private final Winding winding;
    private final Optional<Part> trimmer;
    private final Optional<Part> padder;
    private final String hot;
    /** The factor of the coil's inductance and the farads across it that are added to what the sheet says. */
    private final double core;

    private final double stray;

    private final boolean slug;

    private Tank(
            Chassis chassis,
            Function<Setting, Networks> networks,
            Setting setting,
            SmallSignal base,
            String net,
            Part coil,
            Winding winding,
            Optional<Part> trimmer,
            Optional<Part> padder,
            String hot,
            double core,
            double stray,
            boolean slug) {
        this.slug = slug;
        this.chassis = chassis;
        this.networks = networks;
        this.setting = setting;
        this.base = base;
        this.net = net;
        this.coil = coil;
        this.winding = winding;
        this.trimmer = trimmer;
        this.padder = padder;
        this.hot = hot;
        this.core = core;
        this.stray = stray;
    }

    private record Coil(Part part, Winding winding) {}

    /**
     * The circuit at a net of the gang.
     *
     * @param own whether a part may belong to it
     * @param hertz somewhere in its range
     * @return empty where no coil of which the inductance is known tunes it
     */
    static Optional<Tank> at(
            String net,
            Predicate<Part> own,
            double hertz,
            Chassis chassis,
            Function<Setting, Networks> networks,
            Setting setting) {
        List<Part> parts = chassis.parts().stream().filter(own).toList();
        SmallSignal plain = networks.apply(setting).passive();
        if (plain.circuit().node(net).isEmpty()) return Optional.empty();
        double before = needed(plain, net, chassis, hertz);
        Function<String, Double> moved = trim -> Math.abs(
                needed(networks.apply(trimmed(setting, Map.of(trim, 1 + STEP))).passive(plain), net, chassis, hertz)
                        - before);
        Optional<Coil> strongest = strongest(
                parts.stream()
                        .flatMap(p -> p.component() instanceof Component.Windings w
                                ? w.windings().stream()
                                        .filter(x -> x.henries() > 0)
                                        .map(x -> new Coil(p, x))
                                : Stream.empty()),
                c -> moved.apply(Setting.core(c.part().reference(), c.winding())),
                COUNTS);
        if (strongest.isEmpty()) return Optional.empty();
        Coil coil = strongest.get();
        Function<Predicate<Part>, Optional<Part>> effective =
                kind -> strongest(parts.stream().filter(kind), p -> moved.apply(p.reference()), COUNTS / 2);
        Part part = coil.part();
        Winding winding = coil.winding();
        SmallSignal.Volts volts = plain.at(hertz).driven(net, chassis.reference());
        String hot = Stream.of(winding.from(), winding.to())
                .map(t -> part.nets().getOrDefault(t, chassis.reference()))
                .filter(n -> plain.circuit().node(n).isPresent())
                .max(Comparator.comparingDouble(n -> volts.at(n).size()))
                .orElse(net);
        return Optional.of(new Tank(
                chassis,
                networks,
                setting,
                plain,
                net,
                part,
                winding,
                effective.apply(p -> p.role().filter(PartRole::isTrimmer).isPresent()),
                effective.apply(p -> p.is(PartRole.PADDER)),
                hot,
                1,
                0,
                winding.slug()));
    }

    /** What counts most, each looked at once; empty where nothing counts enough. */
    private static <T> Optional<T> strongest(Stream<T> all, Function<T, Double> counts, double least) {
        return all.map(x -> Map.entry(x, counts.apply(x)))
                .filter(e -> e.getValue() > least)
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey);
    }

    private static Setting trimmed(Setting setting, Map<String, Double> more) {
        Map<String, Double> trims = new HashMap<>(setting.trims());
        more.forEach((k, v) -> trims.merge(k, v, (a, b) -> a * b));
        return setting.withTrims(trims);
    }

    private static double needed(SmallSignal network, String net, Chassis chassis, double hertz) {
        Phasor z = network.at(hertz).driven(net, chassis.reference()).at(net);
        return z.im() / (z.size() * z.size()) / (2 * Math.PI * hertz);
    }

    String net() {
        return net;
    }

    Part coil() {
        return coil;
    }

    Winding winding() {
        return winding;
    }

    Optional<Part> trimmer() {
        return trimmer;
    }

    Optional<Part> padder() {
        return padder;
    }

    /** The factor of the sheet's inductance at which it is aligned. */
    double core() {
        return core;
    }

    /** Farads of wiring and tubes across the coil where it is aligned. */
    double stray() {
        return stray;
    }

    /** The largest farads of its trimmer. */
    double span() {
        return trimmer.map(p -> ((Capacitor) p.component()).farads().get(0)).orElse(0.0);
    }

    /**
     * The circuit with something turned, ready to be asked at many frequencies for what must tune it there: the farads of its section, or the factor of its slug's
     * inductance.
     */
    Function<Double, Double> changed(Turned c) {
        return changed(c, List.of());
    }

    /** Likewise with something wrong that its network feels. */
    Function<Double, Double> changed(Turned c, List<Fault> faults) {
        if (!slug) return farads(c, faults);
        LruCache<Double, Function<Double, Double>> at = new LruCache<>(KEPT);
        return hertz -> slug(u -> at.get(u, () -> farads(new Turned(c.core() / u, c.trimmer(), c.padder()), faults))
                .apply(hertz));
    }

    /** @param farads that are lacking at the reciprocal of a factor */
    private static double slug(Function<Double, Double> farads) {
        double before = 1;
        double was = farads.apply(before);
        double u = 1.1;
        for (int n = 0; n < STEPS; n++) {
            double now = farads.apply(u);
            double next = u - now * (u - before) / (now - was);
            if (!Double.isFinite(next)) return now == 0 ? 1 / u : Double.NaN;
            next = Math.max(u / OTHER, Math.min(u * OTHER, next));
            if (Math.abs(next - u) < EXACT * u) return 1 / next;
            before = u;
            was = now;
            u = next;
        }
        return Double.NaN;
    }

    private Function<Double, Double> farads(Turned c, List<Fault> faults) {
        Map<String, Double> trims = new HashMap<>();
        trims.put(Setting.core(coil.reference(), winding), core * c.core());
        double across = stray;
        if (trimmer.isPresent()) trims.put(trimmer.get().reference(), MIDDLE + c.trimmer() / span());
        else across += c.trimmer();
        padder.ifPresent(p -> trims.put(p.reference(), c.padder()));
        SmallSignal network =
                networks.apply(trimmed(setting.withFaults(faults), trims)).passive(base);
        network.capacitor(hot, chassis.reference(), across, 0);
        return hertz -> needed(network, net, chassis, hertz);
    }

    boolean slug() {
        return slug;
    }

    /** The circuit with its coil such that its core is all the way in at a frequency; empty where none does it. */
    Optional<Tank> allIn(double hertz) {
        double factor = changed(Turned.NOTHING).apply(hertz);
        return Double.isFinite(factor) && factor > 0 ? Optional.of(with(factor, 0)) : Optional.empty();
    }

    /**
     * The circuit with its core and stray capacitance such that it needs two capacitances at two frequencies (Newton's method in the
     * logarithm of the inductance and in the capacitance, halving a step that does not come nearer).
     *
     * @return empty where it does not come there
     */
    Optional<Tank> fitted(double lowHertz, double lowFarads, double highHertz, double highFarads) {
        double logarithm = 0;
        double farads = 10 * PICO;
        for (int n = 0; n < STEPS; n++) {
            double[] e = errors(logarithm, farads, lowHertz, lowFarads, highHertz, highFarads);
            if (Math.abs(e[0]) + Math.abs(e[1]) < 1e-5 * PICO) return Optional.of(with(Math.exp(logarithm), farads));
            double[] a = errors(logarithm + 1e-4, farads, lowHertz, lowFarads, highHertz, highFarads);
            double[] b = errors(logarithm, farads + 0.01 * PICO, lowHertz, lowFarads, highHertz, highFarads);
            double a0 = (a[0] - e[0]) / 1e-4;
            double a1 = (a[1] - e[1]) / 1e-4;
            double b0 = (b[0] - e[0]) / (0.01 * PICO);
            double b1 = (b[1] - e[1]) / (0.01 * PICO);
            double determinant = a0 * b1 - a1 * b0;
            if (determinant == 0 || !Double.isFinite(determinant)) return Optional.empty();
            double x = -(e[0] * b1 - e[1] * b0) / determinant;
            double y = -(a0 * e[1] - a1 * e[0]) / determinant;
            double size = Math.hypot(e[0], e[1]);
            double share = Math.min(1, Math.min(MOST_LOGARITHM / Math.abs(x), MOST_FARADS / Math.abs(y)));
            for (int half = 0; half < HALVINGS; half++, share /= 2) {
                double[] there =
                        errors(logarithm + share * x, farads + share * y, lowHertz, lowFarads, highHertz, highFarads);
                if (Math.hypot(there[0], there[1]) < size) break;
            }
            logarithm += share * x;
            farads += share * y;
        }
        return Optional.empty();
    }

    private double[] errors(
            double logarithm, double farads, double lowHertz, double lowFarads, double highHertz, double highFarads) {
        var at = with(Math.exp(logarithm), farads).changed(Turned.NOTHING);
        return new double[] {at.apply(lowHertz) - lowFarads, at.apply(highHertz) - highFarads};
    }

    private Tank with(double otherCore, double otherStray) {
        return new Tank(
                chassis,
                networks,
                setting,
                base,
                net,
                coil,
                winding,
                trimmer,
                padder,
                hot,
                otherCore,
                otherStray,
                slug);
    }
}
