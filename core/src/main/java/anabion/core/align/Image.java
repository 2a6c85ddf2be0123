package anabion.core.align;

import anabion.core.align.TrackingAdvice.Point;
import anabion.core.chassis.OscillatorSide;
import java.util.List;
import java.util.Optional;

/**
 * A station that comes in on the other side of the oscillator: twice the intermediate frequency from where the dial stands.
 *
 * @param wrongSide whether the oscillator runs on the other side of its signal than that of the band
 */
public record Image(Point point, boolean wrongSide) {
    /** Share of twice the intermediate frequency by which a dial may be off besides. */
    private static final double NEAR = 0.08;

    /** @return empty where the station lies elsewhere */
    public static Optional<Image> of(Point p, double intermediate, OscillatorSide side) {
        double twice = 2 * intermediate;
        double off = p.heard() - p.dial();
        boolean image = Math.abs(Math.abs(off) - twice) < NEAR * twice;
        return image ? Optional.of(new Image(p, off < 0 == (side == OscillatorSide.ABOVE))) : Optional.empty();
    }

    /** Whether it lies below the dial. */
    public boolean below() {
        return point.heard() < point.dial();
    }

    /** The intermediate frequency that it tells, in hertz. */
    public double intermediate() {
        return Math.abs(point.heard() - point.dial()) / 2;
    }

    static List<Image> among(List<Point> points, double intermediate, OscillatorSide side) {
        return points.stream().flatMap(p -> of(p, intermediate, side).stream()).toList();
    }
}
