package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import java.util.Optional;

/** Direct volts that hypotheses foresee: between the ends of their severity, with what the set's own chart shows beyond the model. */
final class VoltsModel {
    /** Meter and model together, relative. */
    static final double METER = 0.015;

    /** Meter and model near zero, in volts: contact potentials of tubes, warmth of junctions. */
    private static final double OF_TUBES = 0.06;

    private static final double OF_JUNCTIONS = 0.02;
    /** What a meter on direct volts shows of alternating ones, as a share: usual instruments reject them by 50 dB. */
    private static final double REJECTED = 0.003;
    /** A fault without degrees still differs from set to set, as a share of all that it changes. */
    private static final double ALONE = 0.05;
    /** The laws of tubes and transistors are not exact: a share of what a fault changes, at each net by itself. */
    private static final double OF_CHANGE = 0.08;
    /** What is fed by nothing stands near zero, not at it: a share of its sound volts, by leaks that nobody entered. */
    private static final double UNFED = 0.006;
    /** Volts to which initial velocities drive an electrode that nothing feeds. */
    private static final double FEW = 2;
    /** Volts above which an electrode is one that is fed. */
    private static final double FED = 10;
    /** Where little current decides, a tube's contact potential does, which differs from tube to tube: volts, and the ohms behind a net from which it counts by half. */
    private static final double CONTACT = 0.2;

    private static final double HIGH_OHMS = 200e3;
    /** The electrodes of a tube do not age alike, nor do its systems: what is each net's own, as a share of what tubes move it. */
    private static final double UNEVEN = 0.4;

    private final Simulator engine;
    private final SettingGrid settings;
    private final FaultState well;
    private final Sources sources;
    private final ChartResidue residue;
    private final boolean tubes;
    private final double little;

    VoltsModel(
            Chassis chassis,
            Simulator engine,
            SettingGrid settings,
            FaultState well,
            Sources sources,
            ChartResidue residue) {
        this.engine = engine;
        this.settings = settings;
        this.well = well;
        this.sources = sources;
        this.residue = residue;
        this.tubes = chassis.parts().stream().anyMatch(Part::isTube);
        this.little = little(chassis);
    }

    /** Volts near zero that say nothing. */
    static double little(Chassis chassis) {
        return chassis.parts().stream().anyMatch(Part::isTube) ? OF_TUBES : OF_JUNCTIONS;
    }

    /**
     * What a meter shows.
     *
     * @param ends of the hypothesis's severity
     * @return empty where its circuit does not settle
     */
    Optional<GaussianPrediction> foreseen(Hypothesis h, SeverityInterval ends, Measurement.Volts p) {
        Setting near = settings.near(p.setting());
        Optional<FaultResponse> from = ends.least().shown(engine, near);
        Optional<FaultResponse> to = ends.most().shown(engine, near);
        Optional<FaultResponse> sound = well.shown(engine, near);
        if (from.isEmpty() || to.isEmpty() || sound.isEmpty()) return Optional.empty();
        double line = p.setting().line();
        double off = line / near.line() - 1;
        double a = read(from.get(), p, off);
        double b = ends.graded() ? read(to.get(), p, off) : a;
        double stands = read(sound.get(), p, off);
        double[] shares = sources.none();
        double[] one = from.get().spread(p.net(), p.meter().ohmsAt(a));
        double[] other = ends.graded() ? to.get().spread(p.net(), p.meter().ohmsAt(b)) : one;
        for (int k = 0; k < one.length; k++) shares[k] = (one[k] + other[k]) / 2;
        shares[sources.severity()] = ends.graded()
                ? SeverityInterval.SEVERITY * (b - a)
                : h.sound() ? 0 : ALONE * alive(a, stands) * (a - stands) + leaking(a, stands);
        double middle = (a + b) / 2 - leaking((a + b) / 2, stands);
        double own = residue.spread(p.net(), middle, stands, line);
        double uneven = UNEVEN * from.get().ofTubes(p.net());
        double error = Math.hypot(
                Math.hypot(own, uneven), error(middle, stands, from.get().behind(p.net())));
        double hum = REJECTED * from.get().atRest().alternating(p.net()).orElse(0);
        return Optional.of(new GaussianPrediction(
                middle + residue.shift(p.net(), middle, stands, line),
                shares,
                Math.hypot(Math.hypot(METER * middle, little), Math.hypot(error, hum))));
    }

    /** By how much the model may be off, a standard deviation: nothing where a net stands as in a sound set, little where it is dead. */
    private double error(double volts, double sound, double behind) {
        double changed = Math.abs(volts - sound) * Math.hypot(OF_CHANGE * alive(volts, sound), UNFED);
        double contact = tubes ? CONTACT * behind / (behind + HIGH_OHMS) : 0;
        return Math.hypot(changed, contact);
    }

    /** What electrons alone drive below zero leaks that nobody entered draw back to it, half way, more or less: at all nets of a rail alike. */
    private double leaking(double volts, double sound) {
        boolean unfed = tubes && volts * sound < 0 && Math.abs(volts) < FEW && Math.abs(sound) > FED;
        return unfed ? volts / 2 : 0;
    }

    /** From 0 for a net that a fault leaves dead to 1 for one that has its volts, or more. */
    private static double alive(double volts, double sound) {
        double size = Math.abs(volts) + Math.abs(sound);
        return size == 0 ? 0 : Math.min(1, 2 * Math.abs(volts) / size);
    }

    private static double read(FaultResponse s, Measurement.Volts p, double off) {
        return s.read(p.net(), p.meter().ohmsAt(s.free(p.net())), off);
    }
}
