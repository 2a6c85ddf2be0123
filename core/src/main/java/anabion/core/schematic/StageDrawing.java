package anabion.core.schematic;

import java.util.List;

/**
 * One stage as drawn, in grid units.
 *
 * @param earths where a wire ends at the chassis (or what the set calls its common line)
 * @param rails where a wire ends at a rail, with its name
 * @param nets where the name of a net stands, above its wire
 */
public record StageDrawing(
        String stage,
        double width,
        double height,
        List<Symbol> symbols,
        List<Wire> wires,
        List<Spot> dots,
        List<Spot> earths,
        List<Spot> rails,
        List<Spot> nets) {
    /** Without empty rows above and below. */
    StageDrawing trimmed() {
        double top = Double.POSITIVE_INFINITY;
        double low = 0;
        for (Symbol s : symbols) {
            top = Math.min(top, s.y() - (s.upright() ? Symbol.RADIUS : 2.3));
            low = Math.max(low, s.y() + (s.kind().amplifies() ? 2.4 : Symbol.HALF));
        }
        for (Wire w : wires) {
            top = Math.min(top, Math.min(w.y1(), w.y2()));
            low = Math.max(low, Math.max(w.y1(), w.y2()));
        }
        for (Spot s : rails) top = Math.min(top, s.y() - 1);
        for (Spot s : nets) top = Math.min(top, s.y() - 1);
        for (Spot s : earths) low = Math.max(low, s.y() + 0.8);
        double up = Double.isInfinite(top) ? 0 : top;
        return new StageDrawing(
                stage,
                width,
                low - up + 0.6,
                symbols.stream()
                        .map(s -> new Symbol(s.part(), s.kind(), s.x(), s.y() - up, s.upright(), s.label(), s.value()))
                        .toList(),
                wires.stream()
                        .map(w -> new Wire(w.x1(), w.y1() - up, w.x2(), w.y2() - up))
                        .toList(),
                lifted(dots, up),
                lifted(earths, up),
                lifted(rails, up),
                lifted(nets, up));
    }

    private static List<Spot> lifted(List<Spot> spots, double up) {
        return spots.stream().map(s -> new Spot(s.x(), s.y() - up, s.name())).toList();
    }

    /** A straight piece of wire. */
    public record Wire(double x1, double y1, double x2, double y2) {}

    /** A place with a name. */
    public record Spot(double x, double y, String name) {}

    public StageDrawing {
        symbols = List.copyOf(symbols);
        wires = List.copyOf(wires);
        dots = List.copyOf(dots);
        earths = List.copyOf(earths);
        rails = List.copyOf(rails);
        nets = List.copyOf(nets);
    }
}
