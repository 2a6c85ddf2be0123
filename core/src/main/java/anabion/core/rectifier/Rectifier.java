package anabion.core.rectifier;

import java.util.List;

/**
 * A rectifier with its reservoir, which it feeds directly or through a choke.
 *
 * @param paths one for half wave, two for full wave and bridge
 * @param hertz of the source
 * @param farads of the reservoir; below {@link Steady#STRAY} it counts as that
 * @param henries of a choke between rectifier and reservoir; 0 for none
 * @param ohms of that choke
 * @param pump farads of the capacitor between source and plate in a doubler with a common line; 0 for no doubler. The first path then
 *     fills the reservoir, the second keeps the plate from going negative
 */
public record Rectifier(
        List<Path> paths, Wave wave, double hertz, double farads, double henries, double ohms, double pump) {
    /** With the reservoir directly at the rectifier. */
    public Rectifier(List<Path> paths, Wave wave, double hertz, double farads) {
        this(paths, wave, hertz, farads, 0, 0, 0);
    }

    public Rectifier {
        paths = List.copyOf(paths);
        if (!(hertz > 0)) throw new IllegalArgumentException("a rectifier needs an alternating source");
    }

    /** The highest volts that the reservoir can reach without load. */
    public double open() {
        double most = 0;
        for (Path p : paths) most = Math.max(most, Math.abs(p.volts()) * Math.sqrt(2));
        return pump > 0 ? 2 * most : most;
    }

    /** The steady cycle under a load. */
    public Cycle cycle(Load load) {
        return Finder.of(this).cycle(load, 0.9 * open());
    }
}
