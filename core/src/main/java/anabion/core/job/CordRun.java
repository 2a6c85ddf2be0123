package anabion.core.job;

import anabion.core.json.Coded;
import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/**
 * The run of a dial cord as it was measured, seen from the front; all lengths in millimetres, x to the right, y upwards.
 *
 * @param name which of several: front, rear
 * @param cord its diameter
 * @param passes the wheels in the order in which the cord meets them; it is made fast at the first and at the last
 * @param inside what leads from the rims of those two to hooks and holes, both ends together
 * @param knots what all knots take
 * @param gang degrees by which the first wheel turns from end to end of the dial
 * @param scale length of the scale that the pointer covers; 0 where nobody measured it
 * @param broke where the old one broke; may be empty
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record CordRun(
        UUID id,
        String name,
        double cord,
        List<Wheel> wheels,
        List<Pass> passes,
        double inside,
        double knots,
        double gang,
        double scale,
        Optional<Spring> spring,
        String broke,
        Extra extra)
        implements CordRunBuilder.With {
    public CordRun {
        wheels = List.copyOf(wheels);
        passes = List.copyOf(passes);
    }

    /** One without wheels: a gang turns by half a turn. */
    public static CordRun named(UUID id, String name) {
        return new CordRun(id, name, 0.6, List.of(), List.of(), 0, 0, 180, 0, Optional.empty(), "", Extra.NONE);
    }

    /** What the cord goes around. */
    public enum Kind implements Coded {
        DRUM,
        SHAFT,
        PULLEY,
        POST;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Which way the cord goes around a wheel, seen from the front. */
    public enum Turning implements Coded {
        CLOCKWISE,
        COUNTERCLOCKWISE;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** @param name a letter or more, by which the run names it */
    public record Wheel(String name, Kind kind, double diameter, double x, double y) {}

    /**
     * The cord at one wheel.
     *
     * @param turns how often it goes around about; less than one, and it takes the way that there is
     * @param anchor where it is made fast, in degrees clockwise from the top; empty between the ends
     */
    public record Pass(String wheel, Turning turning, double turns, Optional<Double> anchor) {}

    /** @param rest its length at rest; {@code stretched} that in the run */
    public record Spring(double rest, double stretched) {}

    /** A wheel by its name, whatever its case. */
    public Optional<Wheel> wheel(String called) {
        return wheels.stream().filter(w -> w.name().equalsIgnoreCase(called)).findFirst();
    }

    /** With a wheel, in place of the one of its name. */
    public CordRun with(Wheel wheel) {
        List<Wheel> all = new ArrayList<>(wheels);
        all.removeIf(w -> w.name().equalsIgnoreCase(wheel.name()));
        all.add(wheel);
        return withWheels(all);
    }
}
