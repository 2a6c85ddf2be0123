package anabion.workshop;

import anabion.core.json.Coded;
import anabion.core.json.Extra;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;

/**
 * Something drawn on a photo. Places are shares of its width and height, from the upper left corner.
 *
 * @param x where it sits or begins; {@code y} likewise
 * @param toX where it ends; of a pin as {@code x}, of a circle a place on its rim
 * @param text what a pin carries: a part, a reading, an adjuster; what a wire goes to
 * @param colour of a wire, as typed; may be empty
 */
public record PhotoMark(UUID id, Kind kind, double x, double y, double toX, double toY, String text, String colour) {
    /** What it is. */
    public enum Kind implements Coded {
        PIN,
        WIRE,
        CIRCLE,
        ARROW;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** @throws IllegalArgumentException if it lies outside */
    public PhotoMark {
        for (double v : new double[] {x, y, toX, toY})
            if (!(v >= 0 && v <= 1)) throw new IllegalArgumentException("a place on a photo lies within it");
    }

    Map<String, Object> tree() {
        Writing w = new Writing().put("id", id).put("kind", kind).put("x", x).put("y", y);
        if (kind != Kind.PIN) w.put("toX", toX).put("toY", toY);
        return w.text("text", text).text("colour", colour).with(Extra.NONE);
    }

    static PhotoMark read(Fields f) {
        double x = share(f, "x");
        double y = share(f, "y");
        return new PhotoMark(
                f.id(),
                f.code("kind", Kind.values()),
                x,
                y,
                f.has("toX") ? share(f, "toX") : x,
                f.has("toY") ? share(f, "toY") : y,
                f.text("text", ""),
                f.text("colour", ""));
    }

    private static double share(Fields f, String name) {
        double value = f.number(name);
        if (!(value >= 0 && value <= 1)) throw f.trouble(name, "a place on a photo is a share of it", "write 0 to 1");
        return value;
    }
}
