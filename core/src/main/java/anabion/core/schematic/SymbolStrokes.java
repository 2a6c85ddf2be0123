package anabion.core.schematic;

import java.util.Locale;

/**
 * The strokes of circuit symbols after the public standard (IEC 60617), drawn lying or upright about a centre, as path data in the language of SVG (W3C SVG 1.1, section 8.3).
 */
public final class SymbolStrokes {
    private final double unit;
    private final double cx;
    private final double cy;
    private final boolean upright;
    private final StringBuilder line = new StringBuilder();
    private final StringBuilder filled = new StringBuilder();

    private SymbolStrokes(Symbol s, double unit) {
        this.unit = unit;
        this.cx = s.x() * unit;
        this.cy = s.y() * unit;
        this.upright = s.upright();
    }

    /**
     * Two paths.
     *
     * @param line its strokes
     * @param filled its areas; may be empty
     */
    public record Paths(String line, String filled) {}

    /**
     * @param unit length of a grid unit, in units of the path
     * @return the strokes and the filled areas of a symbol at its place
     */
    public static Paths of(Symbol s, double unit) {
        SymbolStrokes d = new SymbolStrokes(s, unit);
        if (s.kind().amplifies()) d.device(s.kind());
        else d.two(s.kind());
        return new Paths(d.line.toString(), d.filled.toString());
    }

    private static void put(StringBuilder path, String command, double... numbers) {
        path.append(command);
        // whole numbers without a point: the flags of an arc may have none
        for (double n : numbers)
            path.append(' ')
                    .append(n == Math.rint(n) ? String.valueOf((long) n) : String.format(Locale.ROOT, "%.2f", n));
        path.append(' ');
    }

    /** Along the symbol from its first end at −1.5 to its second at 1.5; across it to the right or downward. */
    private void to(StringBuilder path, String command, double along, double across) {
        put(path, command, cx + unit * (upright ? across : along), cy + unit * (upright ? along : across));
    }

    /** A closed area; pairs of along and across. */
    private void area(StringBuilder path, double... corners) {
        for (int n = 0; n < corners.length; n += 2) to(path, n == 0 ? "M" : "L", corners[n], corners[n + 1]);
        path.append("Z ");
    }

    private void stroke(double a1, double c1, double a2, double c2) {
        to(line, "M", a1, c1);
        to(line, "L", a2, c2);
    }

    private void leads(double inner) {
        stroke(-Symbol.HALF, 0, -inner, 0);
        stroke(inner, 0, Symbol.HALF, 0);
    }

    private void box(double a, double c) {
        area(line, -a, -c, a, -c, a, c, -a, c);
    }

    private void ring(double radius) {
        double r = radius * unit;
        put(line, "M", cx - r, cy);
        put(line, "A", r, r, 0, 1, 1, cx + r, cy);
        put(line, "A", r, r, 0, 1, 1, cx - r, cy);
    }

    private void two(Symbol.Kind kind) {
        switch (kind) {
            case RESISTOR -> resistor();
            case POTENTIOMETER -> {
                resistor();
                stroke(0, -1.1, 0, -0.4);
                stroke(-0.25, -0.7, 0, -0.4);
                stroke(0.25, -0.7, 0, -0.4);
            }
            case CAPACITOR -> plates();
            case ELECTROLYTIC -> {
                leads(0.25);
                hollow(-0.3, 0.1);
                solid(0.3);
            }
            case COIL -> coil();
            case SWITCH -> {
                leads(0.7);
                stroke(-0.7, 0, 0.55, -0.55);
            }
            case LAMP -> {
                leads(0.7);
                ring(0.7);
                stroke(-0.5, -0.5, 0.5, 0.5);
                stroke(-0.5, 0.5, 0.5, -0.5);
            }
            case FUSE -> {
                box(0.9, 0.35);
                stroke(-Symbol.HALF, 0, Symbol.HALF, 0);
            }
            case BATTERY -> {
                leads(0.2);
                stroke(-0.2, -0.8, -0.2, 0.8);
                stroke(0.2, -0.4, 0.2, 0.4);
            }
            case DIODE -> {
                stroke(-Symbol.HALF, 0, Symbol.HALF, 0);
                triangle();
                stroke(0.45, -0.5, 0.45, 0.5);
            }
            case SPEAKER -> {
                leads(0.5);
                box(0.5, 0.35);
                stroke(-0.5, 0.35, -0.95, 0.9);
                stroke(0.5, 0.35, 0.95, 0.9);
                stroke(-0.95, 0.9, 0.95, 0.9);
            }
            case OTHER, TRIODE, PENTODE, HEPTODE, NPN, PNP, FET -> {
                leads(0.7);
                box(0.7, 0.7);
            }
        }
    }

    private void resistor() {
        leads(0.9);
        box(0.9, 0.4);
    }

    private void plates() {
        leads(0.2);
        stroke(-0.2, -0.7, -0.2, 0.7);
        stroke(0.2, -0.7, 0.2, 0.7);
    }

    private void hollow(double from, double to) {
        double middle = (from + to) / 2 - 0.05;
        area(line, middle - 0.12, -0.7, middle + 0.12, -0.7, middle + 0.12, 0.7, middle - 0.12, 0.7);
    }

    private void solid(double at) {
        area(filled, at - 0.12, -0.7, at + 0.12, -0.7, at + 0.12, 0.7, at - 0.12, 0.7);
    }

    private void triangle() {
        area(filled, -0.45, -0.5, 0.45, 0, -0.45, 0.5);
    }

    private void coil() {
        leads(1.2);
        to(line, "M", -1.2, 0);
        // A hair more than half the chord: at exactly half, rounding decides which way round the arc goes.
        for (int n = 0; n < 3; n++) {
            put(line, "A", 0.41 * unit, 0.41 * unit, 0, 0, 1);
            to(line, "", -1.2 + 0.8 * (n + 1), 0);
        }
    }

    /** Devices always stand: plate or collector above, grid or base left, cathode or emitter below. */
    private void device(Symbol.Kind kind) {
        double r = Symbol.RADIUS;
        ring(r);
        if (kind == Symbol.Kind.NPN || kind == Symbol.Kind.PNP || kind == Symbol.Kind.FET) {
            transistor(kind);
            return;
        }
        stroke(-r, 0, -0.9, 0);
        stroke(-0.9, -0.7, -0.9, 0.7);
        stroke(r, 0, 0.9, 0);
        stroke(0.9, -0.7, 0.9, 0.7);
        int grids = kind == Symbol.Kind.TRIODE ? 1 : kind == Symbol.Kind.PENTODE ? 2 : 4;
        for (int n = 0; n < grids; n++) grid(grids == 1 ? 0 : 0.5 - n * 1.0 / (grids - 1), n == 0, n == grids - 1);
    }

    /** A row of dashes; the lowest reaches to the left, the highest of several to the right. */
    private void grid(double along, boolean left, boolean right) {
        for (double c = -0.7; c < 0.7; c += 0.5) stroke(along, c, along, Math.min(0.7, c + 0.28));
        if (left) {
            stroke(along, -1.2, along, -0.7);
            stroke(along, -1.2, 0, -1.2);
            stroke(0, -1.2, 0, -Symbol.RADIUS);
        }
        if (right && !left) {
            stroke(along, 0.7, along, 1.2);
            stroke(along, 1.2, 0, 1.2);
            stroke(0, 1.2, 0, Symbol.RADIUS);
        }
    }

    private void transistor(Symbol.Kind kind) {
        double r = Symbol.RADIUS;
        stroke(0, -r, 0, -0.5);
        stroke(-0.8, -0.5, 0.8, -0.5);
        stroke(-0.35, -0.5, -0.9, 0);
        stroke(-0.9, 0, -r, 0);
        stroke(0.35, -0.5, 0.9, 0);
        stroke(0.9, 0, r, 0);
        if (kind == Symbol.Kind.NPN) arrow(0.9, 0, 0.55, -0.32);
        else if (kind == Symbol.Kind.PNP) arrow(0.4, -0.46, 0.75, -0.14);
        else arrow(0, -0.55, 0, -1.0);
    }

    /** Its head at the first place, its tail toward the second. */
    private void arrow(double a1, double c1, double a2, double c2) {
        double da = a2 - a1;
        double dc = c2 - c1;
        double length = Math.hypot(da, dc);
        double ua = 0.4 * da / length;
        double uc = 0.4 * dc / length;
        area(filled, a1, c1, a1 + ua - 0.5 * uc, c1 + uc + 0.5 * ua, a1 + ua + 0.5 * uc, c1 + uc - 0.5 * ua);
    }
}
