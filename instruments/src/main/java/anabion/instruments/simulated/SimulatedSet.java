package anabion.instruments.simulated;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Winding;
import anabion.core.coldcheck.Discharge;
import anabion.core.error.InputException;
import anabion.core.power.PlanKind;
import anabion.core.power.PowerModel;
import anabion.core.power.SeriesLamp;
import anabion.core.power.SupplyCurve;
import anabion.core.power.SupplyPoint;
import anabion.core.power.WarmCathodes;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Specimen;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/**
 * One specimen of a set with something wrong, on a variac behind a lamp, as time goes on.
 *
 * <p>Method: the circuit is solved as it stands at each moment, its cathodes as warm as they are by then; what turns more power into heat than it bears warms
 * with it, and burns. A switched-off set's filters empty through what drew from them last. Not for several threads.
 */
final class SimulatedSet {
    /** Seconds of one step of the time at most: warming cathodes are followed in steps that grow. */
    private static final double STEP = 8;

    /** By which the inductances of a set that has drifted for decades are off, one standard deviation. */
    private static final double CORES = 0.008;
    /** Ohms of the wattmeter and its leads, and the share of the line from which they are felt. */
    private static final double BURDEN = 0.02;

    private static final double FELT = 0.002;
    private static final int HALVINGS = 14;
    /** Of the nominal line: below it is off. */
    private static final double OFF = 0.01;
    /** Share of its emission from which on a tube works. */
    private static final double WARM = 0.5;
    /** Shares of emission that are as good as the same, by their ratio, and as good as none. */
    private static final double FINE = 0.05;

    private static final double COLD = 1e-3;

    private final Chassis chassis;
    private final PowerModel nominal;
    private final Simulator engine = new Simulator();
    private final Map<String, Double> trims;
    private final List<Fault> wrong = new ArrayList<>();
    private final Heat heat;
    private final Adjustments adjustments;
    /** Of the filters that stand high. */
    private final double farads;

    private List<String> lifted = List.of();
    private double dial;
    private Optional<SeriesLamp> lamp = Optional.empty();
    private String band = "";
    private WarmCathodes cathodes;
    private Optional<Powered> now = Optional.empty();
    private Optional<Left> left = Optional.empty();

    /**
     * The set as it was last solved.
     *
     * @param volts at the set
     */
    private record Powered(
            State state, double volts, Simulator.PreparedCircuit bench, OperatingPoint point, SupplyPoint supply) {}

    /** All that a solution follows from. */
    private record State(
            double dial, Optional<SeriesLamp> lamp, String band, List<Fault> faults, Map<String, Long> warmth) {}

    /** What filters hold after a set was switched off: all volts fade together. */
    private record Left(OperatingPoint point, double seconds, double since) {
        double share() {
            return Math.exp(-since / seconds);
        }
    }

    /**
     * @param seed decides how far its parts are from nominal
     * @throws InputException if its circuit cannot be computed, or no part can fail so
     */
    SimulatedSet(Chassis chassis, List<Fault> wrong, long seed) {
        new Faults(chassis, wrong); // refuses what makes no sense
        this.chassis = chassis;
        this.nominal = PowerModel.sound(chassis);
        this.trims = new HashMap<>(Specimen.of(chassis, seed));
        trims.putAll(cores(chassis, seed));
        this.wrong.addAll(wrong);
        this.cathodes = WarmCathodes.cold(chassis);
        this.heat = new Heat(chassis);
        this.adjustments = new Adjustments(chassis, seed);
        this.farads = Discharge.of(chassis).map(Discharge::farads).orElse(0.0);
    }

    /** Where the cores of the intermediate frequency stand, as factors of their inductances. */
    private static Map<String, Double> cores(Chassis chassis, long seed) {
        Random random = new Random(~seed);
        Map<String, Double> all = new HashMap<>();
        for (Part p : chassis.parts())
            if (p.is(PartRole.IF_TRANSFORMER) && p.component() instanceof Component.Windings w)
                for (Winding x : w.windings())
                    all.put(Setting.core(p.reference(), x), 1 + CORES * random.nextGaussian());
        return all;
    }

    Chassis chassis() {
        return chassis;
    }

    /** The specimen without anything wrong. */
    Setting sound() {
        Map<String, Double> all = new HashMap<>(trims);
        adjustments.trims().forEach((k, v) -> all.merge(k, v, (a, b) -> a * b));
        return Setting.of(nominal.nominal()).withTrims(all).withBand(band);
    }

    /** A carrier on its way through the gang's circuits; as {@link Adjustments#arrived}. */
    Optional<Adjustments.Arrived> arrived(Band chosen, double tuned, double hertz) {
        return adjustments.arrived(trims, nominal.nominal(), chosen, tuned, hertz);
    }

    Adjustments adjustments() {
        return adjustments;
    }

    List<Fault> faults() {
        List<Fault> all = new ArrayList<>(wrong);
        all.addAll(CircuitPredictor.open(chassis, lifted));
        all.addAll(heat.burnt());
        return all;
    }

    // --- what hands do ---

    boolean on() {
        return dial > OFF * nominal.nominal();
    }

    double dial() {
        return dial;
    }

    /** @throws InputException above one and a quarter times the nominal volts */
    void turn(double volts) {
        double most = 1.25 * nominal.nominal();
        if (!(volts >= 0 && volts <= most))
            throw InputException.at(String.valueOf(volts))
                    .because("this supply gives 0 to " + Math.round(most) + " V")
                    .so("turn it lower");
        if (on() && volts <= OFF * nominal.nominal()) left = Optional.of(filters());
        dial = volts;
        if (on()) left = Optional.empty();
    }

    private Left filters() {
        OperatingPoint o = powered().point();
        double volts = 0;
        double amperes = 1e-5;
        for (var c : o.supplies().values())
            if (Math.abs(c.volts()) > Math.abs(volts)) {
                volts = c.volts();
                amperes = Math.max(amperes, Math.abs(c.amperes()));
            }
        return new Left(o, Math.max(1e-3, farads * Math.abs(volts) / amperes), 0);
    }

    void lamp(Optional<SeriesLamp> other) {
        needOff();
        lamp = other;
    }

    Optional<SeriesLamp> lamp() {
        return lamp;
    }

    void band(String name) {
        band = name;
    }

    String band() {
        return band;
    }

    void lift(List<String> parts) {
        needOff();
        lifted = List.copyOf(parts);
    }

    /** A new part, as it should be. */
    void renew(String part) {
        needOff();
        wrong.removeIf(f -> f.part().equals(part));
        heat.renewed(part);
        trims.keySet().removeIf(k -> k.equals(part) || k.startsWith(part + "."));
    }

    private void needOff() {
        if (on()) throw InputException.at("the set").because("it is on").so("turn the variac to 0 first");
    }

    // --- time ---

    /** Lets time pass. */
    void pass(double seconds) {
        left = left.map(l -> new Left(l.point(), l.seconds(), l.since() + seconds));
        double step = 1;
        for (double t = 0; t < seconds; t += step, step = Math.min(STEP, 1.5 * step)) {
            double part = Math.min(step, seconds - t);
            cathodes = cathodes.after(warmth(), part);
            if (on()) {
                Powered p = powered();
                heat.warm(p.supply(), nominal, part);
            } else heat.cool(part);
        }
    }

    /** Share of their rated volts that the heaters have in the end. */
    private double warmth() {
        return on() ? powered().volts() / nominal.nominal() : 0;
    }

    // --- what can be measured ---

    /** The set at work.
     *
     * @throws IllegalStateException if it is off */
    private Powered powered() {
        double estimate = now.map(Powered::volts).orElse(dial);
        State wanted = state(estimate);
        if (now.filter(n -> n.state().equals(wanted)).isEmpty()) now = Optional.of(solved(wanted));
        return now.orElseThrow();
    }

    private State state(double volts) {
        Map<String, Long> warm = new HashMap<>();
        cathodes.shares(Math.max(OFF, volts / nominal.nominal())).forEach((tube, share) -> warm.put(tube, warm(share)));
        return new State(dial, lamp, band, faults(), warm);
    }

    /** On a scale of ratios; what gives next to nothing is all alike. */
    private static long warm(double share) {
        return Math.round(Math.log(Math.max(share, COLD)) / FINE);
    }

    /** Behind a lamp the set's volts and the lamp's make up the dial's: both rise with the set's, so halving finds them. */
    private Powered solved(State state) {
        if (lamp.isEmpty()) {
            Powered p = at(state, dial);
            double burden = BURDEN * p.supply().amperes();
            return burden < FELT * dial ? p : at(state, dial - burden);
        }
        double low = 0;
        double high = dial;
        // nothing moves far from one moment to the next
        Powered p = at(state, Math.min(dial, now.map(Powered::volts).orElse(dial)));
        for (int n = 0; n < HALVINGS && high - low > 0.002 * dial; n++) {
            double over = p.volts() + lamp.get().across(p.supply().amperes()) - dial;
            if (over > 0) high = p.volts();
            else low = p.volts();
            // what the lamp leaves at this current is a good guess where it changes little
            double guess = dial - lamp.get().across(p.supply().amperes());
            double next = guess > low && guess < high ? guess : (low + high) / 2;
            if (Math.abs(next - p.volts()) < 0.001 * dial) break;
            p = at(state, next);
        }
        return p;
    }

    private Powered at(State state, double volts) {
        double share = Math.max(OFF, volts / nominal.nominal());
        Map<String, Double> all = new HashMap<>(trims);
        cathodes.shares(share).forEach((tube, x) -> all.merge(tube, x, (a, b) -> a * b));
        Setting setting = Setting.of(Math.max(volts, OFF * nominal.nominal()))
                .withBand(band)
                .withTrims(all)
                .withFaults(state.faults())
                .withControls(Controls.volume(chassis, 0));
        Simulator.PreparedCircuit bench = engine.prepare(chassis, setting);
        OperatingPoint o = bench.solve();
        SupplyPoint p = SupplyCurve.point(chassis, setting.line(), o, nominal.rails());
        double iron = nominal.iron() * share * share;
        SupplyPoint with = new SupplyPoint(
                volts,
                p.amperes() + iron / Math.max(volts, 1),
                p.watts() + iron,
                p.rails(),
                p.ripples(),
                p.overloads());
        return new Powered(state, volts, bench, o, with);
    }

    /** Whether its cathodes give a good part of what they will. */
    boolean warm() {
        return on()
                && cathodes.shares(Math.max(OFF, powered().volts() / nominal.nominal())).values().stream()
                        .allMatch(x -> x > WARM);
    }

    /** Volts, amperes and watts at the set. */
    SupplyPoint load() {
        return on() ? powered().supply() : new SupplyPoint(0, 0, 0, Map.of(), Map.of(), List.of());
    }

    /** Where it works now; empty where it is off. */
    Optional<OperatingPoint> point() {
        return on() ? Optional.of(powered().point()) : Optional.empty();
    }

    /** Direct volts between two nets, by a meter of so many ohms. */
    double direct(String plus, String minus, double ohms) {
        if (plus.equals(minus)) return 0;
        if (!on())
            return left.map(l -> l.share() * between(l.point(), plus, minus)).orElse(0.0);
        Powered p = powered();
        return between(p.bench().solveWithMeter(plus, minus, ohms), plus, minus);
    }

    private double between(OperatingPoint o, String plus, String minus) {
        return o.volts(plus).orElse(0) - o.volts(minus).orElse(0);
    }

    /** Effective alternating volts between two nets: of the mains and what they feed, and ripple. */
    double alternating(String plus, String minus) {
        if (!on() || plus.equals(minus)) return 0;
        return powered().point().alternating(plus, minus);
    }

    /** Whether an ohmmeter would find volts there. */
    boolean live(String plus, String minus) {
        return on() || Math.abs(direct(plus, minus, Double.POSITIVE_INFINITY)) > 0.5;
    }

    /** Whether it hangs on something that alternates. */
    boolean onMains() {
        return PlanKind.of(chassis).usesVariac();
    }

    // --- what can be seen ---

    Heat heat() {
        return heat;
    }

    double nominalVolts() {
        return nominal.nominal();
    }
}
