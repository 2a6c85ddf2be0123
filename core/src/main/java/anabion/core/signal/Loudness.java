package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.circuit.Element;
import anabion.core.circuit.Solution;
import anabion.core.device.model.BipolarLaw;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What is heard when a generator is put to each point of a band, for comparing one state of a set with another.
 *
 * @param decibels by {@link #key}: volts at the speaker against the generator's, minus infinity where nothing passes; the first points lie
 *     nearest the speaker, the last is the aerial
 * @param beyond those from which nothing brings the standard output: a stage behind has no room to swing so far, or nothing passes
 * @param hum decibels against one volt at the speaker
 * @param distorted whether a stage that carries sound is driven into its grid, has no room to swing, or only half of it works
 * @param noisy whether an FM detector no longer holds its own against changes of the carrier's strength
 * @param mute whether the voice coil is open or off: what stands at its terminals is metered there, and nobody hears it
 */
public record Loudness(
        Map<String, Double> decibels, Set<String> beyond, double hum, boolean distorted, boolean noisy, boolean mute) {
    /** Direct current into a grid, in amperes, from which on it clips every half wave; a grid leak of 10 MΩ carries a tenth. */
    private static final double GRID = 1e-6;
    /** A collector within this of its emitter cannot swing, in volts. */
    private static final double SATURATED = 0.25;
    /** Share of its partner's current below which half of a push-pull stage is heard to be missing. */
    static final double LOPSIDED = 0.3;
    /** Decibels that no ear tells apart. */
    private static final double INAUDIBLE = 0.3;

    public Loudness {
        decibels = Collections.unmodifiableMap(new LinkedHashMap<>(decibels));
        beyond = Set.copyOf(beyond);
    }

    /** The name of a point in a domain: a converter's grid takes the carrier and the intermediate frequency. */
    public static String key(Domain domain, String point) {
        return domain.code() + " " + point;
    }

    /** Computes a band; empty if the set does not settle, has no speaker, or no stages in this band. */
    public static Optional<Loudness> of(Simulator engine, Chassis chassis, Setting setting, Band band) {
        if (band.kind() == BandKind.DISPLAY) return Optional.empty();
        return new Survey(engine, chassis, setting, band).loudness();
    }

    /** Whether nobody could hear it from another state's. */
    public boolean alike(Loudness other) {
        return decibels.keySet().equals(other.decibels.keySet())
                && decibels.keySet().stream().allMatch(k -> alike(decibels.get(k), other.decibels.get(k)))
                && beyond.equals(other.beyond)
                && alike(hum, other.hum)
                && distorted == other.distorted
                && mute == other.mute
                && noisy == other.noisy;
    }

    private static boolean alike(double one, double other) {
        return one == other || Math.abs(one - other) < INAUDIBLE;
    }

    /** The point farthest from the speaker: what a listener hears from the air. */
    public String whole() {
        String last = "";
        for (String key : decibels.keySet()) last = key;
        return last;
    }

    /**
     * @param levels of sound for the standard output, of carriers for the carrier that was put in
     * @param output volts at the speaker for the standard output
     * @param detected volts at the speaker per volt of the carrier at the detector
     */
    static Loudness of(
            List<Gains.Level> levels, double output, double detected, double hum, SignalPath path, Solution direct) {
        Map<String, Double> heard = new LinkedHashMap<>();
        for (Gains.Level l : levels)
            heard.put(
                    key(l.domain(), l.point()),
                    Survey.decibels((l.domain() == Domain.AF ? output : detected) / l.volts()));
        return new Loudness(heard, beyond(levels, path, direct), hum, distorted(path, direct), false, false);
    }

    /** With what an FM detector adds. */
    Loudness detected(boolean lopsided, boolean crackles) {
        return new Loudness(decibels, beyond, hum, distorted || lopsided, crackles, mute);
    }

    /** With its voice coil open or off. */
    Loudness muted() {
        return new Loudness(decibels, beyond, hum, distorted, noisy, true);
    }

    /** Decibels of what is heard from a point, minus infinity where nothing is. */
    public double heard(String point) {
        return mute ? Double.NEGATIVE_INFINITY : decibels.getOrDefault(point, Double.NEGATIVE_INFINITY);
    }

    /** Decibels of the hum that is heard. */
    public double heardHum() {
        return mute ? Double.NEGATIVE_INFINITY : hum;
    }

    private static Set<String> beyond(List<Gains.Level> levels, SignalPath path, Solution direct) {
        List<SignalPath.Amplifier> sounding =
                path.stages().stream().filter(a -> a.before() == Domain.AF).toList();
        Set<String> beyond = new LinkedHashSet<>();
        for (Gains.Level l : new Swing(direct).within(levels, sounding))
            if (!l.heard()) beyond.add(key(l.domain(), l.point()));
        return beyond;
    }

    private static boolean distorted(SignalPath path, Solution direct) {
        return path.stages().stream().filter(a -> a.before() == Domain.AF).anyMatch(a -> direct.circuit()
                        .device(a.element())
                        .filter(d -> cramped(a, d, direct))
                        .isPresent())
                || path.pushPull().stream().anyMatch(p -> lopsided(p, direct));
    }

    /** Whether one half of a push-pull stage draws so little beside the other that it leaves its half waves out. */
    private static boolean lopsided(SignalPath.Pair p, Solution direct) {
        double one = drawn(p.first(), direct);
        double two = drawn(p.second(), direct);
        return Math.min(one, two) < LOPSIDED * Math.max(one, two);
    }

    private static double drawn(SignalPath.Amplifier a, Solution direct) {
        return direct.circuit()
                .device(a.element())
                .map(d -> Math.abs(direct.amperes(d)[a.plate()]))
                .orElse(0.0);
    }

    private static boolean cramped(SignalPath.Amplifier a, Element.Device d, Solution direct) {
        return d.law() instanceof BipolarLaw ? Swing.room(a, d, direct) < SATURATED : direct.amperes(d)[0] > GRID;
    }
}
