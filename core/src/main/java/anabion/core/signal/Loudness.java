package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.circuit.Element;
import anabion.core.circuit.Solution;
import anabion.core.device.law.BipolarLaw;
import anabion.core.engine.Engine;
import anabion.core.engine.Setting;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is heard when a generator is put to each point of a band, for comparing one state of a set with another.
 *
 * @param decibels by {@link #key}: volts at the speaker against the generator's, minus infinity where nothing passes; the first points lie
 *     nearest the speaker, the last is the aerial
 * @param hum decibels against one volt at the speaker
 * @param distorted whether a stage that carries sound is driven into its grid, or has no room to swing
 */
public record Loudness(Map<String, Double> decibels, double hum, boolean distorted) {
    /** Direct current into a grid, in amperes, from which on it clips every half wave; a grid leak of 10 MΩ carries a tenth. */
    private static final double GRID = 1e-6;
    /** A collector within this of its emitter cannot swing, in volts. */
    private static final double SATURATED = 0.25;

    public Loudness {
        decibels = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(decibels));
    }

    /** The name of a point in a domain: a converter's grid takes the carrier and the intermediate frequency. */
    public static String key(Domain domain, String point) {
        return domain.code() + " " + point;
    }

    /** Computes a band; empty if the set does not settle, has no speaker, or no stages in this band. */
    public static Optional<Loudness> of(Engine engine, Chassis chassis, Setting setting, Band band) {
        if (band.kind() == BandKind.DISPLAY) return Optional.empty();
        return new Survey(engine, chassis, setting, band).loudness();
    }

    /** The point farthest from the speaker: what a listener hears from the air. */
    public String whole() {
        String last = "";
        for (String key : decibels.keySet()) last = key;
        return last;
    }

    /** @param detected volts at the speaker per volt of the carrier at the detector */
    static Loudness of(
            List<Gains.Level> levels, double detected, double hum, List<SignalPath.Amplifier> path, Solution direct) {
        Map<String, Double> heard = new LinkedHashMap<>();
        for (Gains.Level l : levels)
            heard.put(
                    key(l.domain(), l.point()), Survey.decibels((l.domain() == Domain.AF ? 1 : detected) / l.volts()));
        return new Loudness(heard, hum, distorted(path, direct));
    }

    private static boolean distorted(List<SignalPath.Amplifier> path, Solution direct) {
        return path.stream().filter(a -> a.before() == Domain.AF).anyMatch(a -> direct.circuit().elements().stream()
                .filter(e -> e instanceof Element.Device && e.name().equals(a.element()))
                .anyMatch(e -> cramped((Element.Device) e, direct)));
    }

    private static boolean cramped(Element.Device d, Solution direct) {
        double end = direct.at(d.nodes().get(d.nodes().size() - 1));
        if (d.law() instanceof BipolarLaw) return Math.abs(direct.at(d.nodes().get(1)) - end) < SATURATED;
        return direct.amperes(d)[0] > GRID;
    }
}
