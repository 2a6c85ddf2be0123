package anabion.core.align;

import anabion.core.align.TrackingAdvice.Point;
import java.util.List;
import java.util.Optional;

/**
 * A station that comes in on the other side of the oscillator: twice the intermediate frequency from where the dial stands.
 *
 * @param below whether it lies below the dial: then the oscillator runs below its signal, on the wrong side
 */
public record Image(Point point, boolean below) {
    /** Share of twice the intermediate frequency by which a dial may be off besides. */
    private static final double NEAR = 0.08;

    /** @return empty where the station lies elsewhere */
    static Optional<Image> of(Point p, double intermediate) {
        double twice = 2 * intermediate;
        double off = p.heard() - p.dial();
        boolean image = Math.abs(Math.abs(off) - twice) < NEAR * twice;
        return image ? Optional.of(new Image(p, off < 0)) : Optional.empty();
    }

    /** The intermediate frequency that it tells, in hertz. */
    public double intermediate() {
        return Math.abs(point.heard() - point.dial()) / 2;
    }

    static List<Image> among(List<Point> points, double intermediate) {
        return points.stream().flatMap(p -> of(p, intermediate).stream()).toList();
    }
}
