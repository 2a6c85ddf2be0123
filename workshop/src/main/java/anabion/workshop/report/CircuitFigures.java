package anabion.workshop.report;

import anabion.core.chassis.Chassis;
import anabion.core.schematic.CircuitDrawing;
import anabion.core.schematic.StageDrawing;
import anabion.core.schematic.Symbol;
import anabion.core.schematic.SymbolStrokes;
import anabion.core.text.Words;
import java.util.ArrayList;
import java.util.List;

/** The circuit, stage by stage, as figures for a page. */
final class CircuitFigures {
    /** Of a grid unit on paper, where a stage is not too wide for it. */
    private static final double UNIT = 2;

    private static final double WIDEST = 174;
    /** Size of type and height of its line, in grid units. */
    private static final double TYPE = 1.05;

    private static final double EARTH = 0.7;

    private final StageDrawing stage;
    private final double unit;
    private final Strokes strokes = new Strokes();
    private final List<Figure.Text> texts = new ArrayList<>();

    private CircuitFigures(StageDrawing stage) {
        this.stage = stage;
        this.unit = Math.min(UNIT, WIDEST / stage.width());
    }

    /** Of all stages, in the order of the signal. */
    static List<Figure> of(Chassis chassis, Words words) {
        return CircuitDrawing.of(chassis, chassis.bands().stream().findFirst(), words.say("study.circuit.rest"))
                .stages()
                .stream()
                .map(s -> new CircuitFigures(s).figure(words))
                .toList();
    }

    private Figure figure(Words words) {
        stage.wires().forEach(w -> line(w.x1(), w.y1(), w.x2(), w.y2()));
        stage.dots().forEach(d -> strokes.dot(d.x() * unit, d.y() * unit, 0.22 * unit, Strokes.INK));
        stage.earths().forEach(e -> earth(e.x(), e.y()));
        stage.rails().forEach(r -> {
            strokes.dot(r.x() * unit, r.y() * unit, 0.26 * unit, Strokes.INK);
            text(r.name(), r.x() + 0.5, r.y() - 1, "left");
        });
        stage.nets().forEach(n -> text(n.name(), n.x(), n.y() - 1.2, "left"));
        stage.symbols().forEach(this::symbol);
        double width = stage.width() * unit;
        double height = stage.height() * unit;
        return new Figure(
                stage.stage(),
                words.say(
                        "report.circuit.alt",
                        stage.stage(),
                        String.join(
                                ", ",
                                stage.symbols().stream()
                                        .map(s -> (s.label() + " " + s.value()).strip())
                                        .toList())),
                width,
                height,
                strokes.svg(width, height),
                texts);
    }

    private void line(double x1, double y1, double x2, double y2) {
        strokes.line(x1 * unit, y1 * unit, x2 * unit, y2 * unit, Strokes.INK, 0.08 * unit);
    }

    private void earth(double x, double y) {
        for (int n = 0; n < 3; n++) {
            double half = EARTH * (1 - 0.32 * n);
            line(x - half, y + 0.32 * n, x + half, y + 0.32 * n);
        }
    }

    private void symbol(Symbol s) {
        SymbolStrokes.Paths paths = SymbolStrokes.of(s, unit);
        strokes.path(paths.line(), Strokes.INK, 0.11 * unit);
        strokes.area(paths.filled(), Strokes.INK);
        boolean device = s.kind().amplifies();
        if (!s.upright()) {
            double wide = 12;
            texts.add(new Figure.Text(
                    (s.label() + " " + s.value()).strip(),
                    (s.x() - wide / 2) * unit,
                    (s.y() - 2.2) * unit,
                    wide * unit,
                    "centre",
                    TYPE * unit));
            return;
        }
        double x = s.x() + s.beside();
        if (device) text((s.label() + " " + s.value()).strip(), x, s.y() + 0.1, "left");
        else {
            text(s.label(), x, s.y() - 1.3, "left");
            text(s.value(), x, s.y() - 0.1, "left");
        }
    }

    private void text(String words, double x, double y, String style) {
        if (!words.isBlank()) texts.add(new Figure.Text(words, x * unit, y * unit, 14 * unit, style, TYPE * unit));
    }
}
