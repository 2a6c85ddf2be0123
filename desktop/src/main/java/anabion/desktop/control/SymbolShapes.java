package anabion.desktop.control;

import anabion.core.schematic.Symbol;
import javafx.scene.shape.ArcTo;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;

/** The strokes of circuit symbols after the public standard (IEC 60617), drawn lying or upright about a centre. */
final class SymbolShapes {
    private final double unit;
    private final double cx;
    private final double cy;
    private final boolean upright;
    private final Path line = new Path();
    private final Path filled = new Path();

    private SymbolShapes(Symbol s, double unit) {
        this.unit = unit;
        this.cx = s.x() * unit;
        this.cy = s.y() * unit;
        this.upright = s.upright();
        line.getStyleClass().add("circuit-line");
        filled.getStyleClass().add("circuit-filled");
    }

    /** The strokes and the filled areas of a symbol. */
    record Drawn(Path line, Path filled) {}

    static Drawn of(Symbol s, double unit) {
        SymbolShapes d = new SymbolShapes(s, unit);
        if (s.kind().amplifies()) d.device(s.kind());
        else d.two(s.kind());
        return new Drawn(d.line, d.filled);
    }

    /** Along the symbol from its first end at −1.5 to its second at 1.5; across it to the right or downward. */
    private void move(double along, double across) {
        line.getElements().add(new MoveTo(x(along, across), y(along, across)));
    }

    private void line(double along, double across) {
        line.getElements().add(new LineTo(x(along, across), y(along, across)));
    }

    private double x(double along, double across) {
        return cx + unit * (upright ? across : along);
    }

    private double y(double along, double across) {
        return cy + unit * (upright ? along : across);
    }

    private void stroke(double a1, double c1, double a2, double c2) {
        move(a1, c1);
        line(a2, c2);
    }

    private void leads(double inner) {
        stroke(-Symbol.HALF, 0, -inner, 0);
        stroke(inner, 0, Symbol.HALF, 0);
    }

    private void box(double a, double c, Path path) {
        path.getElements()
                .addAll(
                        new MoveTo(x(-a, -c), y(-a, -c)),
                        new LineTo(x(a, -c), y(a, -c)),
                        new LineTo(x(a, c), y(a, c)),
                        new LineTo(x(-a, c), y(-a, c)),
                        new ClosePath());
    }

    private void ring(double radius) {
        double r = radius * unit;
        line.getElements()
                .addAll(
                        new MoveTo(cx - r, cy),
                        new ArcTo(r, r, 0, cx + r, cy, true, true),
                        new ArcTo(r, r, 0, cx - r, cy, true, true));
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
                box(0.9, 0.35, line);
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
                box(0.5, 0.35, line);
                stroke(-0.5, 0.35, -0.95, 0.9);
                stroke(0.5, 0.35, 0.95, 0.9);
                stroke(-0.95, 0.9, 0.95, 0.9);
            }
            case OTHER, TRIODE, PENTODE, HEPTODE, NPN, PNP, FET -> {
                leads(0.7);
                box(0.7, 0.7, line);
            }
        }
    }

    private void resistor() {
        leads(0.9);
        box(0.9, 0.4, line);
    }

    private void plates() {
        leads(0.2);
        stroke(-0.2, -0.7, -0.2, 0.7);
        stroke(0.2, -0.7, 0.2, 0.7);
    }

    private void hollow(double from, double to) {
        double middle = (from + to) / 2 - 0.05;
        line.getElements()
                .addAll(
                        new MoveTo(x(middle - 0.12, -0.7), y(middle - 0.12, -0.7)),
                        new LineTo(x(middle + 0.12, -0.7), y(middle + 0.12, -0.7)),
                        new LineTo(x(middle + 0.12, 0.7), y(middle + 0.12, 0.7)),
                        new LineTo(x(middle - 0.12, 0.7), y(middle - 0.12, 0.7)),
                        new ClosePath());
    }

    private void solid(double at) {
        filled.getElements()
                .addAll(
                        new MoveTo(x(at - 0.12, -0.7), y(at - 0.12, -0.7)),
                        new LineTo(x(at + 0.12, -0.7), y(at + 0.12, -0.7)),
                        new LineTo(x(at + 0.12, 0.7), y(at + 0.12, 0.7)),
                        new LineTo(x(at - 0.12, 0.7), y(at - 0.12, 0.7)),
                        new ClosePath());
    }

    private void triangle() {
        filled.getElements()
                .addAll(
                        new MoveTo(x(-0.45, -0.5), y(-0.45, -0.5)),
                        new LineTo(x(0.45, 0), y(0.45, 0)),
                        new LineTo(x(-0.45, 0.5), y(-0.45, 0.5)),
                        new ClosePath());
    }

    private void coil() {
        leads(1.2);
        move(-1.2, 0);
        for (int n = 0; n < 3; n++) {
            double end = -1.2 + 0.8 * (n + 1);
            // A hair more than half the chord: at exactly half, rounding decides which way round the arc goes.
            line.getElements().add(new ArcTo(0.41 * unit, 0.41 * unit, 0, x(end, 0), y(end, 0), false, true));
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
        filled.getElements()
                .addAll(
                        new MoveTo(x(a1, c1), y(a1, c1)),
                        new LineTo(
                                x(a1 + ua - 0.5 * uc, c1 + uc + 0.5 * ua), y(a1 + ua - 0.5 * uc, c1 + uc + 0.5 * ua)),
                        new LineTo(
                                x(a1 + ua + 0.5 * uc, c1 + uc - 0.5 * ua), y(a1 + ua + 0.5 * uc, c1 + uc - 0.5 * ua)),
                        new ClosePath());
    }
}
