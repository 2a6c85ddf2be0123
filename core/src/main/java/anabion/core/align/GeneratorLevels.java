package anabion.core.align;

import anabion.core.signal.Domain;
import anabion.core.signal.Gains;
import java.util.List;
import java.util.Optional;

/** The level to give at a point: what brings the standard output, and no more than leaves the AVC at rest. */
final class GeneratorLevels {
    /** Decibels by which the AVC may lessen the gain: more would flatten a peak. */
    static final double COMPRESSION = 0.5;

    private final Optional<Gains> gains;

    GeneratorLevels(Optional<Gains> gains) {
        this.gains = gains;
    }

    /** Effective volts of a generator at a point. */
    Optional<Double> at(String point, Domain domain) {
        return gains.flatMap(g -> g.levels().stream()
                .filter(l -> l.domain() == domain && l.point().equals(point) && l.heard())
                .map(l -> l.volts() * Math.min(1, knee(g) / g.carrier()))
                .findFirst());
    }

    /** Effective volts of a generator at a point from which on the AVC takes part; empty where it never does. */
    Optional<Double> knee(String point, Domain domain) {
        return gains.filter(g -> Double.isFinite(knee(g))).flatMap(g -> g.levels().stream()
                .filter(l -> l.domain() == domain && l.point().equals(point) && l.heard())
                .map(l -> l.volts() * knee(g) / g.carrier())
                .findFirst());
    }

    /** The pin where the generator goes on the intermediate frequency: of its first stage. */
    Optional<Gains.Level> first(Domain domain) {
        return gains.flatMap(g -> {
            List<Gains.Level> all = g.levels().stream()
                    .filter(l -> l.domain() == domain && !l.induced())
                    .toList();
            return all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1));
        });
    }

    /** Volts of the carrier's peaks at the detector from which the AVC lessens the gain by {@link #COMPRESSION}; infinite without one. */
    static double knee(Gains g) {
        List<Gains.Control> all = g.control();
        if (all.size() < 2) return Double.POSITIVE_INFINITY;
        double free = all.get(0).detector() / all.get(0).input();
        double share = Math.pow(10, -COMPRESSION / 20);
        for (int n = 1; n < all.size(); n++) {
            double before = all.get(n - 1).detector() / all.get(n - 1).input() / free;
            double now = all.get(n).detector() / all.get(n).input() / free;
            if (now < share) {
                double part = (before - share) / (before - now);
                return all.get(n - 1).detector()
                        * Math.pow(all.get(n).detector() / all.get(n - 1).detector(), part);
            }
        }
        return Double.POSITIVE_INFINITY;
    }
}
