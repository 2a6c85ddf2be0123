package anabion.core.device;

import anabion.core.json.Coded;
import anabion.core.json.Extra;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;

/**
 * One system of a tube and its published typical operation.
 *
 * @param name the letters behind its pins' functions ({@code T}, {@code H}, {@code d1}); empty for a tube with one system
 * @param mu amplification of the plate (triode) or of the screen (others) by the control grid; 0 when not published
 * @param cutoff grid volts at which a remote cut-off type has lost nearly all of its mutual conductance; empty for a sharp one
 * @param oscillator the grid that swings in a converter: {@code g1} or {@code g3}; empty for no converter
 * @param points the first is what the constants are fitted to, the others hold them to account
 */
public record Section(
        String name, Kind kind, double mu, OptionalDouble cutoff, String oscillator, List<Point> points, Extra extra) {
    /** What law it follows. */
    public enum Kind implements Coded {
        TRIODE,
        PENTODE,
        HEPTODE,
        DIODE,
        RECTIFIER,
        /** Mercury vapour or another gas: next to the same volts at any current. */
        GAS_RECTIFIER,
        /** A glow discharge that holds its volts; the two points are its least and its most current. */
        GAS_REGULATOR,
        /** An iron wire in hydrogen that holds its current; the two points are the ends of its range. */
        BARRETTER;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** Whether a grid controls it. */
        public boolean amplifies() {
            return this == TRIODE || this == PENTODE || this == HEPTODE;
        }

        /** Whether it turns alternating into direct current. */
        public boolean rectifies() {
            return this == RECTIFIER || this == GAS_RECTIFIER;
        }
    }

    public Section {
        points = List.copyOf(points);
    }

    /** The published point of the least plate current: where the range of a regulator or barretter begins. */
    public Point least() {
        return points.stream()
                .min(Comparator.comparingDouble(Point::plateMilliamps))
                .orElseThrow();
    }

    /** The published point of the most plate current; {@link #least} where only one is known. */
    public Point most() {
        return points.stream()
                .max(Comparator.comparingDouble(Point::plateMilliamps))
                .orElseThrow();
    }

    /**
     * Typical operation: volts above the cathode, milliamperes, millisiemens; 0 where not applicable.
     *
     * @param millisiemens mutual conductance; of a converter its conversion conductance
     * @param leakOhms grid leak of a running oscillator
     * @param gridMilliamps mean current in that leak
     */
    public record Point(
            double plate,
            double screen,
            double grid,
            double plateMilliamps,
            double screenMilliamps,
            double millisiemens,
            double leakOhms,
            double gridMilliamps,
            Extra extra) {}
}
