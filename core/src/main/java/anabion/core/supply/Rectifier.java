package anabion.core.supply;

import java.util.List;

/**
 * A rectifier with a capacitor as its reservoir.
 *
 * @param paths one for half wave, two for full wave and bridge
 * @param hertz of the source
 * @param farads of the reservoir; below {@link Steady#STRAY} it counts as that
 */
public record Rectifier(List<Path> paths, Wave wave, double hertz, double farads) {
    public Rectifier {
        paths = List.copyOf(paths);
        if (!(hertz > 0)) throw new IllegalArgumentException("a rectifier needs an alternating source");
    }

    /** The highest volts that the reservoir can reach without load. */
    public double open() {
        double most = 0;
        for (Path p : paths) most = Math.max(most, Math.abs(p.volts()) * Math.sqrt(2));
        return most;
    }

    /** The steady cycle under a load. */
    public Cycle cycle(Load load) {
        return new Steady(this).cycle(load);
    }
}
