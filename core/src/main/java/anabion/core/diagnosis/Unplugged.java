package anabion.core.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.engine.ColdSet;
import anabion.core.engine.Operating;
import anabion.core.engine.Setting;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What an ohmmeter shows on every state of a set with the power off, as logarithms.
 *
 * <p>Resistors move ohms by the share of the ohmmeter's power that they take; what is no resistor has a tolerance of its own. Besides there is the state
 * of the electrolytics, which nobody knows before they are formed, and the severity.
 */
final class Unplugged {
    /** Deviation of the logarithm of ohms in circuit: tolerances of what lies there, and the meter. */
    static final double OHMS = 0.04;

    /** From here on a meter shows no more than open. */
    static final double MOST = 3e7;

    private static final double LEAST = 0.3;
    /** The same deviation of what junctions make up: their leakage and their warmth differ. */
    private static final double JUNCTIONS = 0.1;
    /** The same of the meter alone, where tolerances are known. */
    private static final double METER = 0.012;

    /** One standard deviation of the state of electrolytics, as a share of the way from usual ones to those that leak badly. */
    private static final double LAIN = 0.5;
    /** How far they lie apart among each other, and by what the way is bent, as a share of that. */
    private static final double APART = 0.5;

    private final Setting usual;
    private final State sound;
    private final Set<String> electrolytics;
    private final String[] sources;
    private final double[] spreads;

    /**
     * @param sound the state without a fault
     * @param sources the parts that differ from specimen to specimen, each with …
     * @param spreads … its standard deviation as a fraction
     */
    Unplugged(Chassis chassis, Setting usual, State sound, String[] sources, double[] spreads) {
        this.sources = sources;
        this.spreads = spreads;
        this.usual = usual;
        this.sound = sound;
        this.electrolytics = chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Capacitor c
                        && c.dielectric().equals("electrolytic"))
                .map(Part::reference)
                .collect(Collectors.toSet());
    }

    static double log(double ohms) {
        return Math.log10(Math.max(LEAST, Math.min(MOST, ohms)));
    }

    static double range() {
        return Math.log10(MOST / LEAST);
    }

    /** An open circuit reads alike wherever it is: no sharper where it is expected than where the probe slipped. */
    static boolean open(double log) {
        return log >= Math.log10(MOST);
    }

    /** Whether ohms between any two nets cost next to nothing: a set without junctions. */
    boolean quick() {
        return sound.cold(usual).quick();
    }

    double sound(Probe.Ohms p) {
        return at(sound, p).log();
    }

    /**
     * What a state shows at a probe.
     *
     * @param lain by how much electrolytics that have lain for decades move it; where none lies in the meter's way that need not be computed
     * @param shares of the parts that move it, each by which share of itself
     */
    record At(double log, double lain, List<Share> shares) {}

    /** @param source its place among the sources */
    record Share(int source, double share) {}

    private At at(State state, Probe.Ohms p) {
        return state.unplugged().computeIfAbsent(p, k -> computed(state, k));
    }

    private At computed(State state, Probe.Ohms p) {
        ColdSet set = state.cold(usual);
        Map<String, Double> taken = set.shares(p.net(), p.against(), p.test());
        double log = shown(set, p);
        boolean over =
                taken.keySet().stream().anyMatch(element -> electrolytics.contains(Operating.reference(element)));
        List<Share> shares = new ArrayList<>();
        for (int n = 0; n < sources.length; n++) {
            Double share = taken.get(sources[n]);
            if (share != null) shares.add(new Share(n, share));
        }
        return new At(log, over ? LAIN * (shown(state.worn(usual), p) - log) : 0, List.copyOf(shares));
    }

    private static double shown(ColdSet set, Probe.Ohms p) {
        return log(set.between(p.net(), p.against(), p.test()));
    }

    /** Computes at once, on all processors, what would be computed when asked for. */
    void ready(Together together, List<State> states, Collection<? extends Probe> probes) {
        List<Probe.Ohms> all = probes.stream()
                .filter(Probe.Ohms.class::isInstance)
                .map(Probe.Ohms.class::cast)
                .toList();
        if (all.isEmpty()) return;
        // the others start from its answers
        sound.cold(usual);
        sound.worn(usual);
        answer(sound, all);
        together.each(states, (engine, state) -> answer(state, all));
    }

    private void answer(State state, List<Probe.Ohms> probes) {
        if (!state.cold(usual).quick()) probes.forEach(p -> at(state, p));
    }

    /** From one severity to another. */
    Foreseen foreseen(State from, State to, Probe.Ohms p) {
        At a = at(from, p);
        double b = from == to ? a.log() : at(to, p).log();
        double[] shares = new double[sources.length + 2];
        double resistors = 0;
        for (Share x : a.shares()) {
            resistors += x.share();
            shares[x.source()] = x.share() * spreads[x.source()] / Math.log(10);
        }
        shares[sources.length] = a.lain();
        shares[sources.length + 1] = Forecasts.SEVERITY * (b - a.log());
        double rest = (quick() ? OHMS : JUNCTIONS) * Math.max(0, 1 - resistors);
        double meter = open(a.log()) && open(b) ? OHMS : Math.hypot(METER, rest);
        return new Foreseen((a.log() + b) / 2, shares, Math.hypot(meter, APART * a.lain()));
    }
}
